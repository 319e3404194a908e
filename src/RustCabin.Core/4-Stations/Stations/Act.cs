using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Stations;

/// <summary>One step back.</summary>
/// <param name="Of">The step that it takes back.</param>
/// <param name="Title">What is done.</param>
/// <param name="Needs">What it needs: an original with its place, a part; empty: nothing.</param>
/// <param name="Never">Why it can never be undone as it was; empty: it can.</param>
public sealed record UndoStep(StepId Of, string Title, string Needs, string Never)
{
    /// <summary>What can hurt: the way back opens the case as the way in did.</summary>
    public IReadOnlyList<Caution> Cautions { get; init; } = [];

    /// <summary>Nothing is taken back: what was done stays.</summary>
    public bool Stays { get; init; }
}

/// <summary>What a way back is asked with.</summary>
/// <param name="Record">What was done.</param>
/// <param name="Step">The step that is taken back.</param>
/// <param name="At">The unit as it stands on the way back.</param>
/// <param name="Kept">The originals that it needs, each with its place.</param>
public sealed record BackAsked(PassportAsked Record, Step Step, PlannedUnit At, string Kept)
{
    /// <summary>A step back, and the unit after it.</summary>
    public (UndoStep Step, PlannedUnit Then)? Takes(string title, PlannedUnit then, string needs = "", string never = "") =>
        (new UndoStep(Step.Id, title, needs, never), then);

    /// <summary>What was done stays, for a reason.</summary>
    public (UndoStep Step, PlannedUnit Then)? Leaves(string what, string never) =>
        (new UndoStep(Step.Id, $"Nothing to take back: {what}", "", never) { Stays = true }, At);
}

/// <summary>
/// Something that is done in a build, with its way back. A station declares those that its work is made of; a step whose act
/// nobody declares is a test failure. Source: docs/handbook/passport.md, Undo.
/// </summary>
/// <param name="Word">The act, as a step's id begins.</param>
/// <param name="Back">The step back and the unit after it; an answer of null: there is nothing to take back.</param>
public sealed record Act(string Word, Func<BackAsked, (UndoStep Step, PlannedUnit Then)?> Back)
{
    /// <summary>
    /// A look, a reading, an opening, a thing of one's own that goes with what it is in: nothing is taken back.
    /// </summary>
    public static Act Traceless(string word) => new(word, _ => null);
}
