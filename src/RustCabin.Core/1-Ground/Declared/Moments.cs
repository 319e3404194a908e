using System.Globalization;

namespace RustCabin.Core.Declared;

/// <summary>Moments as records write them: ISO 8601, in universal time where nothing else is said.</summary>
public static class Moments
{
    /// <summary>The moment that a text says; null: it says none, or one of a year that no clock here shows.</summary>
    public static DateTimeOffset? Of(string text) =>
        DateTimeOffset.TryParse(text, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out DateTimeOffset moment)
        && moment.Year is > 1900 and < 9000
            ? moment
            : null;

    /// <summary>The day that a text says, 2026-11-26; null: it says none.</summary>
    public static DateOnly? Day(string? text) =>
        DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out DateOnly day)
            ? day
            : null;

    /// <summary>Writes a moment to the second, in universal time.</summary>
    public static string Show(DateTimeOffset moment) =>
        moment.ToUniversalTime().ToString("yyyy-MM-dd'T'HH:mm:ss'Z'", CultureInfo.InvariantCulture);
}
