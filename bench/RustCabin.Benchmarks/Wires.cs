using BenchmarkDotNet.Attributes;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;

namespace RustCabin.Benchmarks;

/// <summary>A board of 5,000 places with 500 changes: nets, checks, and the table that proves them.</summary>
public class Wires
{
    const int Chips = 60,
        Legs = 80,
        Pads = 200,
        Changes = 500;

    PlannedUnit _unit = null!;

    [GlobalSetup]
    public void Make()
    {
        string chips = string.Join(
            ',',
            Enumerable
                .Range(0, Chips)
                .Select(c =>
                    $$"""{ "id": "U{{c}}", "package": "QFP-{{Legs}}", "nets": { {{string.Join(
                        ',',
                        Enumerable.Range(1, Legs).Select(l => $"\"{l}\": \"{NetOf(c, l)}\"")
                    )}} } }"""
                )
        );
        string changes = string.Join(
            ',',
            Enumerable
                .Range(0, Changes / 2)
                .SelectMany(n =>
                    (string[])
                        [
                            $$"""{ "do": "lift", "chip": "U{{n % Chips}}", "pins": [{{LegOf(n)}}] }""",
                            $$"""{ "do": "wire", "from": "U{{n % Chips}}.{{LegOf(n)}}", "to": "part:P{{n % Pads}}", "joins": true }""",
                        ]
                )
        );
        string pads = string.Join(',', Enumerable.Range(0, Pads).Select(p => $$"""{ "id": "P{{p}}" }"""));
        using var document = PackReader.Parse(
            System.Text.Encoding.UTF8.GetBytes(
                $$"""
                { "format": "rustcabin.pack/1",
                  "models": [ { "id": "m", "name": "M", "addressBits": 16, "dataBits": 8, "masters": ["cpu"],
                    "revisions": [ { "id": "r", "name": "R" } ], "sites": [ { "id": "s", "kind": "slot" } ],
                    "rails": [ { "id": "+5", "volts": 5, "amps": 1 } ], "chips": [{{chips}}] } ],
                  "parts": [ { "id": "p", "name": "P", "kind": "io", "pads": [{{pads}}],
                    "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "s", "mode": "in" } ], "changes": [{{changes}}] } ] } ],
                  "units": [ { "id": "u", "model": "m", "name": "U" } ],
                  "jobs": [ { "id": "j", "unit": "u", "name": "J", "add": [ { "part": "p", "way": "w" } ] } ] }
                """
            )
        );
        Reading<Pack> reading = PackReader.Read(document.RootElement);
        Pack pack =
            reading.Value ?? throw new InvalidOperationException(string.Join("; ", reading.Errors.Select(e => e.Sentence)));
        _unit = Plan.For(pack, pack.Jobs[0]);
        var wired = Wired.Of(_unit);
        if (wired.Places.All.Count != Chips * Legs + Pads || wired.Changes.Count != Changes)
            throw new InvalidOperationException("the board is not what it should be");
    }

    static string NetOf(int chip, int leg) =>
        leg switch
        {
            20 or 60 => "GND",
            1 or 41 => "+5",
            _ when leg % 3 == 0 => $"bus{leg}",
            _ => $"n{chip}-{leg}",
        };

    static int LegOf(int n) => 2 + n / Chips * 4;

    [Benchmark(Description = "wiring, 5,000 places and 500 changes")]
    public int Wiring()
    {
        PlannedUnit unit = _unit with { }; // nothing is kept of the last time
        int found = WiringChecks.Of(unit).Count();
        return found + Continuity.Of(Wired.Of(unit)).Count;
    }
}
