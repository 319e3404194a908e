using Microsoft.AspNetCore.Html;
using RustCabin.Core.Wiring;

namespace RustCabin.Web.Drawings;

/// <summary>Serial lines: what one end sends over what the other reads, to one scale of time.</summary>
static partial class EvidenceDrawings
{
    const int ShownBits = 36;

    static double LevelOf(double top, bool one) => one ? top : top + 34;

    /// <summary>A wave of bits, each so wide.</summary>
    static void Wave(Svg svg, IEnumerable<(double At, bool One)> bits, double wide, double top, string look)
    {
        var path = new List<double> { 0, LevelOf(top, true) };
        double end = 0;
        foreach ((double at, bool one) in bits.Where(b => b.At < Wide))
        {
            double to = Math.Min(Wide, at + wide);
            if (at > end)
                path.AddRange([end, LevelOf(top, true), at, LevelOf(top, true)]);
            path.AddRange([at, LevelOf(top, one), to, LevelOf(top, one)]);
            end = to;
        }
        if (end < Wide)
            path.AddRange([end, LevelOf(top, true), Wide, LevelOf(top, true)]);
        svg.Path(Svg.Through([.. path]), look);
    }

    /// <summary>The bits as they were sent over those that the first setting that explains the text reads.</summary>
    public static IHtmlContent Line(GarbledAsked asked, Garbled found)
    {
        var line = new SentLine(asked.Sent, asked.From.Bits, asked.From.Parity);
        int shown = Math.Min(line.Bits.Count, ShownBits);
        if (shown == 0)
            return HtmlString.Empty;
        double bit = Wide / ShownBits;
        ExplainedBy? by = found.Explains.FirstOrDefault();
        Svg svg = Svg.Begin(
            Wide,
            by is null ? 72 : 158,
            "evidence",
            "img",
            $"The first {shown} bits of {asked.Sent} as they were sent"
                + (by is null ? "" : $", and as a receiver at {by.Speed:0.##} bits a second reads them")
        );
        svg.Text(2, 14, $"sent at {asked.From.Speed:0.##}", "fig tiny", "start");
        Wave(svg, line.Bits.Take(shown).Select((one, i) => (i * bit, one)), bit, 24, "wave");
        if (by is null)
            return svg.End();
        double own = bit * (double)(asked.From.Speed / by.Speed);
        svg.Text(2, 88, $"read at {by.Speed:0.##}{(by.Inverted ? ", upside down" : "")}", "fig tiny", "start");
        bool parity = by.Parity != "none";
        var frames = line.Frames(asked.From.Speed, by.Speed, by.Bits, parity, by.Inverted).Take(40).ToList();
        Wave(
            svg,
            frames.SelectMany(f =>
                Enumerable.Range(0, by.Bits + 1).Select(i => (f.Start * bit + i * own, i > 0 && (f.Byte >> (i - 1) & 1) == 1))
            ),
            own,
            98,
            "wave read"
        );
        foreach ((double start, byte value) in frames.Where(f => f.Start * bit < Wide - 20))
            svg.Text(start * bit + 3, 152, $"{value:X2}", "fig tiny", "start");
        return svg.End();
    }

    /// <summary>One frame of a letter as one end sends it, and where the other looks at it.</summary>
    public static IHtmlContent Frame(LineSpeed speed)
    {
        const int bits = 10;
        double bit = (Wide - 40) / bits,
            own = bit * speed.A.Speed / speed.B.Speed;
        Svg svg = Svg.Begin(
            Wide,
            112,
            "evidence",
            "img",
            $"A frame at {speed.A.Speed:0.#} bits a second, looked at every {own / bit:0.000} of a bit"
        );
        svg.Text(2, 14, $"one end: {speed.A.Speed:#,0.#} bits a second", "fig tiny", "start");
        Wave(svg, new SentLine("U", 8, Core.Sheets.Parity.None).Bits.Select((one, i) => (i * bit, one)), bit, 24, "wave");
        for (int i = 0; i < bits; i++)
            svg.Line((i + 0.5) * own, 22, (i + 0.5) * own, 74, "tick").Circle((i + 0.5) * own, 80, 4, "sample");
        svg.Text(2, 106, $"the other looks: {speed.B.Speed:#,0.#} bits a second", "fig tiny", "start");
        return svg.End();
    }
}
