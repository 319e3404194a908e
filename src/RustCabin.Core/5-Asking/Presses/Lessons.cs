using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>
/// What was learnt at a step goes onto the sheet of its part, and is shown to whoever does that step next, on whatever unit.
/// Source: docs/handbook/build.md, Lessons.
/// </summary>
public static class Lessons
{
    /// <summary>So many are kept of a way at most.</summary>
    const int Most = 200;

    /// <summary>The lessons of a step.</summary>
    public static IEnumerable<Lesson> At(Step step) =>
        step.Instance is { Way: { } way } part ? way.Lessons.Where(l => l.At == Key(part, step.Id)) : [];

    /// <summary>Notes a lesson.</summary>
    /// <param name="at">The job.</param>
    /// <param name="step">The step at which it was learnt.</param>
    /// <param name="text">The lesson.</param>
    public static Press<Part> Learn(AtHand at, StepId step, string? text)
    {
        if (at.Find(step)?.Step.Instance is not { Way: { } way } part || part.IsMainboard)
            return Gone;
        if (!Texts.TryNeeded<Lesson>(nameof(Lesson.Text), text, out string said))
            return Refuse("lesson", "Nothing was written: say what was learnt.");
        if (way.Lessons.Count >= Most)
            return Refuse("lesson", $"Nothing was written: a way holds {Most} lessons at most.");
        var lesson = new Lesson
        {
            At = Key(part, step),
            Text = said,
            By = at.Unit.Name,
        };
        return new Press<Part>
        {
            What = $"a lesson: {part.Title}",
            Edit = p =>
                p with
                {
                    Ways = [.. p.Ways.Select(w => w.Id == way.Id ? w with { Lessons = [.. w.Lessons, lesson] } : w)],
                },
        };
    }

    /// <summary>A step, whichever of several parts of one sheet it is about.</summary>
    static string Key(Instance part, StepId step) => $"{step}".Replace($"{part.Name}", part.Part.Id, StringComparison.Ordinal);
}
