using RustCabin.Core.Sheets;

namespace RustCabin.Core.PictureSound;

/// <summary>What a job knows of picture and sound, as typed changes of its record.</summary>
public static class PictureSoundEdits
{
    /// <summary>Changes what is known of the picture.</summary>
    public static Job Picture(Job job, Func<PictureRecord, PictureRecord> change) =>
        job with
        {
            Picture = change(job.Picture ?? new PictureRecord()),
        };

    /// <summary>Wants a colour at an entry; nothing: the entry stays as the machine has it.</summary>
    public static Job Colour(Job job, int entry, string colour) =>
        Picture(
            job,
            p =>
            {
                string[] colours =
                [
                    .. Enumerable
                        .Range(0, Math.Max(p.Colours.Count, entry + 1))
                        .Select(i => i == entry ? colour : p.Colours.ElementAtOrDefault(i) ?? "-"),
                ];
                return p with { Colours = colours };
            }
        );

    /// <summary>Notes on which sides one was heard when it played alone.</summary>
    public static Job Heard(Job job, string side, IReadOnlyList<string> on, TakenOn? taken = null)
    {
        SoundRecord sound = job.Sound ?? new SoundRecord();
        return job with
        {
            Sound = sound with
            {
                Heard = new(sound.Heard) { [side] = on },
                On = taken,
            },
        };
    }

    /// <summary>Plans acts of wiring that put the sides right; what was heard before them no longer holds.</summary>
    public static Job Rewire(Job job, IReadOnlyList<WireChange> acts) =>
        job with
        {
            Changes = [.. job.Changes, .. acts],
            Sound = (job.Sound ?? new SoundRecord()) with { Heard = [] },
        };

    /// <summary>Says how the speakers are joined.</summary>
    public static Job Wired(Job job, SpeakersWired wired) =>
        job with
        {
            Sound = (job.Sound ?? new SoundRecord()) with { Wired = wired },
        };
}
