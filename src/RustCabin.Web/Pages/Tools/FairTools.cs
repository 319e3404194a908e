using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
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
