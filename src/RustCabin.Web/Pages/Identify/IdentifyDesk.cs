using RustCabin.Core.Findings;
using RustCabin.Core.Identify;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Identify;

/// <summary>The Identify station on the trail.</summary>
public sealed class IdentifyDesk : Desk
{
    public override StationName Name => IdentifyStation.Here;
    public override string Word => "which board it is";
    public override char Key => 'i';

    public override void Map(IEndpointRouteBuilder routes) => IdentifyCall.Map(routes);
}
