using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Rom;

/// <summary>The ROM station on the trail.</summary>
public sealed class RomDesk : Desk
{
    public override string Name => "ROM";
    public override string Word => "image and socket";
    public override char Key => 'r';

    public override void Map(IEndpointRouteBuilder routes) => RomCalls.Map(routes);
}
