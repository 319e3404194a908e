using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
using RustCabin.Core.Images;
using RustCabin.Core.PictureSound;
using RustCabin.Web.Drawings;
using static RustCabin.Web.Pages.Tools.TypedLines;

namespace RustCabin.Web.Pages.Tools;

/// <summary>Tools of tests, samples and sides.</summary>
public static partial class AllTools
{
    static readonly Tool FairTest = new(
        "fair",
        "A fair test",
        "how many clean passes a fault would not survive",
        "functions#the-test-set",
        "Count passes",
        [
            new("shows", "the fault shows in so many passes", "3"),
            new("of", "of so many", "10"),
            new("missed", "it may be missed once in", "25"),
        ],
        typed =>
        {
            (decimal? shows, decimal? of, decimal? once) = (Amount(typed("shows")), Amount(typed("of")), Amount(typed("missed")));
            if (of is not (>= 1 and <= 1_000_000))
                return Refused("of", "must be a number of passes from 1");
            if (shows is not > 0 || shows > of)
                return Refused("shows", "must be above 0, and not more than the passes");
            if (once is not (> 1 and <= 1_000_000))
                return Refused("missed", "must be above 1");
            double clean = 1 - (double)(shows.Value / of.Value);
            int passes = clean <= 0 ? 1 : (int)Math.Ceiling(Math.Log(1 / (double)once.Value) / Math.Log(clean) - 1e-9);
            return new ToolAnswer($"{IdText.Counted(passes, "clean pass")} in a row")
            {
                Drawing = EvidenceDrawings.Causes([
                    .. Enumerable
                        .Range(1, Math.Min(12, passes))
                        .Select(n => ($"missed after {IdText.Counted(n, "pass")}", Math.Pow(clean, n))),
                ]),
                Why =
                [
                    $"A pass misses it with 1 - {shows:0.##} / {of:0.##} = {clean:0.###}.",
                    $"{clean:0.###} to the power of {passes} is {Math.Pow(clean, passes):0.####}, 1 in "
                        + $"{1 / Math.Max(Math.Pow(clean, passes), 1e-12):#,0}.",
                ],
            };
        }
    );

    static readonly Tool SamplesOfLine = new(
        "sampling",
        "Samples of a line",
        "whether they beat, and the best phase",
        "picture-sound#sampling",
        "Find phase",
        [
            new("pixels", "pixels of a whole line", "826"),
            new("samples", "samples of a whole line", "1652"),
            new("errors", "errors counted at each phase", "9 4 0 0 0 0 2 7"),
        ],
        typed =>
            Tool.Asked<SamplingAsked>(
                new JsonObject
                {
                    ["pixelsPerLine"] = Number(typed("pixels")),
                    ["samplesPerLine"] = Number(typed("samples")),
                    ["captures"] = new JsonArray([.. Words(typed("errors")).Select(Number)]),
                },
                asked =>
                {
                    Sampling found = Sampling.Of(asked);
                    int most = Math.Max(1, asked.Captures.Max());
                    return new ToolAnswer(found.Phase is { } phase ? $"Phase {phase}" : "No phase is clean")
                    {
                        Drawing = EvidenceDrawings.Causes([
                            .. asked.Captures.Select((c, i) => ($"phase {i}: {c} errors", c / (double)most)).Take(12),
                        ]),
                        Says =
                        [
                            found.PerPixel is { } whole
                                ? $"{whole} samples a pixel: nothing beats."
                                : $"No whole number of samples a pixel: it beats every {found.BeatPixels:0.#} pixels.",
                        ],
                        Why = found.Run is { } run
                            ? [$"The longest clean run begins at phase {run.From} and has {run.Length}; its middle is taken."]
                            : [],
                    };
                }
            )
    );

