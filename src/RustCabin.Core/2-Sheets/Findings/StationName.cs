namespace RustCabin.Core.Findings;

/// <summary>
/// A station by its name. Each is made once, in the folder of its station, and the pages take it from there. Source:
/// docs/architecture.md, A station offers.
/// </summary>
/// <param name="Text">The name, as the trail shows it.</param>
public sealed record StationName(string Text)
{
    /// <summary>The build sheet. It gathers what all of them bring, so it stands above them; what is mended at it says so by
    /// this name.</summary>
    public static readonly StationName Build = new("Build");

    /// <summary>The causes of what a machine shows. They are gathered from all stations too.</summary>
    public static readonly StationName Faults = new("Faults");

    /// <inheritdoc/>
    public override string ToString() => Text;
}
