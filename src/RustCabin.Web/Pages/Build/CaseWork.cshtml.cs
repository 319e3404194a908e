using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Build;
using RustCabin.Core.Care;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Build;

/// <summary>Case care of a job: what is whitened with its looks side by side, and where a hole is made.</summary>
public sealed class CaseWorkModel(SheetRepository sheets, JobRepository jobs, PhotoRepository photos, TimeProvider clock)
    : BuildModel(sheets, jobs, photos, clock)
{
    readonly TimeProvider _clock = clock;

    /// <summary>Most works on one case.</summary>
    const int Most = 40;

    /// <summary>Each work with its figures, its looks and its step.</summary>
    public IEnumerable<(CareFigures Care, CareWatch Watch, StepProgress? Step)> Works =>
        (View.Job.Build?.Care ?? []).Select(w =>
            (
                new CareFigures(w),
                CareWatch.Of(w, View.Job, _clock.GetUtcNow()),
                View.Progress.Steps.FirstOrDefault(s => s.Step.Id == Acts.Care(w.Id))
            )
        );

    /// <summary>The place of a note in the record.</summary>
    public int IndexOf(BenchNote note) => (View.Job.Build?.Notes ?? []).Index().First(n => ReferenceEquals(n.Item, note)).Index;

    public IActionResult OnPostCare(string job, long version, string act)
    {
        if (!Load(job))
            return NotFound();
        if (!Words<CareAct>.TryParse(act, out CareAct kind) || (View.Job.Build?.Care.Count ?? 0) >= Most)
            return Refuse("Nothing was changed: there is no room for more on this case.");
        var read = new CareForm(Request.Form, kind, View.Model);
        if (read.Wrong.Length > 0)
            return Refuse($"Nothing was changed: {read.Wrong}.");
        // A name that looks were noted under is not given again: they are of another work.
        JobBuild build = View.Job.Build ?? new JobBuild();
        string[] taken =
        [
            .. build.Care.Select(c => c.Id),
            .. build.Notes.Where(n => n.Step.Act == Acts.Care("").Act).Select(n => n.Step.About),
        ];
        CareWork work = read.Work with
        {
            Id = Enumerable.Range(1, int.MaxValue).Select(n => $"{Words<CareAct>.Of(kind)}-{n}").First(i => !taken.Contains(i)),
        };
        return Change(job, version, _ => ($"Case care: {new CareFigures(work).Title}", j => BuildEdits.Care(j, work)));
    }

    public IActionResult OnPostUncare(string job, long version, string work) =>
        Change(
            job,
            version,
            view =>
                view.Job.Build?.Care.FirstOrDefault(c => c.Id == work) is { } known
                    ? ($"Not done to the case after all: {known.What}", j => BuildEdits.Uncare(j, work))
                    : null
        );
}

/// <summary>A work on the case as it was typed.</summary>
sealed class CareForm
{
    readonly IFormCollection _form;

    /// <summary>What is wrong first; empty: nothing.</summary>
    public string Wrong { get; private set; } = "";

    /// <summary>The work, without its name.</summary>
    public CareWork Work { get; }

    public CareForm(IFormCollection form, CareAct kind, Model model)
    {
        _form = form;
        string access = form["access"].ToString();
        Work = new CareWork
        {
            Do = kind,
            What = Text("what", 200),
            Access = model.Access.Any(a => a.Id == access && a.Opens) ? access : null,
            OffFirst = [.. Text("off", 500).Split(',', Split)],
        };
        if (Work.What.Length == 0)
            Refuse("say what it is done to");
        if (kind != CareAct.Hole)
            Work = Work with
            {
                Percent = Number("percent", 0.1m, CareWork.Strongest) ?? 10,
                Light = Words<CareLight>.TryParse(form["light"].ToString(), out CareLight light) ? light : CareLight.None,
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
        foreach (string line in Text("pieces", 2000).Split('\n', Split).Take(40))
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
        if (!TypedNumber.TryList(_form["edges"].ToString(), out IReadOnlyList<decimal> edges, out string first))
            Refuse($"\"{first}\" is no distance in millimetres");
        else if (edges.Count == 0)
            Refuse("say how far the nearest edges, ribs and holes are, in millimetres");
        return edges;
    }

    string Text(string name, int most)
    {
        string text = _form[name].ToString().Trim();
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
        string typed = _form[name].ToString().Trim();
        if (typed.Length == 0)
            return null;
        if (TypedNumber.TryParse(typed, out decimal value) && value >= least && value <= most)
            return value;
        Refuse($"{name}: \"{typed}\" is not a number from {least:0.###} to {most:0.##}");
        return null;
    }

    void Refuse(string wrong) => Wrong = Wrong.Length > 0 ? Wrong : wrong;
}
