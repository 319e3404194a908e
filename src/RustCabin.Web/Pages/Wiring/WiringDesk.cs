using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Wiring;

/// <summary>The Wiring station on the trail.</summary>
public sealed class WiringDesk : Desk
{
    public override string Name => "Wiring";
    public override string Word => "legs, cuts, links";
    public override char Key => 'x';

    public override void Map(IEndpointRouteBuilder routes)
    {
        PinsCall.Map(routes);
        WiringCalls.Map(routes);
    }
}
