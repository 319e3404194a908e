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
            Hypothesis wrong(string id, string words, string mend, decimal minutes, Look look) =>
                new($"{id}:{rom.Site}", $"the {rom.Device} in {rom.Site} {words}", Work.UsualChance / 4, Shown.Nothing)
                {
                    InCall = false,
                    Mend = mend,
                    MendMinutes = minutes,
                    Look = look with { Opens = opens },
                };
            yield return wrong(
                "erased",
                "was not erased or burnt to the end",
                "Erase it for the whole time, prove it blank, burn it with a second pass.",
                40,
                new Look(
                    $"twice:{rom.Site}",
                    $"Read the {rom.Device} twice, cold and warm, and compare",
                    TwiceMinutes,
                    "equal",
                    "they differ"
                )
            );
            yield return wrong(
                "access",
                "is too slow for its socket",
                "A faster device, or a wait state where the machine has one.",
                25,
                new Look($"mark:{rom.Site}", $"Read the access time on the {rom.Device}", MarkMinutes, "fast enough", "too slow")
            );
        }
        Firmware[] others = [.. Others(at)];
        foreach (Firmware other in others)
            yield return new Hypothesis(
                $"firmware:{other.Id}",
                $"the firmware is {other.Id}, not {at.Firmware}",
                Work.UsualChance / 4 / others.Length,
                Shown.Of(PowerUp.Run(at with { Firmware = other.Id })).Seen(Version, other.Id)
            )
            {
                InCall = false,
                Mend = $"Put {at.Firmware} in.",
                MendMinutes = 20,
            };
    }
}
