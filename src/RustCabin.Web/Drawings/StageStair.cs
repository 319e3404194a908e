using Microsoft.AspNetCore.Html;
using RustCabin.Core.Presses;
using RustCabin.Core.Units;

namespace RustCabin.Web.Drawings;

/// <summary>
/// The stages of a job as a stair: each step as high as its memory, filled where it was reached, outlined strongly where the
/// work is.
/// </summary>
public static class StageStair
{
    const double Wide = 150,
        High = 120,
        Foot = 56;

    /// <summary>The stair.</summary>
    /// <param name="stages">The stages, in their order.</param>
    /// <param name="size">How a size is written.</param>
    public static IHtmlContent Draw(IReadOnlyList<StageShown> stages, Func<ByteSize, string> size)
    {
        ulong most = Math.Max(1, stages.Max(s => s.Total.Bytes));
        Svg svg = Svg.Begin(
            stages.Count * Wide + 8,
            High + Foot + 26,
            "stair",
            "img",
            string.Join("; ", stages.Select(s => $"{s.Stage.Name}: {size(s.Total)}{(s.IsAtHand ? ", at hand" : "")}"))
        );
        foreach ((int i, StageShown stage) in stages.Index())
        {
            double tall = Math.Max(6, High * stage.Total.Bytes / most),
                x = 4 + i * Wide,
                y = 22 + High - tall;
            string look =
                stage.Stage.Reached is not null ? "reached"
                : stage.IsAtHand ? "here"
                : "";
            svg.Rect(x, y, Wide - 4, tall, $"stage {look}", 3)
                .Text(x + Wide / 2 - 2, y - 6, size(stage.Total), "fig strong")
                .Text(x + Wide / 2 - 2, High + 42, stage.Stage.Name, "lab strong")
                .Text(x + Wide / 2 - 2, High + 62, Word(stage), "lab side");
        }
        return svg.End();
    }

    static string Word(StageShown stage) =>
        stage switch
        {
            { Stage.Reached: { Length: >= 10 } at } => $"reached {at[..10]}",
            { IsAtHand: true } => "at hand",
            { Lacks.Count: > 0 } => "something is missing",
            _ => "to come",
        };
}
