using RustCabin.Core.Findings;
using RustCabin.Core.Passport;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Passport;

/// <summary>The Passport station on the trail.</summary>
public sealed class PassportDesk : Desk
{
    public override StationName Name => PassportStation.Here;
    public override string Word => "the unit's record";
    public override char Key => 'p';

    public override void Map(IEndpointRouteBuilder routes) => PassportFiles.Map(routes);

    protected override StationMark FarOf(JobView view) => view.Progress.Finished ? StationMark.Clear : StationMark.Empty;
}
