using System.Text.RegularExpressions;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Baseline;

/// <summary>A line of pasted reports that was not understood.</summary>
/// <param name="Number">Its number in the text, from 1.</param>
/// <param name="Text">As it was.</param>
/// <param name="Why">What is wrong with it.</param>
public sealed record UnreadReport(int Number, string Text, string Why);

/// <summary>The title whose outcome tells most of whether the firmware or the card is to blame.</summary>
/// <param name="Title">The title.</param>
/// <param name="Bits">How much its outcome is expected to tell.</param>
/// <param name="WithFirmware">The chance that it runs if the firmware is to blame.</param>
/// <param name="WithCard">The chance that it runs if the card is to blame.</param>
public sealed record TryFirst(string Title, double Bits, double WithFirmware, double WithCard);

/// <summary>
/// What others found with a part, as it stands on its sheet. Source: docs/handbook/baseline.md, Reports of others.
/// </summary>
public static class KnownReports
{
    /// <summary>So many lines of a paste are read.</summary>
    public const int MostLines = 1_000;

    /// <summary>Rates by thing and firmware; what works within limits works.</summary>
    public static ReportRates Rates(IEnumerable<KnownPair> known) =>
        ReportRates.Of(
            new ReportsAsked
            {
                Reports =
                [
                    .. known.Select(k => new Report
                    {
                        Thing = k.With,
                        Firmware = k.Firmware,
                        Works = k.Result != KnownResult.Fails,
                    }),
                ],
            }
        );

    /// <summary>A rate in words: works 7 of 9 times, 53 to 92 %.</summary>
    public static string Words(ReportRate rate) =>
        $"{rate.Thing}{(rate.Firmware is { } f ? $", firmware {f}" : "")}: works {rate.Works} of {rate.Tries} times"
        + (rate.Tries > 1 ? $", {rate.Low * 100:0} to {rate.High * 100:0} %" : "")
        + (rate.IsContradicted() ? "; the reports differ" : "");

    /// <summary>Reads pasted reports, one a line: thing; result; firmware; who, when.</summary>
    /// <param name="text">The text.</param>
    public static (IReadOnlyList<KnownPair> Read, IReadOnlyList<UnreadReport> Unread) Paste(string text)
    {
        var read = new List<KnownPair>();
        var unread = new List<UnreadReport>();
        foreach ((int i, string line) in text.Split('\n').Take(MostLines).Index())
            if (line.Trim().Length > 0)
                if (Of(line) is { } pair)
                    read.Add(pair);
                else
                    unread.Add(new UnreadReport(i + 1, line.Trim(), WhyNot(line)));
        return (read, unread);
    }

    static string[] Fields(string line)
    {
        char between = ";\t".FirstOrDefault(line.Contains, ',');
        return line.Split(between, StringSplitOptions.TrimEntries);
    }

    static KnownPair? Of(string line)
    {
        string[] fields = Fields(line);
        if (fields.Length < 2 || fields[0].Length is 0 or > 100 || ResultOf(fields[1]) is not { } result)
            return null;
        string firmware = Firmware.Replace(fields.ElementAtOrDefault(2) ?? "", "");
        string who = string.Join(", ", fields.Skip(3).Where(f => f.Length > 0));
        string day = Day.Match(who).Value;
        return firmware.Length > 100 || who.Length > 100
            ? null
            : new KnownPair
            {
                With = fields[0],
                Result = result,
                Firmware = firmware,
                Date = day,
                Source = who.Replace(day.Length > 0 ? day : "\0", "").Trim(' ', ','),
            };
    }

    static string WhyNot(string line) =>
        Fields(line) switch
        {
            [{ Length: > 0 and <= 100 }, var result, ..] when ResultOf(result) is null =>
                $"\"{result}\" says neither that it works nor that it fails",
            [{ Length: > 0 and <= 100 }, _, ..] => "a field is longer than 100 letters",
            _ => "a thing and a result are wanted, with a ; between",
        };

    static (Regex Words, KnownResult Result)[] Results =>
        field ??= [(Fails, KnownResult.Fails), (Limits, KnownResult.Limits), (Works, KnownResult.Works)];

    /// <summary>What a word says; null: neither that it works nor that it fails. What does not work fails.</summary>
    static KnownResult? ResultOf(string word) =>
        Results.Where(r => r.Words.IsMatch(word)).Select(r => (KnownResult?)r.Result).FirstOrDefault();

    /// <summary>
    /// Of the titles at hand, which to try first where the firmware or the card may be to blame: the one for which the two say
    /// most different things. If the firmware is to blame a title runs as often as others report with that firmware; if the card
    /// is, as often as they report of the card. Null: no report parts them.
    /// </summary>
    /// <param name="known">What others found.</param>
    /// <param name="titles">The titles at hand, by name.</param>
    /// <param name="firmware">The firmware that is in.</param>
    /// <param name="card">The card that is in, by name.</param>
    public static TryFirst? First(IReadOnlyList<KnownPair> known, IEnumerable<string> titles, string firmware, string card)
    {
        if (Mean(known.Where(k => IsSame(k.With, card))) is not { } byCard)
            return null;
        return (
            from title in titles.Distinct()
            let byFirmware = Mean(known.Where(k => IsSame(k.With, title) && IsSame(k.Firmware, firmware)))
            where byFirmware is not null
            let bits = Units.Bits.Open((byFirmware.Value + byCard) / 2)
                - (Units.Bits.Open(byFirmware.Value) + Units.Bits.Open(byCard)) / 2
            where bits > 1e-9
            orderby bits descending, title
            select new TryFirst(title, bits, byFirmware.Value, byCard)
        ).FirstOrDefault();
    }

    /// <summary>The mean of Beta(works + 1/2, fails + 1/2); null: nobody reported.</summary>
    static double? Mean(IEnumerable<KnownPair> reports)
    {
        bool[] works = [.. reports.Select(r => r.Result != KnownResult.Fails)];
        return works.Length == 0 ? null : (works.Count(w => w) + 0.5) / (works.Length + 1.0);
    }

    static bool IsSame(string one, string other) => string.Equals(one.Trim(), other.Trim(), StringComparison.OrdinalIgnoreCase);

    static Regex Fails =>
        field ??= new(
            @"\b(fail\w*|no|not|dead|bad|broken|never|hang\w*|crash\w*|freez\w*|doesn't|won't)\b",
            RegexOptions.IgnoreCase
        );

    static Regex Limits => field ??= new(@"\b(limit\w*|partly|part|sometimes|slow\w*|mostly|almost)\b", RegexOptions.IgnoreCase);

    static Regex Works =>
        field ??= new(@"\b(work\w*|ok|okay|yes|fine|good|run\w*|start\w*|boot\w*|well|perfect\w*)\b", RegexOptions.IgnoreCase);

    static Regex Firmware => field ??= new(@"^(firmware|fw|version|v)\.?\s+", RegexOptions.IgnoreCase);

    static Regex Day => field ??= new(@"\b\d{4}-\d{2}-\d{2}\b");
}
