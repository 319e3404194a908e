using RustCabin.Core.Baseline;
using RustCabin.Core.Declared;
using RustCabin.Core.Maps;
using RustCabin.Core.Memory;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>One test of a job's test set.</summary>
/// <param name="Id">Its name in the record: of a function that function's, of a title <c>title:</c> and its id.</param>
/// <param name="Title">What is done, in a few words.</param>
/// <param name="How">How.</param>
/// <param name="Minutes">How long one pass takes.</param>
/// <param name="Passes">How many clean passes in a row are asked for.</param>
/// <param name="Exercises">What it tries: ids of functions, names of claims.</param>
public sealed record JobTest(string Id, string Title, string How, decimal Minutes, int Passes, IReadOnlyList<string> Exercises)
{
    /// <summary>It can be tried on the machine as it came, before anything is touched.</summary>
    public bool Before { get; init; }

    /// <summary>With all its passes.</summary>
    public decimal InAll => Minutes * Passes;
}

/// <summary>
/// The smallest set of tests that tries every function and every claim that a job touches. Source: docs/handbook/functions.md,
/// The test set.
/// </summary>
/// <param name="Tests">The tests, in the order in which they are made.</param>
/// <param name="Touched">What the job touches: ids of functions, names of claims.</param>
/// <param name="Untried">What of it no test tries.</param>
public sealed record JobTests(IReadOnlyList<JobTest> Tests, IReadOnlyList<string> Touched, IReadOnlyList<string> Untried)
{
    /// <summary>How long they take, once.</summary>
    public decimal Minutes => Tests.Sum(t => t.InAll);

    /// <summary>The set of a job.</summary>
    /// <param name="before">The unit as it stands.</param>
    /// <param name="after">The unit as the job plans it.</param>
    public static JobTests Of(PlannedUnit before, PlannedUnit after) => Sets.Of(after).Of(before);

    /// <summary>The sets by what the job plans, and then by what stood before it.</summary>
    static readonly PerPlan<PerPlan<JobTests>> Sets = new(after => new(before => Made(before, after)));

    static JobTests Made(PlannedUnit before, PlannedUnit after)
    {
        string[] touched = [.. FunctionsTouched(before, after).Select(f => f.Id).Concat(ClaimsTouched(before, after)).Distinct()];
        JobTest[] all = [.. Known(before, after).DistinctBy(t => t.Id).Take(TestsAsked.Most)];
        TestSet set = TestSet.Of(
            new TestsAsked
            {
                Touched = touched,
                Tests =
                [
                    .. all.Select(t => new FunctionTest
                    {
                        Id = t.Id,
                        Minutes = t.InAll,
                        Exercises = t.Exercises,
                    }),
                ],
            }
        );
        return new JobTests([.. all.Where(t => set.Tests.Contains(t.Id))], touched, set.Uncovered);
    }

    /// <summary>Something touched in words: what a function does, whose memory a claim is.</summary>
    public static string Words(PlannedUnit after, string touched) =>
        Functions(after).FirstOrDefault(f => f.Id == touched)?.Called
        ?? after.Claims.Where(c => $"{c.Owner}" == touched).Select(c => after.OwnerName(c.Owner)).FirstOrDefault()
        ?? touched;

    /// <summary>What the machine and its parts can do.</summary>
    public static IEnumerable<MachineFunction> Functions(PlannedUnit unit) =>
        unit.Model.Functions.Concat(unit.Parts.SelectMany(p => p.Part.Functions)).DistinctBy(f => f.Id);

    /// <summary>
    /// Functions of the machine that rest on what the job pulls or takes out on its way, and those of the parts that it adds;
    /// not those that a way gives up.
    /// </summary>
    static IEnumerable<MachineFunction> FunctionsTouched(PlannedUnit before, PlannedUnit after)
    {
        Instance[] moved =
        [
            .. after.Parts.Where(p => before.Find(p.Name) is null),
            .. before.Parts.Where(p => after.Find(p.Name) is null),
        ];
        string[] pulled =
        [
            .. moved.SelectMany(p => AccessPath.To(after.Model, p)).Distinct().SelectMany(AccessPath.Off).Select(IdText.Of),
        ];
        HashSet<string> lost = [.. moved.SelectMany(p => p.Way?.Loses ?? [])];
        return after
            .Model.Functions.Where(f => !lost.Contains(f.Id) && f.Needs.Select(IdText.Of).Any(n => pulled.Any(p => Meets(p, n))))
            .Concat(moved.Where(p => p.Added).SelectMany(p => p.Part.Functions));
    }

    /// <summary>One names the other: <c>keyboard plug</c> is what <c>keyboard</c> needs.</summary>
    static bool Meets(string one, string other) =>
        one.Length > 0
        && other.Length > 0
        && (one.Contains(other, StringComparison.Ordinal) || other.Contains(one, StringComparison.Ordinal));

    /// <summary>Memory that comes, or lies elsewhere than before.</summary>
    static IEnumerable<string> ClaimsTouched(PlannedUnit before, PlannedUnit after) =>
        after
            .Claims.Where(c =>
                c.Kind == ClaimKind.Ram
                && !before.Claims.Any(b => b.Owner == c.Owner && (b.Base, b.Size) == (c.Base, c.Size) && b.Masters == c.Masters)
            )
            .Select(c => $"{c.Owner}");

    static IEnumerable<JobTest> Known(PlannedUnit before, PlannedUnit after)
    {
        foreach (MachineFunction f in Functions(after))
            yield return new JobTest(f.Id, IdText.Capital(f.Called), f.How, f.Minutes, 1, [f.Id])
            {
                Before = Functions(before).Any(b => b.Id == f.Id),
            };
        foreach (Title title in after.Titles.Where(t => t.Exercises.Count > 0 && Wants.Titles.Run(after, t).Runs == true))
            yield return new JobTest(
                $"title:{title.Id}",
                $"Run {title.Name}",
                "Let it run through; look and listen.",
                title.Minutes,
                title.Passes,
                [.. title.Exercises, .. after.Claims.Where(c => title.Exercises.Contains(LocalId(c))).Select(c => $"{c.Owner}")]
            )
            {
                Before = Wants.Titles.Run(before, title).Runs == true,
            };
        foreach (JobTest test in Memory(after))
            yield return test;
    }

    static string LocalId(DecodedClaim claim) => $"{claim.Owner}" is var name ? name[(name.LastIndexOf(':') + 1)..] : "";

    /// <summary>A listing that writes and reads plain memory, and one that walks the banks of a window.</summary>
    static IEnumerable<JobTest> Memory(PlannedUnit after)
    {
        string[] plain =
        [
            .. after
                .Claims.Where(c => c.Kind == ClaimKind.Ram && c.Window is null && (c.Masters & 1) != 0)
                .Select(c => $"{c.Owner}"),
        ];
        if (plain.Length > 0)
            yield return new JobTest(
                "memory-listing",
                "Write and read plain memory",
                "Every byte of it, with a pattern that moves on at each pass.",
                3,
                1,
                plain
            )
            {
                Before = true,
            };
        foreach (BankListing listing in BankListing.Of(after))
            yield return new JobTest(
                $"banks:{listing.Owner}",
                $"Walk the banks of {after.OwnerName(listing.Owner)}",
                "The listing at Memory: another pattern in each bank, then all of them read.",
                Math.Max(1, Math.Ceiling((decimal)Math.Min(600, listing.SecondsPerPass / 60))),
                listing.CleanPasses,
                [$"{listing.Owner}"]
            );
    }
}
