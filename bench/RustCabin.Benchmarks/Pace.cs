namespace RustCabin.Benchmarks;

/// <summary>
/// How fast this machine goes just now, by the bench's own yardstick: resolving a map of 10,000 claims. The budgets are for a
/// machine that takes <see cref="UsualMs"/> for it, which the table in docs/measured.md was measured on.
/// </summary>
static class Pace
{
    const double UsualMs = 2.663;

    static readonly Resolving Claims = Made();

    static Resolving Made()
    {
        var claims = new Resolving();
        claims.Make();
        // Until it is compiled as well as it will be.
        for (int i = 0; i < 60; i++)
            GC.KeepAlive(claims.Claims10000());
        Thread.Sleep(300);
        return claims;
    }

    /// <summary>How many times as long as usual it takes; the median of 15.</summary>
    public static double Times() => Timed.Median(15, Claims.Claims10000) / UsualMs;
}
