using System.Globalization;

namespace RustCabin.Core.Declared;

/// <summary>Moments as records write them: ISO 8601, in universal time where nothing else is said.</summary>
public static class Moments
{
    /// <summary>Reads a moment; false: it is none, or of no year that a clock here shows.</summary>
    public static bool TryParse(string text, out DateTimeOffset moment) =>
        DateTimeOffset.TryParse(text, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out moment)
        && moment.Year is > 1900 and < 9000;

    /// <summary>Writes a moment to the second, in universal time.</summary>
    public static string Show(DateTimeOffset moment) =>
        moment.ToUniversalTime().ToString("yyyy-MM-dd'T'HH:mm:ss'Z'", CultureInfo.InvariantCulture);
}
