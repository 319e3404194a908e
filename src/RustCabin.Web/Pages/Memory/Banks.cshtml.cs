using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Maps;
using RustCabin.Core.Memory;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Memory;

/// <summary>
/// Bank windows of the Memory station: what lies behind each, a listing that walks every bank, and the reset circuit of a
/// register.
/// </summary>
public sealed class BanksModel(SheetRepository sheets, JobRepository jobs) : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<MemoryDesk>();

    public IReadOnlyList<DecodedClaim> Windows => [.. View.After.Claims.Where(c => c.Window is { Register: not null })];

    public BankListing? Listing(DecodedClaim window) => BankListing.Of(View.After).FirstOrDefault(l => l.Owner == window.Owner);

    [BindProperty(SupportsGet = true, Name = "kohm")]
    public string? KiloOhms { get; set; }

    [BindProperty(SupportsGet = true, Name = "uf")]
    public string? MicroFarads { get; set; }

    [BindProperty(SupportsGet = true, Name = "volts")]
    public string? Volts { get; set; }

    [BindProperty(SupportsGet = true, Name = "rise")]
    public string? RiseMs { get; set; }

    [BindProperty(SupportsGet = true, Name = "into")]
    public string? Into { get; set; }

    /// <summary>The register's clear is a bipolar TTL input, which charges the capacitor itself.</summary>
    public bool Ttl => Into == "ttl";

    /// <summary>What is wrong with a value that was typed; null: nothing.</summary>
    public string? Wrong { get; private set; }

    public double Rise { get; private set; }
    public ResetCircuit Circuit { get; private set; } = null!;

    protected override void Loaded()
    {
        Circuit = new ResetCircuit(
            Value(KiloOhms, 47, "kOhm") * 1000,
            Value(MicroFarads, 1, "uF") * 1e-6,
            Value(Volts, 5, "V"),
            InputAmps: Ttl ? ResetCircuit.TtlInputAmps : 0
        );
        Rise = Value(RiseMs, 5, "ms") / 1000;
        if (Circuit.SupplyVolts <= Circuit.HighThreshold)
        {
            Wrong = $"the supply must be above {Circuit.HighThreshold} V";
            Circuit = Circuit with { SupplyVolts = 5 };
        }
    }

    double Value(string? text, double usual, string unit)
    {
        if (string.IsNullOrWhiteSpace(text))
            return usual;
        if (
            double.TryParse(text.Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out double value)
            && value is > 0 and < 1e9
        )
            return value;
        Wrong = $"\"{text}\" is not a value in {unit}";
        return usual;
    }
}
