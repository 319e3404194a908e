using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Memory;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Memory;

/// <summary>
/// Chips and modules of the Memory station: how many of which kind, in which banks and slots, what to buy and where the switches
/// stand.
/// </summary>
public sealed class ChipsModel(SheetRepository sheets, JobRepository jobs, StockRepository stock) : StationPage(sheets, jobs)
{
    /// <summary>Minutes for each joint soldered: the user's own where they are known.</summary>
    public (decimal Minutes, int Steps) PerJoint => Core.Build.Learnt.PerJoint(View.Sheets, Jobs.All());

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
        ByteSize wanted = MemoryTarget.Of(View.After, View.Answer.PowerUp);
        if (string.IsNullOrWhiteSpace(TargetText))
            Target = wanted;
        else if (ByteSize.TryTyped(TargetText, out ByteSize typed))
            Target = typed;
        else
            (Target, TargetWrong) = (wanted, $"\"{TargetText}\" is not a size; type 512, 512K or 2M");
        StockItem[] cupboard = [.. stock.All().Select(s => s.Item)];
        Boards = BoardOfBanks.Of(View.After, Target, cupboard);
        ModuleRows = [.. ModuleRow.Of(View.Sheets, View.Before, View.After, Target, cupboard)];
    }

    /// <summary>Plans an arrangement: the chips in the banks, and the switches where the board's table says.</summary>
    public IActionResult OnPostFill(string job, long version, InstanceName instance, List<string?> bank) =>
        Press(job, version, at => Switching.Fill(at, instance, bank));

    /// <summary>The stages of the job.</summary>
    public IReadOnlyList<StageShown> Stages => field ??= Staging.Of(View.At, [.. stock.All().Select(s => s.Item)]);

    public IActionResult OnPostKeepStage(string job, long version, string? stage) =>
        Press(job, version, at => Staging.Keep(at, stage));

    public IActionResult OnPostStage(string job, long version, string stage) => Press(job, version, at => Staging.Go(at, stage));

    public IActionResult OnPostDropStage(string job, long version, string stage) =>
        Press(job, version, at => Staging.Drop(at, stage));

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
