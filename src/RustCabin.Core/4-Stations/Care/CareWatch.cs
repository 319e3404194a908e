using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Care;

/// <summary>Why it comes out now.</summary>
public enum CareStop
{
    /// <summary>It stays in.</summary>
    None,

    /// <summary>Two looks showed no change.</summary>
    NoChange,

    /// <summary>It marbles.</summary>
    Marbling,

    /// <summary>The longest time is over.</summary>
    TimeOver,
}

/// <summary>
/// A face that is whitened, look by look, and when to look again. Source: docs/handbook/build.md, Case care.
/// </summary>
/// <param name="Looks">The looks, the first of them as it went in.</param>
/// <param name="Next">When to look again; null: it was not begun, or comes out.</param>
/// <param name="Until">When it must come out at the latest; null: it was not begun.</param>
/// <param name="Stop">Why it comes out now.</param>
public sealed record CareWatch(
    IReadOnlyList<(DateTimeOffset At, BenchNote Note)> Looks,
    DateTimeOffset? Next,
    DateTimeOffset? Until,
    CareStop Stop
)
{
    /// <summary>How long it is in by the last look.</summary>
    public TimeSpan In => Looks.Count == 0 ? TimeSpan.Zero : Looks[^1].At - Looks[0].At;

    /// <summary>The looks that were noted at a work; what was only remarked there is none.</summary>
    public static IEnumerable<BenchNote> LooksAt(CareWork work, Job? job) =>
        (job?.Build?.Notes ?? []).Where(n => n.Step == CareStation.StepOf(work.Id) && n.Look is not null);

    /// <summary>How it stands.</summary>
    /// <param name="work">The work.</param>
    /// <param name="job">The job, whose notes at the step with a look are the looks.</param>
    /// <param name="now">The time now.</param>
    public static CareWatch Of(CareWork work, Job job, DateTimeOffset now)
    {
        var figures = new CareFigures(work);
        (DateTimeOffset At, BenchNote Note)[] looks =
        [
            .. LooksAt(work, job)
                .Select(n => (At: Moments.Of(n.At), Note: n))
                .Where(n => n.At is not null)
                .Select(n => (n.At!.Value, n.Note))
                .OrderBy(n => n.Value),
        ];
        if (looks.Length == 0)
            return new CareWatch(looks, null, null, CareStop.None);
        DateTimeOffset until = looks[0].At.AddHours((double)figures.Longest);
        CareLook?[] said = [.. looks.Select(l => l.Note.Look)];
        CareStop stop = said switch
        {
            _ when said.Contains(CareLook.Marbled) => CareStop.Marbling,
            [.., CareLook.Same] => CareStop.NoChange,
            _ when now >= until => CareStop.TimeOver,
            _ => CareStop.None,
        };
        DateTimeOffset next = looks[^1].At.AddMinutes((double)figures.LookEvery);
        return new CareWatch(
            looks,
            stop != CareStop.None ? null
                : next < until ? next
                : until,
            until,
            stop
        );
    }
}
