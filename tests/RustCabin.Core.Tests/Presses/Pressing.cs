using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Presses;

/// <summary>A cabin without a file: sheets and one job, on which presses are made as a page makes them.</summary>
sealed class Pressing(Pack pack, string job)
{
    const string Now = "2026-11-26T09:30:00Z";

    /// <summary>The sheets as they stand now.</summary>
    public Pack Sheets { get; private set; } = pack;

    /// <summary>What was done, as the log says it.</summary>
    public List<string> Log { get; } = [];

    /// <summary>The job at hand.</summary>
    public AtHand At => AtHand.Of(Trail.Stations, Sheets, Sheets.FindJob(job)!) with { Moment = Now };

    /// <summary>Makes a press that must be carried out.</summary>
    public void Made(Func<AtHand, Press<Job>> press)
    {
        AtHand at = At;
        Press<Job> made = press(at);
        Assert.Null(made.Refused?.Why);
        Job changed = made.On(at.Job) ?? throw new InvalidOperationException($"nothing came of it after {Log.LastOrDefault()}");
        Log.Add(made.What);
        Assert.NotEmpty(made.What);
        Sheets = Sheets with { Jobs = [.. Sheets.Jobs.Select(j => j.Id == job ? changed : j)] };
    }

    /// <summary>Makes a press on the unit that must be carried out.</summary>
    public void MadeOnUnit(Func<AtHand, Press<Unit>> press)
    {
        AtHand at = At;
        Press<Unit> made = press(at);
        Assert.Null(made.Refused?.Why);
        Unit changed = made.On(at.Unit)!;
        Log.Add(made.What);
        Sheets = Sheets with { Units = [.. Sheets.Units.Select(u => u.Id == changed.Id ? changed : u)] };
    }

    /// <summary>Makes a press that must be refused, and gives the reason.</summary>
    public Refusal Refused(Func<AtHand, Press<Job>> press)
    {
        Press<Job> made = press(At);
        Assert.NotNull(made.Refused);
        Assert.Null(made.On(At.Job));
        return made.Refused;
    }
}
