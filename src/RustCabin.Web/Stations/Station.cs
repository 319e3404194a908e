namespace RustCabin.Web.Stations;

/// <summary>One of the thirteen stations, in the order in which people work. <paramref name="Page"/> is null until it is built; <paramref name="Key"/> follows <c>g</c>.</summary>
public sealed record Station(string Name, string Word, string? Page, char Key)
{
    public static readonly IReadOnlyList<Station> Trail =
    [
        new("Identify", "which board it is", "/Identify/Identify", 'i'),
        new("Baseline", "does it work now", "/Baseline/Baseline", 'l'),
        new("Wants", "what it should do", "/Wants/Wants", 'w'),
        new("Fit", "what fits where", "/Fit/Fit", 'f'),
        new("Memory", "who answers", "/Memory/Memory", 'm'),
        new("ROM", "image and socket", "/Rom/Rom", 'r'),
        new("Speed", "foretold, measured", "/Speed/Speed", 's'),
        new("Storage", "cards and limits", null, 'o'),
        new("Picture, sound", "timings, channels", null, 'c'),
        new("Wiring", "legs, cuts, links", null, 'x'),
        new("Build", "steps and gates", "/Build/Build", 'b'),
        new("Faults", "likeliest causes", null, 'u'),
        new("Passport", "the unit's record", "/Passport/Passport", 'p'),
    ];

    public static Station Named(string name) => Trail.First(s => s.Name == name);
}

/// <summary>The mark of a station on the trail: nothing there, being worked on, clear, with a condition, or stopped.</summary>
public enum StationMark
{
    Empty,
    InHand,
    Clear,
    Watch,
    Stop,
}
