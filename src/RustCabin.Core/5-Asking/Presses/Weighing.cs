using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Wants;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>A way as it is typed.</summary>
/// <param name="Name">What people call it.</param>
/// <param name="Money">What it costs.</param>
/// <param name="Hours">How long it takes.</param>
/// <param name="Chance">The chance that it works at once, in percent; empty: certain.</param>
/// <param name="MendHours">How long it takes to mend when it goes wrong; empty: none.</param>
/// <param name="MendMoney">What that costs; empty: nothing.</param>
/// <param name="Loses">What is lost by it.</param>
/// <param name="Undoable">All of it can be undone.</param>
public sealed record WayForm(
    string? Name,
    string? Money,
    string? Hours,
    string? Chance,
    string? MendHours,
    string? MendMoney,
    string? Loses,
    bool Undoable
)
{
    /// <summary>The way; else what is wrong with which field.</summary>
    public (JobWay? Way, Refusal? Wrong) Read()
    {
        if (!Texts.TryNeeded<JobWay>(nameof(JobWay.Name), Name, out string name))
            return (null, Refuse("name", "Nothing was changed: name the way, such as repair it."));
        if (!Texts.TryOptional<JobWay>(nameof(JobWay.Loses), Loses, out string loses))
            return (null, Refuse("loses", "Nothing was changed: say more shortly what is lost."));
        decimal[] values = new decimal[Typed.Length];
        foreach ((int i, (string field, string? text, decimal most, bool signed, decimal usual)) in Typed.Index())
        {
            string plain = Texts.Of(text).TrimEnd('%', ' ');
            values[i] = usual;
            if (plain.Length > 0 && (!TypedNumber.TryParse(plain, out values[i], signed) || Math.Abs(values[i]) > most))
                return (null, Refuse(field, $"Nothing was changed: \"{plain}\" is no number from 0 to {most:#,0}."));
        }
        return (
            new JobWay
            {
                Name = name,
                Money = values[0],
                Hours = values[1],
                Chance = values[2] / 100,
                MendHours = values[3],
                MendMoney = values[4],
                Loses = loses,
                Undoable = Undoable,
            },
            null
        );
    }

    (string Field, string? Text, decimal Most, bool Signed, decimal Usual)[] Typed =>
        [
            ("money", Money, 1_000_000, true, 0),
            ("hours", Hours, 100_000, false, 0),
            ("chance", Chance, 100, false, 100),
            ("mendHours", MendHours, 100_000, false, 0),
            ("mendMoney", MendMoney, 1_000_000, true, 0),
        ];
}

/// <summary>
/// The job as it is planned, what stands on the shelf, and other ways, held against each other. Source: docs/handbook/wants.md,
/// Other ways.
/// </summary>
public static class Weighing
{
    /// <summary>What the job itself is called among the ways.</summary>
    public const string ThisJob = "this job";

    /// <summary>So many units of the shelf are named as ways.</summary>
    const int MostUnits = 3;

    static JobWays Kept(AtHand at) => at.Job.Ways ?? new JobWays();

    /// <summary>Every way, the job itself first: it goes wrong as its parts do, and is done again then.</summary>
    public static IReadOnlyList<JobWay> Ways(AtHand at) => [OfJob(at), .. OnShelf(at), .. Kept(at).Ways];

    /// <summary>The ways held against each other.</summary>
    public static Alternatives Weighed(AtHand at) =>
        Alternatives.Of(
            new AlternativesAsked
            {
                HourWorth = Kept(at).HourWorth,
                Ways =
                [
                    .. Ways(at)
                        .Select(w => new OtherWay
                        {
                            Id = w.Name,
                            Money = w.Money,
                            Hours = w.Hours,
                            Chance = w.Chance,
                            MendHours = w.MendHours,
                            MendMoney = w.MendMoney,
                        }),
                ],
            }
        );

    static JobWay OfJob(AtHand at)
    {
        decimal hours = Math.Round(at.Answer.Minutes / 60, 2);
        return new JobWay
        {
            Name = ThisJob,
            Money = at.Answer.Cost.Amount,
            Hours = hours,
            Chance = Math.Round(at.After.Instances.Where(i => i.Added).Aggregate(1m, (c, i) => c * (1 - Work.ChanceOf(i))), 4),
            MendHours = hours,
            Undoable = at.Answer.Reversible,
        };
    }

    /// <summary>Units that give all that is wanted as they stand.</summary>
    static IEnumerable<JobWay> OnShelf(AtHand at) =>
        at.Job.Wants.Count == 0
            ? []
            : at
                .Sheets.Units.Where(u =>
                    u.Id != at.Unit.Id && !u.Retired && u.Baseline is { Tested: true, Counted: null or { Failing: null } }
                )
                .Where(u => at.Sheets.FindModel(u.Model) is not null)
                .Where(u => NeedCheck.Of(Plan.For(at.Sheets, u), at.Job.Wants).All(n => n.Met == true))
                .Take(MostUnits)
                .Select(u => new JobWay { Name = $"use {u.Name} as it stands", Undoable = true });

    /// <summary>Adds a way.</summary>
    public static Press<Job> Add(AtHand at, WayForm form)
    {
        (JobWay? typed, Refusal? wrong) = form.Read();
        if (typed is not { } way)
            return wrong is null ? Gone : wrong;
        if (Ways(at).Any(w => w.Name == way.Name))
            return Refuse("name", $"Nothing was changed: there is a way called \"{way.Name}\" already.");
        return Kept(at).Ways.Count >= JobWays.Most
            ? Refuse("name", $"Nothing was changed: {JobWays.Most} ways are allowed.")
            : Change($"Another way: {way.Name}", j => With(j, w => w with { Ways = [.. w.Ways, way] }));
    }

    /// <summary>Takes a way back, by its name.</summary>
    public static Press<Job> Drop(AtHand at, string name) =>
        Kept(at).Ways.Any(w => w.Name == name)
            ? Change($"Not a way any more: {name}", j => With(j, w => w with { Ways = [.. w.Ways.Where(x => x.Name != name)] }))
            : Gone;

    /// <summary>Says what an hour is worth.</summary>
    public static Press<Job> Hour(string? worth) =>
        TypedNumber.TryParse(worth, out decimal value) && value <= 1_000_000
            ? Change($"An hour is worth {TypedNumber.Show(value)}", j => With(j, w => w with { HourWorth = value }))
            : Refuse("worth", $"Nothing was changed: \"{worth}\" is no amount; type 9 or 9.50.");

    static Job With(Job job, Func<JobWays, JobWays> change) => job with { Ways = change(job.Ways ?? new JobWays()) };
}
