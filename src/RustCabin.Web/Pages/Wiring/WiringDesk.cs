using RustCabin.Core.Findings;
using RustCabin.Core.Wiring;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Wiring;

/// <summary>The Wiring station on the trail.</summary>
public sealed class WiringDesk : Desk
{
    public override StationName Name => WiringStation.Here;
    public override string Word => "legs, cuts, links";
    public override char Key => 'x';

    public override void Map(IEndpointRouteBuilder routes)
    {
        PinsCall.Map(routes);
        WiringCalls.Map(routes);
    }
}
