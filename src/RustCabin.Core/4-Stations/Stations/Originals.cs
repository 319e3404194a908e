using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Stations;

/// <summary>An original piece that comes off in a build and must be kept.</summary>
/// <param name="What">What it is.</param>
/// <param name="Of">What takes its place.</param>
/// <param name="Subject">What findings about it are about.</param>
/// <param name="Step">The step at which it comes off.</param>
public sealed record Original(string What, string Of, Subject Subject, StepId Step)
{
    /// <summary>
    /// Where the unit's record says that it is kept; empty: it does not say. Records of earlier versions have the id of a socket
    /// in the words (<c>rom-4</c>).
    /// </summary>
    public string PlaceIn(Unit unit) => unit.Belongings.LastOrDefault(IsIt)?.Place ?? "";

    bool IsIt(Belonging kept) => kept.Place.Length > 0 && IdText.Plain(kept.What) == IdText.Plain(What);
}

/// <summary>The original pieces that a job takes off its unit. Source: docs/handbook/passport.md, Originals.</summary>
public static class Originals
{
    /// <summary>Of parts by their sheets and ways; of ROM sockets and of firmware the device that was there.</summary>
    public static IEnumerable<Original> Of(PlannedUnit unit)
    {
        foreach (Instance instance in unit.Instances.Where(i => i.Added))
        foreach (string kept in instance.Part.Keeps.Concat(instance.Way?.Keeps ?? []).Distinct())
            yield return new Original(kept, instance.Title, instance.Subject, Acts.Fit(instance.Name));
        foreach (RomPlan rom in unit.Job?.Roms ?? [])
            yield return new Original(
                $"original device of {rom.Socket}",
                rom.Device,
                Subject.Model(rom.Site),
                Acts.FitRom(rom.Site)
            );
    }

    /// <summary>Those that come off at a step.</summary>
    public static IEnumerable<Original> At(PlannedUnit unit, StepId step) => Of(unit).Where(o => o.Step == step);
}
