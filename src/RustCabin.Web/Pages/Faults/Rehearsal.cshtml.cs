using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Faults;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Faults;

/// <summary>
/// Rehearsal: a simulated unit with a hidden fault. All of a round stands in its address: the code, what was looked at, what was
/// named; nothing is kept.
/// </summary>
public sealed class RehearsalModel(SheetRepository sheets, JobRepository jobs) : PageModel
{
    public Preferences Preferences => Preferences.From(Request);

    /// <summary>Machines that can be rehearsed on: the jobs of this cabin.</summary>
    public IReadOnlyList<(Job Job, Unit Unit)> Machines { get; private set; } = [];

    /// <summary>Ten rounds to begin with, over the machines that are here, from loud to misleading.</summary>
    public IReadOnlyList<(Round Round, string Unit)> Prepared { get; private set; } = [];

    public Round? Round { get; private set; }
    public Core.Faults.Rehearsal? At { get; private set; }

    /// <summary>Why there is no round; null: there is one, or none was asked for.</summary>
    public string? Wrong { get; private set; }

    /// <summary>What was done so far.</summary>
    public IReadOnlyList<Act> Done { get; private set; } = [];

    /// <summary>What was looked at, as the address has it.</summary>
    public IReadOnlyList<string> Acts { get; private set; } = [];

    /// <summary>The cause that was named; null: none yet.</summary>
    public Core.Stations.Hypothesis? Named { get; private set; }

    /// <summary>What was dangerous, and ended the round; null: nothing.</summary>
    public string? Danger { get; private set; }

    public bool IsOver => Named is not null || Danger is not null;

    /// <summary>The line of looks that the station's own rule takes.</summary>
    public IReadOnlyList<Act> Best { get; private set; } = [];

    public void OnGet(string? code, string? job, string? difficulty, List<string> look, string? name)
    {
        ViewData["Title"] = "Rehearsal";
        Pack pack = sheets.All();
        Machines = [.. jobs.All().Where(j => pack.FindUnit(j.Unit) is not null).Select(j => (j, pack.FindUnit(j.Unit)!))];
        Play(pack, code, job, difficulty, look, name);
        if (Round is null)
            Prepared = Ten(pack);
    }

    void Play(Pack pack, string? code, string? job, string? difficulty, List<string> look, string? name)
    {
        if (
            job is not null
            && difficulty is not null
            && Enum.TryParse(difficulty, ignoreCase: true, out Difficulty hard)
            && Enum.IsDefined(hard)
        )
            Round = new Round(job, hard, Random.Shared.Next(1 << 20));
        else if (code is not null && (Round = Core.Faults.Round.Parse(code.Trim())) is null)
            Wrong = $"\"{code}\" is no code of a round.";
        if (Round is null)
            return;
        if (Machines.FirstOrDefault(m => m.Job.Id == Round.Job).Job is not { } chosen)
        {
            (Wrong, Round) = ($"The machine of this code, {Round.Job}, is not in this cabin.", null);
            return;
        }
        At = Core.Faults.Rehearsal.Of(Plan.For(pack with { Jobs = [chosen] }, chosen), Round);
        if (At is null)
        {
            (Wrong, Round) = ("This machine has no fault of that kind. Choose another.", null);
            return;
        }
        Acts = [.. look.Distinct().Where(l => At.Looks.Any(o => o.Id == l)).Take(400)];
        Done = At.Told(Acts);
        Danger = Acts.FirstOrDefault(At.IsDangerous);
        Named = At.Causes.FirstOrDefault(c => c.Id == name);
        if (IsOver)
            Best = At.BestLine();
    }

    /// <summary>Ten rounds, two of each difficulty, over the machines that are here.</summary>
    IReadOnlyList<(Round Round, string Unit)> Ten(Pack pack) =>
        [
            .. Machines
                .SelectMany(
                    (m, i) => Enum.GetValues<Difficulty>().Select(d => (Round: new Round(m.Job.Id, d, 100 + i), m.Unit.Name, i))
                )
                .OrderBy(r => r.Round.Difficulty)
                .ThenBy(r => (r.i * 7 + (int)r.Round.Difficulty * 3) % 11)
                .GroupBy(r => r.Round.Difficulty)
                .SelectMany(g => g.Where(r => Plays(pack, Machines[r.i].Job, r.Round)).Take(2))
                .Select(r => (r.Round, r.Name)),
        ];

    static bool Plays(Pack pack, Job job, Round round) =>
        Core.Faults.Rehearsal.Of(Plan.For(pack with { Jobs = [job] }, job), round) is not null;

    /// <summary>What can be looked at still, cheapest first.</summary>
    public IEnumerable<Observable> Open =>
        At is null ? [] : At.Looks.Where(o => !Acts.Contains(o.Id)).OrderBy(o => o.Minutes ?? 99).ThenBy(o => o.Words);

    /// <summary>The address of this round with one more look, or with a cause named.</summary>
    public string With(string? look = null, string? name = null) =>
        "?code="
        + Uri.EscapeDataString(Round!.Code)
        + string.Concat(Acts.Concat(look is null ? [] : [look]).Select(l => $"&look={Uri.EscapeDataString(l)}"))
        + (name is null ? "" : $"&name={Uri.EscapeDataString(name)}");

    /// <summary>What an outcome says, a line of the count as a size.</summary>
    public string Words(Observable at, string outcome) =>
        at.Id.StartsWith("line ", StringComparison.Ordinal) && ulong.TryParse(outcome, out ulong bytes)
            ? Preferences.Size(new Core.Units.ByteSize(bytes))
            : outcome;

    /// <summary>A difficulty in a few words.</summary>
    public static string Hard(Difficulty difficulty) =>
        difficulty switch
        {
            Difficulty.Loud => "one loud fault",
            Difficulty.Quiet => "one quiet fault",
            Difficulty.Pair => "two at once",
            Difficulty.Before => "it was there before",
            _ => "a misleading badge",
        };
}
