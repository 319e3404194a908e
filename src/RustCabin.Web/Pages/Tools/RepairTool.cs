using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
using RustCabin.Core.Faults;
using RustCabin.Web.Drawings;
using static RustCabin.Web.Pages.Tools.TypedLines;

namespace RustCabin.Web.Pages.Tools;

/// <summary>The tool of traces that have come off.</summary>
public static partial class AllTools
{
    static readonly Tool LiftedTrace = new(
        "repair",
        "A lifted trace",
        "the shortest wires that join a net once more",
        "faults#repairs",
        "Find wires",
        [
            new(
                "legs",
                "places of the net: name, mm from the left, mm from the top",
                "U3.5, 12, 40\nU7.11, 58, 22\nU9.4, 61, 71\nTP2, 30, 66"
            )
            {
                Lines = true,
            },
            new("broken", "places that have come off it", "U7.11 U9.4"),
            new("joined", "measured to be joined still: places, a group a line", "U9.4 TP2") { Lines = true },
        ],
        typed =>
            Tool.Asked<RepairAsked>(
                new JsonObject
                {
                    ["legs"] = new JsonArray([
                        .. Rows(typed("legs"))
                            .Select(r =>
                            {
                                var leg = new JsonObject { ["place"] = r[0], ["net"] = "net" };
                                if (r.Length > 1)
                                    leg["xMm"] = Number(r[1]);
                                if (r.Length > 2)
                                    leg["yMm"] = Number(r[2]);
                                return leg;
                            }),
                    ]),
                    ["broken"] = new JsonArray([.. Words(typed("broken")).Select(w => JsonValue.Create(w))]),
                    ["joined"] = new JsonArray([
                        .. typed("joined")
                            .Split('\n')
                            .Select(Words)
                            .Where(g => g.Length > 0)
                            .Select(g => new JsonArray([.. g.Select(w => JsonValue.Create(w))])),
                    ]),
                },
                asked =>
                {
                    Repair found = Repair.Of(asked);
                    double known = found.Wires.Sum(w => w.Mm ?? 0);
                    return new ToolAnswer(
                        found.Wires.Count == 0
                            ? "Nothing is parted"
                            : $"{IdText.Counted(found.Wires.Count, "wire")}, {known:0.#} mm in all"
                    )
                    {
                        Drawing = NetDrawing.Draw(asked, found),
                        Says =
                        [
                            .. found.Wires.Select(w =>
                                $"{w.From} to {w.To}" + (w.Mm is { } mm ? $", {mm:0.#} mm." : "; their places are not said.")
                            ),
                            .. found.Wires.Count == 0
                                ? []
                                : (string[])
                                    [
                                        "Prove each with a meter, power off and unplugged. A hot iron and thin wire: goggles, "
                                            + "and a hand that holds nothing that gets hot.",
                                    ],
                        ],
                        Why =
                        [
                            "What is joined still counts as one, and so do the places that have not come off.",
                            "The shortest way between two groups is taken, then the next, until all are one.",
                        ],
                    };
                }
            )
    );
}
