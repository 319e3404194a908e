namespace RustCabin.Core.Units;

/// <summary>Addresses from <paramref name="From"/> up to and including <paramref name="To"/>; never empty.</summary>
public readonly record struct AddressRange(Address From, Address To)
{
    /// <summary>
    /// The range of <paramref name="size"/> bytes that begins at <paramref name="from"/>. The size must not be 0.
    /// </summary>
    public static AddressRange Of(ulong from, ulong size) => new(new Address(from), new Address(from + (size - 1)));

    /// <summary>Its size, both ends counted.</summary>
    public ByteSize Size => new(To.Value - From.Value + 1);

    /// <summary>True if the address lies in it.</summary>
    public bool Contains(Address address) => From <= address && address <= To;

    /// <summary>True if the two have an address in common.</summary>
    public bool Touches(AddressRange other) => From <= other.To && other.From <= To;

    /// <summary>Both ends for the screen, such as <c>0x60_0000 to 0x9f_ffff</c>.</summary>
    public string ToScreen(int addressBits) => $"{From.ToScreen(addressBits)} to {To.ToScreen(addressBits)}";
}
