using System.Diagnostics.CodeAnalysis;
using System.Globalization;

namespace RustCabin.Core.Sheets;

/// <summary>
/// The name of one part on a unit: the part's id, and which of several of them, written <c>fathom</c> and <c>fathom#2</c>.
/// Source: docs/handbook/fit.md, Ways.
/// </summary>
/// <param name="Part">The id of the part's sheet.</param>
/// <param name="Number">From 1.</param>
public readonly record struct InstanceName(string Part, int Number) : IParsable<InstanceName>
{
    /// <summary>The machine's own board, where its sheet has switches on it. No part may be called so.</summary>
    public static readonly InstanceName Mainboard = new("mainboard", 1);

    /// <summary>The first, or only, one of a part.</summary>
    public static InstanceName First(string part) => new(part, 1);

    /// <summary>Reads a name as sheets and forms write it; any text is one, which may stand for no part.</summary>
    public static InstanceName Parse(string text) =>
        text.LastIndexOf('#') is > 0 and var hash
        && int.TryParse(text.AsSpan(hash + 1), NumberStyles.None, CultureInfo.InvariantCulture, out int number)
        && number > 1
        && text[hash + 1] != '0'
            ? new(text[..hash], number)
            : new(text, 1);

    /// <inheritdoc/>
    public static InstanceName Parse(string s, IFormatProvider? provider) => Parse(s);

    /// <inheritdoc/>
    public static bool TryParse([NotNullWhen(true)] string? s, IFormatProvider? provider, out InstanceName result)
    {
        result = s is null ? default : Parse(s);
        return s is not null;
    }

    /// <summary>As sheets write it.</summary>
    public override string ToString() => Number > 1 ? $"{Part}#{Number}" : Part ?? "";

    /// <summary>Its text, for what only writes it or looks it up.</summary>
    public static implicit operator string(InstanceName name) => name.ToString();
}

/// <summary>The id of a way on a part's sheet: how it is fitted. Source: docs/handbook/fit.md, Ways.</summary>
/// <param name="Id">Its id.</param>
public readonly record struct WayName(string Id) : IParsable<WayName>
{
    /// <inheritdoc/>
    public static WayName Parse(string s, IFormatProvider? provider) => new(s);

    /// <inheritdoc/>
    public static bool TryParse([NotNullWhen(true)] string? s, IFormatProvider? provider, out WayName result)
    {
        result = new(s ?? "");
        return s is not null;
    }

    /// <summary>As sheets write it.</summary>
    public override string ToString() => Id ?? "";

    /// <summary>Its text, for what only writes it or looks it up.</summary>
    public static implicit operator string(WayName name) => name.ToString();
}
