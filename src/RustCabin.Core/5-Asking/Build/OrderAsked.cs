using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Build;

/// <summary>How far a case is open: reached from another level, or, without one, the closed case itself.</summary>
public sealed record OrderLevel
{
    /// <summary>Its name.</summary>
    [Required, Display(Description = "Its name.")]
    public string Id { get; init; } = "";

    /// <summary>The level from which it is reached; null: it is the closed case.</summary>
    [Display(Description = "The level from which it is reached; null: the closed case.")]
    public string? From { get; init; }

    /// <summary>Minutes of one way between the two.</summary>
    [Range(0, 100_000), UnitOf("minutes"), Display(Description = "Minutes of one way between the two.")]
    public decimal Minutes { get; init; }
}

/// <summary>A step to be put in order.</summary>
public sealed record OrderStep
{
    /// <summary>Its name.</summary>
    [Required, Display(Description = "Its name.")]
    public string Id { get; init; } = "";

    /// <summary>The level at which it is done.</summary>
    [Required, Display(Description = "The level at which it is done.")]
    public string Level { get; init; } = "";

    /// <summary>How long it takes.</summary>
    [Range(0, 100_000), UnitOf("minutes"), Display(Description = "How long it takes.")]
    public decimal Minutes { get; init; }

    /// <summary>The chance that it goes wrong.</summary>
    [Range(0, 1), Display(Description = "The chance that it goes wrong.")]
    public decimal Chance { get; init; }

    /// <summary>How long its mend takes, with the test after it.</summary>
    [Range(0, 100_000), UnitOf("minutes"), Display(Description = "How long its mend takes, with the test after it.")]
    public decimal MendMinutes { get; init; }

    /// <summary>Steps that come before it.</summary>
    [Display(Description = "Steps that come before it.")]
    public IReadOnlyList<string> After { get; init; } = [];
}

/// <summary>What a gate costs.</summary>
public sealed record GateCost
{
    /// <summary>Minutes of the test.</summary>
    [Required, Range(0, 100_000), UnitOf("minutes"), Display(Description = "Minutes of the test.")]
    public decimal Minutes { get; init; }

    /// <summary>Minutes of opening again behind a closed case.</summary>
    [Range(0, 100_000), UnitOf("minutes"), Display(Description = "Minutes of opening again.")]
    public decimal ReopenMinutes { get; init; }

    /// <summary>The case must be closed for it.</summary>
    [Display(Description = "The case must be closed for it.")]
    public bool NeedsClosed { get; init; }
}

/// <summary>When it is tested. Source: docs/handbook/build.md, Schools.</summary>
public enum GatePolicy
{
    /// <summary>After every change.</summary>
    Careful,

    /// <summary>After each stay at one access level.</summary>
    Batch,
}

/// <summary>What <c>build/order</c> takes.</summary>
public sealed record OrderAsked : ICompleted<OrderAsked>
{
    /// <summary>So many steps at most.</summary>
    public const int Most = 60;

    /// <summary>The levels, a tree.</summary>
    [Required, Display(Description = "The levels, a tree from the one without from.")]
    public IReadOnlyList<OrderLevel> Levels { get; init; } = [];

    /// <summary>The steps, the preferred first.</summary>
    [Required, Display(Description = "The steps; where it does not matter, the earlier listed comes first.")]
    public IReadOnlyList<OrderStep> Steps { get; init; } = [];

    /// <summary>What a gate costs.</summary>
    [Required, Display(Description = "What a gate costs.")]
    public GateCost Gate { get; init; } = new();

    /// <summary>When it is tested.</summary>
    [Required, Display(Description = "When it is tested.")]
    public GatePolicy Policy { get; init; }

    /// <inheritdoc/>
    public OrderAsked Completed(RecordReading read)
    {
        if (Steps.Count > Most)
            read.Wrong("steps", $"are {Steps.Count}; {Most} are the most");
        if (Levels.Count > 1000)
            read.Wrong("levels", $"are {Levels.Count}; 1,000 are the most");
        else if (read.Has("levels"))
            Tree(read);
        foreach ((int i, OrderStep step) in Steps.Index())
        {
            if (Steps.Take(i).Any(s => s.Id == step.Id))
                read.Wrong($"steps[{i}].id", $"\"{step.Id}\" is used twice");
            if (Levels.All(l => l.Id != step.Level))
                read.Wrong($"steps[{i}].level", $"\"{step.Level}\" is no level");
            foreach ((int k, string after) in step.After.Index())
                if (Steps.All(s => s.Id != after))
                    read.Wrong($"steps[{i}].after[{k}]", $"\"{after}\" is no step");
        }
        if (Steps.Count <= Most && Waiting() is { Count: > 0 } waiting)
            read.Wrong("steps", $"wait for each other: {string.Join(", ", waiting)}");
        return this;
    }

    void Tree(RecordReading read)
    {
        foreach ((int i, OrderLevel level) in Levels.Index())
        {
            if (Levels.Take(i).Any(l => l.Id == level.Id))
                read.Wrong($"levels[{i}].id", $"\"{level.Id}\" is used twice");
            if (level.From is { } from && Levels.All(l => l.Id != from))
                read.Wrong($"levels[{i}].from", $"\"{from}\" is no level");
        }
        int roots = Levels.Count(l => l.From is null);
        if (roots != 1)
        {
            read.Wrong(
                "levels",
                roots == 0
                    ? "have none without \"from\": one is the closed case"
                    : $"have {roots} without " + "\"from\": one is the closed case"
            );
            return;
        }
        for (int i = 0; i < Levels.Count; i++)
        {
            OrderLevel? at = Levels[i];
            for (int steps = 0; at?.From is { } from && steps <= Levels.Count; steps++)
                at = Levels.FirstOrDefault(l => l.Id == from);
            if (at?.From is not null)
                read.Wrong($"levels[{i}].from", "leads round in a circle");
        }
    }

    /// <summary>Steps that wait for each other; none where all can be done.</summary>
    List<string> Waiting()
    {
        var left = Steps.ToList();
        while (left.RemoveAll(s => s.After.All(a => left.All(l => l.Id != a))) > 0) { }
        return [.. left.Select(s => s.Id)];
    }
}
