using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Bench;

/// <summary>
/// What a machine needs to start: its processor, the ROM of its first fetch, and a page of memory for its stack. Source:
/// docs/handbook/faults.md, What starts.
/// </summary>
/// <param name="Fetches">Addresses at which the ROM must answer, and nothing else beside what answers there as planned.</param>
/// <param name="Pages">Addresses of pages that must hold what is written.</param>
/// <param name="Sites">Sites of the processor and of that ROM: what sits in them must be seated.</param>
public sealed record Starting(
    IReadOnlyList<(ulong At, int Readers)> Fetches,
    IReadOnlyList<ulong> Pages,
    IReadOnlyList<string> Sites
)
{
    /// <summary>The stack that a start needs, in bytes.</summary>
    const ulong Page = 256;

    static readonly PerPlan<Starting> Known = new(Made);

    /// <summary>What a unit needs, by its sheet as it is planned; worked out once as long as the plan is kept.</summary>
    public static Starting Of(PlannedUnit right) => Known.Of(right);

    static Starting Made(PlannedUnit right)
    {
        Model model = right.Model;
        DecodedClaim[] needed = [.. (model.Start?.Needs ?? []).SelectMany(id => Own(right).Where(c => c.Owner.Id == id))];
        DecodedClaim[] roms = [.. needed.Where(c => c.Kind == ClaimKind.Rom)],
            pages = [.. needed.Where(c => c.Kind == ClaimKind.Ram)];
        ulong[] fetches =
            roms.Length > 0 ? [.. roms.Select(c => c.Base)]
            : model.Vectors.Count > 0 ? [.. model.Vectors.Select(v => v.At.Value)]
            : [.. Own(right).Where(c => c.Kind == ClaimKind.Rom).Take(1).Select(c => c.Base)];
        if (pages.Length == 0)
            pages = [.. Lowest(Own(right)).Concat(Lowest(right.Claims)).Take(1)];
        (ulong At, int Readers)[] read = [.. fetches.Select(at => (at, Readers(right.Map, at).Length)).Where(f => f.Item2 > 0)];
        return new Starting(
            read,
            [.. pages.Select(c => c.Base).Where(at => Holds(right, at, []))],
            [
                .. model.Start?.Processor is { } site ? [site] : model.Masters.Take(1).Where(m => model.FindSite(m) is not null),
                .. read.SelectMany(f => Readers(right.Map, f.At)).SelectMany(c => c.Sockets).Distinct(),
            ]
        );
    }

    static IEnumerable<DecodedClaim> Own(PlannedUnit unit) => unit.Claims.Where(c => c.Owner.Instance is null);

    /// <summary>The lowest memory that is neither placed by the machine itself nor shown in a window.</summary>
    static IEnumerable<DecodedClaim> Lowest(IEnumerable<DecodedClaim> claims) =>
        claims.Where(c => c is { Kind: ClaimKind.Ram, Auto: false, Window: null }).OrderBy(c => c.Base).Take(1);

    /// <summary>ROM that the first master reads at an address.</summary>
    static DecodedClaim[] Readers(ResolvedMap map, ulong at) =>
        [
            .. map.At(at)
                .Claims.Where(a => (a.ReadBy & 1) != 0)
                .Select(a => map.Claims[a.Claim])
                .Where(c => c is { Reads: true, Kind: ClaimKind.Rom }),
        ];

    static bool Holds(PlannedUnit unit, ulong at, IReadOnlyList<BusFault> faults)
    {
        int word = Math.Max(1, unit.Model.DataBits / 8);
        var bus = new SimulatedBus(unit.Map, master: 0, faults, word) { KeepsLast = unit.Model.Undriven == Undriven.Last };
        return Probe.Block(bus, at, Page, word) is null;
    }

    /// <summary>True if a unit that is built otherwise, or has faults in its cells, still starts.</summary>
    public bool Does(PlannedUnit built, IReadOnlyList<BusFault> faults) =>
        Fetches.All(f => Readers(built.Map, f.At) is { Length: > 0 } here && here.Length <= f.Readers)
        && Pages.All(at => Holds(built, at, faults));

    /// <summary>A part sits in the processor's socket or in that of the ROM, or between the socket and its chip: without it
    /// nothing starts.</summary>
    public bool RestsOn(Instance part) =>
        part.Occupied.Any(o => o.Mode is SiteMode.In or SiteMode.Between && o.Site is { } site && Sites.Contains(site));
}
