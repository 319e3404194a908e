namespace RustCabin.Core.Stations;

/// <summary>
/// Something that a person sees or hears of the running machine, beside its count. Source: docs/handbook/faults.md,
/// Observations.
/// </summary>
/// <param name="Id">Its name, by which causes say what they show: picture.</param>
/// <param name="Words">What is done.</param>
/// <param name="Minutes">How long it takes.</param>
/// <param name="Usual">What a machine in order shows.</param>
/// <param name="Else">What else it may show, one at least.</param>
public sealed record Sight(string Id, string Words, decimal Minutes, string Usual, IReadOnlyList<string> Else)
{
    /// <summary>What a machine shows that does not start.</summary>
    public string Dark { get; init; } = Dead;

    /// <summary>What everything shows of a machine that does not start, where it has no better word for it.</summary>
    public const string Dead = "dark";

    /// <summary>Causes of which an outcome speaks, by the beginnings of their names.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<string>> Suspects { get; init; } =
        new Dictionary<string, IReadOnlyList<string>>();

    /// <summary>It may be told to other programs, which take what no cause names as unsaid.</summary>
    public bool InCall { get; init; }

    /// <summary>Everything that it may show, the usual first.</summary>
    public IReadOnlyList<string> Outcomes => [Usual, .. Else.Append(Dark).Where(e => e != Usual).Distinct()];

    /// <summary>What a machine with a cause shows; null: the cause says nothing of it.</summary>
    public string? Predicted(Hypothesis cause)
    {
        if (cause.Shows.Others.TryGetValue(Id, out string? own))
            return own;
        if (Suspects.FirstOrDefault(s => s.Value.Any(v => cause.Id.StartsWith(v, StringComparison.Ordinal))).Key is { } told)
            return told;
        if (cause.Shows.Starts == false)
            return Dark;
        bool isKnown = cause.Shows.Count is not null || cause.Shows.Starts == true || cause.Shows.Others.Count > 0;
        return isKnown && !InCall ? Usual : null;
    }

    /// <summary>Sights of one name are one: what it may show is what any of them says.</summary>
    public static IReadOnlyList<Sight> Merged(IEnumerable<Sight> all) =>
        [
            .. all.GroupBy(s => s.Id)
                .Select(same =>
                    same.First() with
                    {
                        Else = [.. same.SelectMany(s => s.Else.Prepend(s.Usual)).Distinct().Where(o => o != same.First().Usual)],
                        Dark = same.Select(s => s.Dark).FirstOrDefault(d => d != Dead, Dead),
                        InCall = same.All(s => s.InCall),
                    }
                ),
        ];
}
