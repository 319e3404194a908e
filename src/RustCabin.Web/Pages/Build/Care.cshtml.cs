using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Care;
using RustCabin.Core.Declared;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Web.Pages.Build;

/// <summary>Case care without a job: a bath, a cream, a hole. All of it stands in the address.</summary>
public sealed class CareModel : PageModel
{
    public Preferences Preferences => Preferences.From(Request);

    public CareFigures Bath { get; private set; } = new(new CareWork());

    /// <summary>The mixture; null: it cannot be.</summary>
    public Bath? Mixed { get; private set; }

    public CareFigures Cream { get; private set; } = new(new CareWork());
    public CareFigures Hole { get; private set; } = new(new CareWork());

    /// <summary>What is wrong with what was typed; empty: nothing.</summary>
    public string Wrong { get; private set; } = "";

    public static IReadOnlyList<Caution> Cautions { get; } = [CareStation.Peroxide];
    public static Caution Drilling { get; } = CareStation.Drilling;

    public void OnGet(string? litres, string? percent, string? from, string? light, string? area, string? edges, string? behind)
    {
        ViewData["Title"] = "Case care";
        var work = new CareWork
        {
            What = "the case",
            Percent = Read(percent, 10, "strength"),
            FromPercent = Read(from, 35, "strength of the concentrate"),
            Light = Words<CareLight>.TryParse(light ?? "", out CareLight known) ? known : CareLight.None,
        };
        Bath = new CareFigures(work with { Do = CareAct.Bath, Litres = Read(litres, 4, "litres") });
        Cream = new CareFigures(work with { Do = CareAct.Cream, AreaCm2 = Read(area, 20, "area") });
        Hole = new CareFigures(
            work with
            {
                Do = CareAct.Hole,
                EdgesMm = TypedNumber.TryList(edges ?? "12 14 20", out IReadOnlyList<decimal> values, out string first)
                    ? values
                    : Fail($"\"{first}\" is no distance in millimetres"),
                BehindMm = TypedNumber.TryParse(behind, out decimal far) ? far : null,
            }
        );
        bool thins = work.Percent > 0 && work.FromPercent <= CareWork.Strongest && work.FromPercent >= work.Percent;
        string unmixed =
            !thins ? $"{work.FromPercent:0.##} % cannot be thinned to {work.Percent:0.##} %"
            : Bath.Litres is <= 0 or > 10_000 ? $"{Bath.Litres:0.##} l is no bath"
            : "";
        Mixed = unmixed.Length == 0 ? Bath.Bath : null;
        // What was typed wrong first is told first.
        Wrong = Wrong.Length > 0 ? Wrong : unmixed;
    }

    decimal Read(string? typed, decimal usual, string what)
    {
        if (string.IsNullOrWhiteSpace(typed))
            return usual;
        if (TypedNumber.TryParse(typed, out decimal value) && value <= 1_000_000)
            return value;
        Wrong = $"\"{typed}\" is no {what}";
        return usual;
    }

    IReadOnlyList<decimal> Fail(string wrong)
    {
        Wrong = wrong;
        return [];
    }
}
