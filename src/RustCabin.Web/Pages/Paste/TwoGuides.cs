using RustCabin.Core.Pasted;

namespace RustCabin.Web.Pages.Paste;

/// <summary>Two guides for the same work, held against each other.</summary>
/// <param name="Called">What the first is called on the page.</param>
/// <param name="One">The acts of the first.</param>
/// <param name="Other">The acts of the other.</param>
public sealed record TwoGuides(string Called, IReadOnlyList<GuideAct> One, IReadOnlyList<GuideAct> Other)
{
    /// <summary>What is alike, what stands in one alone, what cannot both be right.</summary>
    public ActsCompared Compared { get; } = ActsCompared.Of(One, Other);
}
