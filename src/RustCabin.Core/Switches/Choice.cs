using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Switches;

/// <summary>A part that is there, or, when <paramref name="Optional"/>, one that may be chosen. Ways of one part are candidates of one name, of which at most one is chosen.</summary>
public sealed record Candidate(Instance Instance, bool Optional)
{
    /// <summary>Where its switches stand now: as the unit has them; a part that is not fitted yet comes at factory. Source: formats.md, settings.</summary>
    public static IReadOnlyDictionary<string, string> Now(Instance instance)
    {
        var now = new Dictionary<string, string>();
        foreach (Switch own in instance.Part.Switches)
            now[own.Id] = (instance.Added ? null : instance.Fitted.Switches.GetValueOrDefault(own.Id)) ?? own.Factory;
        return now;
    }
}

/// <summary>Parts chosen and every switch set: a plan that has passed the checker without a stop and gives every want. <paramref name="Moves"/> counts the switches that leave where they stand now.</summary>
public sealed record Choice(PlannedUnit Planned, int Moves)
{
    public IReadOnlyDictionary<string, IReadOnlyDictionary<string, string>> Switches =>
        Planned.Instances.Where(i => i.Positions.Count > 0).ToDictionary(i => i.Name, i => i.Positions);

    public ulong PowerUpTotalBytes => Memory.PowerUp.Run(Planned).Total.Bytes;
}

/// <summary>What a plan does, whatever its switches and claims are called: two settings that differ in labels only have the same effect.</summary>
public static class Effect
{
    /// <summary>Equal texts for equal effects; not for showing.</summary>
    public static string Of(PlannedUnit unit)
    {
        var key = new System.Text.StringBuilder();
        foreach (Maps.Segment segment in unit.Map.Segments)
        {
            if (segment.Claims.Length == 0)
                continue;
            key.Append($"{segment.From:x}-{segment.To:x}");
            foreach (
                string answer in segment
                    .Claims.Select(a => (Claim: unit.Map.Claims[a.Claim], a.Masters))
                    .Select(a =>
                        $" {(a.Claim.Owner.StartsWith("part:", StringComparison.Ordinal) ? a.Claim.Owner[..a.Claim.Owner.LastIndexOf(':')] : a.Claim.Owner)} {a.Claim.Kind} {a.Claim.Access} {a.Masters} {a.Claim.Window?.Banks} {a.Claim.DrivesOnWrite}"
                    )
                    .Order(StringComparer.Ordinal)
            )
                key.Append(answer);
            key.Append(';');
        }
        foreach (Memory.CountedLine line in Memory.PowerUp.Run(unit).Lines)
            key.Append($"{line.Label}={line.Bytes.Bytes};");
        foreach (Power.RailLoad rail in Power.RailLoad.Of(unit))
            key.Append($"{rail.Rail}={rail.TypicalAmps:0.######}/{rail.PeakAmps:0.######};");
        return key.ToString();
    }
}
