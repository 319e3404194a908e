using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Chips;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Memory;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Memory;

/// <summary>A board with banks of chips, and the ways to fill it.</summary>
public sealed record BoardOfBanks(
    Instance Instance,
    ulong BaseBytes,
    ulong? CapBytes,
    IReadOnlyList<Arrangement> Ways,
    IReadOnlyList<ChipType?> Now,
    IReadOnlyList<string> Unpriced
);

/// <summary>Slots that take modules of one kind of plug, and the ways to reach the target with them.</summary>
public sealed record ModuleRow(
    string Connector,
    IReadOnlyList<ModuleSlot> Slots,
    IReadOnlyList<ModuleKind> Kinds,
    ulong Cap,
    IReadOnlyList<ModulePlan> Plans
);

/// <summary>
/// Chips and modules of the Memory station: how many of which kind, in which banks and slots, what to buy and where the switches
/// stand.
/// </summary>
public sealed class ChipsModel(SheetRepository sheets, JobRepository jobs, StockRepository stock) : StationPage(sheets, jobs)
{
    /// <summary>Minutes for each joint soldered: the user's own where they are known.</summary>
    public (decimal Minutes, int Steps) PerJoint => Core.Build.Learnt.PerJoint(Jobs.All().Select(j => Plan.For(View.Sheets, j)));

    public override Desk Desk => Desks.Of<MemoryDesk>();

    /// <summary>The memory wanted in all, as typed; KiB unless it says K or M. Empty: what the job wants.</summary>
    [BindProperty(SupportsGet = true, Name = "target")]
    public string? TargetText { get; set; }

    public ByteSize Target { get; private set; }
    public string? TargetWrong { get; private set; }
    public IReadOnlyList<BoardOfBanks> Boards { get; private set; } = [];
    public IReadOnlyList<ModuleRow> ModuleRows { get; private set; } = [];
    public string Master => View.Model.Masters[0];

    protected override void Loaded()
    {
        ByteSize wanted = View
            .Job.Wants.OfType<MemoryNeed>()
            .Where(w => w.Master == Master)
            .Select(w => w.AtLeast)
            .DefaultIfEmpty(View.Answer.PowerUp.Total)
            .Max();
        if (string.IsNullOrWhiteSpace(TargetText))
            Target = wanted;
        else if (ScreenReading.TryParse(TargetText, out ByteSize typed))
            Target = typed;
        else
            (Target, TargetWrong) = (wanted, $"\"{TargetText}\" is not a size; type 512, 512K or 2M");
        IReadOnlyList<StoredStock> cupboard = stock.All();
        Boards = [.. View.After.Instances.Where(i => i.Part.Arrays.Count > 0).Select(i => Board(i, cupboard))];
        ModuleRows = [.. Rows(cupboard)];
    }

    BoardOfBanks Board(Instance instance, IReadOnlyList<StoredStock> cupboard)
    {
        MemoryArray first = instance.Part.Arrays[0];
        ChipType[] types = [.. instance.Part.Arrays.SelectMany(a => a.Types).Select(t => ChipType.Find(t)!).Distinct()];
        var chips = cupboard
            .Where(s => s.Item.Kind == StockKind.Chip)
            .GroupBy(s => ChipType.Find(s.Item.Item)?.Organisation ?? "")
            .ToArray();
        var prices = chips
            .Where(g => g.Any(s => s.Item.Price is not null))
            .ToDictionary(g => g.Key, g => g.Min(s => s.Item.Price) ?? 0);
        ulong without = Plan.With(View.After, i => i.Name != instance.Name).Map.Reach[0].Bytes;
        ulong? cap = View.Model.MemoryLimits.TryGetValue(Master, out ByteSize limit) ? limit.Bytes : null;
        var question = new ArrangementQuestion(
            without,
            cap ?? ulong.MaxValue,
            first.DataBits,
            first.ParityBits,
            instance.Part.Arrays.Count,
            types,
            instance.Part.Mix is { } mix ? MixRules.Of(mix) ?? MixRule.Any : MixRule.Any,
            Target.Bytes,
            chips.ToDictionary(g => g.Key, g => g.Sum(s => s.Item.Count)),
            prices,
            instance.Part.Arrays.All(a => a.Socketed)
        );
        IReadOnlyList<Arrangement> ways = Arrangements.CanTry(question.Banks, types.Length) ? Arrangements.Of(question) : [];
        return new BoardOfBanks(
            instance,
            without,
            cap,
            ways,
            BanksNow(instance),
            [.. types.Where(t => !prices.ContainsKey(t.Organisation)).Select(t => t.Organisation)]
        );
    }

