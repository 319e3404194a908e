using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core;
using RustCabin.Core.Faults;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
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
    public IReadOnlyList<(Round Round, string Unit, PlannedUnit Plan)> Prepared { get; private set; } = [];

    public Round? Round { get; private set; }
    public Core.Faults.Rehearsal? At { get; private set; }

    /// <summary>Why there is no round; null: there is one, or none was asked for.</summary>
    public string? Wrong { get; private set; }

    /// <summary>What was done so far.</summary>
    public IReadOnlyList<RoundAct> Done { get; private set; } = [];

    /// <summary>What was looked at, as the address has it.</summary>
    public IReadOnlyList<string> Acts { get; private set; } = [];

    /// <summary>The first of two causes, which was named and is mended; null: none.</summary>
    public Core.Stations.Hypothesis? First { get; private set; }

    /// <summary>So many looks were taken before it was mended.</summary>
    public int Before { get; private set; }

    /// <summary>What was hidden from the start.</summary>
    public IReadOnlyList<Core.Stations.Hypothesis> Hidden { get; private set; } = [];

    /// <summary>The cause that was named; null: none yet.</summary>
    public Core.Stations.Hypothesis? Named { get; private set; }

    /// <summary>What was dangerous, and ended the round; null: nothing.</summary>
    public string? Danger { get; private set; }

    public bool IsOver => Named is not null || Danger is not null;

    /// <summary>The line of looks that the station's own rule takes.</summary>
    public IReadOnlyList<RoundAct> Best { get; private set; } = [];

    public void OnGet(string? code, string? job, string? difficulty, List<string> look, string? name, string? first, int before)
    {
        ViewData["Title"] = "Rehearsal";
        Pack pack = sheets.All();
        Machines = [.. jobs.All().Where(j => pack.FindUnit(j.Unit) is not null).Select(j => (j, pack.FindUnit(j.Unit)!))];
        Play(pack, code, job, difficulty, look, name);
        Go(look, name, first, before);
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
        At = Core.Faults.Rehearsal.Of(Trail.Stations, Plan.For(pack with { Jobs = [chosen] }, chosen), Round);
        if (At is null)
        {
            (Wrong, Round) = ("This machine has no fault of that kind. Choose another.", null);
            return;
        }
    }

    /// <summary>What was looked at and named. The first of two faults that is named is mended, and the round goes on.</summary>
    void Go(List<string> look, string? name, string? first, int before)
    {
        if (At is not { } whole)
            return;
        Hidden = whole.Hidden;
        Acts = [.. look.Where(l => whole.Looks.Any(o => o.Id == l)).Take(400)];
        // The right one of two, named for the first time: the round goes on from here.
        if (first is null && name is not null && whole.Mended(name, new Seen()) is not null)
            (first, before, name) = (name, Acts.Count, null);
        Before =
            first is not null && whole.Mended(first, new Seen()) is not null ? Math.Clamp(before, 0, Acts.Count) : Acts.Count;
        string[] earlier = [.. Acts.Take(Before).Distinct()],
            later = [.. Acts.Skip(Before).Distinct()];
        if (first is not null && whole.Mended(first, whole.SeenAfter(earlier)) is { } rest)
            (First, At) = (whole.Causes.First(c => c.Id == first), rest);
        Acts = [.. earlier, .. later];
        Before = earlier.Length;
        Done = [.. whole.InWords(earlier), .. First is null ? [] : At.InWords(later)];
        Danger = Acts.FirstOrDefault(whole.IsDangerous);
        Named = whole.Causes.FirstOrDefault(c => c.Id == name);
        if (IsOver)
            Best = whole.BestLine();
    }

    /// <summary>What the ten teach, in their order: how hard, and the kind of fault; empty: whichever comes.</summary>
    static readonly (Difficulty Hard, string Kind)[] Taught =
    [
        (Difficulty.Loud, "seat"),
        (Difficulty.Loud, "address"),
        (Difficulty.Quiet, "probe"),
        (Difficulty.Quiet, "own"),
        (Difficulty.Pair, ""),
        (Difficulty.Pair, ""),
        (Difficulty.Before, ""),
        (Difficulty.Before, ""),
        (Difficulty.Badge, ""),
        (Difficulty.Badge, ""),
    ];

    /// <summary>So many seeds are tried on a machine for a kind of fault.</summary>
    const int Seeds = 120;

    /// <summary>Ten rounds over the machines that are here, no machine twice where there are enough.</summary>
    IReadOnlyList<(Round Round, string Unit, PlannedUnit Plan)> Ten(Pack pack)
    {
        var plans = new Dictionary<string, PlannedUnit>();
        PlannedUnit plan(Job job) =>
            plans.TryGetValue(job.Id, out PlannedUnit? known) ? known : plans[job.Id] = Plan.For(pack with { Jobs = [job] }, job);
        var ten = new List<(Round Round, string Unit, PlannedUnit Plan)>();
        foreach ((int turn, (Difficulty hard, string kind)) in Taught.Index())
        {
            // Another machine begins each time, so that the rounds are spread over the shelf.
            IEnumerable<(Job Job, Unit Unit)> turned = Machines.Skip(turn * 3 % Math.Max(1, Machines.Count)).Concat(Machines);
            IEnumerable<(Round Round, string Unit, PlannedUnit Plan)> rounds =
                from machine in turned.Take(Machines.Count)
                where ten.All(t => t.Round.Job != machine.Job.Id)
                from seed in Enumerable.Range(100, kind.Length > 0 ? Seeds : 1)
                let round = new Round(machine.Job.Id, hard, seed)
                where
                    Core.Faults.Rehearsal.Of(Trail.Stations, plan(machine.Job), round) is { } set
                    && set.Hidden[0].Id.StartsWith(kind, StringComparison.Ordinal)
                select (round, machine.Unit.Name, plan(machine.Job));
            ten.AddRange(rounds.Take(1));
        }
        return ten;
    }

    /// <summary>What can be looked at still, cheapest first.</summary>
    /// <summary>
    /// What can be looked at, by what it wants of the machine: what needs no plug pulled first, then the cheapest.
    /// </summary>
    public IEnumerable<(string Needs, IReadOnlyList<Observable> Looks)> OpenByNeeds =>
        Open.GroupBy(o => o.Needs.Length > 0 ? o.Needs : "as it stands")
            .Select(g => (g.Key, (IReadOnlyList<Observable>)[.. g.OrderBy(o => o.Minutes ?? decimal.MaxValue)]))
            .OrderBy(g => g.Item2[0].State == LookState.PlugOut)
            .ThenBy(g => g.Item2[0].Minutes ?? decimal.MaxValue);

    public IEnumerable<Observable> Open => Untaken.Where(o => !IsKnownDead || o.State != LookState.Running);

    /// <summary>It was seen that it does not start: nothing that runs is to be looked at.</summary>
    bool IsKnownDead => Done.Any(d => d.What.Id == Diagnosis.StartsId && d.Showed == "no") && First is null;

    IEnumerable<Observable> Untaken =>
        At is null
            ? []
            : At
                .Looks.Where(o => !Acts.Skip(First is null ? 0 : Before).Contains(o.Id))
                .OrderBy(o => o.Minutes ?? 99)
                .ThenBy(o => o.Words);

    /// <summary>The address of this round with one more look, or with a cause named.</summary>
    public string With(string? look = null, string? name = null) =>
        "?code="
        + Uri.EscapeDataString(Round!.Code)
        + string.Concat(Acts.Concat(look is null ? [] : [look]).Select(l => $"&look={Uri.EscapeDataString(l)}"))
        + (First is null ? "" : $"&first={Uri.EscapeDataString(First.Id)}&before={Before}")
        + (name is null ? "" : $"&name={Uri.EscapeDataString(name)}");

    /// <summary>What was looked at, to stand before what it showed.</summary>
    public static string Asked(Observable what) => what.Words.EndsWith('?') ? what.Words : $"{what.Words}:";

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
