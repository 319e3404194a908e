using Microsoft.AspNetCore.Html;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Drawings;

/// <summary>
/// The clues as weights hung on the boards: a column for each revision, a row for each clue that was seen with what was seen
/// and a weight where it pulls (wider for more trust), and at the foot each revision's chance as a filled column. A clue that
/// pulls against the board taken is a triangle's brass. The columns of up to six boards fit a panel; a name takes the lines
/// that it needs.
/// </summary>
public static class Pulls
{
    const double Left = 124,
        RowHeight = 36,
        Foot = 96,
        Panel = 446,
        Line = 15,
        Letter = 6.6;

    public static IHtmlContent Draw(Model model, IReadOnlyDictionary<string, string> seen, Verdict verdict)
    {
        Clue[] read = [.. model.Clues.Where(c => seen.ContainsKey(c.Id))];
        double column = Math.Clamp((Panel - Left - 8) / model.Revisions.Count, 52, 100),
            width = Left + column * model.Revisions.Count + 8;
        string[][] names = [.. model.Revisions.Select(r => InRoom.Lines(r.Name, (int)(column / Letter)).ToArray())];
        double head = 15 + Line * names.Max(n => n.Length),
            foot = head + read.Length * RowHeight;
        Svg svg = Svg.Begin(
            width,
            foot + Foot + 28,
            "pulls",
            "img",
            "Chances: "
                + string.Join(", ", verdict.All.Select(r => $"{model.FindRevision(r.Id)?.Name} {r.Probability * 100:0.0} %"))
        );
        foreach ((int i, Revision revision) in model.Revisions.Index())
        {
            bool taken = revision.Id == verdict.Id;
            foreach ((int line, string words) in names[i].Index())
                svg.Text(X(i), head - 10 - Line * (names[i].Length - 1 - line), words, taken ? "lab strong" : "lab");
            svg.Line(X(i), head - 2, X(i), foot, taken ? "way done" : "rung");
        }
        foreach ((int row, Clue clue) in read.Index())
            DrawClue(svg, model, clue, seen[clue.Id], verdict, head + row * RowHeight + RowHeight / 2, X, column);

        svg.Text(Left - 12, foot + 16, "chance", "lab side", "end");
        foreach ((int i, RevisionChance chance) in verdict.All.Index())
        {
            double full = Foot - 10,
                filled = Math.Max(1, full * chance.Probability);
            svg.Rect(X(i) - 22, foot + 4, 44, full, "chance-bed", 3)
                .Rect(X(i) - 22, foot + 4 + full - filled, 44, filled, chance.Id == verdict.Id ? "chance taken" : "chance", 2);
            svg.Text(X(i), foot + full + 24, $"{chance.Probability * 100:0.0} %", chance.Id == verdict.Id ? "fig strong" : "fig");
        }
        return svg.End();

        double X(int i) => Left + column * (i + 0.5);
    }

    static void DrawClue(
        Svg svg,
        Model model,
        Clue clue,
        string value,
        Verdict verdict,
        double y,
        Func<int, double> x,
        double column
    )
    {
        bool odd = verdict.Contradictions.Any(c => c.Clue == clue.Id);
        svg.Text(Left - 12, y - 2, IdText.Plain(clue.Id), odd ? "lab odd" : "lab", "end");
        svg.Text(Left - 12, y + 13, InRoom.Cut(value, Letters), "lab side", "end");
        if (!clue.Values.TryGetValue(value, out IReadOnlyList<string>? says))
            return;
        double wide = 14 + (column - 26) * (double)clue.Trust;
        foreach ((int i, Revision revision) in model.Revisions.Index())
            if (says.Contains(revision.Id))
                svg.Rect(x(i) - wide / 2, y - 9, wide, 18, odd ? "weight odd" : "weight", 9);
    }

    /// <summary>So many signs of what was seen have room beside the columns.</summary>
    const int Letters = 17;
}
