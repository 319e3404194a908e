using Microsoft.AspNetCore.Html;

namespace RustCabin.Web.Drawings;

/// <summary>
/// A label at its true size, a unit a millimetre: the unit, what was changed, the day, and a code that holds the same in few
/// words.
/// </summary>
public static class LabelDrawing
{
    /// <summary>No module of a code is smaller, so that a phone reads it from a printed label.</summary>
    public const double LeastModule = 0.4;

    /// <summary>The labels that are sold, width by height in millimetres.</summary>
    public static readonly IReadOnlyList<(double Wide, double High)> Sizes = [(50, 30), (89, 36)];

    /// <summary>A label.</summary>
    /// <param name="wide">Millimetres.</param>
    /// <param name="high">Millimetres.</param>
    /// <param name="unit">The unit's name.</param>
    /// <param name="model">Its model and board.</param>
    /// <param name="date">The day.</param>
    /// <param name="changes">What was changed.</param>
    /// <param name="code">What the code holds.</param>
    public static IHtmlContent Draw(
        double wide,
        double high,
        string unit,
        string model,
        string date,
        IReadOnlyList<string> changes,
        string code
    )
    {
        (string path, int side) = QrDrawing.Of(code);
        double module = Math.Max(LeastModule, Math.Min(0.5, (high - 2) / side)),
            square = module * side,
            room = wide - square - 2.5;
        Svg svg = Svg.Begin(wide, high, $"label label-{wide:0}", "img", $"{unit}, {model}, {date}: {string.Join("; ", changes)}")
            .Data("module", module.ToString("0.###", System.Globalization.CultureInfo.InvariantCulture));
        svg.Rect(0.2, 0.2, wide - 0.4, high - 0.4, "label-edge", 1.5);
        svg.OpenAt(wide - square - 0.5, (high - square) / 2, module);
        svg.Path(path, "label-code").Close();
        double size = wide > 60 ? 2.9 : 2.1;
        int letters = (int)(room / (size * 0.5));
        // A name is never cut, so that no two units bear the same: what does not go on one line goes on two, smaller.
        int wideLetters = (int)(room / 1.9);
        if (unit.Length <= wideLetters)
            svg.Text(1.8, 4.6, unit, "label-unit", "start");
        else
            foreach ((int i, string line) in Halves(unit).Index())
            {
                double fit = Math.Min(1, room / (line.Length * 0.95 * 1.9 / 1.45));
                svg.OpenAt(1.8, 2.9 + i * 2.2, fit);
                svg.Text(0, 0, line, "label-unit", "start").Close();
            }
        // The day is never cut: where both do not go on one line it has its own.
        int head = (int)(room / (size * 0.47));
        bool apart = model.Length + 2 + date.Length > head;
        svg.Text(1.8, 7.6, InRoom.Cut(apart ? model : $"{model}, {date}", head), "label-model", "start");
        double first = 10.4;
        if (apart)
        {
            svg.Text(1.8, first, date, "label-model", "start");
            first += size + 0.55;
        }
        IEnumerable<string> lines = changes.SelectMany(c => InRoom.Lines(c, letters, indent: "  "));
        int most = (int)((high - first + 1.2) / (size + 0.55));
        string[] shown = [.. lines];
        foreach ((int i, string line) in shown.Take(shown.Length > most ? most - 1 : most).Index())
            svg.Text(1.8, first + i * (size + 0.55), line, $"label-line l{wide:0}", "start");
        if (shown.Length > most)
            svg.Text(1.8, first + (most - 1) * (size + 0.55), "and more in the code", $"label-line l{wide:0}", "start");
        return svg.End();
    }

    /// <summary>A name on two lines, parted at the blank nearest to its middle.</summary>
    static string[] Halves(string name)
    {
        int[] blanks = [.. name.Index().Where(c => c.Item == ' ').Select(c => c.Index)];
        int at = blanks.Length == 0 ? name.Length / 2 : blanks.MinBy(b => Math.Abs(b - name.Length / 2));
        return [name[..at], name[at..].TrimStart()];
    }
}
