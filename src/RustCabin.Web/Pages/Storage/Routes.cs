using System.Globalization;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Cards;
using RustCabin.Core.Fit;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Web.Pages.Storage;

/// <summary>The quickest way for a file, over what the machine, its parts and what was typed can do.</summary>
public sealed partial class StorageModel
{
    const int LongestWays = 8000;

    /// <summary>How large the file is, as it was typed.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Bytes { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? From { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? To { get; set; }

    /// <summary>Further ways, one a line.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Ways { get; set; }

    public FileRoute? Route { get; private set; }
    public string? RouteWrong { get; private set; }

    /// <summary>The file's size; 0: none was asked for.</summary>
    public long RouteBytes { get; private set; }

    /// <summary>Where a file can begin and end.</summary>
    public IEnumerable<string> RouteEnds => Legs().SelectMany(l => (string[])[l.From, l.To]).Distinct().Order();

    /// <summary>Parts of the cabin that open a way where there is none.</summary>
    public IEnumerable<Part> Openers =>
        View
            .Sheets.Parts.Where(p => p.Routes.Count > 0 && View.After.Instances.All(i => i.Part.Id != p.Id))
            .Where(p => FitMatrix.WaysInto(View.Model, p, View.After.Revision.Id).Any())
            .Where(p => FileRoute.Of(Asked([.. Legs(), .. p.Routes])) is not null);

    IReadOnlyList<RouteLeg> Legs() =>
        [.. View.Model.Routes, .. View.After.Instances.SelectMany(i => i.Part.Routes), .. TypedLegs()];

    RouteAsked Asked(IReadOnlyList<RouteLeg> legs) =>
        new()
        {
            Bytes = new ByteSize((ulong)RouteBytes),
            Ends = [From!.Trim(), To!.Trim()],
            Legs = legs,
        };

    void Routed()
    {
        if (string.IsNullOrWhiteSpace(Bytes) && string.IsNullOrWhiteSpace(From) && string.IsNullOrWhiteSpace(To))
            return;
        if ((Ways ?? "").Length > LongestWays)
            RouteWrong = $"More than {LongestWays:#,0} letters of ways are not taken.";
        else if (Core.Storage.StorageEdits.Typed(Bytes ?? "") is not { Size: { } size })
            RouteWrong = $"The size \"{Bytes}\" does not read; type one such as 10M.";
        else if (string.IsNullOrWhiteSpace(From) || string.IsNullOrWhiteSpace(To))
            RouteWrong = "Say where the file is, and where it is to be.";
        else if (
            (Ways ?? "")
                .Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .FirstOrDefault(l => LegOf(l) is null) is
            { } wrong
        )
            RouteWrong = $"\"{wrong}\" is no way: such as a > b, 20000 bytes/s, 2 min, 720K.";
        else if (Legs() is { Count: > RouteAsked.MostLegs } many)
            RouteWrong = $"{many.Count} ways are too many; {RouteAsked.MostLegs} are taken.";
        else
        {
            RouteBytes = (long)size.Bytes;
            Route = FileRoute.Of(Asked(Legs()));
        }
    }

    IEnumerable<RouteLeg> TypedLegs() =>
        (Ways ?? "").Length > LongestWays
            ? []
            : (Ways ?? "")
                .Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Select(LegOf)
                .OfType<RouteLeg>();

    static Regex LegLine =>
        field ??= new(
            @"^(.{1,100}?)\s*>\s*(.{1,100}?),\s*([0-9.]{1,15})\s*bytes/s(?:,\s*([0-9.]{1,8})\s*min)?(?:,\s*([0-9]{1,12}[KMG]?))?$"
        );

    static RouteLeg? LegOf(string line)
    {
        if (
            LegLine.Match(line) is not { Success: true } found
            || !decimal.TryParse(found.Groups[3].Value, CultureInfo.InvariantCulture, out decimal rate)
            || rate <= 0
        )
            return null;
        decimal each = 0;
        if (found.Groups[4].Success && !decimal.TryParse(found.Groups[4].Value, CultureInfo.InvariantCulture, out each))
            return null;
        ByteSize? carries = null;
        if (found.Groups[5].Success)
        {
            if (!ByteSize.TryParse(found.Groups[5].Value, out ByteSize most) || most.Bytes is 0 or > 1ul << 41)
                return null;
            carries = most;
        }
        return new RouteLeg
        {
            From = found.Groups[1].Value,
            To = found.Groups[2].Value,
            BytesPerSecond = rate,
            MinutesEach = each,
            Carries = carries,
        };
    }
}
