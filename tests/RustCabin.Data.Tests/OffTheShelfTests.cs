using System.Text.Json.Nodes;

namespace RustCabin.Data.Tests;

/// <summary>A unit that was taken off the shelf holds no sheet; put back, what no longer fits is named.</summary>
public sealed class OffTheShelfTests : IDisposable
{
    const string Unit = "slip-3",
        Job = "slip-3-winter";
    readonly TestCabin _cabin = new();

    public void Dispose() => _cabin.Dispose();

    ShelfRepository Shelf => new(_cabin.File, _cabin.Sheets, TimeProvider.System);

    /// <summary>The sheets without the way by which the job puts its board in.</summary>
    static string WithoutTheWay()
    {
        JsonObject pack = JsonNode.Parse(TestCabin.Slipway)!.AsObject();
        JsonObject part = pack["parts"]!.AsArray().First(p => (string)p!["id"]! == "fathom")!.AsObject();
        JsonObject way = part["ways"]!.AsArray()[0]!.AsObject();
        Assert.Equal((string)way["id"]!, (string)pack["jobs"]![0]!["add"]![0]!["way"]!);
        way["id"] = "another";
        pack.Remove("jobs");
        pack.Remove("units");
        return pack.ToJsonString();
    }

    [Fact]
    public void Sheets_can_be_replaced_and_the_job_says_what_no_longer_fits_when_its_unit_is_back()
    {
        Assert.True(_cabin.Bring(TestCabin.Slipway).Done);
        Assert.False(_cabin.Bring(WithoutTheWay(), replace: true).Done); // its job is on the shelf
        Assert.True(Shelf.RemoveUnit(Unit));
        Assert.True(_cabin.Bring(WithoutTheWay(), replace: true).Done);

        Shelf.PutBack("unit", Unit);
        SetAside aside = Assert.Single(_cabin.Jobs.Aside());
        Assert.Equal(("job", Job), (aside.Kind, aside.Id));
        Assert.Contains("is not a way of fathom", aside.Why);

        Assert.True(_cabin.Bring(TestCabin.Slipway, replace: true).Done);
        Assert.Empty(_cabin.Jobs.Aside());
        Assert.NotNull(_cabin.Jobs.Find(Job));
    }
}
