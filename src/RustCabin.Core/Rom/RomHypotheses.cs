using RustCabin.Core.Bench;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Rom;

/// <summary>A device that reads as it likes, and firmware of another age. Source: docs/handbook/faults.md, Causes.</summary>
static class RomHypotheses
{
    const decimal TwiceMinutes = 10,
        MarkMinutes = 1;

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
        foreach (RomPlan rom in at.Job?.Roms ?? [])
        {
            IReadOnlyList<AccessLevel> opens = at.FindSite(rom.Site) is { } site ? AccessPath.Path(at.Model, site.Access) : [];
            yield return new Hypothesis(
                $"erased:{rom.Site}",
                $"the {rom.Device} in {rom.Site} was not erased or burnt to the end",
                Work.UsualChance / 4,
                Shown.Nothing
            )
            {
                InCall = false,
                Mend = "Erase it for the whole time, prove it blank, burn it with a second pass.",
                MendMinutes = 40,
                Look = new Look(
                    $"twice:{rom.Site}",
                    $"Read the {rom.Device} twice, cold and warm, and compare",
                    TwiceMinutes,
                    "equal",
                    "they differ"
                )
                {
                    Opens = opens,
                },
            };
            yield return new Hypothesis(
                $"access:{rom.Site}",
                $"the {rom.Device} in {rom.Site} is too slow for its socket",
                Work.UsualChance / 4,
                Shown.Nothing
            )
            {
                InCall = false,
                Mend = "A faster device, or a wait state where the machine has one.",
                MendMinutes = 25,
                Look = new Look(
                    $"mark:{rom.Site}",
                    $"Read the access time on the {rom.Device}",
                    MarkMinutes,
                    "fast enough",
                    "too slow"
                )
                {
                    Opens = opens,
                },
            };
        }
        Firmware[] others = [.. Others(at)];
        foreach (Firmware other in others)
            yield return new Hypothesis(
                $"firmware:{other.Id}",
                $"the firmware is {other.Id}, not {at.Firmware}",
                Work.UsualChance / 4 / others.Length,
                new Shown(PowerUp.Run(at with { Firmware = other.Id }), true)
                {
                    Others = new Dictionary<string, string> { [Version] = other.Id },
                }
            )
            {
                InCall = false,
                Mend = $"Put {at.Firmware} in.",
                MendMinutes = 20,
            };
    }
}
