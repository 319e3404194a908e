using RustCabin.Core.Build;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>How a test of the test set went, before anything was touched and after. Source: docs/handbook/functions.md, The test
/// set.</summary>
/// <param name="Test">The test.</param>
/// <param name="Before">How it went before; null: not looked at.</param>
/// <param name="After">How it went after; null: not tried yet.</param>
public sealed record TriedTest(JobTest Test, FunctionState? Before, FunctionState? After)
{
    /// <summary>It went before and does not go now: the job is at fault.</summary>
    public bool Lost => Before == FunctionState.Works && After is FunctionState.No or FunctionState.Sometimes && Before != After;

    /// <summary>It did not go before: what it shows now is not the upgrade's fault.</summary>
    public bool WasSo => Before is FunctionState.No or FunctionState.Sometimes && After is not null and not FunctionState.Works;
}

/// <summary>What each function did before, and what each test showed after.</summary>
public static class Functioning
{
    /// <summary>The test set of a job with what was noted.</summary>
    public static IReadOnlyList<TriedTest> Of(AtHand at, JobTests set) =>
        [
            .. set.Tests.Select(t => new TriedTest(
                t,
                at.Unit.Baseline?.Functions.TryGetValue(t.Id, out FunctionState before) == true ? before : null,
                at.Build.Tried.TryGetValue(t.Id, out FunctionState after) ? after : null
            )),
        ];

    /// <summary>Notes how a function was found before anything was touched; nothing: it was not looked at after all.</summary>
    public static Press<Unit> Before(AtHand at, string id, string? state)
    {
        if (Find(at, id) is not { } test)
            return Gone;
        FunctionState? read = Read(state);
        return state is { Length: > 0 } && read is null
            ? Refuse("state", "Nothing was written: it works, works sometimes, or does not.")
            : ChangeUnit(
                $"Before: {test.Title}, {(read is { } found ? Words<FunctionState>.Of(found) : "not looked at")}",
                unit =>
                    unit with
                    {
                        Baseline = (unit.Baseline ?? new Sheets.Baseline { Tested = true }) with
                        {
                            Functions = With(unit.Baseline?.Functions, id, read),
                        },
                    }
            );
    }

    /// <summary>Notes how a test went with the job done; nothing: it was not made after all.</summary>
    public static Press<Job> After(AtHand at, string id, string? state)
    {
        if (Find(at, id) is not { } test)
            return Gone;
        FunctionState? read = Read(state);
        return state is { Length: > 0 } && read is null
            ? Refuse("state", "Nothing was written: it works, works sometimes, or does not.")
            : Change(
                $"After: {test.Title}, {(read is { } found ? Words<FunctionState>.Of(found) : "not tried")}",
                j => j with { Build = (j.Build ?? new JobBuild()) with { Tried = With(j.Build?.Tried, id, read) } }
            );
    }

    static JobTest? Find(AtHand at, string id) => JobTests.Of(at.Before, at.After).Tests.FirstOrDefault(t => t.Id == id);

    static FunctionState? Read(string? state) => Words<FunctionState>.TryParse(state ?? "", out FunctionState read) ? read : null;

    static Dictionary<string, FunctionState> With(
        IReadOnlyDictionary<string, FunctionState>? known,
        string id,
        FunctionState? state
    )
    {
        var all = new Dictionary<string, FunctionState>(known ?? new Dictionary<string, FunctionState>());
        if (state is { } found)
            all[id] = found;
        else
            all.Remove(id);
        return all;
    }
}
