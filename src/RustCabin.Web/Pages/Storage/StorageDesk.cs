using RustCabin.Core.Findings;
using RustCabin.Core.Storage;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Storage;

/// <summary>The Storage station on the trail.</summary>
public sealed class StorageDesk : Desk
{
    public override StationName Name => StorageStation.Here;
    public override string Word => "cards and limits";
    public override char Key => 'o';

    public override void Map(IEndpointRouteBuilder routes) => StorageCalls.Map(routes);
}
