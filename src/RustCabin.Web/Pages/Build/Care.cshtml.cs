using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Build;
using RustCabin.Core.Stations;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Build;

/// <summary>Case care: a bath, a cream, a hole. All of it stands in the address.</summary>
public sealed class CareModel : PageModel
{
    public Preferences Preferences => Preferences.From(Request);

    public decimal Litres { get; private set; }
    public decimal Percent { get; private set; }
    public decimal From { get; private set; }
    public decimal Area { get; private set; }
    public CareLight Light { get; private set; }
    public IReadOnlyList<decimal> Edges { get; private set; } = [];
    public decimal? Behind { get; private set; }

    /// <summary>The mixture; null: it cannot be.</summary>
    public Bath? Bath { get; private set; }

    /// <summary>What is wrong with what was typed; empty: nothing.</summary>
    public string Wrong { get; private set; } = "";

    public static IReadOnlyList<Caution> Cautions { get; } = [Caution.Of("peroxide")];
    public static Caution Drilling { get; } = Caution.Of("drilling");

    public void OnGet(string? litres, string? percent, string? from, string? light, string? area, string? edges, string? behind)
    {
        ViewData["Title"] = "Case care";
        Litres = Read(litres, 4, "litres");
        Percent = Read(percent, 10, "strength");
        From = Read(from, 35, "strength of the concentrate");
        Area = Read(area, 20, "area");
        Light = Enum.TryParse(light, ignoreCase: true, out CareLight known) ? known : CareLight.None;
        Edges = TypedNumber.TryList(edges ?? "12 14 20", out IReadOnlyList<decimal> values, out string first)
            ? values
            : Fail($"\"{first}\" is no distance in millimetres");
        Behind = TypedNumber.TryParse(behind, out decimal far) ? far : null;
        if (Wrong.Length > 0)
            return;
        if (Percent <= 0 || From > BathAsked.Strongest || From < Percent || Litres is <= 0 or > 10_000)
            Wrong = $"{From:0.##} % cannot be thinned to {Litres:0.##} l of {Percent:0.##} %";
        else
            Bath = Bath.Of(
                new BathAsked
                {
                    Litres = Litres,
                    Percent = Percent,
                    FromPercent = From,
                }
            );
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
