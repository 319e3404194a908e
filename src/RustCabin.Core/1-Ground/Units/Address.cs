using System.Text;

namespace RustCabin.Core.Units;

/// <summary>A place in a machine's address space, unsigned, in bytes.</summary>
public readonly record struct Address(ulong Value) : IComparable<Address>
{
    /// <summary>
    /// Reads an address as packs write it (<c>"0x2D8000"</c>, <c>"512K"</c>, <c>"1536"</c>). False when it does not read as one.
    /// </summary>
    public static bool TryParse(ReadOnlySpan<char> text, out Address address)
    {
        bool ok = SizeText.TryParse(text, out ulong value);
        address = new Address(value);
        return ok;
    }

    /// <summary>
    /// As the JSON interface writes it: lower-case hex, padded to the width of the space, such as <c>0x0c0000</c>.
    /// </summary>
    public string ToJson(int addressBits) => "0x" + Value.ToString("x" + Digits(addressBits));

    /// <summary>As the screen shows it: hex with its digits in groups of four from the right, such as <c>0x0c_0000</c>.</summary>
    public string ToScreen(int addressBits)
    {
        string digits = Value.ToString("x" + Digits(addressBits));
        var text = new StringBuilder("0x", digits.Length + 4);
        for (int i = 0; i < digits.Length; i++)
        {
            if (i > 0 && (digits.Length - i) % 4 == 0)
                text.Append('_');
            text.Append(digits[i]);
        }
        return text.ToString();
    }

    /// <summary>By their numbers.</summary>
    public int CompareTo(Address other) => Value.CompareTo(other.Value);

    /// <summary>True if it lies below.</summary>
    public static bool operator <(Address a, Address b) => a.Value < b.Value;

    /// <summary>True if it lies above.</summary>
    public static bool operator >(Address a, Address b) => a.Value > b.Value;

    /// <summary>True if it does not lie above.</summary>
    public static bool operator <=(Address a, Address b) => a.Value <= b.Value;

    /// <summary>True if it does not lie below.</summary>
    public static bool operator >=(Address a, Address b) => a.Value >= b.Value;

    static int Digits(int addressBits) => (addressBits + 3) / 4;
}
