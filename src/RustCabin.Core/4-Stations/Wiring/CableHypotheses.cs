using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Wiring;

/// <summary>What can be wrong with the cables between two devices. Source: docs/handbook/faults.md, Causes.</summary>
static class CableHypotheses
{
    const decimal TryMinutes = 3,
        PlugMinutes = 1,
        CountMinutes = 2;

    const string Through = "it comes through",
        Nothing = "nothing comes";

    static string Talk(CableRun run) => $"cables {run.Id}";

    /// <summary>Whether the devices hear each other.</summary>
    public static IEnumerable<Sight> Sights(PlannedUnit at) =>
        (at.Job?.Cables ?? []).Select(run => new Sight(
            Talk(run),
            $"Send a line over the cables of {run.What}, and look for it at the other end",
            TryMinutes,
            Through,
            [Nothing]
        )
        {
            Dark = Nothing,
        });

    /// <summary>A joint that is not in all the way, and directions that are crossed once too often or too seldom.</summary>
    public static IEnumerable<Hypothesis> Of(PlannedUnit at) =>
        from run in at.Job?.Cables ?? []
        let crossed = run.From.Role == run.To.Role
        from cause in (Hypothesis[])
            [
                new(
                    $"cables:{run.Id}:loose",
                    $"a plug between {run.From.Text} and {run.To.Text} is not in all the way",
                    Work.UsualChance,
                    Shown.Nothing.Seen(Talk(run), Nothing)
                )
                {
                    Mend = $"{run.What}: press each plug home, and fasten it.",
                    MendMinutes = PlugMinutes,
                    Look = new Look(
                        $"cables:{run.Id}:loose",
                        $"Pull lightly at each plug of {run.What}",
                        PlugMinutes,
                        "all hold",
                        "one gives way"
                    ),
                },
                new(
                    $"cables:{run.Id}:crossed",
                    $"the directions of {run.What} are {(crossed ? "not crossed, or crossed twice" : "crossed")}",
                    Work.UsualChance / 2,
                    Shown.Nothing.Seen(Talk(run), Nothing)
                )
                {
                    Mend =
                        $"{run.What}: {(crossed ? "one crossing piece, and only one" : "no crossing piece, or two")}; "
                        + "the Wiring page lists the pieces in their order.",
                    MendMinutes = 4,
                    Look = new Look(
                        $"cables:{run.Id}:crossed",
                        $"Count the pieces of {run.What} that cross the directions",
                        CountMinutes,
                        crossed ? "an odd number" : "an even number",
                        crossed ? "an even number" : "an odd number"
                    ),
                },
            ]
        select cause;
}
