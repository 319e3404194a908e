namespace RustCabin.Tests.Shared;

/// <summary>JSON as text, edited by a test.</summary>
static class JsonText
{
    /// <summary>
    /// The text with something else in place of a piece of it, which must be there: an edit that misses would leave a test that
    /// cannot fail.
    /// </summary>
    public static string Instead(this string json, string piece, string instead)
    {
        Assert.Contains(piece, json, StringComparison.Ordinal);
        return json.Replace(piece, instead, StringComparison.Ordinal);
    }
}
