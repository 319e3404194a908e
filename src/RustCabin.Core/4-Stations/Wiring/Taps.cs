using RustCabin.Core.Chips;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>A place where a net can be taken up, and how.</summary>
public sealed record TapOption(string Place, string Tap);

/// <summary>Where a signal that a part needs and its site does not carry can be had. Source: docs/handbook/wiring.md,
/// Taps.</summary>
public static class Taps
{
    /// <summary>The manners, easiest first.</summary>
    static readonly string[] Easiest = ["test-point", "clip", "pad", "leg", "via", "trace"];

    /// <summary>For each net that a part wants at a pad and that no contact of its sites carries: where it lies.</summary>
    public static IReadOnlyList<(string Net, IReadOnlyList<TapOption> Options)> Of(Wired wired) =>
        [
            .. wired
                .Unit.Instances.Where(i => i.Added)
                .SelectMany(i =>
                    i.Part.Pads.Select(p => p.Wants)
                        .OfType<string>()
                        .Select(wired.Places.Canonical)
                        .Where(net => !Carried(wired, i).Contains(net))
                )
                .Distinct()
                .Select(net => (net, (IReadOnlyList<TapOption>)[.. Of(wired, net)])),
        ];

    static IEnumerable<string> Carried(Wired wired, Instance instance) =>
        instance
            .Occupied.Select(o => wired.Unit.FindSite(o.Site!))
            .OfType<Site>()
            .SelectMany(s => s.Contacts)
            .Select(wired.Places.Canonical);

    /// <summary>The places that carry a net on this revision before the job, easiest first.</summary>
    public static IEnumerable<TapOption> Of(Wired wired, string net)
    {
        string named = wired.Places.Canonical(net);
        IEnumerable<TapOption> places = wired
            .Places.All.Where(p => p.Net == named && p.Owner.Length == 0 && p.Kind != PlaceKind.Contact)
            .Select(p => new TapOption(p.Name, How(p)));
        IEnumerable<TapOption> signals =
            from signal in wired.Unit.Model.Signals
            where wired.Places.Canonical(signal.Net) == named && wired.Unit.Holds(signal.Revisions)
            from at in signal.At
            where wired.Unit.Holds(at.Revisions)
            select new TapOption(at.Pin is { } pin ? $"{at.Chip}.{pin}" : at.Chip, at.Tap ?? "leg");
        return places
            .Concat(signals)
            .DistinctBy(t => t.Place)
            .OrderBy(t => Array.IndexOf(Easiest, t.Tap) is >= 0 and var rank ? rank : Easiest.Length);
    }

    static string How(Place place) =>
        place.Kind switch
        {
            PlaceKind.Leg => place.Chip!.Outline.Family is PackageFamily.Qfp or PackageFamily.Dsub or PackageFamily.Header
                ? "leg"
                : "clip",
            PlaceKind.End => "pad",
            _ => place.Point?.Kind switch
            {
                PointKind.TestPoint => "test-point",
                PointKind.Via => "via",
                PointKind.Trace => "trace",
                _ => "pad",
            },
        };
}
