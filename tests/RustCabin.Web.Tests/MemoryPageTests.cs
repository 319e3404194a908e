using System.Net;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>The pages of the Memory station beside the map, and the tools.</summary>
public sealed class MemoryPageTests : OnACabin
{
    [Fact]
    public async Task A_fault_is_tried_and_told_to_be_a_simulation()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/slip-3-winter/memory?fault=unseated%20fathom");
        // It sits between the processor and its socket.
        Assert.Contains("(dark)", Text(page, ".screen.faulty"));
        Assert.Contains(
            "not 4 MiB",
            Text(await Cabin.Page("/jobs/slip-3-winter/memory?fault=switch%20fathom%20W3%3Dclosed"), ".screen.faulty")
        );
        Assert.Contains("A simulation, not a reading: Fathom memory board is not seated", Text(page, ".what-if"));
        Assert.Contains("(dark)", Text(await Cabin.Page("/jobs/slip-3-winter/memory?fault=rail%20%2B5"), ".screen.faulty"));
        Assert.Null((await Cabin.Page("/jobs/slip-3-winter/memory?fault=nonsense")).QuerySelector(".screen.faulty"));
        Assert.NotNull((await Cabin.Page("/jobs/slip-3-winter/memory?fault=none")).QuerySelector("[name=fault] optgroup"));
    }

    [Fact]
    public async Task Satchel_modules_reach_the_cap_with_two_swaps()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/ferry-satchel-stack/memory/chips");
        string[] first =
        [
            .. page.QuerySelectorAll("[aria-label=Modules] tbody tr").First().Children.Take(5).Select(c => c.TextContent),
        ];
        Assert.Equal(["144K 144K 48K 48K 48K", "432 KiB", "0 KiB", "2", "2, 52.00 EUR"], first);
        (_, page) = await Cabin.Press(Form(page, "[aria-label=Modules] form button"));
        Assert.Contains("48 KiB module out of Ferry Satchel", Text(page, ".stock"));
    }

    [Fact]
    public async Task A_wrong_target_is_told_and_kept()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/loft-clerk-ledger/memory/chips?target=plenty");
        Assert.Contains("\"plenty\" is not a size", Text(page, ".target"));
        Assert.Equal("plenty", ((IHtmlInputElement)page.QuerySelector("#target")!).Value);
        Assert.Contains(
            "No filling of these banks reaches it",
            Text(await Cabin.Page("/jobs/loft-clerk-ledger/memory/chips?target=8M"), "[aria-label='Quayside sidecar']")
        );
        Assert.Contains("No part of this job has banks", Text(await Cabin.Page("/jobs/mast-disc-picture/memory/chips"), "main"));
    }

    [Fact]
    public async Task Chips_that_the_switches_do_not_fit_are_a_stop_mended_by_one_press()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/loft-clerk-ledger/memory");
        (_, page) = await Cabin.Press(Form(page, "[name=switchId][value=S1]"), ("position", "64K"));
        Assert.Contains("CHIP-SWITCHES", Found(page));
        (_, page) = await Cabin.Press(Form(page, ".tray .solid"));
        Assert.DoesNotContain("CHIP-SWITCHES", Found(page));
    }

    [Fact]
    public async Task A_window_whose_banks_are_sockets_shows_them_and_what_is_planned_for_them()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/chalk-primer-slots/memory/banks");
        string fan = page.QuerySelector(".fan")!.GetAttribute("aria-label")!;
        Assert.Contains("bank 12 rom 3, bank 11 rom 4 with a 27128, bank 10 rom 5", fan);
        Assert.Contains("no socket", Text(page, ".fan"));
        Assert.Contains("a bank of ROM is proved at the ROM station", Text(page, "main"));
    }

    [Fact]
    public async Task A_window_has_its_fan_its_listing_and_its_reset_circuit()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/dunnock-lamp-voice/memory/banks");
        Assert.Equal("18 banks of 12 KiB behind 0x5000 to 0x7fff", page.QuerySelector(".fan")!.GetAttribute("aria-label"));
        Assert.Contains("takes writes only", Text(page, ".fan"));
        Assert.Contains("POKE R,B", Text(page, ".listing"));
        Assert.Contains(
            "8.2 ms at least, 24 ms at most. It outlasts the supply.",
            Text(page, "[aria-labelledby=reset-title] .verdict")
        );
        page = await Cabin.Page("/jobs/dunnock-lamp-voice/memory/banks?kohm=10&uf=0,1&volts=5&rise=5");
        Assert.Contains("Too short: take 4.7 uF", Text(page, "[aria-labelledby=reset-title] .verdict"));
        Assert.Contains(
            "\"much\" is not a value",
            Text(await Cabin.Page("/jobs/dunnock-lamp-voice/memory/banks?kohm=much"), ".reset")
        );
        Assert.Contains(
            "Nothing on this unit shows its memory through a window",
            Text(await Cabin.Page("/jobs/slip-3-winter/memory/banks"), "main")
        );
    }

    [Fact]
    public async Task A_setting_is_named_and_needs_a_name()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/slip-3-winter/memory/settings");
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "[name=name]"), ("name", " "));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        (_, page) = await Cabin.Press(Form(page, "[name=name]"), ("name", "<b>two"));
        Assert.Contains("<b>two", Text(page, ".settings thead"));
        (_, page) = await Cabin.Press(Form(page, "[aria-label='Delete <b>two']"), ("name", "<b>two"));
        Assert.DoesNotContain("<b>two", Text(page, ".settings thead"));
    }

    [Fact]
    public async Task Markings_boards_and_sectors_are_read()
    {
        IHtmlDocument page = await Cabin.Page(
            $"/tools?chips={Uri.EscapeDataString("4 x 62256LP-70\n<script>")}"
                + $"&cell=true&decoder=true&leads=1&sectors=930&reserved=0&bytes=320&link=4&files=9000"
        );
        Assert.Contains("SRAM 32Kx8", Text(page, "[aria-labelledby=markings-title]"));
        Assert.Contains("Memory kept alive by a cell 128 KiB", Text(page, "[aria-labelledby=board-title]"));
        Assert.Contains("lead 1: likely a select or the write strobe", Text(page, "[aria-labelledby=board-title]"));
        Assert.Contains("297,600 bytes in all; 901 sectors stay free", Text(page, "[aria-labelledby=sectors-title]"));
        Assert.Contains(
            "is not a file",
            Text(await Cabin.Page("/tools?sectors=1&bytes=1&files=x"), "[aria-labelledby=sectors-title]")
        );
    }
}
