using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Presses;

/// <summary>A work on the case as it was typed.</summary>
sealed class CareForm
{
    readonly Func<string, string> _form;

    /// <summary>What is wrong first; empty: nothing.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>The work, without its name.</summary>
    public CareWork Work { get; }

    /// <summary>Reads it.</summary>
    /// <param name="form">What was typed into a field of the form; empty where it has none of that name.</param>
    /// <param name="kind">What is done.</param>
    /// <param name="model">The model, whose access levels there are.</param>
    public CareForm(Func<string, string> form, CareAct kind, Model model)
    {
        _form = form;
        string access = form("access");
        Work = new CareWork
        {
            Do = kind,
            What = Text("what", Texts.Most<CareWork>(nameof(CareWork.What))),
            Access = model.Access.Any(a => a.Id == access && a.Opens) ? access : null,
            OffFirst = [.. Text("off", TextLimits.Longest).Split(',', Split)],
        };
        if (Work.What.Length == 0)
            Refuse("say what it is done to");
        if (kind != CareAct.Hole)
            Work = Work with
            {
                Percent = Number("percent", 0.1m, CareWork.Strongest) ?? 10,
                Light = Words<CareLight>.TryParse(form("light"), out CareLight light) ? light : CareLight.None,
            };
        Work = kind switch
        {
            CareAct.Bath => Bath(),
            CareAct.Cream => Work with { AreaCm2 = Need("area", 0.1m, 100_000, "the face that the cream covers") },
            _ => Work with { HoleMm = Number("hole", 0.5m, 500), BehindMm = Number("behind", 0, 1000), EdgesMm = Edges() },
        };
    }

    const StringSplitOptions Split = StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries;

    CareWork Bath()
    {
        decimal? litres = Number("litres", 0.001m, 10_000);
        decimal from = Number("from", 0.1m, CareWork.Strongest) ?? 35;
        if (from < Work.Percent)
            Refuse($"{from:0.##} % cannot be thinned to {Work.Percent:0.##} %");
        decimal?[] sides = [Number("length", 0.1m, 1000), Number("width", 0.1m, 1000), Number("fill", 0.1m, 1000)];
        CareVessel? vessel = sides is [{ } length, { } width, { } fill]
            ? new CareVessel
            {
                LengthCm = length,
                WidthCm = width,
                FillCm = fill,
            }
            : null;
        if (litres is null && vessel is null)
            Refuse("say how many litres, or how long, wide and high the vessel is filled");
        return Work with { Litres = litres, FromPercent = from, Vessel = vessel, Pieces = [.. Pieces()] };
    }

    /// <summary>A piece a line, <c>lid 412 g</c> or <c>keys 300 cm3</c>.</summary>
    IEnumerable<BathPiece> Pieces()
    {
        foreach (string line in Text("pieces", TextLimits.Longest).Split('\n', Split).Take(40))
        {
            string[] words = line.Split(' ', Split);
            if (
                words is [.., var many, "g" or "cm3"]
                && words.Length > 2
                && TypedNumber.TryParse(many, out decimal size)
                && size > 0
            )
            {
                string what = string.Join(' ', words[..^2]);
                yield return words[^1] == "g" ? new() { What = what, Grams = size } : new() { What = what, Cm3 = size };
            }
            else
                Refuse($"\"{line}\" is no piece with its weight or room, such as \"lid 412 g\"");
        }
    }

    IReadOnlyList<decimal> Edges()
    {
        if (!TypedNumber.TryList(_form("edges"), out IReadOnlyList<decimal> edges, out string first))
            Refuse($"\"{first}\" is no distance in millimetres");
        else if (edges.Count == 0)
            Refuse("say how far the nearest edges, ribs and holes are, in millimetres");
        return edges;
    }

    string Text(string name, int most)
    {
        string text = _form(name).Trim();
        if (text.Length > most)
            Refuse($"{name}: {most} letters at most");
        return text.Length > most ? "" : text;
    }

    decimal Need(string name, decimal least, decimal most, string what)
    {
        decimal? value = Number(name, least, most);
        if (value is null)
            Refuse($"say {what}");
        return value ?? 0;
    }

    decimal? Number(string name, decimal least, decimal most)
    {
        string typed = _form(name).Trim();
        if (typed.Length == 0)
            return null;
        if (TypedNumber.TryParse(typed, out decimal value) && value >= least && value <= most)
            return value;
        Refuse($"{name}: \"{typed}\" is not a number from {least:0.###} to {most:0.##}");
        return null;
    }

    void Refuse(string wrong) => Wrong = Wrong.Length > 0 ? Wrong : wrong;
}
