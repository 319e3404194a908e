using RustCabin.Core.Planning;
using RustCabin.Core.Stations;

namespace RustCabin.Core.PictureSound;

/// <summary>What can go wrong with pictures and sides, and what is seen and heard. Source: docs/handbook/faults.md,
/// Causes.</summary>
static class PictureSoundHypotheses
{
    const string Picture = "picture",
        Silent = "silent";

    const decimal SyncMinutes = 3,
        PhaseMinutes = 2,
        LeadMinutes = 3;

    /// <summary>The picture, and each side of each jack.</summary>
    public static IEnumerable<Sight> Sights(PlannedUnit at)
    {
        if (PictureHere.Of(at).Count > 0)
            yield return new Sight(Picture, "Look at the picture", 1, "right", ["none", "garbage", "rolling", "shimmer"])
            {
                Dark = "none",
            };
        foreach (string side in Sides(at))
            yield return new Sight(Heard(side), $"Listen at {side.Replace(".", ", ")}", 1, "heard", [Silent, "distorted"])
            {
                Dark = Silent,
            };
    }

    static string Heard(string side) => $"sound {side}";

    static IEnumerable<string> Sides(PlannedUnit at) =>
        at.Model.Sounds.Concat(at.Instances.SelectMany(i => i.Part.Sounds)).Select(s => s.To).Distinct();

    /// <summary>A sync that is not there, a phase that is off, a cable of another board; a side that is not led out.</summary>
    public static IEnumerable<Hypothesis> Of(PlannedUnit at)
    {
        if (PictureHere.Converter(at) is { } converter)
            foreach (Hypothesis wrong in OfConverter(at, converter))
                yield return wrong with
                {
                    Instance = converter,
                };
        foreach (Instance part in at.Instances.Where(i => i.Part.Sounds.Count > 0))
        foreach (string side in part.Part.Sounds.Select(s => s.To).Distinct())
            yield return new Hypothesis(
                $"side:{part.Name}:{side}",
                $"the lead from {part.Title} to {side.Replace(".", ", ")} is off or shorted",
                Work.ChanceOf(part) / 4,
                Shown.Nothing.Seen(Heard(side), Silent)
            )
            {
                Instance = part,
                Mend = $"Measure from {part.Title} to {side.Replace(".", ", ")}, and mend the joint where it stops.",
                Look = Look.At(
                    at,
                    part,
                    $"side:{part.Name}:{side}",
                    $"Power off: measure the lead to {side}",
                    LeadMinutes,
                    "closed",
                    "open"
                ),
            };
    }

    static IEnumerable<Hypothesis> OfConverter(PlannedUnit at, Instance converter)
    {
        decimal quarter = Work.ChanceOf(converter) / 4;
        yield return new Hypothesis(
            $"sync:{converter.Name}",
            $"{converter.Title} gets no sync, or the wrong one",
            quarter,
            Shown.Nothing.Seen(Picture, "rolling")
        )
        {
            Mend = "Follow the sync from its tap to the converter; the wiring page names the place.",
            MendMinutes = 10,
            Look = Look.At(
                at,
                converter,
                $"sync:{converter.Name}",
                $"Measure the sync at {converter.Title}",
                SyncMinutes,
                "there",
                "missing"
            ),
        };
        if (converter.Part.Samples is { Phases: > 1 })
            yield return new Hypothesis(
                $"phase:{converter.Name}",
                $"the phase of {converter.Title} is off",
                quarter,
                Shown.Nothing.Seen(Picture, "shimmer")
            )
            {
                Mend = "A still screen, and the phase turned until nothing shimmers; then saved.",
                MendMinutes = 4,
                Look = new Look(
                    $"phase:{converter.Name}",
                    "Turn the phase by a quarter",
                    PhaseMinutes,
                    "no better",
                    "it stands still"
                ),
            };
        yield return new Hypothesis(
            $"cable:{converter.Name}",
            $"the cable of {converter.Title} is turned, or one for another board",
            quarter,
            Shown.Nothing.Seen(Picture, "none")
        )
        {
            Mend = "The cable that belongs to it, the mark on contact 1.",
            Look = Look.At(
                at,
                converter,
                $"cable:{converter.Name}",
                $"Hold the cable of {converter.Title} against its contacts",
                LeadMinutes,
                "right",
                "turned or another"
            ),
        };
    }
}
