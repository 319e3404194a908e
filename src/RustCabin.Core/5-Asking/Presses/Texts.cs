using System.Reflection;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Presses;

/// <summary>How long a typed text may be: as its field is declared, and nowhere else.</summary>
public static class Texts
{
    /// <summary>The most characters that a field takes.</summary>
    /// <typeparam name="T">The record whose field it is.</typeparam>
    /// <param name="field">The field, by its property's name.</param>
    /// <exception cref="ArgumentException">The record has no such field.</exception>
    public static int Most<T>(string field) =>
        (
            typeof(T).GetProperty(field) ?? throw new ArgumentException($"{typeof(T).Name} has no {field}", nameof(field))
        ).IsDefined(typeof(LongTextAttribute))
            ? TextLimits.Longest
            : TextLimits.LongestName;

    /// <summary>A typed text without the space around it.</summary>
    public static string Of(string? typed) => (typed ?? "").Trim();

    /// <summary>
    /// Reads a text that must be there; false when it is empty, or longer than its field takes.
    /// </summary>
    /// <typeparam name="T">The record whose field it is.</typeparam>
    /// <param name="field">The field, by its property's name.</param>
    /// <param name="typed">What was typed.</param>
    /// <param name="text">The text.</param>
    public static bool TryNeeded<T>(string field, string? typed, out string text)
    {
        text = Of(typed);
        return text.Length > 0 && text.Length <= Most<T>(field);
    }

    /// <summary>Reads a text that may be left out; false when it is longer than its field takes.</summary>
    /// <typeparam name="T">The record whose field it is.</typeparam>
    /// <param name="field">The field, by its property's name.</param>
    /// <param name="typed">What was typed.</param>
    /// <param name="text">The text.</param>
    public static bool TryOptional<T>(string field, string? typed, out string text)
    {
        text = Of(typed);
        return text.Length <= Most<T>(field);
    }
}
