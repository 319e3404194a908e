using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Baseline;

/// <summary>What is noted of a unit at intake, as typed changes of its record.</summary>
public static class BaselineEdits
{
    /// <summary>Notes the reading before anything was touched, and with it that the unit was tested.</summary>
    public static Unit Read(Unit unit, FirstReading reading) => With(unit, b => b with { Tested = true, Reading = reading });

    /// <summary>Notes a start that was counted, and with it that the unit was tested.</summary>
    public static Unit Count(Unit unit, bool warm, bool works) =>
        With(unit, b => b with { Tested = true, Counted = (b.Counted ?? new CountedStarts()).With(warm, works) });

    /// <summary>Begins the count from the start.</summary>
    public static Unit NoCount(Unit unit) => With(unit, b => b with { Counted = null });

    /// <summary>Says that it could not be tested before opening; what was read is taken back.</summary>
    public static Unit NotTested(Unit unit) => With(unit, b => b with { Tested = false, Reading = null });

    /// <summary>The rails as measured; those left out were not measured.</summary>
    public static Unit Rails(Unit unit, IEnumerable<MeasuredRail> rails) => With(unit, b => b with { Rails = [.. rails] });

    /// <summary>The runs of one benchmark, in seconds; none takes the benchmark away.</summary>
    public static Unit Runs(Unit unit, string name, IReadOnlyList<decimal> seconds) =>
        With(unit, b => b with { Runs = BenchmarkEdits.Put(b.Runs, name, seconds) });

    /// <summary>Notes something seen.</summary>
    public static Unit Note(Unit unit, string text, bool fault) =>
        With(unit, b => b with { Notes = [.. b.Notes, new ConditionNote { Text = text, Fault = fault }] });

    /// <summary>Takes back the note at a place of the list.</summary>
    public static Unit DropNote(Unit unit, int index) =>
        With(unit, b => b with { Notes = [.. b.Notes.Where((_, i) => i != index)] });

    /// <summary>Changes the survey.</summary>
    public static Unit Survey(Unit unit, Func<Survey, Survey> change)
    {
        Survey now = change(unit.Survey ?? new Survey());
        return unit with { Survey = now == new Survey() ? null : now };
    }

    /// <summary>Notes what belongs to the unit.</summary>
    public static Unit Belongs(Unit unit, Belonging thing) => unit with { Belongings = [.. unit.Belongings, thing] };

    /// <summary>Takes back the belonging at a place of the list.</summary>
    public static Unit DropBelonging(Unit unit, int index) =>
        unit with
        {
            Belongings = [.. unit.Belongings.Where((_, i) => i != index)],
        };

    /// <summary>
    /// How a step of inherited work was found. <paramref name="fitted"/> is the place of the part among those fitted, from 0.
    /// </summary>
    public static Unit Found(Unit unit, int fitted, string step, StepProof proof) =>
        Fitted(unit, fitted, f => f with { Steps = JobEdits.Put(f.Steps, step, proof) });

    /// <summary>
    /// Whether the whole of a fitted part is proved, half done or unproven; what was said of its steps is forgotten.
    /// </summary>
    public static Unit State(Unit unit, int fitted, FittedState state) =>
        Fitted(unit, fitted, f => f with { State = state, Steps = new Dictionary<string, StepProof>() });

    static Unit Fitted(Unit unit, int index, Func<FittedPart, FittedPart> change) =>
        unit with
        {
            Fitted = [.. unit.Fitted.Select((f, i) => i == index ? change(f) : f)],
        };

    static Unit With(Unit unit, Func<Sheets.Baseline, Sheets.Baseline> change) =>
        unit with
        {
            Baseline = change(unit.Baseline ?? new Sheets.Baseline()),
        };
}
