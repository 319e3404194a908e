using RustCabin.Core.Chips;
using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Memory;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Storage;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>Switches are moved: one, those of a fix, those of a setting, those that the filling of the banks wants.</summary>
public static class Switching
{
    /// <summary>Moves one switch.</summary>
    public static Press<Job> Switch(AtHand at, InstanceName instance, string switchId, string position) =>
        Change(Words(at, instance, switchId, position), j => JobEdits.SetSwitch(j, at.Unit.Fitted, instance, switchId, position));

    /// <summary>Carries out the fix of a finding: all that it names, in one change.</summary>
    /// <param name="at">The job.</param>
    /// <param name="code">The finding's code.</param>
    /// <param name="subject">Its first subject.</param>
    public static Press<Job> Fix(AtHand at, string code, Subject subject)
    {
        Finding? finding = at.Found(code, subject).FirstOrDefault(f => f.Fix is not null);
        if (finding?.Fix is not { } fix)
            return Gone;
        (InstanceName, string, string)[] moves =
        [
            .. fix.Switches.SelectMany(i => i.Value.Select(s => (InstanceName.Parse(i.Key), s.Key, s.Value))),
        ];
        return Change(
            $"Mended, {finding.Title}: "
                + string.Join(
                    ", ",
                    [
                        .. moves.Select(m => Words(at, m.Item1, m.Item2, m.Item3)),
                        .. fix.Divides.Length > 0 ? [fix.Divides] : (string[])[],
                        .. fix.Ways.Select(w =>
                            $"{at.After.Find(InstanceName.Parse(w.Key))?.Title ?? w.Key} by the way {w.Value}"
                        ),
                    ]
                ),
            job =>
                fix.Cards.Aggregate(
                    fix.Ways.Aggregate(
                        JobEdits.SetSwitches(job, at.Unit.Fitted, moves),
                        (j, w) =>
                            j is null ? null : JobEdits.SetWay(j, at.Unit.Fitted, InstanceName.Parse(w.Key), new WayName(w.Value))
                    ),
                    (j, card) => j is null ? null : StorageEdits.Divide(j, InstanceName.Parse(card.Key), card.Value)
                )
        );
    }

    /// <summary>Sets the switches as a solver's answer has them.</summary>
    public static Press<Job> Settle(AtHand at, Choice choice)
    {
        (InstanceName, string, string)[] moves =
        [
            .. choice.Planned.Instances.SelectMany(i =>
                i.Positions.Where(p => at.After.Find(i.Name)?.Positions.GetValueOrDefault(p.Key) is { } now && now != p.Value)
                    .Select(p => (i.Name, p.Key, p.Value))
            ),
        ];
        return moves.Length == 0 ? Gone : Set(at, "Switches set: ", moves);
    }

    static Press<Job> Set(AtHand at, string what, (InstanceName Instance, string Switch, string Position)[] moves) =>
        Change(
            what + string.Join(", ", moves.Select(m => Words(at, m.Instance, m.Switch, m.Position))),
            j => JobEdits.SetSwitches(j, at.Unit.Fitted, moves)
        );

    static string Words(AtHand at, InstanceName instance, string switchId, string position) =>
        $"{switchId} of {at.After.Find(instance)?.Title ?? instance} to {position}";

    /// <summary>Keeps the positions as they are planned under a name.</summary>
    public static Press<Job> Name(AtHand at, string? name) =>
        Texts.TryNeeded<NamedSetting>(nameof(NamedSetting.Name), name, out string called)
            ? Change(
                $"Setting kept as \"{called}\"",
                j => JobEdits.NameSetting(j, called, at.After.Instances.ToDictionary(i => $"{i.Name}", i => i.Positions))
            )
            : Refuse(
                "name",
                $"Nothing was changed: give the setting a name of {Texts.Most<NamedSetting>(nameof(NamedSetting.Name))} "
                    + "characters at most."
            );

    /// <summary>Sets the switches as a named setting has them.</summary>
    public static Press<Job> Use(AtHand at, string name) =>
        at.Job.Settings.FirstOrDefault(s => s.Name == name) is not { } setting
            ? Gone
            : Change(
                $"Set as \"{name}\"",
                j =>
                    JobEdits.SetSwitches(
                        j,
                        at.Unit.Fitted,
                        setting.Switches.SelectMany(i => i.Value.Select(p => (InstanceName.Parse(i.Key), p.Key, p.Value)))
                    )
            );

    /// <summary>Forgets a named setting.</summary>
    public static Press<Job> Forget(string name) => Change($"Setting \"{name}\" dropped", j => JobEdits.DropSetting(j, name));

    /// <summary>Fills the banks of a part, and sets its switches where its table says how.</summary>
    /// <param name="at">The job.</param>
    /// <param name="instance">The part.</param>
    /// <param name="bank">The type of each bank's chips; null or empty is an empty bank.</param>
    public static Press<Job> Fill(AtHand at, InstanceName instance, IReadOnlyList<string?> bank)
    {
        if (at.After.Find(instance) is not { } part)
            return Gone;
        string?[] banks = [.. bank.Select(b => string.IsNullOrEmpty(b) ? null : b)];
        var row = ChipChecks.RowFor(part.Part, [.. banks.Select(b => b is null ? null : ChipType.Find(b))]);
        return Change(
            $"Banks of {part.Title}: {string.Join(", ", banks.Select(b => b ?? "empty"))}",
            j =>
                JobEdits.SetSwitches(
                    JobEdits.SetBanks(j, instance, banks),
                    at.Unit.Fitted,
                    (row?.Positions ?? []).Select(p => (instance, p.Key, p.Value))
                )
        );
    }
}
