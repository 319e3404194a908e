using RustCabin.Core.Baseline;
using RustCabin.Core.Findings;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Baseline;

/// <summary>The Baseline station on the trail.</summary>
public sealed class BaselineDesk : Desk
{
    public override StationName Name => BaselineStation.Here;
    public override string Word => "does it work now";
    public override char Key => 'l';

    public override void Map(IEndpointRouteBuilder routes)
    {
        PhotoFile.Map(routes);
        TestsCall.Map(routes);
    }
}
