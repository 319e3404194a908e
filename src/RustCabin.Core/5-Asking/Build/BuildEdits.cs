using RustCabin.Core.Baseline;
using RustCabin.Core.Care;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Build;

/// <summary>How a job is built, as typed changes of its record.</summary>
public static class BuildEdits
{
    static Job With(Job job, Func<JobBuild, JobBuild> change) => job with { Build = change(job.Build ?? new JobBuild()) };

    /// <summary>Goes over to a school; gates of one's own begin as those that stand now.</summary>
    public static Job To(Job job, School school, IReadOnlyList<StepId> gates) =>
        With(job, b => b with { School = school, Gates = school == School.Own ? gates : b.Gates });

    /// <summary>Puts a gate of one's own, or takes it away.</summary>
    public static Job Gate(Job job, StepId gate, bool there) =>
        With(job, b => b with { Gates = JobEdits.Listed(b.Gates, gate, there) });

    /// <summary>Notes how loud the machine is, before and after.</summary>
    public static Job Noise(Job job, decimal? before, decimal? after) =>
        With(job, b => b with { NoiseBeforeDb = before, NoiseAfterDb = after });

    /// <summary>Keeps to a way at the iron.</summary>
    public static Job Keep(Job job, string habit, string kept) =>
        With(job, b => b with { Habits = new OrderedDictionary<string, string>(b.Habits) { [habit] = kept } });

    /// <summary>Notes a count of starts; one that goes on stands in the place of the last of its gate.</summary>
    public static Job Counted(Job job, GateCount count, bool goesOn) =>
        job with
        {
            Counts =
            [
                .. goesOn && job.Counts.LastOrDefault(c => c.Gate == count.Gate) is { } last
                    ? job.Counts.Where(c => c != last)
                    : job.Counts,
                count,
            ],
        };

    /// <summary>Asks for clean tries at a gate; null: for none.</summary>
    public static Job Rate(Job job, StepId gate, AskedRate? asked) =>
        With(job, b => b with { Rates = [.. b.Rates.Where(r => r.Gate != gate), .. asked is null ? (AskedRate[])[] : [asked]] });

    /// <summary>A step stands by itself until a moment; null: it is ready, or was not done after all.</summary>
    public static Job Stand(Job job, StepId step, string? until, string what) =>
        until is null && job.Build?.Standing.Any(s => s.Step == step) != true
            ? job
            : With(
                job,
                b =>
                    b with
                    {
                        Standing =
                        [
                            .. b.Standing.Where(s => s.Step != step),
                            .. until is null
                                ? (StandingStep[])[]
                                :
                                [
                                    new StandingStep
                                    {
                                        Step = step,
                                        Until = until,
                                        What = what,
                                    },
                                ],
                        ],
                    }
            );

    /// <summary>Lays a piece on the bench that no sheet names.</summary>
    public static Job Lay(Job job, LyingPiece piece) => With(job, b => b with { Pieces = [.. b.Pieces, piece] });

    /// <summary>Says that a piece is back, or that it is not after all.</summary>
    public static Job Back(Job job, string piece, bool back) =>
        With(
            job,
            b =>
                b with
                {
                    Back = JobEdits.Listed(b.Back, piece, back),
                    LeftOut = back ? JobEdits.Without(b.LeftOut, piece) : b.LeftOut,
                }
        );

    /// <summary>Leaves a piece out on purpose; an empty reason: it does not stay out after all.</summary>
    public static Job LeaveOut(Job job, string piece, string why) =>
        With(
            job,
            b =>
                b with
                {
                    Back = JobEdits.Listed(b.Back, piece, false),
                    LeftOut = why.Length > 0 ? JobEdits.Put(b.LeftOut, piece, why) : JobEdits.Without(b.LeftOut, piece),
                }
        );

    /// <summary>Takes a piece on while the case is open, or leaves it.</summary>
    public static Job Extra(Job job, string piece, bool taken) =>
        JobEdits.Tick(
            With(job, b => b with { Extras = JobEdits.Listed(b.Extras, piece, taken) }),
            BaselineStation.Service(piece),
            false
        );

    /// <summary>Takes a work on the case into the build.</summary>
    public static Job Care(Job job, CareWork work) => With(job, b => b with { Care = [.. b.Care, work] });

    /// <summary>Leaves a work on the case out of the build, its tick with it; its looks stay noted. Null: there is
    /// none.</summary>
    public static Job? Uncare(Job job, string work) =>
        job.Build?.Care.Any(c => c.Id == work) == true
            ? JobEdits.Tick(
                With(job, b => b with { Care = [.. b.Care.Where(c => c.Id != work)] }),
                CareStation.StepOf(work),
                false
            )
            : null;

    /// <summary>Notes an amount.</summary>
    public static Job Spend(Job job, Spent spent) => With(job, b => b with { Spent = [.. b.Spent, spent] });

    /// <summary>Takes an amount back, by its place; null: there is none.</summary>
    public static Job? Unspend(Job job, int amount) =>
        JobEdits.WithoutAt(job.Build?.Spent ?? [], amount) is { } left ? With(job, b => b with { Spent = left }) : null;

    /// <summary>Notes something at a step.</summary>
    public static Job Note(Job job, BenchNote note) => With(job, b => b with { Notes = [.. b.Notes, note] });

    /// <summary>Takes a note away, by its place.</summary>
    public static Job? Forget(Job job, int note) =>
        JobEdits.WithoutAt(job.Build?.Notes ?? [], note) is { } left ? With(job, b => b with { Notes = left }) : null;
}
