using System.Numerics;
using Microsoft.AspNetCore.Html;
using RustCabin.Core.Chips;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;

namespace RustCabin.Web.Drawings;

/// <summary>
/// A board to scale, from above or below: chips, points and sites, this job's places numbered in the order of work, leads with
/// their colour and length, and beside the board the pads of the parts.
/// </summary>
public static class BoardDrawing
{
    const double Wide = 700,
        Margin = 14,
        PadRow = 26,
        PartWide = 170,
        MarkRoom = 27,
        InsetWide = 140,
        ProbeHigh = 44;

    /// <param name="wired">The wiring.</param>
    /// <param name="plan">Where everything lies.</param>
    /// <param name="at">The change at hand, by its place in the order of work; -1: none.</param>
    /// <param name="link">The address at which a change is at hand; null: nothing of it can be pressed, and all of the board is
    /// drawn.</param>
    /// <param name="photo">A photo to lie under it, and its address.</param>
    /// <param name="probe">The pair that the meter is at, and the form that its answer goes to.</param>
    public static IHtmlContent Draw(
        Wired wired,
        BoardPlan plan,
        int at,
        Func<int, string>? link,
        (BoardPhoto Photo, string Href)? photo = null,
        (ContinuityLine Line, string Pair, string Form)? probe = null
    )
    {
        BoardArea area = link is null ? BoardArea.All(plan) : BoardArea.OfWork(wired, plan);
        double scale = Wide / area.Width,
            tall = area.Height * scale;
        int[] pads = [.. PadsOf(wired, plan)];
        double inset = area == BoardArea.All(plan) ? 0 : InsetWide * plan.Height / plan.Width,
            beside = PadsHigh(wired, pads) + (inset > 0 ? inset + 24 : 0),
            height = Math.Max(tall, beside) + 2 * Margin + (probe is null ? 0 : ProbeHigh),
            width = Wide + 2 * Margin + (beside > 0 ? PartWide : 0);
        Dot on(Dot dot) => new(Margin + (dot.X - area.X) * scale, Margin + (dot.Y - area.Y) * scale);
        var places = new Dictionary<int, Dot>();
        Dot? of(int place)
        {
            if (place < 0)
                return null;
            if (places.TryGetValue(place, out Dot pad))
                return pad;
            return plan.Of(place) is { } dot ? on(dot) : null;
        }
        Svg svg = Svg.Begin(
            width,
            height,
            "board-map",
            "group",
            $"Board {plan.Name} from {(plan.Below ? "below" : "above")}, with {wired.Changes.Count} changes"
                + (inset > 0 ? "; the part of it with the work, and the whole board small beside it" : "")
        );
        svg.Data("board", plan.Name).Data("margin", Svg.N(Margin)).Data("scale", $"{scale:0.####}");
        svg.Data("wide-mm", Svg.N(area.Width)).Data("high-mm", Svg.N(area.Height));
        svg.Rect(Margin, Margin, Wide, tall, "board-ground", 8).Window(Margin, Margin, Wide, tall);
        if (photo is { } under && !plan.Below && Laid(wired, under.Photo, of) is { } matrix)
            svg.Image(under.Href, matrix, "board-photo");
        var edge = new Dot(Margin + Wide, Margin + tall);
        Sites(svg, wired, plan, scale, on, edge, of);
        Chips(svg, wired, plan, on, edge, of);
        Points(svg, wired, plan, of);
        svg.CloseWindow();
        Pads(svg, wired, pads, places);
        if (inset > 0)
            Whole(svg, plan, area, new Dot(Wide + 2 * Margin + 8, Math.Max(tall, beside) + Margin - inset));
        Leads(svg, wired, of, places);
        Marks(svg, wired, plan, at, link, of);
        if (probe is { } asked && of(asked.Line.From) is { } from && of(asked.Line.To) is { } to)
            Probe(svg, from, to, (asked.Pair, asked.Form), height - ProbeHigh);
        return svg.End();
    }

