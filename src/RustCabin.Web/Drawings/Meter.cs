using Microsoft.AspNetCore.Html;
using RustCabin.Core.Build;

namespace RustCabin.Web.Drawings;

/// <summary>How far a build is: a peg for each step, gates taller, done ones filled.</summary>
public static class Meter
{
    public static IHtmlContent Draw(Progress progress)
    {
        Svg svg = Svg.Silent(progress.Steps.Count * 16, 20, "pegs");
        foreach ((int i, StepProgress at) in progress.Steps.Index())
        {
            bool gate = at.Step.IsGate;
            svg.Rect(i * 16 + 2, gate ? 1 : 6, gate ? 6 : 12, gate ? 18 : 8, $"peg {at.State.ToString().ToLowerInvariant()}", 2);
        }
        return svg.End();
    }
}
