using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;
using RustCabin.Core.Wants;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.PictureSound;

/// <summary>What is wrong with the picture and the sound of a plan. Source: docs/handbook/picture-sound.md.</summary>
public static class PictureSoundChecks
{
    /// <summary>Locks, samples, memory, syncs.</summary>
    public static IEnumerable<Finding> Picture(PlannedUnit unit)
    {
        if (PictureHere.Chosen(unit) is { } picture)
        {
            Instance? converter = PictureHere.Converter(unit);
            var asked = TimingAsked.Of(picture.Mode, converter?.Part.Samples?.Doubles == true, unit.Job?.Picture?.Display);
            Subject subject = picture.Owner?.Subject ?? Subject.Model(picture.Mode.Id);
            foreach (Finding finding in Timing.Locks(asked, subject).Concat(Room(unit, picture, subject)))
                yield return finding;
            if (converter is not null)
                foreach (Finding finding in Sampled(unit, picture.Mode, converter))
                    yield return finding;
        }
        foreach (Instance instance in unit.Instances.Where(i => i.Part.Samples is { Needs.Count: > 0 }))
        foreach (Finding finding in Syncs(unit, instance))
            yield return finding;
    }

    static IEnumerable<Finding> Room(PlannedUnit unit, PictureHere picture, Subject subject)
    {
        if (picture.Mode.Memory is not { } master || PictureMemory.Of(picture.Mode) is not { } taken)
            yield break;
        if (!unit.Model.Masters.Contains(master))
            yield break;
        ByteSize free = NeedCheck.Free(unit, master);
        if ((ulong)taken.Bytes > free.Bytes)
            yield return new Finding(
                PictureSoundFindings.Memory,
                Severity.Stop,
                $"No room for {picture.Title}",
                [subject],
                $"The picture takes {taken.Bytes:#,0} bytes, and {MasterWords.The(master)} has {free} free.",
                [
                    $"{picture.Mode.Visible!.Width} pixels x {picture.Mode.Visible.Bits} bits, "
                        + $"at multiples of {picture.Mode.LineAlign}: "
                        + $"{taken.Stride} bytes a line.",
                    $"{taken.Stride} x {picture.Mode.Visible.Height} lines x {picture.Mode.Buffers} = {taken.Bytes:#,0} bytes.",
                ]
            );
    }

    static IEnumerable<Finding> Sampled(PlannedUnit unit, PictureMode mode, Instance converter)
    {
        Sampler sampler = converter.Part.Samples!;
        int samples = unit.Job?.Picture?.SamplesPerLine ?? mode.PixelsPerLine;
        decimal clock = mode.PixelClockMHz * samples / mode.PixelsPerLine;
        if (clock > sampler.MaxMHz)
            yield return new Finding(
                PictureSoundFindings.SampleFast,
                Severity.Stop,
                $"{clock:0.##} MHz are too fast for {converter.Title}",
                [converter.Subject],
                $"{samples} samples a line ask for {clock:0.###} MHz; {converter.Title} has {sampler.MaxMHz:0.###}.",
                [$"{mode.PixelClockMHz} MHz x {samples} / {mode.PixelsPerLine} = {clock:0.###} MHz."]
            );
        var found = Sampling.Of(new SamplingAsked { PixelsPerLine = mode.PixelsPerLine, SamplesPerLine = samples });
        if (found.BeatPixels is { } beat)
            yield return new Finding(
                PictureSoundFindings.SampleBeat,
                Severity.Watch,
                $"It beats every {beat:0.#} pixels",
                [converter.Subject],
                $"{samples} samples on {mode.PixelsPerLine} pixels are no whole number: bands stand every {beat:0.#} pixels.",
                [$"{samples} / {mode.PixelsPerLine} = {samples / (decimal)mode.PixelsPerLine:0.####}."]
            );
    }

    static IEnumerable<Finding> Syncs(PlannedUnit unit, Instance converter)
    {
        var wired = Wired.Of(unit);
        HashSet<string> carried =
        [
            .. converter
                .Occupied.Select(o => unit.FindSite(o.Site!))
                .OfType<Site>()
                .SelectMany(s => s.Contacts.Concat(s.Pinout))
                .Concat(converter.Part.Pads.Select(p => p.Wants).OfType<string>())
                .Select(wired.Places.Canonical),
        ];
        foreach (string net in converter.Part.Samples!.Needs.Where(n => !carried.Contains(wired.Places.Canonical(n))))
        {
            TapOption[] taps = [.. Taps.Of(wired, net)];
            yield return new Finding(
                PictureSoundFindings.SyncMissing,
                Severity.Stop,
                $"No {net} for {converter.Title}",
                [converter.Subject],
                $"{converter.Title} needs {net}, which its site does not carry on this board."
                    + (taps.Length > 0 ? $" Easiest at {taps[0].Place} ({taps[0].Tap})." : " No sheet knows where it lies."),
                [
                    taps.Length > 0
                        ? $"{net} lies at {string.Join(", ", taps.Select(t => $"{t.Place} ({t.Tap})"))}."
                        : $"Nothing on the sheets carries {net}.",
                ]
            );
        }
    }

    /// <summary>Speakers, and what was heard.</summary>
    public static IEnumerable<Finding> Sound(PlannedUnit unit)
    {
        foreach (Instance instance in unit.Instances)
            if (instance.Part is { Amplifier: { Rms: { } rms } amplifier, Loads.Count: > 0 })
                foreach (Finding finding in SpeakerLoad.Check(LoadOf(unit, instance, amplifier, rms), instance.Subject))
                    yield return finding;
        if (unit.Job?.Sound is { Heard.Count: > 0 } sound && Sides.Of(sound.Heard) is { Verdict: not SidesVerdict.Right } sides)
            yield return new Finding(
                PictureSoundFindings.SidesWrong,
                Severity.Watch,
                sides.Verdict switch
                {
                    SidesVerdict.Swapped => "Left and right are exchanged",
                    SidesVerdict.Summed => "A side is heard on both",
                    SidesVerdict.Silent => "Nothing is heard",
                    _ => "One side only",
                },
                [Subject.Unit],
                sides.Words,
                [
                    .. sound.Heard.Select(h =>
                        $"{h.Key} alone: {(h.Value.Count > 0 ? $"heard on {string.Join(" and ", h.Value)}" : "not heard")}."
                    ),
                    .. Separation(unit),
                ]
            );
    }

    /// <summary>The speakers of an amplifier as the job joins them.</summary>
    public static LoadAsked LoadOf(PlannedUnit unit, Instance instance, Amplifier amplifier, decimal rms) =>
        new()
        {
            Rms = rms,
            Speakers = [.. instance.Part.Loads.Select(l => l.Ohms)],
            Wired = unit.Job?.Sound?.Wired ?? SpeakersWired.Series,
            Amplifier = amplifier,
        };

    /// <summary>How far inputs that feed several sides leave these apart.</summary>
    static IEnumerable<string> Separation(PlannedUnit unit) =>
        unit
            .Model.Inputs.Concat(unit.Instances.SelectMany(i => i.Part.Inputs))
            .Where(i => i is { To.Count: > 1, Ohms: > 0, LoadOhms: > 0 })
            .Select(i =>
                $"Input {IdText.Plain(i.Id)} joins {string.Join(" and ", i.To)} over two resistors of {i.Ohms:0} ohms: "
                + $"{-SpeakerLoad.DividerDb(2 * i.Ohms!.Value, i.LoadOhms!.Value):0.#} dB are left between them."
            );
}
