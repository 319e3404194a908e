using RustCabin.Core.Packs;
using RustCabin.Core.Pasted;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Packs;

/// <summary>Acts of a guide as the changes of a way.</summary>
public sealed class PastedWiringTests
{
    static readonly Model Machine = new()
    {
        Id = "m",
        Name = "M",
        Chips =
        [
            new BoardChip
            {
                Id = "U7",
                Package = "QFP-64",
                Nets = new() { ["3"] = "clk", ["9"] = "beat" },
            },
        ],
        Points =
        [
            new BoardPoint
            {
                Id = "TP1",
                Kind = PointKind.TestPoint,
                Net = "clk",
            },
        ],
    };

    static PastedWiring Of(string text) =>
        PastedWiring.Of(Paste.Of(new PasteAsked { Text = text, As = PasteKind.Acts }).All<GuideAct>(), Machine);

    [Fact]
    public void Acts_become_changes_in_their_order()
    {
        PastedWiring wiring = Of(
            "Lift pins 3 and 4 of U7\nRun a red wire from U7.3 to pad CLK, 40 mm\nBridge L2\nRemove R14\nSocket U9\nScrape V7"
        );
        Assert.Equal(
            [ChangeAct.Lift, ChangeAct.Wire, ChangeAct.Link, ChangeAct.Remove, ChangeAct.Socket, ChangeAct.Scrape],
            wiring.Changes.Select(c => c.Do)
        );
        Assert.Equal([3, 4], wiring.Changes[0].Pins);
        Assert.Equal(
            ("U7.3", "part:CLK", 40m, "red"),
            (wiring.Changes[1].From[0], wiring.Changes[1].To[0], wiring.Changes[1].Mm, wiring.Changes[1].Colour)
        );
        Assert.Equal(("L2.1", "L2.2"), (wiring.Changes[2].From[0], wiring.Changes[2].To[0]));
        Assert.Equal(["CLK"], wiring.Pads.Select(p => p.Id));
    }

    [Fact]
    public void What_the_machines_sheet_has_is_not_named_twice_and_what_it_has_not_is_named_with_legs_enough()
    {
        PastedWiring wiring = Of("Lift pin 45 of U12\nWire U7.9 to TP1\nWire U12.46 to TP3\nRemove R14");
        Assert.Equal(["U12"], wiring.Chips.Select(c => c.Id));
        Assert.InRange(wiring.Chips[0].Outline.Pins, 46, 64);
        Assert.Equal(["TP3", "R14"], wiring.Points.Select(p => p.Id));
        Assert.Equal([PointKind.TestPoint, PointKind.Resistor], wiring.Points.Select(p => p.Kind));
        Assert.Equal(["U12", "TP3", "R14"], wiring.New);
    }

    [Fact]
    public void A_cut_is_of_the_net_that_its_places_lie_on()
    {
        WireChange cut = Assert.Single(Of("Cut the trace between U7.3 and TP1").Changes);
        Assert.Equal((ChangeAct.Cut, "clk"), (cut.Do, cut.Net));
        Assert.Equal(["TP1"], cut.Off);
    }

    [Fact]
    public void What_is_taken_reads_as_a_sheet()
    {
        PastedWiring wiring = Of(
            "Lift pins 12, 13 of U12\nWire U12.12 to pad A, blue, 7 cm\nWire R14 left to pad B\nDrill the lid beside the hinge"
        );
        Assert.Equal(70, wiring.Changes[1].Mm);
        Assert.Equal("R14.1", wiring.Changes[2].From[0]);
        Pack pack = Sample.Pack(
            System
                .Text.Json.Nodes.JsonNode.Parse(
                    """
                    { "format": "rustcabin.pack/1", "models": [ { "id": "m", "name": "M", "addressBits": 16, "dataBits": 8, "masters": ["cpu"],
                      "revisions": [ { "id": "r", "name": "R" } ], "chips": [CHIPS], "points": [POINTS] } ],
                      "parts": [ { "id": "p", "name": "P", "kind": "storage", "pads": [PADS],
                      "ways": [ { "id": "w", "model": "m", "changes": [CHANGES] } ] } ] }
                    """.Instead("CHIPS", Written(wiring.Chips)).Instead("POINTS", Written(wiring.Points)).Instead(
                        "PADS",
                        Written(wiring.Pads)
                    ).Instead("CHANGES", Written(wiring.Changes))
                )!
                .ToJsonString()
        );
        Assert.Equal(wiring.Changes.Count, pack.Parts[0].Ways[0].Changes.Count);
    }

    static string Written<T>(IEnumerable<T> things)
        where T : class, new() => string.Join(",", things.Select(t => Core.Declared.Declaration<T>.Write(t).ToJsonString()));
}
