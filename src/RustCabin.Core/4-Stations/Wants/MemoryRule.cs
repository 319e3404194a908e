using Google.OrTools.Sat;
using RustCabin.Core.Choices;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Wants;

sealed record MemoryRule(MemoryNeed Need) : NeedRule
{
    string Free => Need.Free ? ", free once the system has loaded" : "";

    public override string Words(PlannedUnit? unit) => $"{Need.AtLeast} that {MasterWords.The(Need.Master)} reaches{Free}";

    public override (bool? Met, string Text) Answer(PlannedUnit unit)
    {
        if (There(unit) is not { } there)
            return (false, $"{Need.AtLeast} that {MasterWords.The(Need.Master)} reaches; this machine has no such master");
        ByteSize reach = unit.Map.Reach[unit.Model.Masters.ToList().IndexOf(Need.Master)];
        string beyond =
            Need.Free || reach <= there ? ""
            : unit.StartUp is { } start ? $" left of {reach}, started {start.Name}"
            : $" that the system can use of {reach}";
        string lack = there < Need.AtLeast ? $", {new ByteSize(Need.AtLeast.Bytes - there.Bytes)} short" : "";
        return (there >= Need.AtLeast, $"{Words(unit)}; there {(there.Bytes == 1 ? "is" : "are")} {there}{beyond}{lack}");
    }

    /// <summary>What the master reaches, or has free; null: there is no such master.</summary>
    ByteSize? There(PlannedUnit unit) =>
        unit.Model.Masters.ToList().IndexOf(Need.Master) is >= 0 and var master
            ? Need.Free
                ? NeedCheck.Free(unit, Need.Master)
                : NeedCheck.Left(unit, master)
            : null;

    public override (decimal There, decimal Wanted, string Words)? Share(PlannedUnit unit) =>
        There(unit) is { } there ? (there.Bytes, Need.AtLeast.Bytes, there.ToString()) : null;

    public override bool Tempts(PlannedUnit unit, Part part) =>
        part.Claims.Any(c => c.Kind == ClaimKind.Ram && (c.Masters.Count == 0 || c.Masters.Contains(Need.Master)))
        || part.Sets.Any(s => s.Size is not null || s.Masters.Contains(Need.Master));

    /// <summary>What a master could reach at most: every claim at its largest, whatever lies over it.</summary>
    public override void Require(ChoiceModel choices, ILiteral on, bool strict)
    {
        PlannedUnit unit = choices.Unit;
        if (!unit.Model.Masters.Contains(Need.Master))
        {
            choices.Forbid(on);
            return;
        }
        ulong used = Need.Free ? NeedCheck.UsedBy(unit, Need.Master) : 0;
        IEnumerable<Cell> memory = choices.Cells.Where(c =>
            c.Claim.Kind == ClaimKind.Ram && (c.Claim.Access & BusAccess.Read) != 0
        );
        choices.AtLeast(on, Need.AtLeast.Bytes + used, memory.Select(c => (c.On, Most(choices, c))));
    }

    ulong Most(ChoiceModel choices, Cell cell)
    {
        SetChange[] changes =
        [
            .. choices.Named.SelectMany(p => p.Part.Sets.Where(s => ClaimName.On(p.Name, s.Claim) == cell.Owner)),
        ];
        IReadOnlyList<string> own = cell.Claim.Masters.Count > 0 ? cell.Claim.Masters : choices.Unit.Model.Masters;
        if (!own.Contains(Need.Master) && !changes.Any(s => s.Masters.Contains(Need.Master)))
            return 0;
        ulong size = changes.Select(s => s.Size?.Bytes ?? 0).Append(cell.Claim.Size!.Value.Bytes).Max();
        return size * (ulong)(cell.Claim.Window?.Banks ?? 1);
    }
}
