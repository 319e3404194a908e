using RustCabin.Core.Declared;
using RustCabin.Core.PictureSound;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>What is set by eye and ear: the picture, its display and phase, colours, sides.</summary>
public static class Picturing
{
    /// <summary>Phases of a converter whose sheet does not say how many.</summary>
    const int UsualPhases = 16;

    /// <summary>How many phases the converter of a job has.</summary>
    public static int Phases(AtHand at) => PictureHere.Converter(at.After)?.Part.Samples?.Phases ?? UsualPhases;

    /// <summary>Chooses a picture.</summary>
    public static Press<Job> Mode(AtHand at, string mode) =>
        PictureHere.Of(at.After).Any(p => p.Name == mode)
            ? Change($"Picture {mode}", j => PictureSoundEdits.Picture(j, p => p with { Mode = mode }))
            : Gone;

    /// <summary>Chooses the display: one that is kept, by its name, or what it locks onto.</summary>
    public static Press<Job> Display(IReadOnlyList<Display> kept, string? name, string? locks)
    {
        Display? display =
            kept.FirstOrDefault(d => d.Id == name && string.IsNullOrWhiteSpace(locks))
            ?? DisplayText.Parse(Texts.Of(name), locks ?? "");
        return display is null || display.Id?.Length > Texts.Most<Display>(nameof(Sheets.Display.Id))
            ? Refuse("locks", "Nothing was changed: a display is what it locks onto, such as 15-68 kHz, 47-77 Hz, 1280x1024.")
            : Change(
                $"Seen on {display.Id ?? "a display"}",
                j => PictureSoundEdits.Picture(j, p => p with { Display = display })
            );
    }

    /// <summary>Sets how many samples of a line are taken.</summary>
    public static Press<Job> Samples(int samples) =>
        samples is < 1 or > 1_000_000
            ? Refuse("samples", "Nothing was changed: samples of a line are 1 to 1,000,000.")
            : Change($"{samples} samples a line", j => PictureSoundEdits.Picture(j, p => p with { SamplesPerLine = samples }));

    /// <summary>Saves the phase at which the picture stands still.</summary>
    /// <param name="at">The job.</param>
    /// <param name="phase">The phase.</param>
    /// <param name="seen">A person sees a still screen on the machine itself; else it was found on the simulated one.</param>
    public static Press<Job> Phase(AtHand at, int phase, bool seen)
    {
        if (phase < 0 || phase >= Phases(at))
            return Refuse("phase", $"Nothing was changed: phases are 0 to {Phases(at) - 1}.");
        if (seen && PictureHere.Converter(at.After) is { Added: true } part && !Acts.Fit(part.Name).IsIn(at.Job.Done))
            return Refuse("phase", $"Nothing was changed: {part.Title} is not fitted yet, so nothing can be seen on it.");
        return Change(
            seen ? $"Phase {phase}: a still screen stands still" : $"Phase {phase} found on the simulated converter",
            j =>
                PictureSoundEdits.Picture(
                    j,
                    p => p with { Phase = phase, On = Grounds.Of(j, [], at.Moment) with { Simulated = !seen } }
                )
        );
    }

    /// <summary>Sets an entry of the palette.</summary>
    public static Press<Job> Colour(AtHand at, int entry, string? colour)
    {
        Palette? palette = PictureHere.PaletteOf(at.After);
        string typed = Texts.Of(colour).ToLowerInvariant();
        if (palette is null || entry < 0 || entry >= palette.AtOnce)
            return Refuse("entry", $"Nothing was changed: the machine has the entries 0 to {(palette?.AtOnce ?? 1) - 1}.");
        return Colours.Parse(typed) is null
            ? Refuse("colour", $"Nothing was changed: \"{colour}\" is not a colour such as #7a5a30.")
            : Change($"Entry {entry}: {typed}", j => PictureSoundEdits.Colour(j, entry, typed));
    }

    /// <summary>Notes where a side was heard when it played alone: left, right, both or nothing.</summary>
    public static Press<Job> Heard(AtHand at, string side, string on)
    {
        IReadOnlyList<string>? where = on switch
        {
            "both" => [SidesAsked.Left, SidesAsked.Right],
            "nothing" => [],
            SidesAsked.Left or SidesAsked.Right => [on],
            _ => null,
        };
        return side is SidesAsked.Left or SidesAsked.Right && where is not null
            ? Change($"{side} alone: heard on {on}", j => PictureSoundEdits.Heard(j, side, where, Grounds.Of(j, [], at.Moment)))
            : Gone;
    }

    /// <summary>Says how the speakers are wired.</summary>
    public static Press<Job> Wired(string wired) =>
        Words<SpeakersWired>.TryParse(wired, out SpeakersWired known)
            ? Change($"Speakers in {wired}", j => PictureSoundEdits.Wired(j, known))
            : Gone;

    /// <summary>Acts of wiring that put the sides right, as far as they are not planned yet.</summary>
    public static IReadOnlyList<WireChange> SidesMend(AtHand at) =>
        at.Job.Sound is { Heard.Count: 2 } sound && at.Job.Changes.Count == 0
            ? SoundMend.Of(at.After, Sides.Of(sound.Heard).Verdict)
            : [];

    /// <summary>Puts the acts that mend the sides on the build sheet; the sides are to be heard again then.</summary>
    public static Press<Job> Rewire(AtHand at) =>
        SidesMend(at) is { Count: > 0 } acts
            ? Change("Sides put right: on the build sheet", j => PictureSoundEdits.Rewire(j, acts))
            : Gone;
}
