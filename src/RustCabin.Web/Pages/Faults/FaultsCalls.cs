using System.Text.Json.Serialization;
using RustCabin.Core;
using RustCabin.Core.Declared;
using RustCabin.Core.Faults;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Faults;

public sealed record FaultsAnswer(IReadOnlyList<CauseJson> Causes, NextCheckJson? Next);

public sealed record CauseJson(string Id, string Words, double Probability, PredictsJson Predicts, bool Fits);

public sealed record PredictsJson(IReadOnlyList<ulong>? Lines, bool? Starts);

public sealed record NextCheckJson(string Check, string Words, double Bits, decimal Minutes);

public sealed record PosteriorAnswer(IReadOnlyList<CauseChanceJson> Causes, double Other, NextObservationJson? Next);

public sealed record CauseChanceJson(string Id, double Probability);

public sealed record NextObservationJson(string Observation, double Bits, decimal Minutes);

public sealed record TrialsAnswer(
    IReadOnlyList<LevelJson> Singles,
    IReadOnlyList<IReadOnlyList<LevelJson>> Pairs,
    NextTrialJson? Next
);

public sealed record LevelJson(string Factor, string Level);

public sealed record NextTrialJson(IReadOnlyDictionary<string, string> Set);

/// <param name="Net">The net.</param>
/// <param name="Wires">The wires.</param>
/// <param name="Readings">What proves them.</param>
/// <param name="Shorts">Places of several nets that were measured to be joined; left out where there are none.</param>
public sealed record RepairAnswer(
    string Net,
    IReadOnlyList<WireJson> Wires,
    IReadOnlyList<ReadingJson> Readings,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] IReadOnlyList<ShortJson>? Shorts
);

public sealed record ShortJson(IReadOnlyList<string> Places, IReadOnlyList<string> Nets);

public sealed record WireJson(string From, string To, double? Mm);

public sealed record ReadingJson(string From, string To, string Expect);

/// <summary>
/// <c>faults</c>, <c>faults/posterior</c>, <c>trials</c>, <c>repair</c>. Source: docs/formats.md, The JSON interface.
/// </summary>
static class FaultsCalls
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapCall(
            "faults",
            "The causes of what a machine shows at a gate, and what to look at next",
            (FaultsAsked asked) => Of(asked.Diagnosis),
            json => FaultsAsked.Read(Trail.Stations, json),
            heavy: true
        );
        routes.MapCall(
            "faults/posterior",
            "How likely each cause is after what was seen, and what to look at next",
            (PosteriorAsked asked) => Of(asked),
            Nulls.Read<PosteriorAsked>
        );
        routes.MapCall(
            "faults/swaps",
            "What it says that a thing works elsewhere, and what to swap next",
            (SwapsAsked asked) => Swaps.Of(asked),
            Nulls.Read<SwapsAsked>
        );
        routes.MapCall(
            "trials",
            "What explains all failures and no success, and what to try next",
            (TrialsAsked asked) => Of(asked),
            Nulls.Read<TrialsAsked>,
            heavy: true
        );
        routes.MapCall(
            "repair",
            "The shortest wires that mend a net, and the readings that prove them",
            (RepairAsked asked) => Of(asked),
            Nulls.Read<RepairAsked>,
            heavy: true
        );
    }

    /// <summary>So many causes are told; the rest stand with none of these.</summary>
    const int Told = 49;

    static FaultsAnswer Of(Diagnosis diagnosis)
    {
        CauseJson[] named = [.. diagnosis.Causes.Take(Told).Select(Of)];
        var other = new CauseJson(
            "other",
            "none of these",
            diagnosis.Other + diagnosis.Causes.Skip(Told).Sum(c => c.Chance),
            new PredictsJson(null, null),
            true
        );
        return new FaultsAnswer(
            [.. named.Append(other).OrderByDescending(c => c.Probability).ThenBy(c => c.Id, StringComparer.Ordinal)],
            diagnosis.Next is { What: { Minutes: { } minutes } at } next
                ? new NextCheckJson(at.Id, at.Words, next.Bits, minutes)
                : null
        );
    }

    static CauseJson Of(Weighed weighed) =>
        new(
            weighed.Cause.Id,
            weighed.Cause.Words,
            weighed.Chance,
            new PredictsJson(
                weighed.Cause.Shows.Count is { } count ? [.. count.Lines.Select(l => l.Bytes.Bytes)] : null,
                weighed.Cause.Shows.Starts
            ),
            weighed.Fits
        );

    static PosteriorAnswer Of(PosteriorAsked asked)
    {
        IReadOnlyList<Suspect> causes = asked.Suspects;
        IReadOnlyList<Observable> observables = asked.Observables;
        var posterior = Posterior.Of(causes, observables, asked.Seen);
        // Checks are looked at in the order in which they were listed.
        NextLook? next = posterior.Next(causes, asked.Checks.Keys.Select(c => observables.First(o => o.Id == c)), asked.Seen);
        return new PosteriorAnswer(
            [.. causes.Zip(posterior.Chances, (c, p) => new CauseChanceJson(c.Id, p)).OrderByDescending(c => c.Probability)],
            posterior.Other,
            next is { What: { Minutes: { } minutes } at } ? new NextObservationJson(at.Id, next.Bits, minutes) : null
        );
    }

    static TrialsAnswer Of(TrialsAsked asked)
    {
        var reading = TrialReading.Of(asked);
        static LevelJson Told(Level level) => new(level.Factor, level.At);
        return new TrialsAnswer(
            [.. reading.Singles.Select(Told)],
            [.. reading.Pairs.Select(p => (IReadOnlyList<LevelJson>)[Told(p.A), Told(p.B)])],
            reading.Next is { } set ? new NextTrialJson(set) : null
        );
    }

    static RepairAnswer Of(RepairAsked asked)
    {
        var repair = Repair.Of(asked);
        return new RepairAnswer(
            repair.Net,
            [.. repair.Wires.Select(w => new WireJson(w.From, w.To, w.Mm))],
            [.. repair.Wires.Select(w => new ReadingJson(w.From, w.To, "closed"))],
            repair.Shorts.Count == 0 ? null : [.. repair.Shorts.Select(s => new ShortJson(s.Places, s.Nets))]
        );
    }
}
