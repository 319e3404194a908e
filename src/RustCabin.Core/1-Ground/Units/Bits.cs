namespace RustCabin.Core.Units;

/// <summary>How much is told, in bits. Source: docs/handbook/faults.md, Posterior.</summary>
static class Bits
{
    /// <summary>What an outcome of a chance adds to how open a question is.</summary>
    public static double Surprise(double chance) => chance > 0 ? -chance * Math.Log2(chance) : 0;

    /// <summary>How open a question of yes or no is.</summary>
    public static double Open(double chance) => Surprise(chance) + Surprise(1 - chance);
}
