using Microsoft.AspNetCore.Html;
using RustCabin.Core.Images;
using RustCabin.Core.Rom;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Drawings;

/// <summary>An image as a strip of what its pieces are, how far a burning came, a label, and where a dump differs.</summary>
public static class RomDrawings
{
    const double Wide = 360;

    public static IHtmlContent Strip(ChainImage image)
    {
        IReadOnlyList<StripPiece> strip = image.Strip;
        int length = image.Bytes.Length;
        Svg svg = Svg.Begin(
            Wide,
            74,
            "rom-strip",
            "img",
            string.Join(", ", strip.Select(p => $"{Word(p.Kind)} from 0x{p.From:x}, {new Core.Units.ByteSize((ulong)p.Length)}"))
                + (image.Density.Count > 0 ? $"; {image.Density.Min():0.#} to {image.Density.Max():0.#} bits a byte" : "")
        );
        foreach (StripPiece piece in strip)
        {
            double x = 2 + (double)piece.From / length * (Wide - 4),
                wide = (double)piece.Length / length * (Wide - 4);
            svg.Rect(x, 6, Math.Max(1, wide), 30, $"strip-piece {piece.Kind.ToString().ToLowerInvariant()}");
            if (wide > 44)
                svg.Text(x + wide / 2, 26, Word(piece.Kind), "lab on-plank");
        }
        // How much the bytes say, from none at the foot to eight bits a byte at the head of a band under the strip.
        IReadOnlyList<double> density = image.Density;
        if (density.Count > 1)
            svg.Path(
                Svg.Through([
                    .. density.SelectMany(
                        (bits, i) => (double[])[2 + (i + 0.5) / density.Count * (Wide - 4), 54 - bits / 8 * 14]
                    ),
                ]),
                "strip-density"
            );
        svg.Text(2, 69, "0x0", "fig", "start").Text(Wide - 2, 69, $"0x{length - 1:x}", "fig", "end");
        return svg.End();
    }

    static string Word(PieceKind kind) =>
        kind switch
        {
            PieceKind.Blank => "blank",
            PieceKind.Zero => "zeros",
            PieceKind.Text => "text",
            PieceKind.Repeat => "repeat",
            _ => "code",
        };

    /// <summary>Where a dump differs: a cell for each piece, the fuller the more of it is wrong.</summary>
    public static IHtmlContent Differences(Compared compared)
    {
        Svg svg = Svg.Begin(
            Wide,
            40,
            "difference-map",
            "img",
            compared.Cause == Difference.Equal
                ? "No difference"
                : $"{compared.WrongBytes:#,0} bytes differ, the first at 0x{compared.FirstWrong:x}"
        );
        double cell = (Wide - 4) / compared.Map.Count;
        foreach ((int i, double share) in compared.Map.Index())
        {
            svg.Rect(2 + i * cell, 4, cell - 1, 30, "diff-bed");
            if (share > 0)
                svg.Rect(2 + i * cell, 34 - Math.Max(2, share * 30), cell - 1, Math.Max(2, share * 30), "diff-wrong");
        }
        return svg.End();
    }

    /// <summary>The steps at the programmer, each passed, failed or not come to.</summary>
    public static IHtmlContent Steps(BurnNote burn)
    {
        BurnStep ended = burn.Step ?? BurnStep.Insert;
        BurnStep[] steps = Enum.GetValues<BurnStep>();
        Svg svg = Svg.Begin(
            Wide,
            50,
            "burn-steps",
            "img",
            string.Join(
                ", ",
                steps.Select(s =>
                    $"{Word(s)} {(s < ended || (s == ended && burn.Passed) ? "passed" : s == ended ? "failed" : "not come to")}"
                )
            )
        );
        double cell = (Wide - 4) / steps.Length;
        foreach ((int i, BurnStep step) in steps.Index())
        {
            bool passed = step < ended || (step == ended && burn.Passed);
            svg.Rect(
                    2 + i * cell,
                    4,
                    cell - 3,
                    16,
                    passed ? "burn-step passed"
                        : step == ended ? "burn-step failed"
                        : "burn-step",
                    2
                )
                .Text(2 + i * cell + cell / 2 - 1, 38, Word(step), "fig");
        }
        return svg.End();
    }

    static string Word(BurnStep step) =>
        step switch
        {
            BurnStep.ReadBack => "read",
            _ => step.ToString().ToLowerInvariant(),
        };

    /// <summary>The label as it is stuck over the window.</summary>
    public static IHtmlContent Label(IReadOnlyList<string> lines)
    {
        Svg svg = Svg.Begin(230, 22 + RomLabel.MostLines * 18, "rom-label", "img", $"Label: {string.Join(", ", lines)}");
        svg.Rect(2, 2, 226, 18 + RomLabel.MostLines * 18, "label-paper", 3);
        foreach ((int i, string line) in lines.Take(RomLabel.MostLines).Index())
            svg.Text(12, 24 + i * 18, line, "fig label-ink", "start");
        return svg.End();
    }
}
