using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using Microsoft.AspNetCore.Html;

namespace RustCabin.Web.Drawings;

/// <summary>
/// Writes SVG. All text and attribute values are encoded: what stands in a sheet is data. Looks come from classes in the style
/// sheet, so that both lamps serve.
/// </summary>
public sealed class Svg
{
    readonly StringBuilder _text = new();

    public static Svg Begin(double width, double height, string cssClass, string role, string label) =>
        Begin(width, height, "", cssClass, role, label);

    /// <summary>A drawing at true size: a unit is a millimetre on paper.</summary>
    public static Svg BeginMm(double width, double height, string cssClass, string label) =>
        Begin(width, height, "mm", cssClass, "img", label);

    static Svg Begin(double width, double height, string unit, string cssClass, string role, string label)
    {
        var svg = new Svg();
        svg._text.Append(
            CultureInfo.InvariantCulture,
            $"<svg class=\"{cssClass}\" viewBox=\"0 0 {N(width)} {N(height)}\" width=\"{N(width)}{unit}\" "
                + $"height=\"{N(height)}{unit}\" role=\"{role}\" aria-label=\"{E(label)}\">"
        );
        return svg;
    }

    /// <summary>What a script must know of the drawing as a whole: a name and a value.</summary>
    public Svg Data(string name, string value)
    {
        // Into the opening tag, which was written last.
        _text.Insert(_text.Length - 1, $" data-{name}=\"{E(value)}\"");
        return this;
    }

    /// <summary>A drawing that says nothing which is not said in text beside it.</summary>
    public static Svg Silent(double width, double height, string cssClass)
    {
        var svg = new Svg();
        svg._text.Append(
            CultureInfo.InvariantCulture,
            $"<svg class=\"{cssClass}\" viewBox=\"0 0 {N(width)} {N(height)}\" width=\"{N(width)}\" height=\"{N(height)}\" "
                + $"aria-hidden=\"true\" focusable=\"false\">"
        );
        return svg;
    }

    public Svg Rect(double x, double y, double width, double height, string cssClass, double radius = 0)
    {
        _text.Append(
            CultureInfo.InvariantCulture,
            $"<rect x=\"{N(x)}\" y=\"{N(y)}\" width=\"{N(width)}\" height=\"{N(height)}\" class=\"{cssClass}\""
        );
        if (radius > 0)
            _text.Append(CultureInfo.InvariantCulture, $" rx=\"{N(radius)}\"");
        _text.Append("/>");
        return this;
    }

    public Svg Path(string d, string cssClass)
    {
        _text.Append($"<path d=\"{d}\" class=\"{cssClass}\"/>");
        return this;
    }

    /// <summary>The path through points, x and y in turn.</summary>
    public static string Through(params ReadOnlySpan<double> points)
    {
        var path = new StringBuilder();
        for (int i = 0; i + 1 < points.Length; i += 2)
            path.Append(i == 0 ? 'M' : 'L').Append(N(points[i])).Append(' ').Append(N(points[i + 1]));
        return path.ToString();
    }

    public Svg Line(double x1, double y1, double x2, double y2, string cssClass) =>
        Path($"M{N(x1)} {N(y1)}L{N(x2)} {N(y2)}", cssClass);

    public Svg Circle(double x, double y, double radius, string cssClass)
    {
        _text.Append(
            CultureInfo.InvariantCulture,
            $"<circle cx=\"{N(x)}\" cy=\"{N(y)}\" r=\"{N(radius)}\" class=\"{cssClass}\"/>"
        );
        return this;
    }

    public Svg Ellipse(double x, double y, double across, double down, string cssClass)
    {
        _text.Append(
            CultureInfo.InvariantCulture,
            $"<ellipse cx=\"{N(x)}\" cy=\"{N(y)}\" rx=\"{N(across)}\" ry=\"{N(down)}\" class=\"{cssClass}\"/>"
        );
        return this;
    }

    /// <summary>A rectangle in a colour of the data, not of the lamp.</summary>
    public Svg Patch(double x, double y, double width, double height, string colour)
    {
        _text.Append(
            CultureInfo.InvariantCulture,
            $"<rect x=\"{N(x)}\" y=\"{N(y)}\" width=\"{N(width)}\" height=\"{N(height)}\" fill=\"{E(colour)}\"/>"
        );
        return this;
    }

    /// <summary>A picture, turned and scaled by <paramref name="matrix"/>: a, b, c, d, e, f as SVG has them.</summary>
    public Svg Image(string href, double[] matrix, string cssClass)
    {
        string numbers = string.Join(' ', matrix.Select(m => m.ToString("0.######", CultureInfo.InvariantCulture)));
        _text.Append($"<image href=\"{E(href)}\" transform=\"matrix({numbers})\" class=\"{cssClass}\"/>");
        return this;
    }

