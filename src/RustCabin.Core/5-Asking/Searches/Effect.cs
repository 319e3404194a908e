using RustCabin.Core.Planning;

namespace RustCabin.Core.Searches;

/// <summary>
/// What a plan does, whatever its switches and claims are called: two settings that differ in labels only have the same effect.
/// </summary>
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
                    .Select(a => $" {a.Claim.Owner.Subject} {Answer(a.Claim)} {a.Masters}")
                    .Order(StringComparer.Ordinal)
            )
                key.Append(answer);
            key.Append(';');
        }
        foreach (Bench.CountedLine line in Bench.PowerUp.Run(unit).Lines)
            key.Append($"{line.Label}={line.Bytes.Bytes};");
        foreach (Power.RailLoad rail in Power.RailLoad.Of(unit))
            key.Append($"{rail.Rail}={rail.TypicalAmps:0.######}/{rail.PeakAmps:0.######};");
        return key.ToString();
    }

    static string Answer(Maps.DecodedClaim claim) => $"{claim.Kind} {claim.Access} {claim.Window?.Banks} {claim.DrivesOnWrite}";
}
