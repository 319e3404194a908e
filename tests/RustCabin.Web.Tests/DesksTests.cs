using RustCabin.Core;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Tests;

/// <summary>Whatever a station tells, a person can go where it is told.</summary>
public class DesksTests
{
    [Fact]
    public void Every_station_and_every_finding_has_its_desk()
    {
        Assert.All(Trail.Stations, s => Assert.Equal(s.Name, Desks.At(s.Name).Name));
        Assert.All(Trail.Stations.Findings, f => Assert.Equal(f.Station, Desks.At(f.Station).Name));
    }

    [Fact]
    public void No_two_desks_have_one_name_one_address_or_one_key()
    {
        Assert.Equal(Desks.Trail.Count, Desks.Trail.Select(d => d.Name).Distinct().Count());
        Assert.Equal(Desks.Trail.Count, Desks.Trail.Select(d => d.Slug).Distinct().Count());
        Assert.Equal(Desks.Trail.Count, Desks.Trail.Select(d => d.Key).Distinct().Count());
    }
}
