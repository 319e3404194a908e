using System.Text;
using BenchmarkDotNet.Attributes;
using RustCabin.Core.Chips;
using RustCabin.Core.Declared;
using RustCabin.Core.Fit;
using RustCabin.Core.Packs;
using RustCabin.Core.Sheets;

namespace RustCabin.Benchmarks;

/// <summary>Many sheets at once: the fit matrix, and reading a full pack.</summary>
public class Sheets
{
    Pack _pack = Pack.Empty;
    byte[] _full = [];

    [GlobalSetup]
    public void Make()
    {
        string revisions = string.Join(
            ',',
            Enumerable.Range(0, 8).Select(i => $$"""{ "id": "r{{i}}", "name": "Board {{i}}" }""")
        );
        string model =
            $$"""{ "id": "m", "name": "M", "addressBits": 24, "dataBits": 16, "masters": ["cpu"], "revisions": [{{revisions}}], "sites": [ { "id": "s", "kind": "slot" } ] }""";
        string Part(int i) =>
            $$"""
                { "id": "p{{i}}", "name": "Part {{i}}", "kind": "memory", "ways": [ { "id": "w", "model": "m", "revisions": ["r{{i
                    % 8}}", "r{{i * 3 % 8}}"], "occupies": [ { "site": "s", "mode": "in" } ] } ],
                  "switches": [ { "id": "W", "positions": ["a", "b"], "factory": "a" } ], "claims": [ { "id": "a", "kind": "ram",
                      "base": "0x100000", "size": "1M", "when": { "W": "a" } } ] }
                """;
        byte[] Pack(int parts) =>
            Encoding.UTF8.GetBytes(
                $$"""{ "format": "rustcabin.pack/1", "models": [{{model}}], "parts": [{{string.Join(',', Enumerable.Range(0, parts).Select(Part))}}] }"""
            );
        _pack = Read(Pack(300));
        _full = Pack(1999);
    }

    static Pack Read(byte[] json)
    {
        using var document = PackReader.Parse(json);
        Reading<Pack> reading = PackReader.Read(document.RootElement);
        return reading.Value ?? throw new InvalidOperationException(reading.Errors[0].ToString());
    }

    [Benchmark(Description = "fit matrix, 300 parts by 8 revisions")]
    public IReadOnlyList<FitRow> Matrix() => FitMatrix.Of(_pack.Models[0], _pack.Parts);

    readonly ArrangementQuestion _board = new(
        64 << 10,
        16 << 20,
        8,
        1,
        4,
        [.. ChipType.ForBanks.Take(8)],
        MixRule.Any,
        512 << 10,
        new Dictionary<string, int> { ["64Kx1"] = 18, ["256Kx1"] = 7 },
        ChipType.ForBanks.Take(8).ToDictionary(t => t.Organisation, _ => 2.5m),
        false
    );

    [Benchmark(Description = "arrangements, 4 banks by 8 types")]
    public IReadOnlyList<Arrangement> Fill() => Arrangements.Of(_board);

    [Benchmark(Description = "reading a pack of 2,000 sheets")]
    public Pack Reading() => Read(_full);
}
