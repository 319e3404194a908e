using RustCabin.Core.Answers;
using RustCabin.Core.Build;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Gathered;
using RustCabin.Core.Mends;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Presses;

/// <summary>
/// A job at hand: the unit before and after, what is found of it, its build sheet and how far that is. All that a press goes by.
/// </summary>
/// <param name="Sheets">Every sheet of the cabin.</param>
/// <param name="Job">The job.</param>
/// <param name="Before">The unit as it stood before the job.</param>
/// <param name="Answer">What is found of the unit as the job plans it.</param>
/// <param name="Sheet">The build sheet.</param>
/// <param name="Progress">How far it is.</param>
public sealed record AtHand(Pack Sheets, Job Job, PlannedUnit Before, Answer Answer, BuildSheet Sheet, Progress Progress)
{
    /// <summary>A job with all that is worked out of it.</summary>
    /// <exception cref="Maps.MapTooDenseException">Its map is more than is worked out.</exception>
    public static AtHand Of(StationList stations, Pack sheets, Job job)
    {
        PlannedUnit after = Plan.For(sheets with { Jobs = [job] }, job),
            before = after.Before ?? Plan.For(sheets, after.Unit);
        BuildSheet sheet = BuildSheet.For(stations, before, after);
        var progress = Progress.Of(sheet, job);
        return new AtHand(
            sheets,
            job,
            before,
            Answer
                .For(stations, after)
                .With([.. GateFindings.Of(stations, progress, job), .. NextJobs.Blocked(stations, sheets, after)]),
            sheet,
            progress
        );
    }

    /// <summary>The moment of the press in ISO 8601, as the record writes it; empty where nothing is written down.</summary>
    public string Moment { get; init; } = "";

    /// <summary>The day of the press.</summary>
    public string Day => Moment.Length >= 10 ? Moment[..10] : Moment;

    /// <summary>The unit as the job plans it.</summary>
    public PlannedUnit After => Answer.Planned;

    /// <summary>Its model.</summary>
    public Model Model => After.Model;

    /// <summary>The unit's own sheet.</summary>
    public Unit Unit => After.Unit;

    /// <summary>How its build is done.</summary>
    public JobBuild Build => Job.Build ?? new JobBuild();

    /// <summary>What the passport goes by: the unit before and after, and the steps that are done.</summary>
    public PassportAsked Record =>
        new(Before, After, id => Progress.Steps.Any(s => s.Step.Id == id && s.State == StepState.Done));

    /// <summary>What the job wants of the cupboard, asked of every station once.</summary>
    public IReadOnlyList<Piece> Pieces => field ??= [.. Sheet.Stations.SelectMany(s => s.Pieces(After))];

    /// <summary>What steps take from the cupboard and is not there, in words.</summary>
    public IEnumerable<string> Lacking(Func<StepId, bool> steps, IReadOnlyList<Cupboard.StockItem> stock) =>
        Lacking(Pieces, steps, stock);

    /// <summary>The same of pieces that are known.</summary>
    internal static IEnumerable<string> Lacking(
        IEnumerable<Piece> pieces,
        Func<StepId, bool> steps,
        IReadOnlyList<Cupboard.StockItem> stock
    ) =>
        pieces
            .Where(p =>
                p is { Done: false, Comes: false }
                && steps(p.Step)
                && p.Serves?.Invoke(stock) is null
                && stock.Where(p.Is).Sum(s => s.Count) < p.Count
            )
            .Select(p => $"{p.Name}: {Where(stock.Where(p.Is))}");

    /// <summary>Where what is missing is, as far as the cupboard says.</summary>
    static string Where(IEnumerable<Cupboard.StockItem> things)
    {
        Cupboard.StockItem[] all = [.. things];
        return all.FirstOrDefault(s => s.Ordered > 0) is { } coming
                ? "ordered" + (coming.DueOn is { } day ? $", due {day:yyyy-MM-dd}" : "")
            : all.FirstOrDefault(s => s.Lent > 0) is { } lent ? "lent" + (lent.LentTo.Length > 0 ? $" to {lent.LentTo}" : "")
            : "not in the cupboard";
    }

    /// <summary>A step of the sheet, as a form sends it; null: there is none.</summary>
    public StepProgress? Find(StepId step) => Progress.Steps.FirstOrDefault(s => s.Step.Id == step);

    /// <summary>What is found by a code, of its first subject.</summary>
    public IEnumerable<Finding> Found(string code, Subject subject) =>
        Answer.Findings.Where(f => f.Code == code && f.Subjects.FirstOrDefault() == subject);

    /// <summary>The board is a guess: nobody vouches for it, and the clues leave more doubt than a part fits by.</summary>
    public bool Doubtful => After.IsBoardAssumed;

    /// <summary>The board in words, and how sure it is.</summary>
    public string Board =>
        $"{(Doubtful ? "assuming " : "")}{Model.FindRevision(After.Revision.Id)?.Name}"
        + (
            Unit.Revision is not null ? ", confirmed"
            : Model.Revisions.Count == 1 ? ""
            : $" ({After.Revision.Probability * 100:0} %)"
        );

    /// <summary>In a few words, what the job waits for next.</summary>
    public string WaitsFor
    {
        get
        {
            if (Job.Ended)
                return "Nothing: it is ended";
            if (Answer.Standing == Standing.Stop)
                return $"A mend: {Answer.Findings[0].Title.ToLowerInvariant()}";
            if (Answer.Findings.FirstOrDefault(f => f.Code == MendFindings.GateDiffers.Code) is { } differs)
                return $"A mend: {IdText.Lower(differs.Title)}";
            return Progress.Current is { } current && !Progress.Finished
                ? $"{KindOf(current.Step)}: {IdText.Lower(current.Step.Title)}"
                : "Nothing: built, read and closed";
        }
    }

    static string KindOf(Step step) =>
        step switch
        {
            { Kind: StepKind.Gate } => "A reading",
            { IsGate: true } => "A proof",
            _ => "A step",
        };
}
