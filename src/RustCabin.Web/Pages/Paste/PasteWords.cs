using RustCabin.Core.Pasted;

namespace RustCabin.Web.Pages.Paste;

/// <summary>What the kinds of pasted text are called on a screen.</summary>
static class PasteWords
{
    /// <summary>What answers in a range.</summary>
    public static string OfRange(string? kind) =>
        kind switch
        {
            "ram" or "rom" => kind.ToUpperInvariant(),
            "io" => "I/O",
            null => "not said",
            _ => kind,
        };

    public static string Of(PasteKind kind) =>
        kind switch
        {
            PasteKind.Acts => "a guide",
            PasteKind.Listing => "a directory listing",
            PasteKind.Map => "an address map",
            PasteKind.Switches => "switches",
            PasteKind.Pinout => "a pinout",
            PasteKind.Contacts => "contacts",
            PasteKind.Parts => "a parts list",
            _ => "titles",
        };
}
