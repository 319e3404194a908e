using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Tests.Presses;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Tests.Wants;

/// <summary>The job as planned against other ways.</summary>
public sealed class WeighingTests
{
    static Pressing Pads() => new(Demo.Jobs.First(j => j.Job.Id == "keel-disc-pads").Pack, "keel-disc-pads");

    static WayForm Form(string name, string money = "10", string hours = "1", string chance = "90") =>
        new(name, money, hours, chance, "2", "", "", false);

    [Fact]
    public void The_job_itself_is_a_way_with_its_own_money_hours_and_chance()
    {
        Pressing pressing = Pads();
        JobWay job = Weighing.Ways(pressing.At)[0];
        Assert.Equal(pressing.At.Answer.Cost.Amount, job.Money);
        Assert.Equal(Math.Round(pressing.At.Answer.Minutes / 60, 2), job.Hours);
        Assert.InRange(job.Chance, 0.5m, 1);
        Alternatives found = Weighing.Weighed(pressing.At);
        Assert.Equal(Weighing.ThisJob, found.Best);
        // A repair that is dearer than another unit.
        Assert.True(
            found.Ways.Single(w => w.Id.StartsWith("mend", StringComparison.Ordinal)).Cost
                > found.Ways.Single(w => w.Id.StartsWith("another", StringComparison.Ordinal)).Cost
        );
    }

    [Fact]
    public void Ways_come_and_go_and_an_hour_gets_its_worth()
    {
        Pressing pressing = Pads();
        pressing.Made(at => Weighing.Add(at, Form("leave it", "0", "0", "100")));
        Assert.Equal("leave it", Weighing.Weighed(pressing.At).Best);
        Assert.Equal("name", pressing.Refused(at => Weighing.Add(at, Form("leave it"))).Field);
        Assert.Equal("name", pressing.Refused(at => Weighing.Add(at, Form(Weighing.ThisJob))).Field);
        pressing.Made(_ => Weighing.Hour("12,50"));
        Assert.Equal(12.5m, pressing.At.Job.Ways!.HourWorth);
        pressing.Made(at => Weighing.Drop(at, "leave it"));
        Assert.Null(Weighing.Drop(pressing.At, "leave it").Edit);
    }

    [Theory]
    [InlineData("", "10", "1", "90", "name")]
    [InlineData("x", "much", "1", "90", "money")]
    [InlineData("x", "10", "-1", "90", "hours")]
    [InlineData("x", "10", "1", "101", "chance")]
    public void What_does_not_read_is_refused_by_its_field(
        string name,
        string money,
        string hours,
        string chance,
        string field
    ) => Assert.Equal(field, Pads().Refused(at => Weighing.Add(at, Form(name, money, hours, chance))).Field);

    [Fact]
    public void Something_sold_costs_less_than_nothing_and_a_percent_sign_is_read()
    {
        Pressing pressing = Pads();
        pressing.Made(at => Weighing.Add(at, Form("sell it", "-20", "0.5", "95 %")));
        Assert.Equal((-20m, 0.95m), (pressing.At.Job.Ways!.Ways[^1].Money, pressing.At.Job.Ways.Ways[^1].Chance));
    }

    [Fact]
    public void A_unit_that_gives_it_all_as_it_stands_is_a_way()
    {
        (Pack pack, Job job) = Demo.Jobs.First(j => j.Job.Id == "keel-disc-pads");
        Pack with = pack with
        {
            Units =
            [
                .. pack.Units.Select(u =>
                    u.Id == "boathouse-disc" ? u with { Fitted = [new FittedPart { Part = "gannet", Way = "ribbon" }] } : u
                ),
            ],
        };
        Assert.Contains(
            Weighing.Ways(new Pressing(with, job.Id).At),
            w => w.Name == $"use {pack.FindUnit("boathouse-disc")!.Name} as it stands"
        );
        Assert.DoesNotContain(Weighing.Ways(Pads().At), w => w.Name.StartsWith("use ", StringComparison.Ordinal));
    }
}
