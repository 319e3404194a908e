using BenchmarkDotNet.Attributes;
using RustCabin.Core.Images;

namespace RustCabin.Benchmarks;

/// <summary>
/// Operations and record files on an image of 16 MiB. A gigabyte a second is 16.8 ms; 150 MB a second of HEX text is 16 MiB in
/// 256 ms.
/// </summary>
public class Images
{
    readonly byte[] _image = new byte[16 << 20];
    byte[] _hex = [];
    readonly Dictionary<string, IReadOnlyList<RomOp>> _ops = [];

    [GlobalSetup]
    public void Make()
    {
        new Random(3).NextBytes(_image);
        _hex = RomFile.Write(RomFormat.Ihex, _image);
        foreach (string op in (string[])["swap16", "swap32", "double", "split", "reverseWords"])
        {
            using var json = System.Text.Json.JsonDocument.Parse($"[{{\"op\":\"{op}\"}}]");
            _ops[op] = RomOp.Read(json.RootElement).Ops;
        }
        if (!RomFile.Read(RomFormat.Ihex, _hex).Bytes.AsSpan().SequenceEqual(_image))
            throw new InvalidOperationException("HEX does not read back");
    }

    /// <summary>The yardstick of what follows.</summary>
    [Benchmark(Description = "copy of 16 MiB")]
    public object Copy() => _image.Clone();

    [Benchmark(Description = "swap16 of 16 MiB")]
    public object Swap16() => RomOp.Run([_image], _ops["swap16"]);

    [Benchmark(Description = "swap32 of 16 MiB")]
    public object Swap32() => RomOp.Run([_image], _ops["swap32"]);

    [Benchmark(Description = "double of 16 MiB")]
    public object Double() => RomOp.Run([_image], _ops["double"]);

    [Benchmark(Description = "split of 16 MiB")]
    public object Split() => RomOp.Run([_image], _ops["split"]);

    [Benchmark(Description = "reverse words of 16 MiB")]
    public object ReverseWords() => RomOp.Run([_image], _ops["reverseWords"]);

    [Benchmark(Description = "HEX of 16 MiB read")]
    public object ReadHex() => RomFile.Read(RomFormat.Ihex, _hex);

    [Benchmark(Description = "HEX of 16 MiB written")]
    public object WriteHex() => RomFile.Write(RomFormat.Ihex, _image);
}
