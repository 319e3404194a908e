namespace RustCabin.Web.Pages.Rom;

/// <summary>
/// What is said of an image: its name, where it comes from, on what right it is used, records pasted, and the files of an earlier
/// try that was refused.
/// </summary>
public sealed record ImageForm(string? Name, string? Origin, string? Right, string? Paste, string? Held)
{
    /// <summary>The same without spaces round it.</summary>
    public (string Name, string Origin, string Right, string Paste) Trimmed =>
        ((Name ?? "").Trim(), (Origin ?? "").Trim(), (Right ?? "").Trim(), (Paste ?? "").Trim());
}
