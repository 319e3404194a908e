using RustCabin.Core.Bench;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Rom;

/// <summary>A device that reads as it likes, and firmware of another age. Source: docs/handbook/faults.md, Causes.</summary>
static class RomHypotheses
{
    const decimal TwiceMinutes = 10,
        MarkMinutes = 1,
        SeatMinutes = 4;

    const string Version = "version";

    static IEnumerable<Firmware> Others(PlannedUnit at) =>
        at.Firmware is null ? [] : at.Model.Firmware.Where(f => f.Id != at.Firmware);

    /// <summary>The version that the firmware shows.</summary>
    public static IEnumerable<Sight> Sights(PlannedUnit at) =>
        Others(at).Any()
            ?
            [
                new Sight(
                    Version,
                    "Read the version that the firmware shows",
                    MarkMinutes,
                    at.Firmware!,
                    [.. Others(at).Select(f => f.Id)]
                ),
            ]
            : [];

    /// <summary>Under-erased or too slow devices of the job, and each other firmware of the model.</summary>
    public static IEnumerable<Hypothesis> Of(PlannedUnit at)
    {
        foreach (Hypothesis burnt in (at.Job?.Roms ?? []).SelectMany(rom => OfDevice(at, rom)))
            yield return burnt;
        foreach (Hypothesis other in OtherFirmware(at))
            yield return other;
    }

    static IEnumerable<Hypothesis> OfDevice(PlannedUnit at, RomPlan rom)
    {
        // A device of which the first instruction comes, and that is not read, leaves the machine dark.
        bool starts = Starting.Of(at).Sites.Contains(rom.Site);
        Hypothesis sits(string id, string words, decimal weight, string mend, Look look) =>
            Wrong(at, rom, id, words, mend, SeatMinutes, look) with
            {
                Weight = weight,
                Shows = starts ? Shown.Dark : Shown.Nothing,
                Effect = new Effect { IsDead = starts },
            };
        yield return sits(
            "seat",
            "is not seated",
            Work.UsualChance,
            "Switch off, take it out, look at its legs, and press it in all the way.",
            new Look(
                $"seat:{rom.Site}",
                $"Look whether the {rom.Device} in {rom.Socket} is seated, every leg in its hole",
                MarkMinutes,
                "seated",
                "not seated"
            )
        );
        yield return sits(
            "turned",
            "sits the other way round",
            Work.UsualChance / 4,
            "Switch off at once, turn it, and read it back before it is trusted again.",
            new Look(
                $"turned:{rom.Site}",
                $"Look where the mark of the {rom.Device} in {rom.Socket} lies",
                MarkMinutes,
                "as drawn",
                "at the other end"
            )
        );
        foreach (Hypothesis burnt in Burnt(at, rom))
            yield return burnt;
    }

    static Hypothesis Wrong(PlannedUnit at, RomPlan rom, string id, string words, string mend, decimal minutes, Look look) =>
        new($"{id}:{rom.Site}", $"the {rom.Device} in {rom.Socket} {words}", Work.UsualChance / 4, Shown.Nothing)
        {
            Mend = mend,
            MendMinutes = minutes,
            Look = look with { Opens = at.FindSite(rom.Site) is { } site ? AccessPath.Path(at.Model, site.Access) : [] },
        };

    static IEnumerable<Hypothesis> Burnt(PlannedUnit at, RomPlan rom)
    {
        yield return Wrong(
            at,
            rom,
            "erased",
            "was not erased or burnt to the end",
            "Erase it for the whole time, prove it blank, burn it with a second pass.",
            40,
            new Look(
                $"twice:{rom.Site}",
                $"Read the {rom.Device} of {rom.Socket} twice, cold and warm, and compare",
                TwiceMinutes,
                "equal",
                "they differ"
            )
        );
        yield return Wrong(
            at,
            rom,
            "access",
            "is too slow for its socket",
            "A faster device, or a wait state where the machine has one.",
            25,
            new Look(
                $"mark:{rom.Site}",
                $"Read the access time on the {rom.Device} of {rom.Socket}",
                MarkMinutes,
                "fast enough",
                "too slow"
            )
        );
    }

    static IEnumerable<Hypothesis> OtherFirmware(PlannedUnit at)
    {
        Firmware[] others = [.. Others(at)];
        foreach (Firmware other in others)
        {
            var effect = new Effect { Built = unit => unit with { Firmware = other.Id } };
            yield return new Hypothesis(
                $"firmware:{other.Id}",
                $"the firmware is {other.Id}, not {at.Firmware}",
                Work.UsualChance / 4 / others.Length,
                effect.On(at).Seen(Version, other.Id)
            )
            {
                Effect = effect,
                Mend = $"Put {at.Firmware} in.",
                MendMinutes = 20,
            };
        }
    }
}
