using System.ComponentModel.DataAnnotations;
using System.Globalization;
using System.Numerics;
using System.Text;
using System.Text.RegularExpressions;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Cards;

/// <summary>What <c>releases</c> takes.</summary>
public sealed record ReleasesAsked : ICompleted<ReleasesAsked>
{
    /// <summary>So many rules, and so many files, at most.</summary>
    public const int MostRules = 200,
        MostFiles = 10_000;

    /// <summary>How releases are called.</summary>
    [Required, Display(Description = "How the files of releases are called.")]
    public IReadOnlyList<ReleaseRule> Releases { get; init; } = [];

    /// <summary>The variant that is wanted; null: only what is for no variant.</summary>
    [Display(Description = "The variant that is wanted; left out: only what is for no variant.")]
    public string? Variant { get; init; }

    /// <summary>The part that is wanted; null: only what is for no part.</summary>
    [Display(Description = "The part that is wanted; left out: only what is for no part.")]
    public string? Part { get; init; }

    /// <summary>The files of the release.</summary>
    [Required, LongText, Display(Description = "The names of the files that a release lists.")]
    public IReadOnlyList<string> Files { get; init; } = [];

    /// <inheritdoc/>
    public ReleasesAsked Completed(RecordReading read)
    {
        if (Releases.Count > MostRules)
            read.Wrong("releases", $"are {Releases.Count:#,0}; {MostRules} are allowed");
        if (Files.Count > MostFiles)
            read.Wrong("files", $"are {Files.Count:#,0}; {MostFiles:#,0} are allowed");
        return this;
    }
}

/// <summary>A file that is not taken, and why.</summary>
public sealed record ReleaseOther(string File, string Why);

/// <summary>
/// Which file of a release is for this board, variant and part. Source: docs/handbook/storage.md, Releases.
/// </summary>
/// <param name="File">The file; null: none is for it.</param>
/// <param name="Why">What decided it, in words.</param>
/// <param name="Others">All the rest, in their order.</param>
public sealed record Release(string? File, string Why, IReadOnlyList<ReleaseOther> Others)
{
    sealed record Fit(int At, string Version, string Words);

    /// <summary>The file that is for what was asked, the highest version of several; of equals the first.</summary>
    public static Release Of(ReleasesAsked asked)
    {
        (ReleaseRule Rule, Regex Name)[] rules = [.. asked.Releases.Select(r => (r, NameOf(r)))];
        var fits = new List<Fit>();
        string[] why = new string[asked.Files.Count];
        foreach ((int i, string file) in asked.Files.Index())
        {
            Budget.Spend();
            why[i] = "no release of this part is called so";
            foreach ((ReleaseRule rule, Regex name) in rules)
            {
                if (name.Match(file) is not { Success: true } match)
                    continue;
                if (Against(asked, rule, match) is { } against)
                {
                    why[i] = against;
                    continue;
                }
                fits.Add(new Fit(i, match.Groups[ReleaseRule.VersionWord].Value, SaidBy(rule, match)));
                why[i] = "";
                break;
            }
        }
        Fit? best = null;
        foreach (Fit fit in fits)
            if (best is null || Compare(fit.Version, best.Version) > 0)
                best = fit;
        string? taken = best is null ? null : asked.Files[best.At];
        return new Release(
            taken,
            best is null
                ? $"No file is for {Wanted(asked)}."
                : best.Words + (fits.Count > 1 ? $", the highest version of {fits.Count}" : ""),
            [
                .. asked
                    .Files.Index()
                    .Where(f => f.Index != best?.At)
                    .Select(f => new ReleaseOther(f.Item, why[f.Index].Length > 0 ? why[f.Index] : $"{taken} is not older")),
            ]
        );
    }

    static string Wanted(ReleasesAsked asked) =>
        (asked.Variant, asked.Part) switch
        {
            (null, null) => "any board without a variant and a part",
            ({ } variant, null) => $"variant {variant}",
            (null, { } part) => $"part {part}",
            var (variant, part) => $"variant {variant} and part {part}",
        };

    static Regex NameOf(ReleaseRule rule)
    {
        var pattern = new StringBuilder("^");
        int from = 0;
        var seen = new HashSet<string>();
        foreach (Match word in ReleaseRule.Words.Matches(rule.File))
        {
            pattern.Append(Regex.Escape(rule.File[from..word.Index]));
            string name = word.Groups[1].Value,
                letters = name == ReleaseRule.VersionWord ? "[A-Za-z0-9._-]+" : "[A-Za-z0-9]+";
            // What stands twice is read where it stands first.
            pattern.Append(seen.Add(name) ? $"(?<{name}>{letters})" : letters);
            from = word.Index + word.Length;
        }
        pattern.Append(Regex.Escape(rule.File[from..])).Append("\\z");
        return new Regex(
            pattern.ToString(),
            RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.NonBacktracking
        );
    }

    /// <summary>Why a file that a rule names is not for what was asked; null: it is.</summary>
    static string? Against(ReleasesAsked asked, ReleaseRule rule, Match match) =>
        Against(ReleaseRule.VariantWord, asked.Variant, rule, match) ?? Against(ReleaseRule.PartWord, asked.Part, rule, match);

    static string? Against(string word, string? asked, ReleaseRule rule, Match match)
    {
        foreach (
            string? said in (string?[])
                [rule.For.GetValueOrDefault(word), match.Groups[word] is { Success: true } g ? g.Value : null]
        )
            if (said is not null && !said.Equals(asked, StringComparison.OrdinalIgnoreCase))
                return $"it is for {word} {said}";
        return null;
    }

    static string SaidBy(ReleaseRule rule, Match match)
    {
        string[] words =
        [
            .. ((string[])[ReleaseRule.VariantWord, ReleaseRule.PartWord, ReleaseRule.VersionWord])
                .Select(w => (Word: w, Said: match.Groups[w] is { Success: true } g ? g.Value : rule.For.GetValueOrDefault(w)))
                .Where(w => w.Said is not null)
                .Select(w => $"{w.Word} {w.Said}"),
        ];
        return $"It is called as {rule.File}{(words.Length > 0 ? $": {string.Join(", ", words)}" : "")}";
    }

    static Regex Runs => field ??= new("[0-9]+|[A-Za-z]+");

    /// <summary>
    /// Which of two versions is higher, run by run: digits by their number; alpha, beta and rc are below the version that they
    /// stand behind, other letters above it, a further number above those.
    /// </summary>
    public static int Compare(string one, string other)
    {
        string[] a = [.. Runs.Matches(one).Select(m => m.Value)],
            b = [.. Runs.Matches(other).Select(m => m.Value)];
        for (int i = 0; i < Math.Max(a.Length, b.Length); i++)
        {
            (string x, string y) = (i < a.Length ? a[i] : "", i < b.Length ? b[i] : "");
            int by = Rank(x).CompareTo(Rank(y));
            if (by == 0)
                by =
                    Rank(x) == NumberRank
                        ? BigInteger
                            .Parse(x, CultureInfo.InvariantCulture)
                            .CompareTo(BigInteger.Parse(y, CultureInfo.InvariantCulture))
                        : string.Compare(x, y, StringComparison.OrdinalIgnoreCase);
            if (by != 0)
                return Math.Sign(by);
        }
        return 0;
    }

    const int NumberRank = 2;

    static int Rank(string run) =>
        run.Length == 0 ? 0
        : char.IsAsciiDigit(run[0]) ? NumberRank
        : run.ToUpperInvariant() switch
        {
            "ALPHA" => -3,
            "BETA" => -2,
            "RC" => -1,
            _ => 1,
        };
}
