using RustCabin.Core.Findings;
using RustCabin.Core.Stations;

namespace RustCabin.Web.Stations;

/// <summary>The mark of a station on the trail: nothing there, being worked on, clear, with a condition, or stopped.</summary>
public enum StationMark
{
    Empty,
    InHand,
    Clear,
    Watch,
    Stop,
}

/// <summary>
/// What the web room has of one station: its place on the trail, its page, mark and calls; its style sheet and its script bear
/// the name of its folder. A new one derives from it in its own folder. Source: docs/architecture.md, A station offers.
/// </summary>
public abstract class Desk
{
    /// <summary>Which station it is of.</summary>
    public abstract StationName Name { get; }

    /// <summary>What it is about, in a word or two.</summary>
    public abstract string Word { get; }

    /// <summary>The key that leads to it, after <c>g</c>.</summary>
    public abstract char Key { get; }

    /// <summary>Its name in addresses.</summary>
    public string Slug => field ??= Name.Text.ToLowerInvariant().Replace(", ", "-").Replace(' ', '-');

    /// <summary>Adds its calls and files to the routes.</summary>
    public virtual void Map(IEndpointRouteBuilder routes) { }

    /// <summary>The mark that it carries for a job: its worst finding, else how far the job is here.</summary>
    public StationMark MarkOf(JobView view)
    {
        Severity? worst = view.Answer.Findings.Where(f => f.Station == Name).Min(f => (Severity?)f.Severity);
        return worst switch
        {
            Severity.Stop => StationMark.Stop,
            Severity.Watch => StationMark.Watch,
            _ => FarOf(view),
        };
    }

    /// <summary>The core's stations of that name.</summary>
    IReadOnlyList<Station> Stations => field ??= [.. Core.Trail.Stations.Where(s => s.Name == Name)];

    /// <summary>How far the job is here, apart from its findings: as the core's station says.</summary>
    protected virtual StationMark FarOf(JobView view) =>
        Stations.Max(s => (Far?)s.FarOf(view.After)) switch
        {
            Far.Clear => StationMark.Clear,
            Far.InHand => StationMark.InHand,
            _ => StationMark.Empty,
        };
}

/// <summary>The stations in the order in which people work. A new one is a folder of its own and a line here.</summary>
public static class Desks
{
    public static readonly IReadOnlyList<Desk> Trail =
    [
        new Pages.Identify.IdentifyDesk(),
        new Pages.Baseline.BaselineDesk(),
        new Pages.Wants.WantsDesk(),
        new Pages.Fit.FitDesk(),
        new Pages.Memory.MemoryDesk(),
        new Pages.Rom.RomDesk(),
        new Pages.Speed.SpeedDesk(),
        new Pages.Storage.StorageDesk(),
        new Pages.PictureSound.PictureSoundDesk(),
        new Pages.Wiring.WiringDesk(),
        new Pages.Build.BuildDesk(),
        new Pages.Faults.FaultsDesk(),
        new Pages.Passport.PassportDesk(),
    ];

    /// <summary>The desk of a station.</summary>
    public static Desk At(StationName name) => Trail.First(s => s.Name == name);

    public static T Of<T>()
        where T : Desk => Only<T>.Desk;

    static class Only<T>
        where T : Desk
    {
        public static readonly T Desk = Trail.OfType<T>().Single();
    }
}
