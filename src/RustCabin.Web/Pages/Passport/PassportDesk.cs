using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Passport;

/// <summary>The Passport station on the trail.</summary>
public sealed class PassportDesk : Desk
{
    public override string Name => "Passport";
    public override string Word => "the unit's record";
    public override char Key => 'p';

    protected override StationMark FarOf(JobView view) => view.Progress.Finished ? StationMark.Clear : StationMark.Empty;
}
