using RustCabin.Core.Choices;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Memory;

static class MapChecks
{
    /// <summary>MAP-FIGHT: two drivers on the bus at once.</summary>
    public static IEnumerable<Finding> Fights(PlannedUnit unit) =>
        from map in unit.Spaces
        from fight in map.Fights
        select Fight(unit, map, fight);

    static Finding Fight(PlannedUnit unit, ResolvedMap map, Meeting fight)
    {
        string[] owners = Owners(unit, map, fight);
        bool onReads = fight.Claims.Count(c => map.Claims[c].Reads) > 1;
        return new Finding(
            MemoryFindings.MapFight,
            Severity.Stop,
            $"{Number(owners.Length)} drive one range",
            Subjects(map, fight),
            onReads
                ? $"{Listed(owners)} {(owners.Length == 2 ? "both" : "all")} answer reads at {Where(map, fight)}. That "
                    + $"can damage their drivers."
                : $"{Listed(owners)} meet on writes at {Where(map, fight)}: one drives the bus although it is being "
                    + $"written. That can damage the drivers.",
            Why(unit, map, fight)
        );
    }

    /// <summary>MAP-WRITE-TWICE: two claims take the same write.</summary>
    public static IEnumerable<Finding> WritesTwice(PlannedUnit unit) =>
        from map in unit.Spaces
        from meeting in map.WritesTwice
        let all = meeting.Claims.Length == 2 ? "both" : "all"
        select new Finding(
            MemoryFindings.MapWriteTwice,
            Severity.Watch,
            "A write lands twice",
            Subjects(map, meeting),
            $"{Listed(Owners(unit, map, meeting))} {all} accept writes at {Where(map, meeting)}.",
            Why(unit, map, meeting)
        );

    /// <summary>MAP-OUTSIDE: a claim lies beyond the last address that the machine has.</summary>
    public static IEnumerable<Finding> Outside(PlannedUnit unit) =>
        from map in unit.Spaces
        from index in map.Outside
        let claim = map.Claims[index]
        let last = Decode.Space(map.AddressBits)
        select new Finding(
            MemoryFindings.MapOutside,
            Severity.Stop,
            claim.Space == BusSpace.Io ? "Beyond the port space" : "Beyond the address space",
            [claim.Owner.Subject],
            $"{unit.OwnerName(claim.Owner)} reaches {Hex(map, claim.Base + (claim.Size - 1))}; the last address is "
                + $"{Hex(map, last)}.",
            [
                $"{map.AddressBits} address lines reach {new ByteSize(last + 1)}: up to {Hex(map, last)}.",
                $"The claim begins at {Hex(map, claim.Base)} and is {new ByteSize(claim.Size)} long.",
            ]
        );

    /// <summary>AUTO-NO-ROOM: a self-configuring card finds no free place of its size.</summary>
    public static IEnumerable<Finding> NoRoom(PlannedUnit unit) =>
        unit.Unplaced.Select(left => new Finding(
            MemoryFindings.AutoNoRoom,
            Severity.Stop,
            $"No room for {new ByteSize(left.Size)}",
            [left.Owner.Subject],
            $"{unit.OwnerName(left.Owner)} asks for {new ByteSize(left.Size)}, and no free range of that size is left for it.",
            [
                "A self-configuring card takes the lowest base = window base + k x size whose range is free, in slot order.",
                .. left.Why,
            ]
        ));

    static string Hex(ResolvedMap map, ulong address) => new Address(address).ToScreen(map.AddressBits);

    static string Where(ResolvedMap map, Meeting meeting) => meeting.Range.ToScreen(map.AddressBits);

    static string[] Owners(PlannedUnit unit, ResolvedMap map, Meeting meeting) =>
        [.. meeting.Claims.Select(c => unit.OwnerName(map.Claims[c].Owner)).Distinct()];

    static Subject[] Subjects(ResolvedMap map, Meeting meeting) =>
        [.. meeting.Claims.Select(c => map.Claims[c].Owner.Subject).Distinct()];

    static string Listed(string[] names) =>
        names.Length < 2 ? $"Two claims of {names[0]}" : $"{string.Join(", ", names[..^1])} and {names[^1]}";

    static string Number(int count) =>
        count switch
        {
            1 or 2 => "Two",
            3 => "Three",
            _ => "Several",
        };

