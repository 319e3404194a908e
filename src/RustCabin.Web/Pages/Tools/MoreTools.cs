using System.Text.Json.Nodes;
using RustCabin.Core.Build;
using RustCabin.Core.Declared;
using RustCabin.Core.Faults;
using RustCabin.Core.PictureSound;
using RustCabin.Core.Power;
using RustCabin.Core.Sheets;
using RustCabin.Web.Drawings;
using static RustCabin.Web.Pages.Tools.TypedLines;

namespace RustCabin.Web.Pages.Tools;

/// <summary>Tools of power, picture, sound, cost and trials.</summary>
public static partial class AllTools
{
    static readonly Tool PowerSum = new(
        "power",
        "Power sum",
        "what a rail still carries",
        "fit#power",
        "Add loads",
        [
            new("amps", "the supply gives when new, A", "2.6"),
            new("share", "share that an aged one still gives", "0.8"),
            new("machine", "the machine takes, A", "1.3"),
            new("rail", "the rail", "+5"),
            new("loads", "what else hangs on it: name, A", "memory board, 0.35\ncard adapter, 0.2") { Lines = true },
        ],
        typed =>
        {
            decimal?[] figures = [Amount(typed("amps")), Amount(typed("share")), Amount(typed("machine"))];
            if (figures.Any(f => f is null or < 0 or > 10_000) || figures[1] is 0 or > 1)
                return Refused("amps", "must be amps from 0, and a share from 0 to 1");
            (string Name, decimal? Amps)[] loads = [.. Rows(typed("loads")).Take(60).Select(r => (r[0], Amount(r.Last())))];
            if (loads.FirstOrDefault(l => l.Amps is null or < 0 or > 10_000) is { Name: { } wrong })
                return Refused("loads", $"\"{wrong}\" says no amps");
            if (typed("rail").Trim() is not { Length: > 0 and <= 40 } on)
                return Refused("rail", "must have a name");
            var rail = new RailLoad(
                on,
                0,
                figures[0]!.Value,
                figures[1]!.Value,
                figures[2]!.Value,
                [.. loads.Select((l, i) => new Load(new InstanceName(l.Name, i + 1), l.Name, l.Amps!.Value, l.Amps!.Value))]
            );
            return new ToolAnswer(
                rail.HeadroomAmps >= 0 ? $"{rail.HeadroomAmps:0.##} A are left" : $"{-rail.HeadroomAmps:0.##} A too much"
            )
            {
                Drawing = RailColumns.Draw([rail]),
                Why =
                [
                    $"{rail.RatedAmps:0.##} A x {rail.Derate:0.##} = {rail.CapacityAmps:0.##} A can be taken.",
                    $"{rail.UnitAmps:0.##} A + {string.Join(" + ", loads.Select(l => $"{l.Amps:0.##}"))} A = "
                        + $"{rail.PeakAmps:0.##} A are.",
                ],
                Sheet = name => Tool.PackOf([.. Draws(name, on, loads)]),
            };
        }
    );

    /// <summary>A part for each load, called after it and after the sheet's name.</summary>
    static IEnumerable<Part> Draws(string name, string rail, IEnumerable<(string Name, decimal? Amps)> loads)
    {
        HashSet<string> taken = [];
        foreach ((string load, decimal? amps) in loads)
        {
            string id = IdText.Free(IdText.Of($"{name} {load}"), taken.Contains);
            taken.Add(id);
            yield return new Part
            {
                Id = id,
                Name = $"{load}, {name}",
                Kind = PartKind.Power,
                Draws = [new Draw { Rail = rail, PeakAmps = amps!.Value }],
            };
        }
    }

    static readonly Tool PaletteOf = new(
        "palette",
        "Palette",
        "the nearest colours that a machine can show",
        "picture-sound#palettes",
        "Find colours",
        [new("levels", "levels of red, green, blue", "8 8 4"), new("wanted", "colours wanted", "#7a5a30 #2b6246 #e8c9a0")],
        typed =>
            Tool.Asked<PaletteAsked>(
                new JsonObject
                {
                    ["levels"] = new JsonArray([.. Words(typed("levels")).Select(Number)]),
                    ["wanted"] = new JsonArray([.. Words(typed("wanted")).Take(64).Select(w => JsonValue.Create(w))]),
                },
                asked => new ToolAnswer($"{Colours.Count(asked.Levels):#,0} colours in all")
                {
                    Sheet = name =>
                        Tool.PartOf(
                            name,
                            new Part
                            {
                                Kind = PartKind.Picture,
                                Palette = new Palette { Levels = [.. asked.Levels] },
                            }
                        ),
                    Drawing = PaletteDrawing.Draw([.. asked.Wanted.Select((w, i) => (i, w, Colours.Nearest(asked.Levels, w)))]),
                    Says =
                    [
                        .. asked
                            .Wanted.Select(w => (w, Colours.Nearest(asked.Levels, w)))
                            .Select(n => $"{n.w}: levels {string.Join(", ", n.Item2.Entry)}, shown as {n.Item2.Shown}."),
                    ],
                }
            )
    );

    static readonly Tool OnPanel = new(
        "panel",
        "Picture on a panel",
        "the largest picture by whole factors",
        "picture-sound#scaling",
        "Fit picture",
        [
            new("picture", "picture, width and height", "320 212"),
            new("shape", "width over height of a pixel", "1.05"),
            new("panel", "panel, width and height", "1366 768"),
        ],
        typed =>
            Tool.Asked<ScaleAsked>(
                new JsonObject
                {
                    ["source"] = new JsonArray([.. Words(typed("picture")).Select(Number)]),
                    ["pixelAspect"] = Number(typed("shape")) ?? 1,
                    ["panel"] = new JsonArray([.. Words(typed("panel")).Select(Number)]),
                },
                asked =>
                {
                    Scaling found = Scaling.Of(asked);
                    return new ToolAnswer(
                        $"{found.Factor.X} times across, {found.Factor.Y} down: {found.Size.W} x {found.Size.H}"
                    )
                    {
                        Drawing = PictureDrawings.Panel(asked.Panel, found),
                        Says =
                        [
                            $"{found.Borders.Left} pixels stay dark at the left and {found.Borders.Top} at the top. "
                                + (
                                    found.Square
                                        ? "Its shape is true."
                                        : $"It looks {found.Distortion:0.##} times as wide as it is."
                                ),
                        ],
                    };
                }
            )
    );

    static readonly Tool Speakers = new(
        "load",
        "Speakers",
        "what they load an amplifier with",
        "picture-sound#speakers",
        "Add speakers",
        [
            new("rms", "level, V", "2"),
            new("speakers", "speakers, ohms", "9 9"),
            new("wired", "joined", "parallel") { Choices = ["parallel", "series"] },
            new("watts", "the amplifier gives, W", "1.5"),
            new("least", "and wants at least, ohms", "4"),
        ],
        typed =>
            Tool.Asked<LoadAsked>(
                new JsonObject
                {
                    ["rms"] = Number(typed("rms")),
                    ["speakers"] = new JsonArray([.. Words(typed("speakers")).Select(Number)]),
                    ["wired"] = typed("wired"),
                    ["amplifier"] = new JsonObject { ["watts"] = Number(typed("watts")), ["minOhms"] = Number(typed("least")) },
                },
                asked =>
                {
                    SpeakerLoad load = SpeakerLoad.Of(asked);
                    return new ToolAnswer($"{load.Ohms:0.##} ohms take {load.Watts:0.##} W")
                    {
                        Sheet = name =>
                            Tool.PartOf(
                                name,
                                new Part
                                {
                                    Kind = PartKind.Sound,
                                    Amplifier = asked.Amplifier with { Rms = asked.Rms },
                                    Loads = [.. asked.Speakers.Select(s => new SoundLoad { Ohms = s })],
                                }
                            ),
                        Drawing = PictureDrawings.Rate("load", load.Ohms, (double)asked.Amplifier.MinOhms, null, "ohms"),
                        Says = [.. SpeakerLoad.Check(asked, Subject.Asked("amplifier")).Select(f => f.Text)],
                        Why =
                        [
                            asked.Wired == SpeakersWired.Series
                                ? $"{string.Join(" + ", asked.Speakers)} = {load.Ohms:0.##} ohms."
                                : $"1 / ({string.Join(" + ", asked.Speakers.Select(s => $"1/{s}"))}) = {load.Ohms:0.##} ohms.",
                            $"{asked.Rms} V x {asked.Rms} V / {load.Ohms:0.##} ohms = {load.Watts:0.##} W.",
                        ],
                    };
                }
            )
    );

    static readonly Tool BatchCost = new(
        "batch",
        "Batch of boards",
        "what each board costs that is kept",
        "build#costs",
        "Reckon batch",
        [
            new("boards", "boards made", "10"),
            new("price", "each bare board", "2.40"),
            new("parts", "parts in all", "96"),
            new("post", "post in all", "18"),
            new("sold", "got for those sold on", "120"),
            new("kept", "boards kept", "4"),
        ],
        typed =>
            Tool.Asked<BoardBatch>(
                new JsonObject
                {
                    ["boards"] = Number(typed("boards")),
                    ["boardPrice"] = Number(typed("price")),
                    ["parts"] = Number(typed("parts")) ?? 0,
                    ["postage"] = Number(typed("post")) ?? 0,
                    ["sold"] = Number(typed("sold")) ?? 0,
                    ["kept"] = Number(typed("kept")),
                },
                asked => new ToolAnswer($"{asked.Each:0.00} for each that is kept")
                {
                    Drawing = StackBar.Draw(
                        [
                            ("boards", asked.Boards * asked.BoardPrice),
                            ("parts", asked.Parts),
                            ("post", asked.Postage),
                            ("sold", -asked.Sold),
                        ],
                        ""
                    ),
                    Why =
                    [
                        $"({asked.Boards} x {asked.BoardPrice:0.00} + {asked.Parts:0.00} + {asked.Postage:0.00} "
                            + $"- {asked.Sold:0.00}) / {asked.Kept} = {asked.Each:0.00}.",
                    ],
                }
            )
    );

    static readonly Tool TrialsOf = new(
        "trials",
        "Trials",
        "what explains all failures and no success, and what to try next",
        "faults#trials",
        "Weigh trials",
        [
            new("factors", "what can be changed: name, what it can be", "card, old, new\nsupply, own, bench\nlid, on, off")
            {
                Lines = true,
            },
            new(
                "trials",
                "tried, in that order, then works or fails",
                "old, own, on, fails\nnew, own, on, fails\nold, bench, on, works\nnew, own, off, fails"
            )
            {
                Lines = true,
            },
        ],
        typed =>
        {
            string[][] factors = [.. Rows(typed("factors")).DistinctBy(r => r[0])];
            return Tool.Asked<TrialsAsked>(
                new JsonObject
                {
                    ["factors"] = new JsonObject(
                        factors.Select(r =>
                            KeyValuePair.Create(r[0], (JsonNode?)new JsonArray([.. r.Skip(1).Select(l => JsonValue.Create(l))]))
                        )
                    ),
                    ["trials"] = new JsonArray([
                        .. Rows(typed("trials"))
                            .Select(r => new JsonObject
                            {
                                ["set"] = new JsonObject(
                                    factors
                                        .Zip(r)
                                        .Select(p => KeyValuePair.Create(p.First[0], (JsonNode?)JsonValue.Create(p.Second)))
                                ),
                                ["works"] = r[^1] == "works",
                            }),
                    ]),
                },
                asked =>
                {
                    TrialReading found = TrialReading.Of(asked);
                    string[] causes =
                    [
                        .. found.Singles.Select(s => $"{s.Factor} {s.At}"),
                        .. found.Pairs.Select(p => $"{p.A.Factor} {p.A.At} with {p.B.Factor} {p.B.At}"),
                    ];
                    return new ToolAnswer(causes.Length == 0 ? "Nothing explains all failures yet" : string.Join(", or ", causes))
                    {
                        Drawing = EvidenceDrawings.Causes([.. causes.Select(c => (c, 1.0 / causes.Length))]),
                        Says = found.Next is { } next
                            ? [$"Try next: {string.Join(", ", next.Select(n => $"{n.Key} {n.Value}"))}."]
                            : [],
                    };
                }
            );
        }
    );

    static decimal? Amount(string text) =>
        Number(text) is JsonValue value && value.TryGetValue(out decimal amount) ? amount : null;

    /// <summary>Every declared tool. Made when it is first asked for: the tools of other files stand then.</summary>
    public static IReadOnlyList<Tool> List =>
        field ??= [
            ChipsForSize,
            ResolvedMap,
            SwitchTable,
            RomIntoDevice,
            PowerSum,
            CardPlan,
            SamplesOfLine,
            PaletteOf,
            OnPanel,
            SidesHeard,
            Speakers,
            TrialsOf,
            LiftedTrace,
            FairTest,
            BatchCost,
            BathMix,
        ];
}