    /// <summary>A place that can be pressed where a place is asked for: its name goes with it.</summary>
    public Svg Spot(double x, double y, double radius, string cssClass, string place)
    {
        _text.Append(
            CultureInfo.InvariantCulture,
            $"<circle cx=\"{N(x)}\" cy=\"{N(y)}\" r=\"{N(radius)}\" class=\"{cssClass}\" data-place=\"{E(place)}\">"
                + $"<title>{E(place)}</title></circle>"
        );
        return this;
    }

    /// <summary>Presses of a form that stands elsewhere on the page, side by side, 74 x 38 each.</summary>
    /// <param name="x">The left edge.</param>
    /// <param name="y">The upper edge.</param>
    /// <param name="form">The id of the form.</param>
    /// <param name="name">The name of its field.</param>
    /// <param name="presses">What each sends, what stands on it, and what it is called.</param>
    public Svg Presses(double x, double y, string form, string name, params (string Value, string Words, string Called)[] presses)
    {
        foreach ((int i, (string value, string words, string called)) in presses.Index())
        {
            string place = $"x=\"{N(x + i * 80)}\" y=\"{N(y)}\" width=\"74\" height=\"38\"";
            string sends = $"form=\"{E(form)}\" name=\"{E(name)}\" value=\"{E(value)}\" aria-label=\"{E(called)}\"";
            _text.Append(
                CultureInfo.InvariantCulture,
                $"<foreignObject {place}><button class=\"btn act on-board\" {sends}>{E(words)}</button></foreignObject>"
            );
        }
        return this;
    }

    /// <summary>A grip that a script drags sideways: which thing it ends, and from where that begins.</summary>
    public Svg Grip(double x, double y, double width, double height, string cssClass, int index, long start)
    {
        _text.Append(
            CultureInfo.InvariantCulture,
            $"<rect x=\"{N(x)}\" y=\"{N(y)}\" width=\"{N(width)}\" height=\"{N(height)}\" class=\"{cssClass}\" rx=\"4\" "
                + $"data-grip=\"{index}\" data-start=\"{start}\"/>"
        );
        return this;
    }

    /// <summary>A line of text; <paramref name="anchor"/> is start, middle or end.</summary>
    public Svg Text(double x, double y, string text, string cssClass, string anchor = "middle")
    {
        _text.Append(
            CultureInfo.InvariantCulture,
            $"<text x=\"{N(x)}\" y=\"{N(y)}\" class=\"{cssClass}\" text-anchor=\"{anchor}\">{E(text)}</text>"
        );
        return this;
    }

    public Svg Open(string cssClass)
    {
        _text.Append($"<g class=\"{cssClass}\">");
        return this;
    }

    /// <summary>What follows is drawn from another corner, and so many times as large.</summary>
    public Svg OpenAt(double x, double y, double scale)
    {
        _text.Append(CultureInfo.InvariantCulture, $"<g transform=\"translate({x:0.###} {y:0.###}) scale({scale:0.####})\">");
        return this;
    }

    /// <summary>What follows is seen only within these edges, at the same coordinates.</summary>
    public Svg Window(double x, double y, double width, double height)
    {
        _text.Append(
            CultureInfo.InvariantCulture,
            $"<svg x=\"{N(x)}\" y=\"{N(y)}\" width=\"{N(width)}\" height=\"{N(height)}\" "
                + $"viewBox=\"{N(x)} {N(y)} {N(width)} {N(height)}\" class=\"window\">"
        );
        return this;
    }

    public Svg CloseWindow()
    {
        _text.Append("</svg>");
        return this;
    }

    public Svg Close()
    {
        _text.Append("</g>");
        return this;
    }

    /// <summary>Opens a link inside the drawing, reached by keyboard under <paramref name="label"/>.</summary>
    public Svg Link(string href, string label)
    {
        _text.Append($"<a href=\"{E(href)}\" class=\"zoom\" data-swap aria-label=\"{E(label)}\"><title>{E(label)}</title>");
        return this;
    }

    public Svg Unlink()
    {
        _text.Append("</a>");
        return this;
    }

    public IHtmlContent End() => new HtmlString(_text.Append("</svg>").ToString());

    /// <summary>A coordinate: at most one decimal.</summary>
    public static string N(double number)
    {
        double tenths = number * 10,
            below = Math.Floor(tenths);
        // A drawing has thousands of numbers, most of them again and again. What lies just between two of them is left to the
        // framework.
        if (!(tenths >= 0 && tenths < Written.Length - 1) || Math.Abs(tenths - below - 0.5) < 1e-6)
            return InTenths(number);
        int nearest = (int)(tenths - below < 0.5 ? below : below + 1);
        return Written[nearest] ??= InTenths(nearest / 10.0);
    }

    static string InTenths(double number) => number.ToString("0.#", CultureInfo.InvariantCulture);

    /// <summary>Numbers by their tenths, as they were written before.</summary>
    static readonly string?[] Written = new string?[20_000];

    static string E(string text) => HtmlEncoder.Default.Encode(text);
}
