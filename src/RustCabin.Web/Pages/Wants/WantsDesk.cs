using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Wants;

/// <summary>The Wants station on the trail.</summary>
public sealed class WantsDesk : Desk
{
    public override string Name => "Wants";
    public override string Word => "what it should do";
    public override char Key => 'w';

    public override void Map(IEndpointRouteBuilder routes) => BuildSetsCall.Map(routes);
}
