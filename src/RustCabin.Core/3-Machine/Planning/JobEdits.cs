using RustCabin.Core.Sheets;

namespace RustCabin.Core.Planning;

/// <summary>
/// The smallest changes to a job, as typed changes of its record. Whoever keeps the job merges them into its JSON, so that
/// everything else in the sheet stays as it was. None checks against other sheets, which reading does.
/// </summary>
public static class JobEdits
{
    /// <summary>Moves one switch. A tick on setting that part's switches is taken back, since they must be set again.</summary>
    /// <param name="job">The job.</param>
    /// <param name="fitted">The parts that the unit already has, in whose numbering instances are named.</param>
    /// <param name="instance">The instance whose switch is moved.</param>
    /// <param name="switchId">The switch.</param>
    /// <param name="position">Where it shall stand.</param>
    /// <returns>The job with the switch moved; null: the instance is not on this unit.</returns>
    public static Job? SetSwitch(
        Job job,
        IReadOnlyList<FittedPart> fitted,
        InstanceName instance,
        string switchId,
        string position
    )
    {
        string[] names = [.. Instance.Number([.. fitted, .. job.Add]).Select(n => n.Name)];
        int index = Array.IndexOf(names, instance);
        if (index < 0 && instance != InstanceName.Mainboard)
            return null;
        Job moved =
            index >= fitted.Count
                ? job with
                {
                    Add = Changed(job.Add, index - fitted.Count, a => a with { Switches = Put(a.Switches, switchId, position) }),
                }
                : job with
                {
                    Switches = Put(
                        job.Switches,
                        instance,
                        Put(job.Switches.GetValueOrDefault(instance) ?? [], switchId, position)
                    ),
                };
        return Tick(moved, Acts.Set(instance), false);
    }

    /// <summary>Moves switches one after the other; null: an instance is not on this unit.</summary>
    public static Job? SetSwitches(
        Job job,
        IReadOnlyList<FittedPart> fitted,
        IEnumerable<(InstanceName Instance, string Switch, string Position)> moves
    ) => moves.Aggregate((Job?)job, (j, m) => j is null ? null : SetSwitch(j, fitted, m.Instance, m.Switch, m.Position));

    /// <summary>Plans another way for a part that the job adds; null: it adds none of that name.</summary>
    public static Job? SetWay(Job job, IReadOnlyList<FittedPart> fitted, InstanceName instance, WayName way) =>
        Added(job, fitted, instance, part => part with { Way = way });

    /// <summary>Changes a part that the job adds; null: it adds none of that name.</summary>
    public static Job? Added(Job job, IReadOnlyList<FittedPart> fitted, InstanceName instance, Func<FittedPart, FittedPart> edit)
    {
        int index = Array.IndexOf([.. Instance.Number([.. fitted, .. job.Add]).Select(n => n.Name)], instance) - fitted.Count;
        return index < 0 ? null : job with { Add = Changed(job.Add, index, edit) };
    }

    /// <summary>Ticks a step, or takes the tick back.</summary>
    public static Job Tick(Job job, StepId step, bool done)
    {
        // A tick that an earlier version wrote otherwise is the same tick.
        IReadOnlyList<StepId> others = step.Was is { } was ? Listed(job.Done, was, false) : job.Done;
        return job with { Done = Listed(others, step, done) };
    }

    /// <summary>Ends a job: the unit as it stood before is kept with it, so that its pages go on saying what it did.</summary>
    public static Job End(Job job, Unit was) => job with { Ended = true, Was = was };

    /// <summary>Plans a mend by hand; one for the same finding is replaced, and its tick taken back.</summary>
    public static Job PlanMend(Job job, HandMend mend)
    {
        Job without = DropMend(job, mend.Finding, mend.Subject);
        return without with { Mends = [.. without.Mends, mend] };
    }

    /// <summary>Ticks a mend as made, with what proves it and when.</summary>
    public static Job MakeMend(Job job, StepId step, string proof, string at) =>
        Tick(job, step, true) with
        {
            Mends = [.. job.Mends.Select(m => Acts.Mend(m) == step ? m with { Proof = proof, At = at } : m)],
        };

