using System.Text.Json.Serialization;

namespace RustCabin.Core.Pasted;

/// <summary>One act of a guide. Source: docs/handbook/paste.md, Acts.</summary>
/// <param name="Do">What is done.</param>
public abstract record GuideAct([property: JsonPropertyOrder(-1)] string Do)
{
    /// <summary>What is done where: two acts with the same are the same act.</summary>
    internal abstract string Key { get; }

    /// <summary>A place in the one way in which places are held against each other.</summary>
    internal static string Same(string place) => place.Trim().ToUpperInvariant();

    /// <summary>Two places of which neither is first.</summary>
    internal static string Same(string a, string b) =>
        (Same(a), Same(b)) is var (x, y) && string.CompareOrdinal(x, y) <= 0 ? $"{x}\n{y}" : $"{y}\n{x}";
}

/// <summary>Legs of a chip are lifted.</summary>
public sealed record LiftAct(string Chip, IReadOnlyList<int> Pins) : GuideAct("lift")
{
    internal override string Key => $"lift {Same(Chip)} {string.Join(' ', Pins.Order())}";

    /// <summary>Its legs as places.</summary>
    internal IEnumerable<string> Legs => Pins.Select(p => $"{Same(Chip)}.{p}");
}

/// <summary>What joins two places is cut.</summary>
public sealed record CutAct(IReadOnlyList<string> Between) : GuideAct("cut")
{
    internal override string Key => $"cut {Same(Between[0], Between[1])}";
}

/// <summary>A wire is run.</summary>
/// <param name="From">One end.</param>
/// <param name="To">The other end.</param>
/// <param name="Mm">Its length in mm; null: not said.</param>
/// <param name="Colour">Its colour; null: not said.</param>
public sealed record WireAct(string From, string To, decimal? Mm, string? Colour) : GuideAct("wire")
{
    internal override string Key => $"wire {Same(From, To)}";
}

/// <summary>A link is bridged, a part removed, a point scraped bare.</summary>
public sealed record PointAct(string Do, string Point) : GuideAct(Do)
{
    internal override string Key => $"{Do} {Same(Point)}";
}

/// <summary>A socket takes the place of a chip.</summary>
public sealed record SocketAct(string Chip) : GuideAct("socket")
{
    internal override string Key => $"socket {Same(Chip)}";
}

/// <summary>Another act, and where.</summary>
public sealed record PlainAct(string Do, string Where) : GuideAct(Do)
{
    internal override string Key => $"{Do} {Same(Where)}";
}
