using RustCabin.Core.Findings;
using RustCabin.Core.Wants;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Wants;

/// <summary>The Wants station on the trail.</summary>
public sealed class WantsDesk : Desk
{
    public override StationName Name => WantsStation.Here;
    public override string Word => "what it should do";
    public override char Key => 'w';

    public override void Map(IEndpointRouteBuilder routes) => BuildSetsCall.Map(routes);
}
