using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Gathered;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Searches;

/// <summary>
/// The settings that work: fewest moves first, each with another effect than those before it. When there is none, <paramref
/// name="Clash"/> holds the smallest requirements that cannot all be met: without any one of them there is a setting. <paramref
/// name="Complete"/> false: there may be more settings than are listed.
/// </summary>
public sealed record Settings(IReadOnlyList<Choice> Solutions, IReadOnlyList<Requirement> Clash, bool Complete)
{
    /// <summary>False: the time was over first. Then neither the settings nor the clash say all, and none found is no
    /// "impossible".</summary>
    public bool Decided { get; init; } = true;
}

/// <summary>
/// One requirement of a clash in words: a want, a part that is there (by its instance name), or, with neither, the unit itself.
/// </summary>
public sealed record Requirement(string Text, Need? Want = null, InstanceName? Instance = null);

/// <summary>
/// Over all parts of a job: positions with no stop that give every want. Source: docs/handbook/memory.md, Switches and settings.
/// </summary>
public static class SettingsSolver
{
    /// <summary>So many settings are listed unless more are asked for.</summary>
    public const int UsuallyListed = 8;

    /// <summary>
    /// Solves for the parts of a plan, whatever its switches stand at. Wants are those of its job unless others are given.
    /// </summary>
    public static Settings Solve(
        StationList stations,
        PlannedUnit planned,
        IReadOnlyList<Need>? wants = null,
        int most = UsuallyListed,
        TimeSpan? within = null,
        CancellationToken cancel = default
    )
    {
        wants ??= planned.Job?.Wants ?? [];
        using var patience = new Patience(within, cancel);
        var found = new List<Choice>();
        var effects = new HashSet<string>();
        try
        {
            ChoiceModel model = ModelOf(stations, planned, wants);
            while (found.Count < most)
            {
                if (model.Best(model.Moves, cancel: patience.Token) is not { } choice)
                    return found.Count > 0
                        ? new Settings(InOrder(found), [], true)
                        : new Settings([], Clash.Of(stations, planned, wants, patience.Token), true);
                if (effects.Add(Effect.Of(choice.Planned)))
                    found.Add(choice);
                model.Other();
                model.AtLeastMoves(choice.Moves);
            }
            return new Settings(InOrder(found), [], false);
        }
        catch (TooManyTriedException)
        {
            return new Settings(InOrder(found), [], false) { Decided = found.Count > 0 };
        }
        catch (Exception over) when (over is OutOfTimeException || (over is OperationCanceledException && patience.IsOver))
        {
            return new Settings(InOrder(found), [], false) { Decided = false };
        }
    }

    /// <summary>Fewest moves first, equals in the order of the sheets' positions.</summary>
    static IReadOnlyList<Choice> InOrder(IEnumerable<Choice> found) =>
        [
            .. found
                .OrderBy(c => c.Moves)
                .ThenBy(
                    c =>
                        string.Concat(
                            c.Planned.Instances.SelectMany(i =>
                                i.Part.Switches.Select(s => (char)('A' + s.Positions.ToList().IndexOf(i.Positions[s.Id])))
                            )
                        ),
                    StringComparer.Ordinal
                ),
        ];

    /// <summary>True if some positions pass without a stop and give the wants.</summary>
    internal static bool CanBe(
        StationList stations,
        PlannedUnit planned,
        IReadOnlyList<Need> wants,
        CancellationToken cancel = default
    )
    {
        ChoiceModel model = ModelOf(stations, planned, wants);
        return model.Best(model.Moves, cancel: cancel) is not null;
    }

    static ChoiceModel ModelOf(StationList stations, PlannedUnit planned, IReadOnlyList<Need> wants) =>
        new(planned, [.. planned.Instances.Select(i => new Candidate(i, Optional: false))], wants, stations.Checker);
}

/// <summary>The smallest requirements of a job that cannot all be met. Dropping any one of them leaves what can be.</summary>
static class Clash
{
    public static IReadOnlyList<Requirement> Of(
        StationList stations,
        PlannedUnit planned,
        IReadOnlyList<Need> wants,
        CancellationToken cancel = default
    )
    {
        PlannedUnit bare = Plan.With(planned, _ => false);
        if (!SettingsSolver.CanBe(stations, bare, [], cancel))
            return [.. stations.Stops(bare).Select(s => new Requirement($"The unit itself: {s.Finding.Text}"))];

        Requirement[] all =
        [
            .. wants.Select(w => new Requirement($"Wanted: {NeedCheck.Words(w, planned)}", Want: w)),
            .. planned.Instances.Select(i => new Requirement("", Instance: i.Name)),
        ];
        return
        [
            .. Smallest
                .Clash(
                    all,
                    some =>
                        SettingsSolver.CanBe(
                            stations,
                            Plan.With(planned, i => some.Any(r => r.Instance == i.Name)),
                            [.. some.Select(r => r.Want).OfType<Need>()],
                            cancel
                        ),
                    one =>
                        one.Instance is { } name
                            ? WithDependents(planned, name).Select(n => new Requirement("", Instance: n))
                            : []
                )
                .Select(r => r.Instance is { } name ? r with { Text = PartWords(stations, planned, planned.Find(name)!) } : r),
        ];
    }

    /// <summary>A part and those that cannot stay without it: that sit on it, or whose sheet needs it.</summary>
    internal static IEnumerable<InstanceName> WithDependents(PlannedUnit planned, InstanceName name)
    {
        string part = planned.Find(name)!.Part.Id;
        return planned
            .Instances.Where(i =>
                i.Name != name
                && (
                    i.Occupied.Any(o => o.Site!.StartsWith(name + ":", StringComparison.Ordinal))
                    || (
                        i.Part.Needs.Concat(i.Way?.Needs ?? []).Any(n => n is PartNeed other && other.Id == part)
                        && planned.Instances.Count(o => o.Part.Id == part) == 1
                    )
                )
            )
            .Select(i => i.Name)
            .Append(name);
    }

    internal static string PartWords(StationList stations, PlannedUnit planned, Instance instance)
    {
        string[] places =
        [
            .. instance
                .Part.Claims.Where(c => c is { Auto: false, Base: not null })
                .Select(c => Units.AddressRange.Of(c.Base!.Value.Value, c.Size!.Value.Bytes).ToScreen(planned.Model.AddressBits))
                .Distinct(),
        ];
        string where = places.Length switch
        {
            0 => "",
            1 => $", which answers at {places[0]} only",
            <= 6 => $", which can only sit at {string.Join(" or ", places)}",
            _ => $", which can sit at {places.Length} places",
        };
        Finding? stop = stations.Stops(planned).Select(s => s.Finding).FirstOrDefault(f => f.Subjects.Contains(instance.Subject));
        return $"{instance.Title} fitted{where}{(stop is null ? "" : $". {stop.Text}")}";
    }
}
