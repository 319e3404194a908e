using RustCabin.Core.Findings;
using RustCabin.Core.Speed;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Speed;

/// <summary>The Speed station on the trail.</summary>
public sealed class SpeedDesk : Desk
{
    public override StationName Name => SpeedStation.Here;
    public override string Word => "predicted, timed";
    public override char Key => 's';

    public override void Map(IEndpointRouteBuilder routes) => SpeedCall.Map(routes);
}