    /// <summary>The pair that the meter is at: a ring on each place, and under the board what it says, to be pressed.</summary>
    static void Probe(Svg svg, Dot from, Dot to, (string Pair, string Form) asked, double below)
    {
        svg.Line(from.X, from.Y, to.X, to.Y, "probe-line")
            .Circle(from.X, from.Y, 9, "probe-ring")
            .Circle(to.X, to.Y, 9, "probe-ring");
        svg.Text(Margin, below + 24, asked.Pair, "lab probe-pair", "start");
        svg.Presses(
            Margin + Wide - 156,
            below,
            asked.Form,
            "says",
            ("beep", "beep", "beep, on the board"),
            ("none", "none", "none, on the board")
        );
    }

    static void Sites(Svg svg, Wired wired, BoardPlan plan, double scale, Func<Dot, Dot> on, Dot edge, Func<int, Dot?> of)
    {
        foreach (Site site in plan.Sites)
        {
            Body(svg, plan, site.At!, Math.Max(4, site.Contacts.Count * 2.54 + 2), 5, "", on, edge, "site-body");
            Dot middle = on(plan.Corners(site.At!, 0, 0)[0]);
            svg.Text(middle.X, middle.Y - 6 - scale * (site.Contacts.Count * 1.27 + 2), site.Id, "fig body-name");
            for (int contact = 1; contact <= site.Contacts.Count; contact++)
                if (of(wired.Places.Find($"{plan.Owner}{site.Id}.{contact}")) is { } dot)
                    svg.Spot(dot.X, dot.Y, 3.2, "point", $"{site.Id}.{contact}");
        }
    }

    static void Chips(Svg svg, Wired wired, BoardPlan plan, Func<Dot, Dot> on, Dot edge, Func<int, Dot?> of)
    {
        foreach (BoardChip chip in plan.Chips)
        {
            ChipOutline outline = chip.Outline;
            (_, double across, double down) = BoardPlan.Measures(outline);
            Body(svg, plan, chip.At!, across, down, chip.Id, on, edge, "chip-body");
            int first = wired.Places.Find($"{plan.Owner}{chip.Id}.1");
            for (int leg = first; leg < first + outline.Pins; leg++)
                if (of(leg) is { } dot)
                {
                    bool lifted = wired.After.PadOf(leg) >= 0;
                    svg.Spot(dot.X, dot.Y, lifted ? 4 : 2.2, lifted ? "leg lifted" : "leg", NameOn(wired, plan, leg));
                }
        }
    }

    static void Points(Svg svg, Wired wired, BoardPlan plan, Func<int, Dot?> of)
    {
        foreach ((int place, Place point) in wired.Places.All.Index())
            if (point.Kind is PlaceKind.Point or PlaceKind.End && point.Owner == plan.Owner && of(place) is { } dot)
            {
                svg.Spot(dot.X, dot.Y, 4, point.Kind == PlaceKind.End ? "point end" : "point", NameOn(wired, plan, place));
                if (point.Number != 2)
                    svg.Text(dot.X, dot.Y - 8, point.Point!.Id, "fig tiny");
            }
    }

    /// <summary>The part that a pad is on, as it is called, in lines that fit beside the board.</summary>
    static IReadOnlyList<string> TitleOf(Wired wired, int pad)
    {
        string owner = wired.Places.All[wired.After.LegOf(pad)].Owner.TrimEnd(':');
        var lines = new List<string> { "" };
        foreach (string word in (wired.Unit.Find(InstanceName.Parse(owner))?.Title ?? owner).Split(' '))
            if (lines[^1].Length == 0 || lines[^1].Length + word.Length < 20)
                lines[^1] = $"{lines[^1]} {word}".Trim();
            else
                lines.Add(word);
        return lines;
    }

    static double PadsHigh(Wired wired, int[] pads) =>
        pads.Length == 0
            ? 0
            : pads.Length * PadRow
                + pads.GroupBy(p => wired.Places.All[wired.After.LegOf(p)].Owner)
                    .Sum(g => TitleOf(wired, g.First()).Count * 18 + 12);