    /// <summary>Takes a mend back.</summary>
    public static Job DropMend(Job job, string finding, Subject subject) =>
        job.Mends.FirstOrDefault(m => m.Finding == finding && m.Subject == subject) is { } mend
            ? Tick(job, Acts.Mend(mend), false) with
            {
                Mends = [.. job.Mends.Where(m => m != mend)],
            }
            : job;

    /// <summary>Notes how many minutes a step took; null forgets it.</summary>
    public static Job Took(Job job, StepId step, decimal? minutes)
    {
        // Minutes that an earlier version wrote otherwise are those of the same step.
        OrderedDictionary<string, decimal> others = Without(job.Took, $"{step.Was}");
        return job with { Took = minutes is { } m ? Put(others, $"{step}", m) : Without(others, $"{step}") };
    }

    /// <summary>Ticks a caution of a step as read, or takes that back.</summary>
    public static Job Heed(Job job, StepId step, string caution, bool heeded) =>
        job with
        {
            Heeded = Listed(
                [.. job.Heeded.Where(h => h.Caution != caution || h.Step != step.Was)],
                new HeededCaution(step, caution),
                heeded
            ),
        };

    /// <summary>Adds what was seen at a gate. Earlier readings of the gate stay.</summary>
    public static Job Read(Job job, GateReading reading) => job with { Readings = [.. job.Readings, reading] };

    /// <summary>Adds a part by one of its ways, its switches at factory.</summary>
    public static Job Add(Job job, string part, WayName way) =>
        job with
        {
            Add = [.. job.Add, new FittedPart { Part = part, Way = way }],
        };

    /// <summary>
    /// Drops the part that the job adds at <paramref name="index"/>, and every tick and caution that was about it.
    /// </summary>
    public static Job Drop(Job job, int index, InstanceName instance) =>
        job with
        {
            Add = [.. job.Add.Where((_, i) => i != index)],
            Done = [.. job.Done.Where(d => !Acts.IsOf(d, instance))],
            Heeded = [.. job.Heeded.Where(h => !Acts.IsOf(h.Step, instance))],
        };

    /// <summary>Fills the banks of a part; null is an empty bank.</summary>
    public static Job SetBanks(Job job, InstanceName instance, IEnumerable<string?> banks) =>
        job with
        {
            Banks = Put(job.Banks, instance, (IReadOnlyList<string?>)[.. banks]),
        };

    /// <summary>Keeps switch positions under a name; a setting of that name is replaced.</summary>
    public static Job NameSetting(Job job, string name, IReadOnlyDictionary<string, IReadOnlyDictionary<string, string>> switches)
    {
        var positions = switches
            .Where(i => i.Value.Count > 0)
            .ToDictionary(i => i.Key, i => new OrderedDictionary<string, string>(i.Value));
        return job with
        {
            Settings = [.. DropSetting(job, name).Settings, new NamedSetting { Name = name, Switches = positions }],
        };
    }

    /// <summary>Forgets a named setting.</summary>
    public static Job DropSetting(Job job, string name) => job with { Settings = [.. job.Settings.Where(s => s.Name != name)] };

    static IReadOnlyList<T> Changed<T>(IReadOnlyList<T> list, int index, Func<T, T> change) =>
        [.. list.Select((item, i) => i == index ? change(item) : item)];

    /// <summary>The list with a thing on it, or without.</summary>
    public static IReadOnlyList<T> Listed<T>(IReadOnlyList<T> list, T value, bool there) =>
        there == list.Contains(value) ? list
        : there ? [.. list, value]
        : [.. list.Where(v => !EqualityComparer<T>.Default.Equals(v, value))];

    /// <summary>The list without what stands at a place; null: nothing does.</summary>
    public static IReadOnlyList<T>? WithoutAt<T>(IReadOnlyList<T> list, int index) =>
        index < 0 || index >= list.Count ? null : [.. list.Where((_, i) => i != index)];

    /// <summary>The map with one entry more or another.</summary>
    public static OrderedDictionary<string, V> Put<V>(IEnumerable<KeyValuePair<string, V>> map, string key, V value) =>
        new(map) { [key] = value };

    /// <summary>The map without an entry.</summary>
    public static OrderedDictionary<string, V> Without<V>(IEnumerable<KeyValuePair<string, V>> map, string key) =>
        new(map.Where(p => p.Key != key));
}
