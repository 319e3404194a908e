using RustCabin.Core;
using RustCabin.Core.Findings;
using RustCabin.Core.Stations;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Build;

/// <summary>
/// What each station of a job would still use, and what it would then tell; nothing else is asked. Source:
/// docs/handbook/build.md, Only what is missing.
/// </summary>
public sealed class MissingModel(SheetRepository sheets, JobRepository jobs) : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<BuildDesk>();

    /// <summary>What is missing, station by station.</summary>
    public IReadOnlyList<IGrouping<StationName, MissingFact>> Missing =>
        field ??= [.. Trail.Stations.Missing(View.After).GroupBy(m => m.Station, m => m.Fact)];

    /// <summary>Where a fact is noted.</summary>
    public string HrefOf(StationName station, MissingFact fact) =>
        fact.On switch
        {
            MissingOn.Model => $"/sheets/models/{fact.Of}#section-{fact.Field}",
            MissingOn.Part => $"/sheets/parts/{fact.Of}#section-{fact.Field}",
            _ => UrlOf(Desks.At(station)),
        };
}