    static readonly Tool SidesHeard = new(
        "sides",
        "Sides of sound",
        "what was heard of each side played alone",
        "picture-sound#sides",
        "Compare sides",
        [
            new("left", "left alone was heard", "right") { Choices = ["left", "right", "both", "nowhere"] },
            new("right", "right alone was heard", "left") { Choices = ["left", "right", "both", "nowhere"] },
        ],
        typed =>
            Tool.Asked<SidesAsked>(
                new JsonObject
                {
                    ["heard"] = new JsonObject { ["left"] = Heard(typed("left")), ["right"] = Heard(typed("right")) },
                },
                asked =>
                {
                    Sides found = Sides.Of(asked.Heard);
                    return new ToolAnswer(found.Words)
                    {
                        Drawing = ContactRows.Draw(
                            [("played", ["left", "right"]), ("heard", [Where(asked, "left"), Where(asked, "right")])],
                            [
                                [],
                            ]
                        ),
                    };
                }
            )
    );

    static readonly Tool RomIntoDevice = new(
        "rom",
        "ROM file into device",
        "what an operation makes of it, with sums that prove it",
        "rom#operations",
        "Run operation",
        [
            new("bytes", "bytes in hex, or a size to practise on", "8K") { Lines = true },
            new("op", "operation", "split") { Choices = ["split", "swap16", "swap32", "reverseWords", "double"] },
        ],
        typed =>
        {
            if (ImageOf(typed("bytes")) is not { } image)
                return Refused("bytes", "is neither bytes in hex nor a size, 1 to 64 KiB");
            using var json = System.Text.Json.JsonDocument.Parse($"[{{\"op\":\"{typed("op")}\"}}]");
            (IReadOnlyList<RomOp> ops, IReadOnlyList<SheetError> wrong) = RomOp.Read(json.RootElement);
            if (wrong.Count > 0)
                return new ToolAnswer("") { Wrong = wrong };
            RomChain chain = RomChain.Of([image], ops);
            return chain.Wrong is { } why
                ? Refused("op", why)
                : new ToolAnswer(IdText.Capital(ops[0].Words))
                {
                    Drawing = new Microsoft.AspNetCore.Html.HtmlContentBuilder()
                        .AppendHtml(RomDrawings.Strip(chain.Steps[0][0]))
                        .AppendAll(chain.Steps[^1].Select(RomDrawings.Strip)),
                    Says =
                    [
                        Sums("Before", chain.Steps[0][0]),
                        .. chain.Steps[^1].Select((made, i) => Sums($"File {i + 1}", made)),
                    ],
                };
        }
    );

    static string Sums(string name, ChainImage image) =>
        $"{name}: {image.Bytes.Length:#,0} bytes, CRC-32 {image.Seen.Crc32}, SHA-256 {image.Seen.Sha256[..16]}...";

    static byte[]? ImageOf(string text)
    {
        const int most = 65_536;
        if (Core.Units.ByteSize.TryTyped(text.Trim(), out Core.Units.ByteSize size) && text.Trim().EndsWith('K'))
            return size.Bytes is > 0 and <= most ? PracticeImage.Make((int)size.Bytes) : null;
        string hex = string.Concat(text.Where(c => !char.IsWhiteSpace(c)));
        return hex.Length is > 0 and <= 2 * most && hex.Length % 2 == 0 && hex.All(char.IsAsciiHexDigit)
            ? Convert.FromHexString(hex)
            : null;
    }

    static Microsoft.AspNetCore.Html.IHtmlContent AppendAll(
        this Microsoft.AspNetCore.Html.IHtmlContentBuilder builder,
        IEnumerable<Microsoft.AspNetCore.Html.IHtmlContent> all
    ) => all.Aggregate(builder, (b, one) => b.AppendHtml(one));

    static JsonArray Heard(string where) =>
        where switch
        {
            "both" => ["left", "right"],
            "nowhere" => [],
            _ => [where],
        };

    static string Where(SidesAsked asked, string side) =>
        asked.Heard.GetValueOrDefault(side) is { Count: > 0 } on ? string.Join("+", on) : "-";
}
