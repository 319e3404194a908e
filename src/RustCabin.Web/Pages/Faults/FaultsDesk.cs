using RustCabin.Core.Build;
using RustCabin.Core.Findings;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Faults;

/// <summary>The Faults station on the trail.</summary>
public sealed class FaultsDesk : Desk
{
    public override StationName Name => StationName.Faults;
    public override string Word => "likeliest causes";
    public override char Key => 'u';

    public override void Map(IEndpointRouteBuilder routes) => FaultsCalls.Map(routes);

    protected override StationMark FarOf(JobView view) =>
        view.Progress.Steps.Any(s => s.State == StepState.Differs) ? StationMark.InHand : StationMark.Empty;
}
