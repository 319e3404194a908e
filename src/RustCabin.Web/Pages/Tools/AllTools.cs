using System.Text.Json.Nodes;
using RustCabin.Core.Care;
using RustCabin.Core.Chips;
using RustCabin.Core.Declared;
using RustCabin.Core.Memory;
using RustCabin.Core.Packs;
using RustCabin.Core.Pasted;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;
using RustCabin.Web.Drawings;
using static RustCabin.Web.Pages.Tools.TypedLines;

namespace RustCabin.Web.Pages.Tools;

/// <summary>The declared tools, in the order in which practitioners work; more of them in MoreTools.cs.</summary>
public static partial class AllTools
{
    static readonly Tool ChipsForSize = new(
        "chips",
        "Chips for a size",
        "which types fill the banks of a board",
        "memory#arrangements",
        "Fill banks",
        [
            new("types", "types that the board takes", "64Kx1 256Kx1 64Kx4"),
            new("size", "memory wanted", "512K"),
            new("bits", "data bits of a bank", "8"),
            new("parity", "parity bits", "1"),
            new("banks", "banks", "2"),
        ],
        typed =>
            Tool.Asked<ArrangementsAsked>(
                new JsonObject
                {
                    ["types"] = new JsonArray([.. Words(typed("types")).Select(w => JsonValue.Create(w))]),
                    ["targetBytes"] = Bytes(typed("size")),
                    ["dataBits"] = Number(typed("bits")),
                    ["parityBits"] = Number(typed("parity")) ?? 0,
                    ["banks"] = Number(typed("banks")),
                    ["mix"] = "any",
                    // Each costs as much as any other: the fewest chips come first.
                    ["prices"] = new JsonObject(
                        Words(typed("types")).Distinct().Select(w => KeyValuePair.Create(w, (JsonNode?)JsonValue.Create(1)))
                    ),
                },
                asked =>
                {
                    Arrangement[] ways = [.. Arrangements.Of(asked.Question).Take(8)];
                    var array = new MemoryArray { DataBits = asked.DataBits, ParityBits = asked.ParityBits };
                    return ways.Length == 0
                        ? new ToolAnswer("No filling of the banks reaches it")
                        : new ToolAnswer($"{new ByteSize(ways[0].TotalBytes)} from {Chips(ways[0])}")
                        {
                            Drawing = ChipBanks.Draw(ways[0].Banks, [.. ways[0].Banks.Select(_ => array)]),
                            Says = [.. ways.Skip(1).Select(w => $"Or {new ByteSize(w.TotalBytes)} from {Chips(w)}.")],
                            Why =
                            [
                                .. ways[0]
                                    .Banks.Select(
                                        (t, i) =>
                                            t is null
                                                ? $"Bank {i} stays empty."
                                                : Bank(i, new BankOfChips(t, asked.DataBits, asked.ParityBits))
                                    ),
                            ],
                            Sheet = name => Tool.PartOf(name, BoardOf(asked, Words(typed("types")))),
                        };
                }
            )
    );

    static Part BoardOf(ArrangementsAsked asked, IReadOnlyList<string> types) =>
        new()
        {
            Mix = "any",
            Arrays =
            [
                .. Enumerable
                    .Range(0, asked.Banks)
                    .Select(n => new MemoryArray
                    {
                        Id = $"bank-{n}",
                        DataBits = asked.DataBits,
                        ParityBits = asked.ParityBits,
                        Types = types,
                    }),
            ],
        };

    static string Bank(int number, BankOfChips bank) =>
        $"Bank {number}: {bank.Chips} x {bank.Type.Organisation} make {bank.DataBits} bits"
        + (bank.ParityBits > 0 ? $" and {bank.ParityBits} of parity" : "")
        + $", {new ByteSize(bank.Bytes)}.";

    static string Chips(Arrangement way) => string.Join(" and ", way.Chips.Select(c => $"{c.Value} x {c.Key}"));

