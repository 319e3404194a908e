using RustCabin.Core.Baseline;
using RustCabin.Core.Declared;
using RustCabin.Core.Identify;
using RustCabin.Core.Sheets;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>A question of the survey.</summary>
/// <param name="Field">Its field, as the form names it.</param>
/// <param name="Ask">What is asked.</param>
/// <param name="States">What each state is called for it, from sound to bad.</param>
public sealed record SurveyQuestion(string Field, string Ask, IReadOnlyList<string> States)
{
    /// <summary>The state that a survey notes; null: not looked at.</summary>
    public required Func<Survey, Wear?> Of { get; init; }

    /// <summary>The survey with a state noted.</summary>
    public required Func<Survey, Wear?, Survey> With { get; init; }
}

/// <summary>How a unit is found: its board, its age and condition, what was left half done, what belongs to it.</summary>
public static class Surveying
{
    /// <summary>The kinds of things that age.</summary>
    public static readonly IReadOnlyList<SurveyQuestion> Questions =
    [
        new("capacitors", "Capacitors", ["sound", "doubtful", "bulging or leaking"])
        {
            Of = s => s.Capacitors,
            With = (s, state) => s with { Capacitors = state },
        },
        new("cells", "Cells and batteries", ["none or sound", "old", "leaking"])
        {
            Of = s => s.Cells,
            With = (s, state) => s with { Cells = state },
        },
        new("corrosion", "Corrosion", ["none", "traces", "heavy"])
        {
            Of = s => s.Corrosion,
            With = (s, state) => s with { Corrosion = state },
        },
        new("plastic", "Plastic", ["sound", "yellowed", "brittle"])
        {
            Of = s => s.Plastic,
            With = (s, state) => s with { Plastic = state },
        },
    ];

    /// <summary>Notes what was seen of a clue; nothing: it was not looked at after all.</summary>
    public static Press<Unit> See(AtHand at, string clue, string? value)
    {
        string? seen = string.IsNullOrEmpty(value) ? null : value;
        return at.Model.Clues.FirstOrDefault(c => c.Id == clue) is { } known
            ? ChangeUnit(
                seen is null ? $"Not looked at after all: {known.Ask}" : $"Seen: {known.Ask}: {seen}",
                unit => UnitEdits.See(unit, clue, seen)
            )
            : Gone;
    }

    /// <summary>Confirms the board; nothing: it is left to the clues.</summary>
    public static Press<Unit> Confirm(AtHand at, string? revision)
    {
        string? board = string.IsNullOrEmpty(revision) ? null : revision;
        return ChangeUnit(
            board is null ? "Revision left to the clues" : $"Confirmed: {at.Model.FindRevision(board)?.Name ?? board}",
            unit => UnitEdits.Confirm(unit, board)
        );
    }

    /// <summary>Notes the state of a kind of things that age; nothing: it was not looked at after all.</summary>
    public static Press<Unit> Survey(string field, string? state)
    {
        Wear? found = null;
        if (Questions.FirstOrDefault(q => q.Field == field) is not { } asked)
            return Gone;
        if (!string.IsNullOrEmpty(state))
            if (Words<Wear>.TryParse(state, out Wear read))
                found = read;
            else
                return Gone;
        string told = found is { } wear ? asked.States[(int)wear] : "not looked at after all";
        return ChangeUnit($"{asked.Ask}: {told}", unit => BaselineEdits.Survey(unit, s => asked.With(s, found)));
    }

    /// <summary>Notes the year, the two mains voltages and what was left half done; empty fields are taken back.</summary>
    public static Press<Unit> Age(AgeForm form) =>
        form.TryRead(out Survey age, out string wrong)
            ? ChangeUnit(
                "Age and mains noted",
                unit =>
                    BaselineEdits.Survey(
                        unit,
                        s =>
                            s with
                            {
                                Year = age.Year,
                                SuppliedForVolts = age.SuppliedForVolts,
                                MainsHereVolts = age.MainsHereVolts,
                                HalfDone = age.HalfDone,
                            }
                    )
            )
            : Refuse("year", $"Nothing was changed: {wrong}.");

    /// <summary>Notes what was seen at intake.</summary>
    public static Press<Unit> Note(string? text, bool fault) =>
        Texts.Of(text) is { Length: > 0 } seen
            ? ChangeUnit(
                fault ? "A fault that was there before noted" : "Condition noted",
                unit => BaselineEdits.Note(unit, seen, fault)
            )
            : Refuse("text", "Nothing was changed: write what you saw.");

    /// <summary>Takes a note away, by its place.</summary>
    public static Press<Unit> DropNote(AtHand at, int index) =>
        index >= 0 && index < (at.Unit.Baseline?.Notes.Count ?? 0)
            ? ChangeUnit("Note taken away", unit => BaselineEdits.DropNote(unit, index))
            : Gone;

    /// <summary>Notes something that belongs to the unit.</summary>
    public static Press<Unit> Belongs(string? what, bool original, string? place)
    {
        if (Texts.Of(what) is not { Length: > 0 } thing)
            return Refuse("what", "Nothing was changed: write what belongs to the unit.");
        var belonging = new Belonging
        {
            What = thing,
            Original = original,
            Place = Texts.Of(place),
        };
        return ChangeUnit($"Belongs to it: {thing}", unit => BaselineEdits.Belongs(unit, belonging));
    }

    /// <summary>Says that something does not belong to the unit any more, by its place.</summary>
    public static Press<Unit> DropBelonging(AtHand at, int index) =>
        index >= 0 && index < at.Unit.Belongings.Count
            ? ChangeUnit(
                $"Not with it any more: {at.Unit.Belongings[index].What}",
                unit => BaselineEdits.DropBelonging(unit, index)
            )
            : Gone;

    /// <summary>Says how a step of inherited work was found.</summary>
    public static Press<Unit> Found(AtHand at, int fitted, string step, string proof) =>
        fitted >= 0
        && fitted < at.Before.Instances.Count
        && Words<StepProof>.TryParse(proof, out StepProof found)
        && Inherited.Steps(at.Before, at.Before.Instances[fitted]).FirstOrDefault(s => s.Step.Id == step) is { } known
            ? ChangeUnit($"{known.Step.What}: {proof}", unit => BaselineEdits.Found(unit, fitted, step, found))
            : Gone;
}
