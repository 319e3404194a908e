namespace RustCabin.Core.Units;

/// <summary>A decimal amount in one currency (three capital letters). Amounts in different currencies do not add.</summary>
public readonly record struct Money(decimal Amount, string Currency)
{
    /// <summary>The amount with two decimals, then the currency.</summary>
    public override string ToString() => $"{Amount:#,0.00} {Currency}";
}
