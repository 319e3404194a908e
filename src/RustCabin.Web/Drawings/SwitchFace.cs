using Microsoft.AspNetCore.Html;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Drawings;

/// <summary>How a switch looks in one of its positions: a jumper's cap over its pins, a slider, a dial, a bridged link.</summary>
public static class SwitchFace
{
    public static IHtmlContent Draw(Switch of, string position)
    {
        int index = Math.Max(0, of.Positions.ToList().IndexOf(position)),
            count = of.Positions.Count;
        return of.Kind switch
        {
            SwitchKind.Jumper => Jumper(of, index, count),
            SwitchKind.Dip => Slider(index, count),
            SwitchKind.Link => Link(index, count),
            SwitchKind.File => Page(of.LineAt(position), index, count),
            _ => Dial(index, count),
        };
    }

    /// <summary>
    /// Two pins and a cap that is there or not, where the positions are called so; else a pin more than positions and the cap
    /// over a pair.
    /// </summary>
    static IHtmlContent Jumper(Switch of, int index, int count)
    {
        bool twoPins = count == 2 && of.Positions.Contains("open");
        int pins = twoPins ? 2 : count + 1;
        Svg svg = Frame(pins);
        for (int pin = 0; pin < pins; pin++)
            svg.Circle(18, 15 + pin * 26, 5, "pin");
        if (!twoPins)
            svg.Rect(7, 4 + index * 26, 22, 48, "cap", 4);
        else if (of.Positions[index] != "open")
            svg.Rect(7, 4, 22, 48, "cap", 4);
        return svg.End();
    }

    static IHtmlContent Slider(int index, int count)
    {
        Svg svg = Frame(count);
        svg.Rect(11, 6, 14, count * 26 + -6, "groove", 3);
        return svg.Rect(8, 5 + index * 26, 20, 20, "cap", 3).End();
    }

    static IHtmlContent Link(int index, int count)
    {
        Svg svg = Frame(count + 1);
        for (int pad = 0; pad <= count; pad++)
            svg.Rect(9, 8 + pad * 26, 18, 14, "pin pad", 2);
        return svg.Path($"M18 {Svg.N(15 + index * 26)}v26", "solder").End();
    }

    /// <summary>A sheet of paper with a line for each position, the one that stands there inked.</summary>
    static IHtmlContent Page(string line, int index, int count)
    {
        double wide = Math.Clamp(line.Length * 7 + 20, 60, 220);
        Svg svg = Svg.Silent(wide, count * 20 + 16, "face").Rect(1, 1, wide - 2, count * 20 + 14, "frame", 2);
        for (int row = 0; row < count; row++)
            if (row == index)
                svg.Text(9, 20 + row * 20, InRoom.Cut(line, 28), "fig strong", "start");
            else
                svg.Rect(9, 13 + row * 20, wide - 30, 4, "groove", 2);
        return svg.End();
    }

    static IHtmlContent Dial(int index, int count)
    {
        Svg svg = Svg.Silent(58, 58, "face");
        svg.Circle(29, 29, 26, "frame").Circle(29, 29, 17, "groove");
        double angle = 2 * Math.PI * index / Math.Max(1, count) - Math.PI / 2;
        return svg.Path($"M29 29L{Svg.N(29 + 22 * Math.Cos(angle))} {Svg.N(29 + 22 * Math.Sin(angle))}", "needle").End();
    }

    static Svg Frame(int rows) => Svg.Silent(36, rows * 26 + 4, "face").Rect(1, 1, 34, rows * 26 + 2, "frame", 5);
}
