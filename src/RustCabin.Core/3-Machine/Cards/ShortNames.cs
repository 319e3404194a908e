using System.Globalization;
using System.Text;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Cards;

/// <summary>A file name as it was given, whether a host can read it, and the name that it could bear.</summary>
public sealed record NameVerdict(string Given, bool Ok, string Proposed);

/// <summary>File names that a host reads, and proposals that stay distinct. Source: docs/handbook/storage.md, Files.</summary>
public static class ShortNames
{
    /// <summary>So many names are looked at together at most.</summary>
    public const int Most = 5_000;

    /// <summary>Names of devices, which no file may have before its dot.</summary>
    static readonly HashSet<string> Devices =
    [
        "CON",
        "PRN",
        "AUX",
        "NUL",
        .. Enumerable.Range(1, 9).SelectMany(n => (string[])[$"COM{n}", $"LPT{n}"]),
    ];

    const string Forbidden = "\"*+,/:;<=>?[\\]|";

    /// <summary>Each name in its order; a name that stands a second time is not ok.</summary>
    public static IReadOnlyList<NameVerdict> Of(NameRule rule, IReadOnlyList<string> names)
    {
        var taken = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        bool[] ok = [.. names.Select(n => IsLawful(rule, n) && taken.Add(n))];
        var next = new Dictionary<string, int>(StringComparer.OrdinalIgnoreCase);
        return
        [
            .. names
                .Index()
                .Select(n => new NameVerdict(n.Item, ok[n.Index], ok[n.Index] ? n.Item : Propose(rule, n.Item, taken, next))),
        ];
    }

    /// <summary>True for a name that the rule allows, whatever else stands beside it.</summary>
    public static bool IsLawful(NameRule rule, string name)
    {
        if (rule != NameRule.Short)
            return name.Length > 0
                && name.Length <= Longest(rule)
                && name is not ("." or "..")
                && name.Trim() == name
                && !name.Any(c => char.IsControl(c) || c is '/' or ':' or '\\');
        string[] parts = name.Split('.');
        return !Devices.Contains(parts[0])
            && parts.Length is 1 or 2
            && parts[0].Length is >= 1 and <= 8
            && (parts.Length == 1 || parts[1].Length is >= 1 and <= 3)
            && parts.All(p => p.All(IsShort));
    }

    /// <summary>A name as it is where the host reads it and it is free, else a proposal; it is taken from then on.</summary>
    public static string Next(NameRule rule, string name, HashSet<string> taken, Dictionary<string, int> next) =>
        IsLawful(rule, name) && taken.Add(name) ? name : Propose(rule, name, taken, next);

    static int Longest(NameRule rule) => rule == NameRule.UpTo31 ? 31 : 255;

    static bool IsShort(char c) => c is > ' ' and <= '~' and not (>= 'a' and <= 'z') && c != '.' && !Forbidden.Contains(c);

    static string Propose(NameRule rule, string name, HashSet<string> taken, Dictionary<string, int> next)
    {
        int dot = name.LastIndexOf('.');
        (string stem, string ext) = dot > 0 ? (name[..dot], name[(dot + 1)..]) : (name, "");
        (stem, ext) = (Clean(rule, stem), Clean(rule, ext));
        int longestExt = rule == NameRule.Short ? 3 : 8;
        if (ext.Length > longestExt)
            ext = ext[..longestExt].TrimEnd();
        if (stem.Length == 0)
            stem = "FILE";
        string tail = ext.Length > 0 ? $".{ext}" : "";
        int room = rule == NameRule.Short ? 8 : Longest(rule) - tail.Length;
        // Where many names begin alike, the count goes on from where it was.
        string key = $"{stem[..Math.Min(stem.Length, room - 6)]}{tail}";
        for (int i = next.GetValueOrDefault(key) + 1; ; i++)
        {
            string number = string.Create(CultureInfo.InvariantCulture, $"~{i}");
            string tried = stem[..Math.Min(stem.Length, room - number.Length)] + number + tail;
            if (!taken.Add(tried))
                continue;
            next[key] = i;
            return tried;
        }
    }

    /// <summary>What of a text may stand in a name: accents are taken off, what is forbidden goes.</summary>
    static string Clean(NameRule rule, string text)
    {
        if (rule != NameRule.Short)
            return new string([.. text.Where(c => !char.IsControl(c) && c is not ('/' or ':' or '\\'))]).Trim();
        return new string([
            .. text.Normalize(NormalizationForm.FormKD)
                .Where(c => CharUnicodeInfo.GetUnicodeCategory(c) != UnicodeCategory.NonSpacingMark)
                .Select(char.ToUpperInvariant)
                .Where(IsShort),
        ]);
    }
}
