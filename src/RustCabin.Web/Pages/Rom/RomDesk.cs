using RustCabin.Core.Findings;
using RustCabin.Core.Rom;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Rom;

/// <summary>The ROM station on the trail.</summary>
public sealed class RomDesk : Desk
{
    public override StationName Name => RomStation.Here;
    public override string Word => "image and socket";
    public override char Key => 'r';

    public override void Map(IEndpointRouteBuilder routes) => RomCalls.Map(routes);
}
