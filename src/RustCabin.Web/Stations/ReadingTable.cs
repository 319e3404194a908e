using RustCabin.Core.Bench;

namespace RustCabin.Web.Stations;

/// <summary>
/// The table in which a person types what the screen shows beside what it must show. What was typed is kept when it could not
/// be taken, with what is wrong by line.
/// </summary>
public sealed record ReadingTable(
    string Title,
    PowerUpCount Expected,
    Comparison? Reading,
    IReadOnlyList<string> Typed,
    IReadOnlyDictionary<int, string> Wrong,
    bool Locked,
    bool Focus,
    Preferences Taste
);