    static IReadOnlyList<string> Why(PlannedUnit unit, ResolvedMap map, Meeting meeting) =>
        [
            .. meeting
                .Claims.Select(c => map.Claims[c])
                .Select(c =>
                    $"{unit.NameOf(c.Owner)}: {Words<ClaimKind>.Of(c.Kind)}, {Words<BusAccess>.Of(c.Access)}, "
                    + $"{AddressRange.Of(c.Base, c.Size).ToScreen(map.AddressBits)}, {new ByteSize(c.Size)}"
                    + (c.Mask is { } mask ? $", decoded by mask {Hex(map, mask)}" : "")
                    + (c.DrivesOnWrite ? ", drives on writes too" : "")
                    + "."
                ),
            $"They meet at {Where(map, meeting)}, {meeting.Range.Size}, as seen by "
                + $"{string.Join(" and ", map.MasterNames(meeting.Masters).Select(MasterWords.The))}.",
            "No sheet says that one of them switches another off there.",
        ];

    /// <summary>
    /// MAP-FIGHT, MAP-OUTSIDE and AUTO-NO-ROOM, as far as choices show them: at the beginning of each claim one at most of
    /// those that reach there answers a master. Claims whose place depends on other claims (overlays, changes by other parts)
    /// are left to the checks.
    /// </summary>
    public static void Rule(ChoiceModel choices)
    {
        Model model = choices.Unit.Model;
        HashSet<ClaimName> moved =
        [
            .. choices.Cells.SelectMany(c =>
                c.Claim.Overlays.SelectMany(o => (ClaimName[])[ClaimName.On("", o), ClaimName.On(c.Owner.Of, o)])
            ),
            .. choices.Named.SelectMany(p => p.Part.Sets.Select(s => ClaimName.On(p.Name, s.Claim))),
        ];
        Cell[] still =
        [
            .. choices.Cells.Where(c => !moved.Contains(c.Owner) && c.Claim.Overlays.Count == 0 && c.On != choices.No),
        ];
        Room(choices, [.. still.Where(c => c.Claim.Auto)]);

        ulong last = Decode.Space(model.AddressBits);
        // The port space is left to the checks.
        Cell[] placed = [.. still.Where(c => c.Claim is { Auto: false, Base: not null, Mask: null, Space: BusSpace.Memory })];
        foreach (
            Cell cell in placed.Where(c =>
                c.Claim.Base!.Value.Value > last || c.Claim.Size!.Value.Bytes - 1 > last - c.Claim.Base.Value.Value
            )
        )
            choices.Forbid(cell.On);

        Cell[] reading = [.. placed.Where(c => (c.Claim.Access & BusAccess.Read) != 0).OrderBy(c => c.Claim.Base!.Value.Value)];
        foreach (string master in model.Masters)
            OneReader(choices, [.. reading.Where(c => MastersOf(model, c.Claim).Contains(master))]);
    }

    /// <summary>Claims in order of their bases.</summary>
    static void OneReader(ChoiceModel choices, Cell[] reading)
    {
        List<Cell> open = [];
        foreach (var here in reading.GroupBy(c => c.Claim.Base!.Value.Value))
        {
            open.RemoveAll(c => here.Key - c.Claim.Base!.Value.Value >= c.Claim.Size!.Value.Bytes);
            open.AddRange(here);
            if (open.Count > 1)
                choices.AtMostOne(open.Select(c => c.On));
        }
    }

    /// <summary>The masters that reach a claim.</summary>
    public static IEnumerable<string> MastersOf(Model model, Claim claim) =>
        claim.Masters.Count > 0 ? claim.Masters.Where(model.Masters.Contains) : model.Masters;

    static void Room(ChoiceModel choices, Cell[] seeking)
    {
        IReadOnlyList<AutoWindow> windows = choices.Unit.Model.AutoWindows;
        ulong widest = windows.Select(w => w.Size.Bytes).DefaultIfEmpty(0ul).Max();
        foreach (Cell cell in seeking.Where(c => c.Claim.Size!.Value.Bytes > widest))
            choices.Forbid(cell.On);
        if (seeking.Length > 1)
            choices.AtMost(
                seeking.Select(c => (c.On, (long)(c.Claim.Size!.Value.Bytes / ChoiceModel.Grain))),
                (long)(windows.Aggregate(0ul, (sum, w) => sum + w.Size.Bytes) / ChoiceModel.Grain + 1)
            );
    }
}