    static ChipType?[] BanksNow(Instance instance)
    {
        var now = new ChipType?[instance.Part.Arrays.Count];
        foreach (FilledBank bank in FilledBank.Of(instance))
            now[bank.Index] = bank.Chips.Type;
        return now;
    }

    /// <summary>Where the board's table sets the switches for an arrangement.</summary>
    public static IReadOnlyDictionary<string, string>? Switches(BoardOfBanks board, Arrangement way) =>
        ChipChecks.RowFor(board.Instance.Part, way.Banks)?.Positions;

    /// <summary>Plans an arrangement: the chips in the banks, and the switches where the board's table says.</summary>
    public IActionResult OnPostFill(string job, long version, string instance, List<string?> bank) =>
        Change(
            job,
            version,
            view =>
            {
                if (view.After.Find(instance) is not { } at)
                    return null;
                string?[] banks = [.. bank.Select(b => string.IsNullOrEmpty(b) ? null : b)];
                var row = ChipChecks.RowFor(at.Part, [.. banks.Select(b => b is null ? null : ChipType.Find(b))]);
                return (
                    $"Banks of {at.Title}: {string.Join(", ", banks.Select(b => b ?? "empty"))}",
                    json =>
                        JobEdits.SetSwitches(
                            JobEdits.SetBanks(json, instance, banks),
                            view.Unit.Fitted,
                            (row?.Positions ?? []).Select(p => (instance, p.Key, p.Value))
                        )
                );
            }
        );

    IEnumerable<ModuleRow> Rows(IReadOnlyList<StoredStock> cupboard)
    {
        foreach (
            var group in View
                .After.Sites.Where(s => s.Kind == "slot" && s.Connector is not null)
                .GroupBy(s => s.Connector!)
                .Where(g => g.Count() > 1)
        )
        {
            var slots = group
                .Select(site => new ModuleSlot(
                    site.Id,
                    View.Before.Instances.Where(i => i.Occupied.Any(o => o.Site == site.Id)).Select(BytesOf).FirstOrDefault()
                ))
                .ToArray();
            Part[] modules =
            [
                .. View.Sheets.Parts.Where(p =>
                    p.Kind == PartKind.Memory
                    && p.Ways.Any(w =>
                        w.Model == View.Model.Id
                        && (w.Revisions.Count == 0 || w.Revisions.Contains(View.After.Revision.Id))
                        && w.Occupies.Any(o => group.Any(s => s.Id == o.Site))
                    )
                ),
            ];
            if (modules.Length == 0 || slots.Length > Modules.MostSlots)
                continue;
            ModuleKind[] kinds =
            [
                .. modules
                    .GroupBy(Bytes)
                    .Where(g => g.Key > 0)
                    .Select(g => new ModuleKind(
                        g.Key,
                        cupboard
                            .Where(s =>
                                (s.Item.Kind == StockKind.Part && g.Any(p => p.Id == s.Item.Item))
                                || (
                                    s.Item.Kind == StockKind.Module
                                    && ScreenReading.TryParse(s.Item.Item, out ByteSize size)
                                    && size.Bytes == g.Key
                                )
                            )
                            .Sum(s => s.Item.Count),
                        g.Min(p => p.Price),
                        [
                            .. g.SelectMany(p => p.Ways)
                                .Where(w => w.Model == View.Model.Id)
                                .SelectMany(w => w.Occupies)
                                .Select(o => o.Site ?? "")
                                .Distinct(),
                        ]
                    )),
            ];
            ulong cap =
                View.Model.PowerUp.Select(l => l.Cap?.Bytes).FirstOrDefault(c => c is not null)
                ?? (View.Model.MemoryLimits.TryGetValue(Master, out ByteSize limit) ? limit.Bytes : ulong.MaxValue);
            yield return new ModuleRow(
                group.Key,
                slots,
                kinds,
                cap,
                [.. Modules.Of(slots, kinds, cap, Target.Bytes, largerFirst: false).Take(6)]
            );
        }
    }

    ulong BytesOf(Instance instance) => Bytes(instance.Part);

    static ulong Bytes(Part part) =>
        part.Claims.Where(c => c.Kind == ClaimKind.Ram).Select(c => c.Size?.Bytes ?? 0).DefaultIfEmpty(0ul).Max();

    /// <summary>Puts a module that comes out into the cupboard.</summary>
    public IActionResult OnPostKeep(string job, ulong bytes, int count)
    {
        if (!Load(job))
            return NotFound();
        var size = new ByteSize(bytes);
        stock.Add(
            new StockItem
            {
                Kind = StockKind.Module,
                Item = $"{bytes >> 10}K",
                Name = $"{size} module out of {View.Unit.Name}",
                Count = Math.Clamp(count, 1, 100),
                Tested = true,
            }
        );
        return LocalRedirect("/cupboard");
    }
}