    static readonly Tool ResolvedMap = new(
        "map",
        "Resolved map",
        "who answers where, of up to twelve ranges",
        "memory#claims",
        "Resolve map",
        [
            new("ranges", "a range a line", "0000-37FF main RAM\n3800-3BFF I/O chips\n4000-67FF monitor ROM\n6000-7FFF board RAM")
            {
                Lines = true,
            },
            new("bits", "address lines", "16"),
        ],
        typed =>
        {
            if (!int.TryParse(typed("bits"), out int bits) || bits is < 8 or > 40)
                return Refused("bits", $"\"{typed("bits")}\" is not a number of address lines from 8 to 40");
            if (Core.Pasted.Paste.TooMuch(typed("ranges")) is { } much)
                return Refused("ranges", much);
            PasteAsked asked = new()
            {
                Text = typed("ranges"),
                As = PasteKind.Map,
                AddressBits = bits,
            };
            Core.Pasted.Paste read = Core.Pasted.Paste.Of(asked);
            PastedRange[] ranges = [.. read.All<PastedRange>()];
            if (ranges.Length is 0 or > 12)
                return Refused("ranges", ranges.Length == 0 ? "holds no range" : $"are {ranges.Length}; 12 are the most");
            Model model = new()
            {
                Id = "asked",
                Name = "these ranges",
                AddressBits = bits,
                DataBits = 8,
                Masters = ["cpu"],
                Revisions = [new Revision { Id = "it", Name = "it" }],
                Claims = [.. PastedPack.ClaimsOf(ranges, [])],
            };
            PlannedUnit unit = Plan.Bare(new Pack("", [model], [], [], [], []), model);
            int fights = unit.Map.Fights.Count;
            return new ToolAnswer(fights == 0 ? "No two answer in one place" : $"Two answer in {IdText.Counted(fights, "range")}")
            {
                Drawing = Ladder.Draw(
                    unit,
                    new AddressRange(new Address(0), new Address((1ul << bits) - 1)),
                    _ => "#",
                    new Preferences("system", false)
                ),
                Says = [.. read.Lines.Where(l => l.Doubt is not null).Select(l => $"\"{l.Text.Trim()}\": {l.Doubt}.")],
                Sheet = name => PastedPack.Of(read, name, bits),
            };
        }
    );

    static readonly Tool CardPlan = new(
        "card",
        "Card with limits",
        "how a card is divided within what its host can pass",
        "storage#limits",
        "Divide card",
        [
            new("card", "card, as its label says", "32 GB"),
            new("block", "bits of a block's number", "28"),
            new("start", "what it starts from ends below", "2G"),
            new("parts", "partitions: name, size or rest", "system, 1G\nfiles, rest") { Lines = true },
        ],
        typed =>
            Tool.Asked<Core.Storage.CardAsked>(
                new JsonObject
                {
                    ["card"] = typed("card"),
                    ["host"] = new JsonObject { ["blockBits"] = Number(typed("block")), ["startWithin"] = Text(typed("start")) },
                    ["partitions"] = new JsonArray([
                        .. Rows(typed("parts"))
                            .Select(r =>
                                r.ElementAtOrDefault(1) is "rest" or null
                                    ? new JsonObject { ["name"] = r[0], ["rest"] = true }
                                    : new JsonObject { ["name"] = r[0], ["size"] = r[1] }
                            ),
                    ]),
                },
                asked =>
                {
                    var layout = asked.Layout;
                    return new ToolAnswer(
                        layout.UnreachableBytes > 0
                            ? $"{new ByteSize((ulong)layout.UnreachableBytes)} of it cannot be reached"
                            : "All of it can be reached"
                    )
                    {
                        Drawing = CardStrip.Draw(layout, log: false, grips: false),
                        Says = [.. layout.Lines.Select(l => IdText.Capital(l.Words) + ".")],
                        Sheet = name =>
                            Tool.PartOf(
                                name,
                                new Part
                                {
                                    Kind = PartKind.Adapter,
                                    Hosts =
                                    [
                                        new StorageHost
                                        {
                                            Id = "card",
                                            Bus = StorageBus.Ata,
                                            BlockBits = asked.Host.BlockBits,
                                            StartWithin = asked.Host.StartWithin,
                                        },
                                    ],
                                }
                            ),
                    };
                }
            )
    );

    static readonly Tool BathMix = new(
        "bath",
        "Bath",
        "concentrate and water for a bath of peroxide",
        "build#case-care",
        "Mix bath",
        [
            new("litres", "litres wanted", "3"),
            new("percent", "percent wanted", "9"),
            new("from", "percent of the concentrate", "12"),
        ],
        typed =>
            Tool.Asked<BathAsked>(
                new JsonObject
                {
                    ["litres"] = Number(typed("litres")),
                    ["percent"] = Number(typed("percent")),
                    ["fromPercent"] = Number(typed("from")),
                },
                asked =>
                {
                    Bath bath = Bath.Of(asked);
                    return new ToolAnswer(
                        $"{bath.ConcentrateLitres:0.00} l of concentrate and {bath.WaterLitres:0.00} l of water"
                    )
                    {
                        Drawing = StackBar.Draw([("concentrate", bath.ConcentrateLitres), ("water", bath.WaterLitres)], "l"),
                        Says =
                        [
                            "Gloves and goggles, water at hand, a window open; the concentrate into the water. Peroxide "
                                + "burns skin and eyes: its own data sheet and the local rules decide.",
                        ],
                        Why =
                        [
                            "Percent are by weight, litres by volume: each is turned into grams by its density.",
                            $"Grams of peroxide wanted = litres x density at {asked.Percent} % x {asked.Percent} %.",
                            $"As much is in the concentrate at {asked.FromPercent} %; the rest of the weight is water.",
                        ],
                    };
                }
            )
    );

    static ToolAnswer Refused(string field, string why) => new("") { Wrong = [new SheetError(field, why)] };
}
