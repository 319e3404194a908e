using RustCabin.Core.Bench;
using RustCabin.Core.Findings;
using RustCabin.Core.Gathered;
using RustCabin.Core.Mends;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>A reading that differs is a finding, as long as it counts. Source: docs/handbook/build.md, Gates.</summary>
static class GateFindings
{
    /// <summary>What the readings of a build have to say.</summary>
    public static IEnumerable<Finding> Of(StationList stations, Progress progress, Job? job)
    {
        foreach (StepProgress gate in progress.Steps.Where(s => s.Step is { Kind: StepKind.Gate, At: not null }))
        {
            if (gate is { State: StepState.Differs, Reading: { } read })
                yield return Differs(gate, $"{gate.Step.Title}: {Short(read)}", Read(read));
            foreach ((Sight sight, string showed) in Seen(stations, progress, gate, job))
                yield return Differs(
                    gate,
                    $"{gate.Step.Title}: {sight.Words.ToLowerInvariant()}, {showed}",
                    $"{sight.Words}: {showed}."
                );
        }
    }

    static Finding Differs(StepProgress gate, string title, string read) =>
        new(
            MendFindings.GateDiffers,
            Severity.Watch,
            title,
            [.. gate.Step.Instances.Select(i => i.Subject).DefaultIfEmpty(Subject.Unit)],
            $"{read} It does not agree with what is predicted there, so nothing behind this gate may be done.",
            ["Switch off; look at Faults, the likeliest cause first."]
        );

    static string Short(Comparison read) => read.Reading.Starts == false ? "it does not start as before" : "the reading differs";

    static string Read(Comparison read) =>
        read.Reading.Starts == false
            ? "It does not start as before."
            : string.Join(
                " ",
                read.Lines.Where(l => l.Expected != l.Seen)
                    .Select(l =>
                        $"{l.Label} shows {l.Seen?.ToString() ?? "nothing"}, predicted is {l.Expected?.ToString() ?? "nothing"}."
                    )
            );

    /// <summary>What was looked at there and is not as usual, where the count itself agrees.</summary>
    static IEnumerable<(Sight Sight, string Showed)> Seen(StationList stations, Progress progress, StepProgress gate, Job? job) =>
        gate.State == StepState.Done && job is not null
            ? from look in Grounds.Looks(job, gate.Step, [.. progress.Steps.Select(s => s.Step)])
            where look.Against.Count == 0
            join sight in stations.Sights(gate.Step.At!) on look.Look.What equals sight.Id
            where look.Look.Showed != sight.Usual
            select (sight, look.Look.Showed)
            : [];
}
