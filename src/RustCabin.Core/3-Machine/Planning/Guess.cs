using RustCabin.Core.Findings;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Planning;

/// <summary>
/// A fact of a sheet that is a guess, and that nobody has measured in this job. Source: docs/handbook/build.md, Where facts are
/// from.
/// </summary>
/// <param name="Part">The part on whose sheet it stands; null: the model's.</param>
/// <param name="Fact">The fact.</param>
public sealed record Guess(Instance? Part, FactSource Fact)
{
    /// <summary>What is guessed, for a person.</summary>
    public string Words => Instance.NameOf(Part, Fact.About);

    /// <summary>Its name among the steps.</summary>
    public string Key => (Part is null ? Fact.About : $"{Part.Name}-{Fact.About}").Replace(' ', '-');

    /// <summary>Every guess on the sheets of a unit: of its model, and of the parts on it.</summary>
    public static IEnumerable<Guess> Of(PlannedUnit unit) =>
        unit
            .Model.Sources.Select(s => new Guess(null, s))
            .Concat(unit.Instances.SelectMany(i => i.Part.Sources.Select(s => new Guess(i, s))))
            .Where(g => g.Fact.Trust == FactTrust.Guessed);

    /// <summary>A finding rests on it: it is about that thing of the machine, or about the part whose sheet guesses.</summary>
    public bool Bears(Finding finding) =>
        Part is null ? finding.Subjects.Any(s => s.InModel == Fact.About) : finding.Subjects.Any(s => s.InPart == $"{Part.Name}");

    /// <summary>The finding with the guesses that it rests on.</summary>
    /// <param name="guesses">The guesses on the sheets of the unit.</param>
    /// <param name="finding">The finding.</param>
    public static Finding Told(IReadOnlyList<Guess> guesses, Finding finding)
    {
        string[] rests =
        [
            .. guesses
                .Where(g => g.Bears(finding))
                .Select(g => $"It rests on a guess: {g.Words}{(g.Fact.Source.Length > 0 ? $" ({g.Fact.Source})" : "")}."),
        ];
        return rests.Length == 0 ? finding : finding with { Why = [.. finding.Why, .. rests] };
    }
}
