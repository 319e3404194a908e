namespace RustCabin.Core.Declared;

/// <summary>Identifiers as words for a person: <c>lid-off</c> reads <c>lid off</c>.</summary>
public static class IdText
{
    /// <summary>True for what may name a sheet or a thing on it: <c>[a-z0-9][a-z0-9-]*</c>.</summary>
    public static bool Is(string text) =>
        text.Length > 0 && text[0] != '-' && text.All(c => c is (>= 'a' and <= 'z') or (>= '0' and <= '9') or '-');

    /// <summary>The id that a name makes: <c>Screen memory</c> makes <c>screen-memory</c>, 40 signs at most; empty: the name
    /// has neither a letter nor a figure of the plain alphabet.</summary>
    public static string Of(string name)
    {
        string id = string.Concat(name.ToLowerInvariant().Select(c => c is (>= 'a' and <= 'z') or (>= '0' and <= '9') ? c : '-'));
        id = string.Join('-', id.Split('-', StringSplitOptions.RemoveEmptyEntries));
        return id.Length > 40 ? id[..40].TrimEnd('-') : id;
    }

    /// <summary>An id that is not taken: itself, else with a number behind it, from 2.</summary>
    public static string Free(string id, Func<string, bool> isTaken) =>
        Enumerable.Range(1, int.MaxValue).Select(n => n == 1 ? id : $"{id}-{n}").First(free => !isTaken(free));

    /// <summary>As a person says it: with blanks for hyphens, and no short form of the processor.</summary>
    public static string Plain(string id) => id == "cpu" ? "processor" : id.Replace('-', ' ');

    /// <summary>With a small letter first, as it stands inside a sentence.</summary>
    public static string Lower(string text) => text.Length == 0 ? text : char.ToLowerInvariant(text[0]) + text[1..];

    /// <summary>With a capital letter first.</summary>
    public static string Capital(string text) => text.Length == 0 ? text : char.ToUpperInvariant(text[0]) + text[1..];

    /// <summary>One of what a noun names: screws, screw; switches, switch; batteries, battery.</summary>
    public static string Singular(string noun)
    {
        if (noun.EndsWith("ies", StringComparison.Ordinal) && noun.Length > 4)
            return noun[..^3] + "y";
        if (Sibilant.Any(e => noun.EndsWith(e + "es", StringComparison.Ordinal)))
            return noun[..^2];
        bool isOne = noun.EndsWith("ss", StringComparison.Ordinal) || noun.EndsWith("us", StringComparison.Ordinal);
        return noun.EndsWith('s') && !isOne ? noun[..^1] : noun;
    }

    /// <summary>Several of what a noun names, whether it stands for one or for several already.</summary>
    public static string Plural(string noun)
    {
        string one = Singular(noun);
        return one.Length > 1 && one[^1] == 'y' && !"aeiou".Contains(one[^2]) ? one[..^1] + "ies"
            : Sibilant.Any(one.EndsWith) || one.EndsWith("us", StringComparison.Ordinal) ? one + "es"
            : one + "s";
    }

    /// <summary>A count of what a noun names: 1 screw, 4 screws.</summary>
    public static string Counted(int count, string noun) => $"{count} {(count == 1 ? Singular(noun) : Plural(noun))}";

    static readonly string[] Sibilant = ["ch", "sh", "x", "ss", "z"];
}
