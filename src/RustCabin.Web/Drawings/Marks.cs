using Microsoft.AspNetCore.Html;
using RustCabin.Core.Answers;
using RustCabin.Core.Findings;
using RustCabin.Core.Fit;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Drawings;

/// <summary>
/// The marks that say how something stands, by shape as well as by colour: stop a square with a bar, watch a triangle, clear a
/// disc with a tick.
/// </summary>
public static class Marks
{
    public static IHtmlContent Of(StationMark mark) => All[mark];

    /// <summary>Each is drawn once: a page shows dozens of them.</summary>
    static readonly Dictionary<StationMark, IHtmlContent> All = Enum.GetValues<StationMark>().ToDictionary(m => m, Drawn);

    static IHtmlContent Drawn(StationMark mark) =>
        mark switch
        {
            StationMark.Stop => Start().Rect(3.5, 3.5, 17, 17, "m-stop").Path("M7.5 12h9", "m-sign wide").End(),
            StationMark.Watch => Start().Path("M12 3 22 21H2Z", "m-watch").Path("M12 10v5M12 17v2", "m-sign").End(),
            StationMark.Clear => Start().Circle(12, 12, 9, "m-clear").Path("m8 12 3 3 5-6", "m-sign").End(),
            StationMark.InHand => Start().Circle(12, 12, 8, "m-ring act").Path("M12 4a8 8 0 0 1 8 8h-8Z", "m-act").End(),
            _ => Start().Circle(12, 12, 8, "m-ring").End(),
        };

    public static IHtmlContent Of(Standing standing) =>
        Of(
            standing switch
            {
                Standing.Stop => StationMark.Stop,
                Standing.Watch => StationMark.Watch,
                _ => StationMark.Clear,
            }
        );

    public static IHtmlContent Of(Severity severity) =>
        severity switch
        {
            Severity.Stop => Of(StationMark.Stop),
            Severity.Watch => Of(StationMark.Watch),
            _ => Start().Circle(12, 12, 8, "m-ring act").Path("M12 11v6M12 7v2", "m-act-line").End(),
        };

    /// <summary>A fit: clear, a watch for a way that asks for more, a stop, and an empty ring where nobody has said.</summary>
    public static IHtmlContent Of(FitGrade grade) =>
        Of(
            grade switch
            {
                FitGrade.Fits => StationMark.Clear,
                FitGrade.WithCare => StationMark.Watch,
                FitGrade.DoesNot => StationMark.Stop,
                _ => StationMark.Empty,
            }
        );

    /// <summary>The word that a mark stands for, for those who do not see it.</summary>
    public static string Word(StationMark mark) =>
        mark switch
        {
            StationMark.Stop => "stop",
            StationMark.Watch => "watch",
            StationMark.Clear => "clear",
            StationMark.InHand => "in hand",
            _ => "nothing yet",
        };

    static Svg Start() => Svg.Silent(24, 24, "mark");
}
