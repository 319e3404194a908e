using Google.OrTools.Sat;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Choices;

/// <summary>
/// What a finding of a check can rest on: on its subjects alone, so that it stays whatever else is fitted or switched; on which
/// parts are there, not on their switches; or on all of the plan. The solver rules out no more than a finding proves.
/// </summary>
public enum Rests
{
    /// <summary>On its subjects alone.</summary>
    Subjects,

    /// <summary>On which parts are there.</summary>
    Parts,

    /// <summary>On all of the plan.</summary>
    All,
}

/// <summary>All checks as the solver sees them.</summary>
/// <param name="Rules">What each check can say of choices beforehand.</param>
/// <param name="Stops">The stops of a plan, each with what it rests on.</param>
/// <param name="Gives">Whether a plan gives every need.</param>
/// <param name="Require">Asks for a need where a literal holds; strict: what the sheets do not say is not given.</param>
public sealed record Checker(
    IReadOnlyList<Action<ChoiceModel>> Rules,
    Func<PlannedUnit, IEnumerable<(Rests Rests, Finding Finding)>> Stops,
    Func<PlannedUnit, IReadOnlyList<Need>, bool> Gives,
    Action<ChoiceModel, Need, ILiteral, bool> Require
);
