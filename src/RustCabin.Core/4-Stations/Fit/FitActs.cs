using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Fit;

/// <summary>The steps of parts, with their ways back.</summary>
static class FitActs
{
    /// <summary>All of them.</summary>
    public static readonly IReadOnlyList<Act> All =
    [
        new("fit", Unfit),
        new("remove", FitAgain),
        new("set", SetBack),
        new(
            "firmware",
            a =>
                a.Takes(
                    $"Firmware {a.Record.Before.Firmware ?? "as it was"} back in",
                    a.At with
                    {
                        Firmware = a.Record.Before.Firmware,
                    },
                    a.Kept
                )
        ),
        new("driver", a => a.Takes($"Take off again, or leave it: {a.Step.Title}", a.At)),
        new(
            "way",
            a =>
                a.Takes(
                    $"Take back: {a.Step.Title}",
                    a.At,
                    never: a.Step.Instance?.Way?.Reversible == false
                        ? $"{a.Step.Instance.Title} was fitted in a way that cannot be undone"
                        : ""
                )
        ),
    ];

    static (UndoStep, PlannedUnit)? Unfit(BackAsked asked) =>
        asked.Step.Instance is { } part
            ? asked.Takes(
                $"Take out {part.Title}",
                Plan.With(asked.At, i => i.Name != part.Name),
                asked.Kept,
                part.Way?.Reversible == false ? $"{part.Title} was fitted in a way that cannot be undone" : ""
            )
        : Acts.RomSite(asked.Step.Id) is { } site
            ? asked.Takes($"The original device back into {IdText.Plain(site)}", asked.At, asked.Kept)
        : null;

    static (UndoStep, PlannedUnit)? FitAgain(BackAsked asked)
    {
        if (asked.Step.Instance is not { } part)
            return null;
        PlannedUnit at = asked.At,
            before = asked.Record.Before;
        IEnumerable<Instance> own = before
            .Instances.Where(i => i.Name == part.Name || at.Find(i.Name) is not null)
            .Select(i => at.Find(i.Name) ?? i);
        return asked.Takes(
            $"Fit {part.Title} again, as it was",
            Plan.Of(at, [.. own, .. at.Instances.Where(i => before.Find(i.Name) is null)]),
            part.Title
        );
    }

    static (UndoStep, PlannedUnit)? SetBack(BackAsked asked) =>
        asked.Step.Instance is { } part && asked.Record.Before.Find(part.Name) is { } was
            ? asked.Takes(
                $"Set {part.Title} back: {Moved(part, was)}",
                Plan.Of(asked.At, [.. asked.At.Instances.Select(i => i.Name == part.Name ? was : i)])
            )
            : null;

    static string Moved(Instance now, Instance was) =>
        string.Join(", ", was.Positions.Where(p => p.Value != now.Positions[p.Key]).Select(p => $"{p.Key} {p.Value}"));
}