    /// <summary>The pads of parts beside the board, part by part, each with the length of the lead that comes to it.</summary>
    static void Pads(Svg svg, Wired wired, int[] pads, Dictionary<int, Dot> places)
    {
        double y = Margin + 12;
        foreach (IGrouping<string, int> part in pads.GroupBy(p => wired.Places.All[wired.After.LegOf(p)].Owner))
        {
            foreach (string line in TitleOf(wired, part.First()))
            {
                svg.Text(Wide + 2 * Margin + 6, y, line, "fig strong", "start");
                y += 18;
            }
            foreach (int pad in part)
            {
                var dot = new Dot(Wide + 2 * Margin + 14, y + 4);
                places[pad] = dot;
                string name = wired.After.NameOf(pad)[part.Key.Length..];
                string far = LeadTo(wired, pad) is { } mm ? $", {mm:0.#} mm" : "";
                svg.Circle(dot.X, dot.Y, 6, "point pad").Text(dot.X + 14, dot.Y + 5, name + far, "fig", "start");
                y += PadRow;
            }
            y += 12;
        }
    }

    static decimal? LeadTo(Wired wired, int pad) =>
        wired
            .After.Joins.Where(j => j.Change >= 0 && (j.A == pad || j.B == pad))
            .Select(j => wired.Changes[j.Change].Change.Mm)
            .FirstOrDefault(mm => mm is not null);

    /// <summary>All of the board, small, with a frame round what is drawn large.</summary>
    static void Whole(Svg svg, BoardPlan plan, BoardArea area, Dot corner)
    {
        double scale = InsetWide / plan.Width;
        Dot on(Dot dot) => new(corner.X + dot.X * scale, corner.Y + dot.Y * scale);
        svg.Rect(corner.X, corner.Y, InsetWide, plan.Height * scale, "board-ground", 4);
        foreach (BoardChip chip in plan.Chips)
        {
            (_, double across, double down) = BoardPlan.Measures(chip.Outline);
            Dot[] corners = [.. plan.Corners(chip.At!, across, down).Select(on)];
            svg.Path(Svg.Through([.. corners.SelectMany(c => (double[])[c.X, c.Y])]) + "Z", "chip-body");
        }
        Dot from = on(new Dot(area.X, area.Y));
        svg.Rect(from.X, from.Y, area.Width * scale, area.Height * scale, "inset-area", 2);
    }

    static void Marks(Svg svg, Wired wired, BoardPlan plan, int at, Func<int, string>? link, Func<int, Dot?> of)
    {
        var marks = new List<Dot>();
        foreach ((int number, PlacedChange change) in wired.Changes.Index())
        {
            // On the machine's board where it can be; several at one place stand beside one another.
            int place = wired.Touched(change).OrderBy(p => plan.Of(p) is null).FirstOrDefault(p => of(p) is not null, -1);
            if (place < 0 || of(place) is not { } dot)
                continue;
            (double x, double y) = (Math.Max(16, dot.X - 20), Math.Max(16, dot.Y + 20));
            while (marks.Any(m => Math.Abs(m.X - x) < MarkRoom && Math.Abs(m.Y - y) < MarkRoom))
                (x, y) = x > MarkRoom + 16 ? (x - MarkRoom, y) : (dot.X + MarkRoom, y + MarkRoom);
            marks.Add(new Dot(x, y));
            svg.Line(dot.X, dot.Y, x, y, "mark-line");
            if (link is not null)
                svg.Link(link(number), $"{number + 1}: {change.Words}");
            svg.Circle(x, y, number == at ? 15 : 12, number == at ? "mark here" : "mark")
                .Text(x, y + 5, $"{number + 1}", "mark-number");
            if (link is not null)
                svg.Unlink();
        }
    }

