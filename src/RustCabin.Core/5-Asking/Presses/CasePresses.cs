using RustCabin.Core.Build;
using RustCabin.Core.Care;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>Works on a case come into a build and go out of it.</summary>
public static class CasePresses
{
    /// <summary>Most works on one case.</summary>
    const int Most = 40;

    /// <summary>Takes a work on the case into the build.</summary>
    /// <param name="at">The job.</param>
    /// <param name="act">What is done.</param>
    /// <param name="form">What was typed into a field of the form.</param>
    public static Press<Job> Add(AtHand at, string act, Func<string, string> form)
    {
        if (!Words<CareAct>.TryParse(act, out CareAct kind) || at.Build.Care.Count >= Most)
            return Refuse("act", "Nothing was changed: there is no room for more on this case.");
        var read = new CareForm(form, kind, at.Model);
        if (read.Wrong.Length > 0)
            return Refuse("what", $"Nothing was changed: {read.Wrong}.");
        CareWork work = read.Work with { Id = FreeName(at.Build, kind) };
        return Change($"Case care: {new CareFigures(work).Title}", j => BuildEdits.Care(j, work));
    }

    /// <summary>A name that looks were noted under is not given again: they are of another work.</summary>
    static string FreeName(JobBuild build, CareAct kind)
    {
        string[] taken =
        [
            .. build.Care.Select(c => c.Id),
            .. build.Notes.Where(n => n.Step.Act == CareStation.StepOf("").Act).Select(n => n.Step.About),
        ];
        return Enumerable.Range(1, int.MaxValue).Select(n => $"{Words<CareAct>.Of(kind)}-{n}").First(i => !taken.Contains(i));
    }

    /// <summary>Leaves a work on the case out of the build.</summary>
    public static Press<Job> Drop(AtHand at, string work) =>
        at.Build.Care.FirstOrDefault(c => c.Id == work) is { } known
            ? Change($"Not done to the case after all: {known.What}", j => BuildEdits.Uncare(j, work))
            : Gone;
}
