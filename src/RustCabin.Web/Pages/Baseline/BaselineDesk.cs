using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Baseline;

/// <summary>The Baseline station on the trail.</summary>
public sealed class BaselineDesk : Desk
{
    public override string Name => "Baseline";
    public override string Word => "does it work now";
    public override char Key => 'l';

    public override void Map(IEndpointRouteBuilder routes)
    {
        PhotoFile.Map(routes);
        TestsCall.Map(routes);
    }
}
