using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Power;

/// <summary>
/// What hangs on one branch of a rail: a plug, a splitter, a trace, a cable. Amps at peak; volts lost = amps x ohms.
/// </summary>
public sealed record PathLoad(string Id, PowerPath Path, decimal RailVolts, decimal Tolerance, IReadOnlyList<Load> Loads)
{
    /// <summary>The most that it carries, in amps.</summary>
    public decimal PeakAmps => Loads.Sum(l => l.PeakAmps);

    /// <summary>What it loses at that, in volts.</summary>
    public decimal DropVolts => PeakAmps * Path.Ohms;

    /// <summary>The volts that may be lost: the rail's tolerance.</summary>
    public decimal AllowedVolts => Math.Abs(RailVolts) * Tolerance;

    /// <summary>The paths of the machine and of the parts that are there, those that carry nothing included.</summary>
    public static IReadOnlyList<PathLoad> Of(PlannedUnit unit)
    {
        IEnumerable<(string Id, PowerPath Path)> paths = unit
            .Model.Paths.Select(p => (p.Id, p))
            .Concat(unit.Instances.SelectMany(i => i.Part.Paths.Select(p => ($"{i.Part.Id}:{p.Id}", p))));
        return
        [
            .. paths
                .DistinctBy(p => p.Id)
                .Select(p => new PathLoad(
                    p.Id,
                    p.Path,
                    unit.Rails.FirstOrDefault(r => r.Id == p.Path.Rail)?.Volts ?? 0,
                    unit.Rails.FirstOrDefault(r => r.Id == p.Path.Rail)?.Tolerance ?? 0.05m,
                    [
                        .. from instance in unit.Instances
                        from draw in instance.Part.Draws
                        where
                            draw.Path == p.Id
                            && draw.Rail == p.Path.Rail
                            && draw.When.Holds(key => Instance.PositionOf(instance, key, unit.Instances))
                        select new Load(instance.Name, instance.Title, draw.TypicalAmps, draw.PeakAmps),
                    ]
                )),
        ];
    }
}

static class PathChecks
{
    /// <summary>
    /// POWER-PATH: a branch carries more than it may (or is within 10 % of it). POWER-DROP: it loses more than the rail's
    /// tolerance. Source: docs/handbook/fit.md, Power.
    /// </summary>
    public static IEnumerable<Finding> Of(PlannedUnit unit)
    {
        foreach (PathLoad path in PathLoad.Of(unit).Where(p => p.Loads.Count > 0))
        {
            Subject[] subjects = [Subject.Model(path.Id), .. path.Loads.Select(l => Subject.Part(l.Instance)).Distinct()];
            string[] loads = [.. path.Loads.Select(l => $"{l.Name}: {l.PeakAmps} A at peak.")];
            if (Limit.Of(path.PeakAmps, path.Path.Amps) is { } over)
                yield return new Finding(
                    PowerFindings.PowerPath,
                    over,
                    $"{path.Id} carries {path.PeakAmps:0.##} A",
                    subjects,
                    $"{path.Id} carries {path.PeakAmps:0.##} A at peak; it is made for {path.Path.Amps:0.##} A.",
                    [.. loads, "Another plug, a thicker wire, or power from elsewhere."]
                );
            if (path.RailVolts != 0 && Limit.Of(path.DropVolts, path.AllowedVolts) is { } lost)
                yield return new Finding(
                    PowerFindings.PowerDrop,
                    lost,
                    $"{path.DropVolts * 1000:0} mV lost on {path.Id}",
                    subjects,
                    $"{path.Id} loses {path.DropVolts * 1000:0} mV of {path.Path.Rail} V; {path.AllowedVolts * 1000:0} mV are "
                        + $"allowed.",
                    [
                        .. loads,
                        $"{path.PeakAmps:0.###} A x {path.Path.Ohms * 1000:0.#} mOhm = {path.DropVolts * 1000:0.#} mV.",
                        $"Allowed: {Math.Abs(path.RailVolts)} V x {path.Tolerance * 100:0.#} %.",
                    ]
                );
        }
    }
}
