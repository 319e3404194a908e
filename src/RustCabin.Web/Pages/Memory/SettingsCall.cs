using RustCabin.Core;
using RustCabin.Core.Planning;
using RustCabin.Core.Searches;
using RustCabin.Core.Sheets;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Memory;

public sealed record SettingsAnswer(IReadOnlyList<SettingJson> Solutions, IReadOnlyList<string> Clash)
{
    /// <summary>True: the time was over first, and what is given is what was found so far. Left out where all was
    /// decided.</summary>
    [System.Text.Json.Serialization.JsonIgnore(Condition = System.Text.Json.Serialization.JsonIgnoreCondition.WhenWritingNull)]
    public bool? Undecided { get; init; }
}

public sealed record SettingJson(
    IReadOnlyDictionary<string, IReadOnlyDictionary<string, string>> Switches,
    int Moves,
    ulong PowerUpTotalBytes
);

/// <summary>
/// <c>settings</c>: switch positions that give every want without a stop. Fewest moves first; alternatives differ in effect.
/// </summary>
static class SettingsCall
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapJobCall("settings", "Switch positions that give every want without a stop", Answer);

    static SettingsAnswer Answer(Pack pack, Job job, CancellationToken cancel)
    {
        Settings found = SettingsSolver.Solve(Trail.Stations, Plan.For(pack, job), cancel: cancel, within: HeavyWork.AtMost);
        return new SettingsAnswer(
            [.. found.Solutions.Select(s => new SettingJson(s.Switches, s.Moves, s.PowerUpTotalBytes))],
            [.. found.Clash.Select(c => c.Text)]
        )
        {
            Undecided = found.Decided ? null : true,
        };
    }
}
