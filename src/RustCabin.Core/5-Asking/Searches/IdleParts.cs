using RustCabin.Core.Bench;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Fit;
using RustCabin.Core.Gathered;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Searches;

/// <summary>
/// A part that the job leaves in and that does nothing any more: without it no want, title or function changes, no master can use
/// less memory, nothing that it gives is missing, and no finding comes or gets worse. Source: docs/handbook/functions.md, Idle
/// parts.
/// </summary>
static class IdleParts
{
    /// <summary>So many parts of a unit are tried without at most.</summary>
    const int MostTried = 24;

    /// <summary>PART-IDLE, a note for each such part.</summary>
    /// <param name="stations">The stations.</param>
    /// <param name="planned">The unit as the job plans it; nothing is idle where there is no job.</param>
    /// <param name="findings">What is found of it as planned.</param>
    public static IEnumerable<Finding> Of(StationList stations, PlannedUnit planned, IReadOnlyList<Finding> findings)
    {
        if (planned.Job is null)
            yield break;
        foreach (Instance part in planned.Parts.Where(i => !i.Added && !GivesAlone(planned, i)).Take(MostTried))
        {
            PlannedUnit without = Plan.With(planned, i => i.Name != part.Name);
            if (!Same(planned, without) || Worse(findings, stations.Run(without, PowerUp.Run(without)), part))
                continue;
            yield return new Finding(
                FitFindings.PartIdle,
                Severity.Note,
                $"{part.Title} does nothing any more",
                [part.Subject],
                $"Take {part.Title} out, to the cupboard: nothing changes without it.",
                [
                    "Wants, titles and functions are met alike with it and without it.",
                    .. planned.Model.Masters.Select(
                        (m, i) => $"{IdText.Capital(MasterWords.The(m))} can use {NeedCheck.Usable(without, i)} either way."
                    ),
                    .. RestsOnIt(planned, part).Select(o => $"{o.Title} sits on it: mind that first."),
                ]
            );
        }
    }

    /// <summary>It does something that shows in no map, and no other part does it too; or its sheet does not say what it
    /// does.</summary>
    static bool GivesAlone(PlannedUnit unit, Instance part)
    {
        Instance[] others = [.. unit.Parts.Where(o => o.Name != part.Name)];
        Part own = part.Part;
        return own is { Claims.Count: 0, Provides.Count: 0 }
            || own.Functions.Count > 0
            || own.Storage is not null
            || own.Samples is not null
            || own.Speed.Any(s => others.All(o => o.Part.Speed.GetValueOrDefault(s.Key) < s.Value))
            || own.Pictures.Any(p => others.All(o => o.Part.Pictures.All(q => q.Id != p.Id)))
            || own.Sounds.Count > 0
            || own.Jacks.Count > 0
            || own.Supplies.Count > 0
            || own.Hosts.Count > 0
            || own.Service.Count > 0
            || own.Routes.Count > 0
            || own.Provides.Any(p => p != "memory" && others.All(o => !o.Part.Provides.Contains(p)));
    }

    static bool Same(PlannedUnit with, PlannedUnit without) =>
        with.Model.Masters.Index().All(m => NeedCheck.Usable(with, m.Index).Bytes == NeedCheck.Usable(without, m.Index).Bytes)
        && NeedCheck
            .Of(with, with.Job!.Wants)
            .Select(a => a.Met)
            .SequenceEqual(NeedCheck.Of(without, with.Job.Wants).Select(a => a.Met))
        && with.Titles.Where(t => t.IsFor(with.Model)).All(t => Titles.Run(with, t).Runs == Titles.Run(without, t).Runs);

    /// <summary>A finding comes that was not there, or weighs more; what is about the part itself does not count.</summary>
    static bool Worse(IReadOnlyList<Finding> with, IReadOnlyList<Finding> without, Instance part) =>
        without.Any(f =>
            !with.Any(g =>
                g.Code == f.Code
                && g.Severity <= f.Severity
                && g.Subjects.Where(s => s != part.Subject).Intersect(f.Subjects).Any()
            ) && !with.Any(g => g.Code == f.Code && g.Severity <= f.Severity && g.Subjects.SequenceEqual(f.Subjects))
        );

    static IEnumerable<Instance> RestsOnIt(PlannedUnit unit, Instance part) =>
        unit.Parts.Where(o => o.Occupied.Any(s => s.Site!.StartsWith($"{part.Name}:", StringComparison.Ordinal)));
}
