namespace RustCabin.Core.Units;

/// <summary>What decimal arithmetic leaves to be done.</summary>
public static class Decimals
{
    /// <summary>The same number without the zeros that decimal arithmetic leaves behind the point.</summary>
    public static decimal Plain(decimal number) => number / 1.0000000000000000000000000000m;
}
