using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Faults;

/// <summary>A cause as <c>faults/posterior</c> takes it.</summary>
public sealed record AskedCause
{
    /// <summary>Its name.</summary>
    [Required, Display(Description = "Its name.")]
    public string Id { get; init; } = "";

    /// <summary>How likely it is beforehand.</summary>
    [Required, Range(0, 1_000_000_000), Display(Description = "How likely it is beforehand, against the others.")]
    public decimal Prior { get; init; }

    /// <summary>What it shows.</summary>
    [Display(Description = "What it shows at each observation that it says something of.")]
    public OrderedDictionary<string, string> Predicts { get; init; } = [];
}

/// <summary>What <c>faults/posterior</c> takes.</summary>
public sealed record PosteriorAsked : ICompleted<PosteriorAsked>
{
    /// <summary>So many causes at most.</summary>
    public const int Most = 500;

    /// <summary>The causes.</summary>
    [Required, Display(Description = "The causes.")]
    public IReadOnlyList<AskedCause> Causes { get; init; } = [];

    /// <summary>What each observation may show.</summary>
    [Required, Display(Description = "What each observation may show, two outcomes at least.")]
    public OrderedDictionary<string, IReadOnlyList<string>> Outcomes { get; init; } = [];

    /// <summary>What was seen.</summary>
    [Display(Description = "What was seen.")]
    public OrderedDictionary<string, string> Seen { get; init; } = [];

    /// <summary>Minutes of each check.</summary>
    [Range(0, 1_000_000), Display(Description = "Minutes of each observation that can be made next.")]
    public OrderedDictionary<string, decimal> Checks { get; init; } = [];

    /// <inheritdoc/>
    public PosteriorAsked Completed(RecordReading read)
    {
        if (Causes.Count > Most)
            read.Wrong("causes", $"are {Causes.Count}; {Most} are the most");
        else if (read.Read("causes") && Causes.Sum(c => c.Prior) == 0)
            read.Wrong("causes", "have priors that sum to 0");
        foreach ((string observation, IReadOnlyList<string> outcomes) in Outcomes)
            if (outcomes.Count < 2 || outcomes.Distinct().Count() < outcomes.Count)
                read.Wrong($"outcomes.{observation}", "must be two or more, each once");
        var ids = new HashSet<string>();
        foreach ((int i, AskedCause cause) in Causes.Index())
        {
            if (!ids.Add(cause.Id))
                read.Wrong($"causes[{i}].id", $"\"{cause.Id}\" is used twice");
            foreach ((string observation, string outcome) in cause.Predicts)
                Listed(read, $"causes[{i}].predicts.{observation}", observation, outcome);
        }
        foreach ((string observation, string outcome) in Seen)
            Listed(read, $"seen.{observation}", observation, outcome);
        foreach ((string observation, decimal minutes) in Checks)
        {
            Listed(read, $"checks.{observation}", observation, null);
            if (minutes <= 0)
                read.Wrong($"checks.{observation}", "must be above 0 minutes");
        }
        return this;
    }

    void Listed(RecordReading read, string path, string observation, string? outcome)
    {
        if (!Outcomes.TryGetValue(observation, out IReadOnlyList<string>? known))
            read.Wrong(path, $"\"{observation}\" is no observation");
        else if (outcome is not null && !known.Contains(outcome))
            read.Wrong(path, $"\"{outcome}\" is no outcome of \"{observation}\"");
    }

    /// <summary>The causes as suspects.</summary>
    public IReadOnlyList<Suspect> Suspects => [.. Causes.Select(c => new Suspect(c.Id, (double)c.Prior, c.Predicts))];

    /// <summary>What can be seen.</summary>
    public IReadOnlyList<Observable> Observables =>
        [
            .. Outcomes.Select(o => new Observable(o.Key, o.Value)
            {
                Minutes = Checks.TryGetValue(o.Key, out decimal minutes) ? minutes : null,
            }),
        ];
}