    /// <summary>How a photo must be turned and scaled so that its two places lie on those of the drawing; null: it cannot
    /// be.</summary>
    static double[]? Laid(Wired wired, BoardPhoto photo, Func<int, Dot?> of)
    {
        if (
            of(wired.Places.Find(photo.One.Place)) is not { } a
            || of(wired.Places.Find(photo.Other.Place)) is not { } b
            || photo.One with { Place = "" } == photo.Other with { Place = "" }
        )
            return null;
        var from = new Complex((double)photo.One.X, (double)photo.One.Y);
        Complex turn =
            (new Complex(b.X, b.Y) - new Complex(a.X, a.Y)) / (new Complex((double)photo.Other.X, (double)photo.Other.Y) - from);
        Complex move = new Complex(a.X, a.Y) - turn * from;
        return [turn.Real, turn.Imaginary, -turn.Imaginary, turn.Real, move.Real, move.Imaginary];
    }

    /// <summary>A place's name as a sheet writes it: the part's own with <c>part:</c> before it.</summary>
    static string NameOn(Wired wired, BoardPlan plan, int place) =>
        plan.Owner.Length > 0
            ? $"{Subject.Part(InstanceName.Parse(wired.After.NameOf(place)[plan.Owner.Length..]))}"
            : wired.After.NameOf(place);

    static void Body(
        Svg svg,
        BoardPlan plan,
        Spot spot,
        double width,
        double height,
        string name,
        Func<Dot, Dot> on,
        Dot edge,
        string cssClass
    )
    {
        Dot[] corners = [.. plan.Corners(spot, width, height).Select(on)];
        string hidden = plan.IsSeen(spot) ? "" : " behind";
        svg.Path(Svg.Through([.. corners.SelectMany(c => (double[])[c.X, c.Y])]) + "Z", cssClass + hidden);
        // The mark of leg 1.
        svg.Circle((corners[0].X * 7 + corners[2].X) / 8, (corners[0].Y * 7 + corners[2].Y) / 8, 2.5, "chip-mark");
        // The name stands in the middle of what is seen of it.
        (double left, double right) = (Math.Max(corners.Min(c => c.X), Margin), Math.Min(corners.Max(c => c.X), edge.X));
        (double top, double bottom) = (Math.Max(corners.Min(c => c.Y), Margin), Math.Min(corners.Max(c => c.Y), edge.Y));
        svg.Text((left + right) / 2, (top + bottom) / 2 + 5, name, "fig body-name");
    }

    static void Leads(Svg svg, Wired wired, Func<int, Dot?> of, Dictionary<int, Dot> beside)
    {
        foreach (Join join in wired.After.Joins.Where(j => j.Change >= 0))
        {
            if (of(join.A) is not { } a || of(join.B) is not { } b)
                continue;
            WireChange change = wired.Changes[join.Change].Change;
            string colour = Colours.Contains(change.Colour ?? "") ? $" lead-{change.Colour}" : "";
            if (colour.Length > 0)
                svg.Path(Svg.Through(a.X, a.Y, b.X, b.Y), "lead-edge");
            svg.Path(Svg.Through(a.X, a.Y, b.X, b.Y), $"lead{colour}{(change.Do == ChangeAct.Wire ? "" : " joint")}");
            // The length of a lead to a part stands at the pad.
            if (change.Mm is { } mm && !beside.ContainsKey(join.A) && !beside.ContainsKey(join.B))
                svg.Text((a.X + b.X) / 2, (a.Y + b.Y) / 2 - 6, $"{mm:0.#} mm", "fig tiny lead-length");
        }
    }

    /// <summary>Colours of leads that are drawn as they are.</summary>
    static readonly string[] Colours = ["red", "black", "blue", "green", "yellow", "white", "orange", "brown"];

    /// <summary>The pads and contacts of parts to which a change leads from this board, in their order.</summary>
    static IEnumerable<int> PadsOf(Wired wired, BoardPlan plan) =>
        wired
            .Changes.Where(c => wired.Touched(c).Any(p => plan.Of(p) is not null))
            .SelectMany(wired.Touched)
            .Where(p =>
                wired.Places.All[wired.After.LegOf(p)] is { Kind: PlaceKind.Pad or PlaceKind.Contact, Owner.Length: > 0 } at
                && at.Owner != plan.Owner
            )
            .Distinct();
}
