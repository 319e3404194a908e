using System.Text;
using BenchmarkDotNet.Attributes;
using RustCabin.Core;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;
using RustCabin.Core.Planning;
using RustCabin.Core.Searches;
using RustCabin.Core.Sheets;

namespace RustCabin.Benchmarks;

/// <summary>
/// Six cards of five switches each, 32 places a card, all at one place now; and forty parts to choose from for three wants.
/// </summary>
public class Solving
{
    PlannedUnit _cards = null!;
    SetQuestion _question = null!;

    [GlobalSetup]
    public void Make()
    {
        _cards = PlanOf(Cards());
        _question = SetQuestion.Of(Trail.Stations, Candidates(), Candidates().Jobs[0]);
        if (Cards6() is { Solutions.Count: 0 } settings)
            throw new InvalidOperationException(
                $"no settings were found: {string.Join("; ", settings.Clash.Select(c => c.Text))}"
            );
        if (Sets40() is { Sets.Count: 0 } sets)
            throw new InvalidOperationException($"no build set was found: {string.Join("; ", sets.Clash.Select(c => c.Text))}");
    }

    [Benchmark(Description = "settings, 6 parts, 2^30 positions")]
    public Settings Cards6() => SettingsSolver.Solve(Trail.Stations, _cards);

    [Benchmark(Description = "build sets, 40 candidate parts")]
    public BuildSets Sets40() => SetSearch.Find(_question);

    static PlannedUnit PlanOf(Pack pack) => Plan.For(pack, pack.Jobs[0]);

    static Pack Cards()
    {
        string Claims() =>
            string.Join(
                ',',
                Enumerable
                    .Range(0, 32)
                    .Select(place =>
                        $$"""
                            { "id": "k{{place}}", "kind": "io", "base": "0x{{place
                                * 0x800:X}}", "size": "4K", "when": { {{string.Join(
                                ", ",
                                Enumerable.Range(0, 5).Select(s => $"\"S{s}\": \"{(place >> s & 1)}\"")
                            )}} } }
                            """
                    )
            );
        string switches = string.Join(
            ',',
            Enumerable.Range(0, 5).Select(s => $$"""{ "id": "S{{s}}", "positions": ["0", "1"] }""")
        );
        return Read(
            $$"""
            { "format": "rustcabin.pack/1", "models": [{{Model()}}],
              "parts": [{{string.Join(
                ',',
                Enumerable.Range(0, 6).Select(i =>
                    $$"""{ "id": "p{{i}}", "name": "P{{i}}", "kind": "io", "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "s{{i}}", "mode": "in" } ] } ], "switches": [{{switches}}], "claims": [{{Claims()}}] }"""
                )
            )}}],
              "units": [ { "id": "u", "model": "m", "name": "U" } ],
              "jobs": [ { "id": "j", "unit": "u", "name": "J", "add": [{{string.Join(
                ',',
                Enumerable.Range(0, 6).Select(i => $$"""{ "part": "p{{i}}", "way": "w" }""")
            )}}] } ] }
            """
        );
    }

    static Pack Candidates()
    {
        string Part(int i) =>
            (i % 4) switch
            {
                0 =>
                    $$"""{ "id": "p{{i}}", "name": "P{{i}}", "maker": "M{{i % 5}}", "kind": "memory", "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "s{{i % 10}}", "mode": "in" } ], "skill": {{i % 5 + 1}} } ], "switches": [ { "id": "A", "positions": ["0", "1"] }, { "id": "B", "positions": ["0", "1"] } ], "claims": [ { "id": "a", "kind": "ram", "auto": true, "size": "64K", "when": { "A": "0" } }, { "id": "b", "kind": "ram", "auto": true, "size": "128K", "when": { "A": "1" } } ], "draws": [ { "rail": "+5", "peakAmps": 0.3 } ], "price": {{20 + i}} }""",
                1 =>
                    $$"""{ "id": "p{{i}}", "name": "P{{i}}", "maker": "M{{i % 5}}", "kind": "accelerator", "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "s{{i % 10}}", "mode": "in" } ], "skill": {{i % 4 + 1}} }, { "id": "v", "model": "m", "occupies": [ { "site": "cpu", "mode": "over" } ], "skill": {{i % 3 + 1}}, "reversible": false } ], "speed": { "processor": {{i % 7 + 1}} }, "draws": [ { "rail": "+5", "peakAmps": 0.5 } ], "price": {{50 + i}} }""",
                2 =>
                    $$"""{ "id": "p{{i}}", "name": "P{{i}}", "maker": "M{{i % 5}}", "kind": "storage", "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "s{{i % 10}}", "mode": "in" } ], "skill": 2 } ], "provides": ["start-from-card"], "capacity": "{{i % 8 + 1}}G", "needs": [ { "part": "p{{(i + 1) % 40}}" } ], "price": {{30 + i}} }""",
                _ =>
                    $$"""{ "id": "p{{i}}", "name": "P{{i}}", "maker": "M{{i % 5}}", "kind": "adapter", "ways": [ { "id": "w", "model": "m" } ], "supplies": [ { "rail": "+5", "amps": 3, "replaces": true } ], "price": {{8 + i}} }""",
            };
        return Read(
            $$"""
            { "format": "rustcabin.pack/1", "models": [{{Model()}}], "parts": [{{string.Join(
                ',',
                Enumerable.Range(0, 40).Select(Part)
            )}}], "units": [ { "id": "u", "model": "m", "name": "U" } ],
              "jobs": [ { "id": "j", "unit": "u", "name": "J", "add": [], "wants": [ { "memory": { "master": "cpu",
                  "atLeast": "384K" } }, { "speed": { "atLeast": 4 } }, { "provides": "start-from-card" } ] } ] }
            """
        );
    }

    static string Model() =>
        $$"""
            { "id": "m", "name": "M", "addressBits": 24, "dataBits": 16, "masters": ["cpu"], "revisions": [ { "id": "r",
                "name": "R" } ], "autoWindows": [ { "id": "w", "base": "2M", "size": "4M" } ],
              "powerUp": [ { "label": "cards", "auto": true } ], "rails": [ { "id": "+5", "volts": 5, "amps": 2.5,
                  "usedAmps": 0.8 } ],
              "sites": [ { "id": "cpu", "kind": "socket" }, {{string.Join(
                ',',
                Enumerable.Range(0, 10).Select(i => $$"""{ "id": "s{{i}}", "kind": "slot" }""")
            )}} ] }
            """;

    static Pack Read(string json)
    {
        using var document = PackReader.Parse(Encoding.UTF8.GetBytes(json));
        Reading<Pack> reading = PackReader.Read(document.RootElement);
        return reading.Value ?? throw new InvalidOperationException(string.Join("; ", reading.Errors));
    }
}
