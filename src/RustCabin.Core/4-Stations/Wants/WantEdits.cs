using RustCabin.Core.Choices;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wants;

/// <summary>What a job asks for, as typed changes of its record.</summary>
public static class WantEdits
{
    /// <summary>Adds a want. One that asks the same is not added twice.</summary>
    public static Job Add(Job job, Need want) => job.Wants.Any(want.AsksAs) ? job : job with { Wants = [.. job.Wants, want] };

    /// <summary>Takes out the want at a place of the list.</summary>
    public static Job Drop(Job job, int index) => job with { Wants = [.. job.Wants.Where((_, i) => i != index)] };

    /// <summary>Sets the limits.</summary>
    public static Job Limits(Job job, JobLimits limits) => job with { Limits = limits };

    /// <summary>
    /// Makes a choice of parts the job: what it adds is replaced, switches of parts that stay on the unit are set. What was
    /// noted of a part that stays (its version, its chips) stays with it; ticks, cautions and settings about parts that go are
    /// about nothing then.
    /// </summary>
    public static Job Take(Job job, Choice choice)
    {
        Instance[] added = [.. choice.Planned.Instances.Where(i => i.Added)];
        string[] gone = [.. job.Add.Select(a => a.Part).Where(p => added.All(i => i.Part.Id != p))];
        StepId[] about = [.. gone.Select(InstanceName.First).SelectMany(g => (StepId[])[Acts.Fit(g), Acts.Set(g)])];
        Job taken = job with
        {
            Add =
            [
                .. added.Select(i =>
                    (job.Add.FirstOrDefault(a => a.Part == i.Part.Id) ?? new FittedPart { Part = i.Part.Id }) with
                    {
                        Way = i.Way!.Id,
                        Switches = new OrderedDictionary<string, string>(i.Positions),
                    }
                ),
            ],
            Done = [.. job.Done.Where(d => !about.Contains(d))],
            Heeded = [.. job.Heeded.Where(h => !about.Contains(h.Step))],
            Banks = job.Banks.Where(b => !gone.Contains(b.Key)).ToDictionary(),
            Switches = job.Switches.Where(s => !gone.Contains(s.Key)).ToDictionary(),
            Settings =
            [
                .. job.Settings.Select(s =>
                    s.Switches.Keys.Any(gone.Contains)
                        ? s with
                        {
                            Switches = s.Switches.Where(i => !gone.Contains(i.Key)).ToDictionary(),
                        }
                        : s
                ),
            ],
        };
        foreach (Instance stays in choice.Planned.Instances.Where(i => !i.Added))
        foreach ((string id, string position) in stays.Positions.Where(p => StandsAt(stays, p.Key) != p.Value))
            taken = taken with
            {
                Switches = JobEdits.Put(
                    taken.Switches,
                    stays.Name,
                    JobEdits.Put(taken.Switches.GetValueOrDefault(stays.Name) ?? [], id, position)
                ),
            };
        return taken;
    }

    static string StandsAt(Instance fitted, string switchId) =>
        fitted.Fitted.Switches.GetValueOrDefault(switchId) ?? fitted.Part.Switches.First(s => s.Id == switchId).Factory;

    /// <summary>The parts, by their ids, that a choice takes out of a job and puts into it.</summary>
    public static (IReadOnlyList<string> Out, IReadOnlyList<string> In) Change(Job job, Choice choice)
    {
        (string Part, string? Way)[] now = [.. job.Add.Select(a => (a.Part, a.Way))],
            then = [.. choice.Planned.Instances.Where(i => i.Added).Select(i => (i.Part.Id, (string?)i.Way!.Id))];
        return (
            [.. now.Where(n => !then.Contains(n)).Select(n => n.Part)],
            [.. then.Where(t => !now.Contains(t)).Select(t => t.Part)]
        );
    }
}
