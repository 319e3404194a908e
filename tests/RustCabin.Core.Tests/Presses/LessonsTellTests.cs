using RustCabin.Core.Build;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests.Presses;

/// <summary>Lessons at steps, tools that are laid out, and the write-up of a job.</summary>
public sealed class LessonsTellTests
{
    static Pressing Pads() => new(Demo.Of("larkspur-disc.json"), "keel-disc-pads");

    static Step Fit(Pressing job) => job.At.Sheet.Steps.Single(s => $"{s.Id}" == "fit-gannet");

    [Fact]
    public void A_lesson_is_shown_at_its_step_to_whoever_does_it_next()
    {
        Pressing job = Pads();
        Assert.Single(Lessons.At(Fit(job)));
        Press<Part> learnt = Lessons.Learn(job.At, StepId.Parse("fit-gannet"), " Pair the pads first ");
        Part gannet = learnt.On(job.Sheets.FindPart("gannet")!)!;
        var next = new Pressing(
            job.Sheets with
            {
                Parts = [.. job.Sheets.Parts.Select(p => p.Id == "gannet" ? gannet : p)],
            },
            "keel-disc-pads"
        );
        Assert.Equal(["Pair the pads first"], Lessons.At(Fit(next)).Select(l => l.Text).Skip(1));
        Assert.Equal("Keel Disc", Lessons.At(Fit(next)).Last().By);
        Assert.Empty(next.At.Sheet.Steps.Where(s => s.Id.Act == "open").SelectMany(Lessons.At));
    }

    [Theory]
    [InlineData("fit-gannet", "", "lesson")]
    [InlineData("open-shell-off", "x", null)]
    [InlineData("nothing", "x", null)]
    public void A_lesson_wants_a_step_of_a_part_and_words(string step, string text, string? field)
    {
        Press<Part> press = Lessons.Learn(Pads().At, StepId.Parse(step), text);
        Assert.Equal(field, press.Refused?.Field);
        Assert.Null(press.Edit);
    }

    [Fact]
    public void What_is_laid_out_says_what_for_and_what_the_cupboard_lacks()
    {
        AtHand at = Pads().At;
        IReadOnlyList<LaidOut> tools = LayOut.Of(at.Sheet, at.After, []);
        Assert.Equal(["long screwdriver", "plastic lever"], tools.Select(t => t.Name));
        Assert.Equal("5 screws, shell off", tools[0].For);
        Assert.All(tools, t => Assert.Null(t.InHand));
        StockItem[] stock =
        [
            new StockItem
            {
                Kind = StockKind.Tool,
                Name = "Long screwdriver, magnetic",
                Count = 1,
            },
        ];
        Assert.Equal([true, false], LayOut.Of(at.Sheet, at.After, stock).Select(t => t.InHand));
    }

    [Fact]
    public void An_iron_and_a_meter_are_laid_out_where_the_board_is_changed()
    {
        AtHand at = new Pressing(Demo.Of("larkspur-disc.json"), "jetty-disc-direct").At;
        Assert.Contains(LayOut.Of(at.Sheet, at.After, []), t => t.Name == "soldering iron");
        Assert.Contains(LayOut.Of(at.Sheet, at.After, []), t => t.Name == "meter");
    }

    [Fact]
    public void A_step_that_opens_says_how_it_lies_with_what_that_risks()
    {
        Step open = Pads().At.Sheet.Steps.First(s => s.Opens is not null);
        Assert.Contains("Lay it: on its lid, on a towel (risks a scratched lid).", open.Details);
        Assert.Contains("Or lay it: on its side (risks the lid falls open).", open.Details);
        Assert.Contains("Front edge first, then tilt.", open.Details);
        Assert.Contains(open.Details, d => d.EndsWith("the one below the label last.", StringComparison.Ordinal));
    }

    [Fact]
    public void The_write_up_says_what_was_really_done()
    {
        string text = TellText.Of(Pads().At);
        string[] lines = text.Split('\n');
        Assert.StartsWith("# Pads without leads", text);
        Assert.Contains("- Gannet pad receiver, by the way ribbon", lines);
        Assert.Contains(lines, l => l.StartsWith("- Fit Gannet pad receiver", StringComparison.Ordinal));
        Assert.Contains("- the two pad sockets in front", lines);
        Assert.Contains(lines, l => l.Contains("no finger reaches it"));
        Assert.EndsWith("Built, read and closed.\n", text);
        // Of a job that is not begun nothing is told as done.
        Assert.DoesNotContain("## What was done", TellText.Of(new Pressing(Demo.Of("larkspur-disc.json"), "float-disc-cuts").At));
    }
}
