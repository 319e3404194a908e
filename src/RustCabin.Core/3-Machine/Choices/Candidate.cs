using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Choices;

/// <summary>
/// A part that is there, or, when <paramref name="Optional"/>, one that may be chosen. Ways of one part are candidates of one
/// name, of which at most one is chosen.
/// </summary>
public sealed record Candidate(Instance Instance, bool Optional)
{
    /// <summary>
    /// Where its switches stand now: as the unit has them; a part that is not fitted yet comes at factory. Source:
    /// docs/handbook/memory.md, Switches and settings.
    /// </summary>
    public static IReadOnlyDictionary<string, string> Now(Instance instance)
    {
        var now = new Dictionary<string, string>();
        foreach (Switch own in instance.Part.Switches)
            now[own.Id] = (instance.Added ? null : instance.Fitted.Switches.GetValueOrDefault(own.Id)) ?? own.Factory;
        return now;
    }
}

/// <summary>
/// Parts chosen and every switch set: a plan that has passed the checker without a stop and gives every want. <paramref
/// name="Moves"/> counts the switches that leave where they stand now.
/// </summary>
public sealed record Choice(PlannedUnit Planned, int Moves)
{
    /// <summary>Where every switch of every instance stands.</summary>
    public IReadOnlyDictionary<string, IReadOnlyDictionary<string, string>> Switches =>
        Planned.Instances.Where(i => i.Positions.Count > 0).ToDictionary(i => $"{i.Name}", i => i.Positions);

    /// <summary>What the machine counts in all, in bytes.</summary>
    public ulong PowerUpTotalBytes => Bench.PowerUp.Run(Planned).Total.Bytes;
}
