using RustCabin.Core.Findings;
using RustCabin.Core.PictureSound;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.PictureSound;

/// <summary>The Picture and sound station on the trail.</summary>
public sealed class PictureSoundDesk : Desk
{
    public override StationName Name => PictureSoundStation.Here;
    public override string Word => "timings, channels";
    public override char Key => 'c';

    public override void Map(IEndpointRouteBuilder routes) => PictureSoundCalls.Map(routes);
}
