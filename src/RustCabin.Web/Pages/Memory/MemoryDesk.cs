using RustCabin.Core.Findings;
using RustCabin.Core.Memory;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Memory;

/// <summary>The Memory station on the trail.</summary>
public sealed class MemoryDesk : Desk
{
    public override StationName Name => MemoryStation.Here;
    public override string Word => "who answers";
    public override char Key => 'm';

    public override void Map(IEndpointRouteBuilder routes)
    {
        MapCall.Map(routes);
        MemoryCalls.Map(routes);
        SettingsCall.Map(routes);
        PlanCall.Map(routes);
    }
}
