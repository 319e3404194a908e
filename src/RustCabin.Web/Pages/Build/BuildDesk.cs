using RustCabin.Core.Build;
using RustCabin.Core.Findings;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Build;

/// <summary>The Build station on the trail.</summary>
public sealed class BuildDesk : Desk
{
    public override StationName Name => StationName.Build;
    public override string Word => "steps and gates";
    public override char Key => 'b';

    public override void Map(IEndpointRouteBuilder routes)
    {
        BuildCalls.Map(routes);
        AskModel.Map(routes);
        TellModel.Map(routes);
    }

    protected override StationMark FarOf(JobView view) =>
        view.Progress switch
        {
            var steps when steps.Steps.Any(s => s.State == StepState.Differs) => StationMark.Watch,
            { Finished: true } => StationMark.Clear,
            { DoneCount: > 0 } => StationMark.InHand,
            _ => StationMark.Empty,
        };
}
