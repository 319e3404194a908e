using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using RustCabin.Core.Answers;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Web.Api;

/// <summary>The answers of the JSON interface, field for field as docs/formats.md, The JSON interface, prints them.</summary>
public sealed record CheckAnswer(
    string Verdict,
    IReadOnlyList<FindingJson> Findings,
    RevisionJson Revision,
    IReadOnlyList<SegmentJson> Map,
    IReadOnlyDictionary<string, ulong> Reach,
    PowerUpJson PowerUp,
    IReadOnlyList<RailJson> Rails,
    IReadOnlyDictionary<string, IReadOnlyDictionary<string, string>> Switches,
    CostJson Cost,
    decimal Minutes,
    bool Reversible
);

public sealed record FindingJson(
    string Code,
    string Severity,
    IReadOnlyList<string> Subjects,
    string Text,
    IReadOnlyList<string> Why,
    FixJson? Fix
);

/// <summary>Each is left out where the fix has none of it.</summary>
public sealed record FixJson(
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
        IReadOnlyDictionary<string, IReadOnlyDictionary<string, string>>? Switches,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
        IReadOnlyDictionary<string, IReadOnlyList<JsonObject>>? Cards,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] IReadOnlyDictionary<string, string>? Ways
)
{
    /// <summary>The fix of a finding; its partitions as a job's sheet has them.</summary>
    public static FixJson Of(Fix fix) =>
        new(
            fix.Switches.Count > 0 ? fix.Switches : null,
            fix.Cards.Count > 0
                ? fix.Cards.ToDictionary(
                    c => c.Key,
                    c => (IReadOnlyList<JsonObject>)[.. c.Value.Select(Declaration<CardPartition>.Write)]
                )
                : null,
            fix.Ways.Count > 0 ? fix.Ways : null
        );
}

public sealed record RevisionJson(string Id, double Probability, IReadOnlyList<ContradictionJson> Contradictions);

public sealed record ContradictionJson(string Clue, IReadOnlyList<string> Says);

public sealed record SegmentJson(string From, string To, IReadOnlyList<ClaimJson> Claims);

public sealed record ClaimJson(string Owner, string Kind, string Access, IReadOnlyList<string> Masters);

public sealed record PowerUpJson(IReadOnlyList<LineJson> Lines, ulong TotalBytes);

public sealed record LineJson(string Label, ulong Bytes);

public sealed record RailJson(string Rail, decimal CapacityAmps, decimal TypicalAmps, decimal PeakAmps, decimal HeadroomAmps);

public sealed record CostJson(decimal Amount, string Currency);

public sealed record MapAnswer(
    IReadOnlyList<SegmentJson> Segments,
    IReadOnlyList<FightJson> Fights,
    IReadOnlyList<MirrorJson> Mirrors,
    IReadOnlyDictionary<string, ulong> Reach
);

public sealed record FightJson(string From, string To, IReadOnlyList<string> Claims, IReadOnlyList<string> Masters);

public sealed record MirrorJson(string Claim, string Base, ulong Size);

/// <summary>
/// Turns the core's answers into those of the interface: sizes as numbers of bytes, addresses padded to the width of the space.
/// </summary>
static class AnswerJson
{
    public static void Shape(JsonSerializerOptions options)
    {
        options.PropertyNamingPolicy = JsonNamingPolicy.CamelCase;
        options.Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping;
        options.NumberHandling = JsonNumberHandling.Strict;
        options.DefaultIgnoreCondition = JsonIgnoreCondition.Never;
    }

    public static CheckAnswer Of(Answer answer)
    {
        PlannedUnit unit = answer.Planned;
        return new CheckAnswer(
            answer.Standing.ToString().ToLowerInvariant(),
            [.. answer.Findings.Select(Of)],
            new RevisionJson(
                unit.Revision.Id,
                unit.Revision.Probability,
                [.. unit.Revision.Contradictions.Select(c => new ContradictionJson(c.Clue, c.Says))]
            ),
            Segments(unit.Map),
            Reach(unit.Map),
            new PowerUpJson(
                [.. answer.PowerUp.Lines.Select(l => new LineJson(l.Label, l.Bytes.Bytes))],
                answer.PowerUp.Total.Bytes
            ),
            [
                .. answer.Rails.Select(r => new RailJson(
                    r.Rail,
                    Decimals.Plain(r.CapacityAmps),
                    Decimals.Plain(r.TypicalAmps),
                    Decimals.Plain(r.PeakAmps),
                    Decimals.Plain(r.HeadroomAmps)
                )),
            ],
            unit.Instances.Where(i => i.Positions.Count > 0).ToDictionary(i => $"{i.Name}", i => i.Positions),
            new CostJson(answer.Cost.Amount, answer.Cost.Currency),
            Decimals.Plain(answer.Minutes),
            answer.Reversible
        );
    }

    public static MapAnswer Of(ResolvedMap map) =>
        new(
            Segments(map),
            [
                .. map.Fights.Select(f => new FightJson(
                    Hex(map, f.Range.From.Value),
                    Hex(map, f.Range.To.Value),
                    [.. f.Claims.Select(c => $"{map.Claims[c].Owner}")],
                    [.. map.MasterNames(f.Masters)]
                )),
            ],
            [.. map.Mirrors().Select(m => new MirrorJson($"{map.Claims[m.Claim].Owner}", Hex(map, m.Base), m.Size))],
            Reach(map)
        );

    public static FindingJson Of(Finding finding) =>
        new(
            finding.Code,
            finding.Severity.ToString().ToLowerInvariant(),
            [.. finding.Subjects.Select(s => s.ToString())],
            finding.Text,
            finding.Why,
            finding.Fix is { } fix ? FixJson.Of(fix) : null
        );

    static IReadOnlyList<SegmentJson> Segments(ResolvedMap map) =>
        [
            .. map
                .Segments.Where(s => s.Claims.Length > 0)
                .Select(s => new SegmentJson(
                    Hex(map, s.From),
                    Hex(map, s.To),
                    [
                        .. s
                            .Claims.SelectMany(a => Parts(map.Claims[a.Claim], a))
                            .Select(a => new ClaimJson(
                                $"{a.Claim.Owner}",
                                Words<ClaimKind>.Of(a.Claim.Kind),
                                Words<BusAccess>.Of(a.Access),
                                [.. map.MasterNames(a.Masters)]
                            )),
                    ]
                )),
        ];

    /// <summary>A claim of which an overlay hides reads from some masters stands twice, for what it answers to each.</summary>
    static IEnumerable<(DecodedClaim Claim, BusAccess Access, uint Masters)> Parts(DecodedClaim claim, Answering here)
    {
        uint writing = here.Masters & ~here.ReadBy;
        if (!claim.Reads || writing == 0)
            return [(claim, claim.Access, here.Masters)];
        (DecodedClaim, BusAccess, uint) only = (claim, BusAccess.Write, writing);
        return here.ReadBy == 0 ? [only] : [(claim, claim.Access, here.ReadBy), only];
    }

    static Dictionary<string, ulong> Reach(ResolvedMap map) =>
        map.Masters.Index().ToDictionary(m => m.Item, m => map.Reach[m.Index].Bytes);

    /// <summary>An address as answers write it; each is a step of the work that answers.</summary>
    static string Hex(ResolvedMap map, ulong address)
    {
        Budget.Spend();
        return new Address(address).ToJson(map.AddressBits);
    }
}
