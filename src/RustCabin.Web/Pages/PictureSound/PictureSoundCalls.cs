using System.Text.Json.Serialization;
using RustCabin.Core.Declared;
using RustCabin.Core.PictureSound;
using RustCabin.Core.Sheets;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.PictureSound;

public sealed record TimingAnswer(
    double LineHz,
    double FieldHz,
    double FrameHz,
    double OutLineHz,
    IReadOnlyList<FindingJson> Findings
);

public sealed record PaletteAnswer(long Colours, IReadOnlyList<NearestColour> Entries);

public sealed record ScaleAnswer(
    IReadOnlyList<int> Factor,
    IReadOnlyList<int> Size,
    IReadOnlyList<int> Borders,
    bool Square,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] double? Distortion
);

public sealed record LoadAnswer(double Ohms, double Watts, IReadOnlyList<FindingJson> Findings);

public sealed record SidesAnswer(string Verdict, string Words);

/// <summary>
/// The calls under <c>/api/v1/picture</c> and <c>/api/v1/sound</c>. Source: docs/formats.md, The JSON interface.
/// </summary>
static class PictureSoundCalls
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapCall(
            "picture/timing",
            "The rates of a picture, and whether a display locks onto them",
            (TimingAsked asked) => Of(asked),
            Nulls.Read<TimingAsked>
        );
        routes.MapCall("picture/sampling", "Samples of a line, and the best phase", (SamplingAsked asked) => Sampling.Of(asked));
        routes.MapCall("picture/memory", "What a picture takes of memory", (PictureMemoryAsked asked) => PictureMemory.Of(asked));
        routes.MapCall(
            "picture/palette",
            "The nearest colours that a machine can show",
            (PaletteAsked asked) =>
                new PaletteAnswer(Colours.Count(asked.Levels), [.. asked.Wanted.Select(w => Colours.Nearest(asked.Levels, w))])
        );
        routes.MapCall("picture/scale", "A picture on a panel by whole factors", (ScaleAsked asked) => Of(asked));
        routes.MapCall(
            "sound/load",
            "What speakers take",
            (LoadAsked asked) =>
                new LoadAnswer(
                    SpeakerLoad.Of(asked).Ohms,
                    SpeakerLoad.Of(asked).Watts,
                    [.. SpeakerLoad.Check(asked, Subject.Asked("amplifier")).Select(AnswerJson.Of)]
                )
        );
        routes.MapCall("sound/sides", "What was heard of each side alone", (SidesAsked asked) => Of(asked));
    }

    static TimingAnswer Of(TimingAsked asked)
    {
        var timing = Timing.Of(asked);
        return new TimingAnswer(
            timing.LineHz,
            timing.FieldHz,
            timing.FrameHz,
            timing.OutLineHz,
            [.. Timing.Locks(asked, Subject.Asked("picture")).Select(AnswerJson.Of)]
        );
    }

    static ScaleAnswer Of(ScaleAsked asked)
    {
        var s = Scaling.Of(asked);
        return new ScaleAnswer(
            [s.Factor.X, s.Factor.Y],
            [s.Size.W, s.Size.H],
            [s.Borders.Left, s.Borders.Top],
            s.Square,
            s.Square ? null : (double)s.Distortion
        );
    }

    static SidesAnswer Of(SidesAsked asked)
    {
        var sides = Sides.Of(asked.Heard);
        return new SidesAnswer(Words<SidesVerdict>.Of(sides.Verdict), sides.Words);
    }
}
