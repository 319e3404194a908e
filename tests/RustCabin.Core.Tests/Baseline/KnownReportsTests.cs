using RustCabin.Core.Baseline;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Baseline;

/// <summary>Reports of others on a part's sheet: read, counted, and what to try first.</summary>
public sealed class KnownReportsTests
{
    static KnownPair Pair(string with, KnownResult result, string firmware = "") =>
        new()
        {
            With = with,
            Result = result,
            Firmware = firmware,
        };

    [Theory]
    [InlineData(
        "Teal 32 GB; works; 2.1; a neighbour, 2026-11-20",
        "Teal 32 GB",
        KnownResult.Works,
        "2.1",
        "a neighbour",
        "2026-11-20"
    )]
    [InlineData("Teal 32 GB;fails; firmware 2.1", "Teal 32 GB", KnownResult.Fails, "2.1", "", "")]
    [InlineData("Scaup\tok", "Scaup", KnownResult.Works, "", "", "")]
    [InlineData("Scaup, does not work", "Scaup", KnownResult.Fails, "", "", "")]
    [InlineData("Scaup; works sometimes; ; Bram", "Scaup", KnownResult.Limits, "", "Bram", "")]
    public void A_line(string line, string with, KnownResult result, string firmware, string source, string day)
    {
        KnownPair read = Assert.Single(KnownReports.Paste(line).Read);
        Assert.Equal((with, result, firmware, source, day), (read.With, read.Result, read.Firmware, read.Source, read.Date));
    }

    [Theory]
    [InlineData("Teal 32 GB")]
    [InlineData("Teal 32 GB; perhaps")]
    [InlineData("; works")]
    public void A_line_that_says_nothing_is_told(string line)
    {
        (IReadOnlyList<KnownPair> read, IReadOnlyList<UnreadReport> unread) = KnownReports.Paste("\nScaup; works\n" + line);
        Assert.Single(read);
        Assert.Equal(3, Assert.Single(unread).Number);
    }

    [Fact]
    public void Contradicting_reports_stay_both()
    {
        ReportRates rates = KnownReports.Rates([
            Pair("Teal", KnownResult.Works),
            Pair("Teal", KnownResult.Fails),
            Pair("Teal", KnownResult.Limits, "2"),
        ]);
        Assert.Equal((1, 2), (rates.Rates[0].Works, rates.Rates[0].Tries));
        Assert.True(rates.Rates[0].IsContradicted());
        Assert.Contains("the reports differ", KnownReports.Words(rates.Rates[0]));
        Assert.Equal((1, 1), (rates.Rates[1].Works, rates.Rates[1].Tries));
    }

    [Fact]
    public void The_title_that_parts_firmware_and_card_is_tried_first()
    {
        KnownPair[] known =
        [
            Pair("16 GB", KnownResult.Fails),
            Pair("16 GB", KnownResult.Fails),
            Pair("Sure", KnownResult.Works, "2"),
            Pair("Sure", KnownResult.Works, "2"),
            Pair("Shaky", KnownResult.Works, "2"),
            Pair("Shaky", KnownResult.Fails, "2"),
            Pair("Other firmware", KnownResult.Works, "3"),
        ];
        TryFirst first = KnownReports.First(known, ["Shaky", "Sure", "Other firmware", "Unheard of"], "2", "16 GB")!;
        Assert.Equal("Sure", first.Title);
        // 5 of 6 and 1 of 6: an even chance together, each open by the same.
        double open = -(5 / 6.0) * Math.Log2(5 / 6.0) - 1 / 6.0 * Math.Log2(1 / 6.0);
        Assert.Equal(1 - open, first.Bits, 1e-9);
        Assert.Null(KnownReports.First(known, ["Sure"], "2", "8 GB"));
        Assert.Null(KnownReports.First(known, ["Unheard of"], "2", "16 GB"));
    }

    [Fact]
    public void A_paste_adds_what_the_sheet_does_not_have()
    {
        Part part = new() { Id = "skiff", Known = [Pair("Scaup", KnownResult.Works)] };
        Press<Part> press = Reporting.Add(part, "Scaup; works\nTeal; fails");
        Assert.Equal(["Scaup", "Teal"], press.On(part)!.Known.Select(k => k.With));
        Assert.Equal("reports", Reporting.Add(part, "Scaup; works").Refused!.Field);
        Assert.Contains("line 2", Reporting.Add(part, "Teal; fails\nwhat").Refused!.Why);
        Assert.Empty(Reporting.Drop(part, 0).On(part)!.Known);
        Assert.Null(Reporting.Drop(part, 1).Edit);
    }
}
