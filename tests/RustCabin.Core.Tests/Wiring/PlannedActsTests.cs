using RustCabin.Core.Pasted;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Tests.Wiring;

/// <summary>A guide from elsewhere, held against the changes of a job.</summary>
public sealed class PlannedActsTests
{
    static readonly WireChange[] Cuts =
    [
        .. Demo.Of("larkspur-disc.json").FindPart("tern")!.Ways.Single(w => w.Id == "cuts").Changes,
    ];

    static GuideAct[] Read(string guide) => [.. Paste.Of(new PasteAsked { Text = guide, As = PasteKind.Acts }).All<GuideAct>()];

    static ActsCompared With(string guide) => ActsCompared.Of(PlannedActs.Of(Cuts), PlannedActs.AsPlanned(Read(guide), Cuts));

    [Fact]
    public void The_way_said_as_a_guide_says_it_is_the_same()
    {
        ActsCompared same = With(
            """
            Cut the trace between U40.8 and J3.4
            Cut the trace between J3.5 and U40.17
            Lift pin 15 of U40
            Wire TP27 to pad LATCH, 58 mm, yellow
            Connect pad HELD to U40.15
            Run U72.85 to MARK
            """
        );
        Assert.Equal(6, same.Both.Count);
        Assert.Empty(same.OnlyA);
        Assert.Empty(same.OnlyB);
        Assert.Empty(same.Against);
    }

    [Fact]
    public void A_wire_that_goes_elsewhere_is_against_it_with_the_reading_that_decides()
    {
        const string Guide = "Lift pin 15 of U40\nWire U72.85 to TP9\nRemove D4";
        ActsCompared found = With(Guide);
        ActsAgainst against = Assert.Single(found.Against);
        Assert.Equal(new ActsReading("MARK", "TP9"), against.Reading);
        Assert.Equal(new PointAct("remove", "D4"), Read(Guide)[found.OnlyB.Single()]);
        Assert.Equal(4, found.OnlyA.Count);
    }

    [Fact]
    public void A_cut_elsewhere_is_another_cut()
    {
        ActsCompared found = With("Cut the trace between R1 and R2");
        Assert.Empty(found.Both);
        Assert.Equal([0], found.OnlyB);
    }
}
