using RustCabin.Core.Findings;
using RustCabin.Core.Fit;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Fit;

/// <summary>The Fit station on the trail.</summary>
public sealed class FitDesk : Desk
{
    public override StationName Name => FitStation.Here;
    public override string Word => "what fits where";
    public override char Key => 'f';

    public override void Map(IEndpointRouteBuilder routes) => BoardsForCall.Map(routes);
}
