using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Maps;

static class MapChecks
{
    /// <summary>MAP-FIGHT: two drivers on the bus at once.</summary>
    public static IEnumerable<Finding> Fights(PlannedUnit unit) =>
        unit.Map.Fights.Select(fight =>
        {
            string[] owners = Owners(unit, fight);
            bool onReads = fight.Claims.Count(c => unit.Map.Claims[c].Reads) > 1;
            return new Finding(
                "MAP-FIGHT",
                Severity.Stop,
                "Memory",
                $"{Number(owners.Length)} drive one range",
                Subjects(unit, fight),
                onReads
                    ? $"{Listed(owners)} {(owners.Length == 2 ? "both" : "all")} answer reads at {Where(unit, fight)}. That can damage their drivers."
                    : $"{Listed(owners)} meet on writes at {Where(unit, fight)}: one drives the bus although it is being written. That can damage the drivers.",
                Why(unit, fight)
            );
        });

    /// <summary>MAP-WRITE-TWICE: two claims take the same write.</summary>
    public static IEnumerable<Finding> WritesTwice(PlannedUnit unit) =>
        unit.Map.WritesTwice.Select(meeting => new Finding(
            "MAP-WRITE-TWICE",
            Severity.Watch,
            "Memory",
            "A write lands twice",
            Subjects(unit, meeting),
            $"{Listed(Owners(unit, meeting))} all accept writes at {Where(unit, meeting)}.".Replace(
                " all ",
                meeting.Claims.Length == 2 ? " both " : " all "
            ),
            Why(unit, meeting)
        ));

    /// <summary>MAP-OUTSIDE: a claim lies beyond the last address that the machine has.</summary>
    public static IEnumerable<Finding> Outside(PlannedUnit unit) =>
        unit.Map.Outside.Select(index =>
        {
            DecodedClaim claim = unit.Map.Claims[index];
            ulong last = Decode.Space(unit.Model.AddressBits);
            return new Finding(
                "MAP-OUTSIDE",
                Severity.Stop,
                "Memory",
                "Beyond the address space",
                [PlannedUnit.SubjectOf(claim.Owner)],
                $"{unit.OwnerName(claim.Owner)} reaches {Hex(unit, claim.Base + (claim.Size - 1))}; the last address is {Hex(unit, last)}.",
                [
                    $"{unit.Model.AddressBits} address lines reach {new ByteSize(last + 1)}: up to {Hex(unit, last)}.",
                    $"The claim begins at {Hex(unit, claim.Base)} and is {new ByteSize(claim.Size)} long.",
                ]
            );
        });

    /// <summary>AUTO-NO-ROOM: a self-configuring card finds no free place of its size.</summary>
    public static IEnumerable<Finding> NoRoom(PlannedUnit unit) =>
        unit.Unplaced.Select(left => new Finding(
            "AUTO-NO-ROOM",
            Severity.Stop,
            "Memory",
            $"No room for {new ByteSize(left.Size)}",
            [PlannedUnit.SubjectOf(left.Owner)],
            $"{unit.OwnerName(left.Owner)} asks for {new ByteSize(left.Size)}, and no free range of that size is left for it.",
            [
                "A self-configuring card takes the lowest base = window base + k x size whose range is free, in slot order.",
                .. left.Why,
            ]
        ));

    static string Hex(PlannedUnit unit, ulong address) => new Address(address).ToScreen(unit.Model.AddressBits);

    static string Where(PlannedUnit unit, Meeting meeting) => meeting.Range.ToScreen(unit.Model.AddressBits);

    static string[] Owners(PlannedUnit unit, Meeting meeting) =>
        [.. meeting.Claims.Select(c => unit.OwnerName(unit.Map.Claims[c].Owner)).Distinct()];

    static string[] Subjects(PlannedUnit unit, Meeting meeting) =>
        [.. meeting.Claims.Select(c => PlannedUnit.SubjectOf(unit.Map.Claims[c].Owner)).Distinct()];

    static string Listed(string[] names) =>
        names.Length < 2 ? $"Two claims of {names[0]}" : $"{string.Join(", ", names[..^1])} and {names[^1]}";

    static string Number(int count) =>
        count switch
        {
            1 or 2 => "Two",
            3 => "Three",
            _ => "Several",
        };

    static IReadOnlyList<string> Why(PlannedUnit unit, Meeting meeting) =>
        [
            .. meeting
                .Claims.Select(c => unit.Map.Claims[c])
                .Select(c =>
                    $"{c.Owner}: {Words<ClaimKind>.Of(c.Kind)}, {Words<BusAccess>.Of(c.Access)}, {AddressRange.Of(c.Base, c.Size).ToScreen(unit.Model.AddressBits)}, {new ByteSize(c.Size)}"
                    + (c.Mask is { } mask ? $", decoded by mask {Hex(unit, mask)}" : "")
                    + (c.DrivesOnWrite ? ", drives on writes too" : "")
                    + "."
                ),
            $"They meet at {Where(unit, meeting)}, {meeting.Range.Size}, as seen by {string.Join(" and ", unit.Map.MasterNames(meeting.Masters))}.",
            "No sheet says that one of them switches another off there.",
        ];
}
