using System.Globalization;
using System.Text.Encodings.Web;
using System.Xml.Linq;
using Microsoft.AspNetCore.Html;
using RustCabin.Core;
using RustCabin.Core.Build;
using RustCabin.Core.Chips;
using RustCabin.Core.Packs;
using RustCabin.Core.Planning;
using RustCabin.Core.Power;
using RustCabin.Core.Rom;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;
using RustCabin.Core.Wants;
using RustCabin.Web.Drawings;

namespace RustCabin.Web.Tests.Drawings;

/// <summary>The drawings themselves, without a page around them: what is in them is what the core says.</summary>
public class DrawingsTests
{
    static readonly Preferences Taste = new("system", false);

    static Pack Demo(string name)
    {
        using var document = PackReader.Parse(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo", $"{name}.json")));
        return PackReader.Read(document.RootElement).Value!;
    }

    static PlannedUnit Job(string pack, string job)
    {
        Pack sheets = Demo(pack);
        return Plan.For(sheets, sheets.FindJob(job)!);
    }

    [Fact]
    public void A_coordinate_is_written_with_one_decimal_at_most_as_the_framework_rounds()
    {
        var random = new Random(11);
        double[] edges = [0, -0.04, 0.05, 0.25, 0.35, 1.449999, 1.45, 1.950001, 1999.95, 1999.96, 2000, 2000.04, -3.25, 1e12];
        foreach (
            double number in edges
                .Concat(Enumerable.Range(0, 4000).Select(_ => random.NextDouble() * 2200 - 100))
                .Concat(Enumerable.Range(0, 4000).Select(_ => Math.Round(random.NextDouble() * 300, random.Next(4))))
        )
            Assert.Equal(number.ToString("0.#", CultureInfo.InvariantCulture), RustCabin.Web.Drawings.Svg.N(number));
    }

    static XElement Svg(IHtmlContent drawing)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        drawing.WriteTo(text, HtmlEncoder.Default);
        // In a page an attribute may stand without a value.
        return XElement.Parse(text.ToString().Replace(" data-swap ", " data-swap=\"\" ", StringComparison.Ordinal));
    }

    static XElement[] Of(XElement svg, string look) =>
        [.. svg.Descendants().Where(e => ((string?)e.Attribute("class") ?? "").Split(' ').Contains(look))];

    static string Label(XElement svg) => (string?)svg.Attribute("aria-label") ?? "";

    static IHtmlContent LadderOf(PlannedUnit unit) =>
        Ladder.Draw(unit, AddressRange.Of(0, 1ul << unit.Model.AddressBits), range => $"?from={range.From}", Taste);

    public static readonly TheoryData<string, string> Jobs = new()
    {
        { "brindle-16", "slip-3-winter" },
        { "brindle-16", "slip-7-picture" },
        { "clerk", "loft-clerk-ledger" },
        { "dunnock", "dunnock-lamp-voice" },
        { "satchel", "ferry-satchel-stack" },
        { "larkspur-disc", "mast-disc-picture" },
        { "ledger", "granary-ledger-sing" },
        { "brindle-16c", "winch-16c-more" },
    };

    [Theory]
    [MemberData(nameof(Jobs))]
    public void Each_is_well_formed_says_what_it_shows_and_stays_in_its_frame(string pack, string job)
    {
        PlannedUnit unit = Job(pack, job);
        BuildSheet sheet = BuildSheet.For(Trail.Stations, Plan.For(Demo(pack), unit.Unit), unit);
        IHtmlContent[] drawn =
        [
            LadderOf(unit),
            MapStrip.Draw(unit),
            RailColumns.Draw(RailLoad.Of(unit)),
            Descent.Draw(sheet, Progress.Of(sheet, unit.Job!)),
            Pulls.Draw(unit.Model, unit.Unit.Seen, unit.Revision),
            .. WantShare.Of(unit).Select(WantBars.Draw),
            .. unit.Sites.Where(s => s.Pinout.Count > 0).Select(s => PinOutline.Draw(s.Package, s.Pinout)),
        ];
        foreach (XElement svg in drawn.Select(Svg))
        {
            Assert.True(Label(svg).Length > 0 || (string?)svg.Attribute("aria-hidden") == "true", $"{svg.Name} says nothing");
            Assert.DoesNotContain("NaN", svg.ToString());
            double[] frame = [.. ((string)svg.Attribute("viewBox")!).Split(' ').Select(Number)];
            foreach (XElement rect in svg.Descendants().Where(e => e.Name.LocalName == "rect"))
            {
                Assert.True(Number((string)rect.Attribute("width")!) >= 0 && Number((string)rect.Attribute("height")!) >= 0);
                Assert.InRange(Number((string)rect.Attribute("x")!), -0.1, frame[2] + 0.1);
                Assert.InRange(Number((string)rect.Attribute("y")!), -0.1, frame[3] + 0.1);
            }
        }
    }

