using BenchmarkDotNet.Attributes;
using RustCabin.Core;
using RustCabin.Core.Answers;
using RustCabin.Core.Bench;
using RustCabin.Core.Declared;
using RustCabin.Core.Faults;
using RustCabin.Core.Maps;
using RustCabin.Core.Packs;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Benchmarks;

/// <summary>
/// Resolving maps of many claims: two thirds ranges side by side, a third overlapping their neighbours, in a 24-bit space.
/// </summary>
public class Resolving
{
    static readonly string[] Masters = ["cpu", "video"];
    readonly Dictionary<int, DecodedClaim[]> _claims = [];

    [GlobalSetup]
    public void Make()
    {
        foreach (int count in (int[])[1_000, 10_000, 100_000])
        {
            var random = new Random(7);
            ulong stride = (1ul << 24) / (ulong)count;
            _claims[count] =
            [
                .. Enumerable
                    .Range(0, count)
                    .Select(i => new DecodedClaim(
                        ClaimName.Parse($"c{i}"),
                        ClaimKind.Ram,
                        (ulong)i * stride,
                        random.Next(3) == 0 ? stride + stride / 2 : stride,
                        null,
                        BusAccess.Both,
                        (uint)random.Next(1, 4),
                        false,
                        [],
                        null,
                        false
                    )),
            ];
        }
    }

    [Benchmark(Description = "resolve 1,000 claims")]
    public ResolvedMap Claims1000() => AddressMap.Resolve(24, Masters, _claims[1_000]);

    [Benchmark(Description = "resolve 10,000 claims")]
    public ResolvedMap Claims10000() => AddressMap.Resolve(24, Masters, _claims[10_000]);

    [Benchmark(Description = "resolve 100,000 claims")]
    public ResolvedMap Claims100000() => AddressMap.Resolve(24, Masters, _claims[100_000]);
}

/// <summary>A job of ten parts with a switch each, and the power-up count of 16 MiB at 64 KiB steps.</summary>
public class Answering
{
    Pack _job = Pack.Empty,
        _count = Pack.Empty;
    ResolvedMap _map = null!;

    [GlobalSetup]
    public void Make()
    {
        string parts = string.Join(
            ',',
            Enumerable
                .Range(0, 10)
                .Select(i =>
                    $$"""
                        { "id": "p{{i}}", "name": "Part {{i}}", "kind": "memory", "ways": [ { "id": "w", "model": "m",
                            "occupies": [ { "site": "s{{i}}", "mode": "in" } ], "minutes": 5 } ],
                          "switches": [ { "id": "W", "positions": ["a", "b"], "factory": "a" } ],
                          "claims": [ { "id": "a", "kind": "ram", "auto": true, "size": "512K", "when": { "W": "a" } },
                              { "id": "b", "kind": "ram", "auto": true, "size": "1M", "when": { "W": "b" } },
                                      { "id": "ports", "kind": "io", "base": "0xE{{i}}0000", "size": "4K" } ],
                          "draws": [ { "rail": "+5", "typicalAmps": 0.1, "peakAmps": 0.2 } ], "price": 10 }
                        """
                )
        );
        string Model(string more) =>
            $$"""
                { "id": "m", "name": "M", "addressBits": 24, "dataBits": 16, "masters": ["cpu", "video"],
                    "revisions": [ { "id": "r", "name": "R" } ],
                  "sites": [{{string.Join(
                    ',',
                    Enumerable.Range(0, 10).Select(i => $$"""{ "id": "s{{i}}", "kind": "slot" }""")
                )}}],
                  "rails": [ { "id": "+5", "volts": 5, "amps": 10, "usedAmps": 2 } ], {{more}} }
                """;
        _job = Read(
            $$"""
            { "format": "rustcabin.pack/1", "models": [{{Model("""
                "claims": [ { "id": "board", "kind": "ram", "base": "0", "size": "2M" },
                            { "id": "os", "kind": "rom", "base": "0xF40000", "size": "512K" } ],
                "autoWindows": [ { "id": "w", "base": "2M", "size": "10M" } ],
                "powerUp": [ { "label": "board", "from": "0", "to": "2M", "step": "64K" }, { "label": "cards", "auto": true } ]
                """)}}], "parts": [{{parts}}],
              "units": [ { "id": "u", "model": "m", "name": "U" } ],
              "jobs": [ { "id": "j", "unit": "u", "name": "J", "add": [{{string.Join(',', Enumerable.Range(0,
                  10).Select(i => $$"""{ "part": "p{{i}}", "way": "w" }"""))}}] } ] }
            """
        );
        _count = Read(
            $$"""
            { "format": "rustcabin.pack/1", "models": [{{Model("""
                "claims": [ { "id": "all", "kind": "ram", "base": "0", "size": "16M" } ],
                "powerUp": [ { "label": "all", "from": "0", "to": "16M", "step": "64K" } ]
                """)}}], "units": [ { "id": "u", "model": "m", "name": "U" } ] }
            """
        );
        _map = Plan.For(_count, _count.Units[0]).Map;
        if (PowerUp.Run(_count.Models[0], _map).Total.Bytes != 16 << 20)
            throw new InvalidOperationException("the count is wrong");
        if (Answer.For(Trail.Stations, Plan.For(_job, _job.Jobs[0])).Standing != Standing.Clear)
            throw new InvalidOperationException("the job is not clear");
    }

    static Pack Read(string json)
    {
        using var document = PackReader.Parse(System.Text.Encoding.UTF8.GetBytes(json));
        Reading<Pack> reading = PackReader.Read(document.RootElement);
        return reading.Value ?? throw new InvalidOperationException(string.Join("; ", reading.Errors));
    }

    [Benchmark(Description = "whole answer, job of 10 parts")]
    public Answer Whole() => Answer.For(Trail.Stations, Plan.For(_job, _job.Jobs[0]));

    /// <summary>A plan that nothing was kept of yet, so that every cause is run.</summary>
    [Benchmark(Description = "causes of a job of 10 parts")]
    public Diagnosis Causes() => Diagnosis.Of(Trail.Stations, Plan.For(_job, _job.Jobs[0]), [], new Seen { Starts = false });

    [Benchmark(Description = "power-up of 16 MiB at 64 KiB")]
    public PowerUpCount Count() => PowerUp.Run(_count.Models[0], _map);
}
