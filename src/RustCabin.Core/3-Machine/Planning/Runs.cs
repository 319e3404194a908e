namespace RustCabin.Core.Planning;

/// <summary>Several runs of one benchmark, in seconds, as one figure with its spread.</summary>
/// <param name="Median">The middle run; of an even number the mean of the two in the middle.</param>
public sealed record Runs(decimal Median, decimal Least, decimal Most)
{
    /// <summary>Null for no run at all.</summary>
    public static Runs? Of(IReadOnlyList<decimal> seconds)
    {
        if (seconds.Count == 0)
            return null;
        decimal[] sorted = [.. seconds.Order()];
        int middle = sorted.Length / 2;
        return new Runs(
            sorted.Length % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2,
            sorted[0],
            sorted[^1]
        );
    }
}