    [Fact]
    public void A_fight_stands_out_on_ladder_and_strip_and_goes_when_it_is_mended()
    {
        PlannedUnit fight = Job("brindle-16", "slip-3-winter"),
            mended = Plan.Moved(fight, InstanceName.Parse("lantern"), "W1", "low");
        Assert.NotEmpty(Of(Svg(LadderOf(fight)), "contested"));
        Assert.NotEmpty(Of(Svg(MapStrip.Draw(fight)), "contested"));
        Assert.Contains("8 KiB contested", Label(Svg(MapStrip.Draw(fight))));
        Assert.Empty(Of(Svg(LadderOf(mended)), "contested"));
        Assert.Empty(Of(Svg(MapStrip.Draw(mended)), "contested"));
    }

    [Fact]
    public void Banks_show_a_chip_for_each_that_goes_in_parity_apart()
    {
        MemoryArray array = new()
        {
            Id = "bank-0",
            DataBits = 8,
            ParityBits = 1,
        };
        XElement svg = Svg(ChipBanks.Draw([ChipType.Find("64Kx1"), null], [array, array with { Id = "bank-1" }]));
        Assert.Equal(
            (8, 1, 1),
            (Of(svg, "chip").Length - Of(svg, "parity").Length, Of(svg, "parity").Length, Of(svg, "bank-empty").Length)
        );
        Assert.Equal("bank 0: 9 x 64Kx1; bank 1: empty", Label(svg));
    }

    [Theory]
    [InlineData("larkspur-disc", "mast-disc-picture", true)]
    [InlineData("brindle-16", "slip-7-picture", false)]
    public void A_rail_that_is_overdrawn_shows_by_how_much(string pack, string job, bool over)
    {
        PlannedUnit unit = Job(pack, job);
        XElement svg = Svg(RailColumns.Draw(RailLoad.Of(unit)));
        Assert.Equal(over, Of(svg, "rail-over").Length > 0);
        Assert.Equal(RailLoad.Of(unit).Count, Of(svg, "rail-cap").Length);
    }

    [Fact]
    public void A_package_from_below_is_the_one_from_above_mirrored()
    {
        string[] nets = [.. Enumerable.Range(1, 8).Select(i => $"N{i}")];
        double At(View view, string net) =>
            Number((string)Svg(PinOutline.Draw("DIP-8", nets, view)).Descendants().First(e => e.Value == net).Attribute("x")!);
        Assert.True(At(View.Above, "N1") < At(View.Above, "N8"));
        Assert.True(At(View.Below, "N1") > At(View.Below, "N8"));
        Assert.Equal(
            "DIP-8 from below: " + string.Join(", ", nets.Select((n, i) => $"{i + 1} {n}")),
            Label(Svg(PinOutline.Draw("DIP-8", nets, View.Below)))
        );
    }

    [Fact]
    public void A_device_over_its_socket_shows_the_legs_that_are_lifted()
    {
        Site socket = Demo("brindle-16").Models[0].Sites.First(s => s.Pinout.Count == 40);
        RomDevice device = RomDevice.Find("27C400")!;
        RomWiring wiring = RomWiring.Solve(device, socket.Pinout, new Dictionary<string, string>());
        XElement svg = Svg(DeviceOverSocket.Draw(device, socket.Pinout, wiring, View.Below));
        Assert.Equal([31, 34], wiring.Lift);
        Assert.Equal(wiring.Lift.Count, Of(svg, "lifted").Count(e => e.Name.LocalName is "line" or "path"));
    }

    static double Number(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}
