using Microsoft.AspNetCore.Html;
using RustCabin.Core.Build;
using RustCabin.Core.Declared;
using RustCabin.Core.Stations;

namespace RustCabin.Web.Drawings;

/// <summary>
/// The build as a way down into the case and out again: steps from left to right, each as deep as the case is then open, gates
/// as bars across the way. A done step is filled, the one at hand ringed.
/// </summary>
public static class Descent
{
    const double Left = 84,
        Level = 46,
        Top = 30,
        Widest = 76,
        Narrowest = 38,
        Room = 640;

    public static IHtmlContent Draw(BuildSheet sheet, Progress progress)
    {
        double step = Math.Clamp(Room / sheet.Steps.Count, Narrowest, Widest);
        double X(int at) => Left + step * (at + 0.5);
        int deepest = sheet.Steps.Max(s => s.Depth);
        double width = Left + step * sheet.Steps.Count + 8,
            height = Y(deepest) + 28;
        Svg svg = Svg.Begin(
            width,
            height,
            "descent",
            "img",
            $"{progress.DoneCount} of {sheet.Steps.Count} steps done; {sheet.Steps.Count(s => s.IsGate)} gates"
        );
        for (int depth = 0; depth <= deepest; depth++)
        {
            svg.Line(Left - 8, Y(depth), width, Y(depth), "level");
            svg.Text(
                Left - 14,
                Y(depth) + 5,
                depth < sheet.Levels.Count ? IdText.Plain(sheet.Levels[depth]) : $"level {depth}",
                "lab side",
                "end"
            );
        }
        for (int i = 1; i < sheet.Steps.Count; i++)
            Way(svg, X(i - 1), X(i), sheet.Steps[i - 1], sheet.Steps[i], progress.Steps[i - 1].State == StepState.Done);
        foreach ((int i, StepProgress at) in progress.Steps.Index())
            Stone(svg, X(i), Y(at.Step.Depth), i + 1, at, at == progress.Current);
        return svg.End();
    }

    static void Way(Svg svg, double x1, double x2, Step from, Step to, bool done) =>
        svg.Path(
            $"M{Svg.N(x1)} {Svg.N(Y(from.Depth))}H{Svg.N((x1 + x2) / 2)}V{Svg.N(Y(to.Depth))}H{Svg.N(x2)}",
            done ? "way done" : "way"
        );

    static void Stone(Svg svg, double x, double y, int number, StepProgress at, bool current)
    {
        string state = at.State.ToString().ToLowerInvariant();
        if (at.Step.IsGate)
        {
            svg.Rect(x - 5, y - 20, 10, 40, $"bar {state}{(current ? " current" : "")}", 2);
            svg.Text(
                x,
                y - 25,
                at.Step.Expected is null ? "proof"
                    : at.Step.Expected.Lines.Count == 0 ? "starts"
                    : at.Step.Expected.Total.ToRough(false),
                "fig"
            );
        }
        else
        {
            svg.Circle(x, y, 13, $"stone {state}{(current ? " current" : "")}")
                .Text(x, y + 5, number.ToString(), $"lab strong {state}");
        }
    }

    static double Y(int depth) => Top + Level * depth + 14;
}
