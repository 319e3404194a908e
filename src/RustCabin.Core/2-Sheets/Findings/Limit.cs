namespace RustCabin.Core.Findings;

/// <summary>
/// How near something is to a limit: a watch above 90 % of it, a stop above the whole. Source: docs/handbook/fit.md, Power.
/// </summary>
static class Limit
{
    const decimal WatchAbove = 0.9m;

    /// <summary>Null: well within.</summary>
    public static Severity? Of(decimal value, decimal limit) =>
        value > limit ? Severity.Stop
        : value > limit * WatchAbove ? Severity.Watch
        : null;
}
