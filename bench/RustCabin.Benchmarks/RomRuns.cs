using System.Diagnostics;
using RustCabin.Core.Images;

namespace RustCabin.Benchmarks;

/// <summary>
/// ROM work beside its yardstick, in turn and in one loop, so that both meet the same machine: operations beside a copy, HEX
/// beside objcopy as a process.
/// </summary>
static class RomRuns
{
    const int Turns = 15;

    public static IEnumerable<Measured> All()
    {
        byte[] image = new byte[16 << 20];
        new Random(3).NextBytes(image);
        foreach (string op in (string[])["swap16", "swap32", "double", "split", "reverseWords"])
        {
            using var json = System.Text.Json.JsonDocument.Parse($"[{{\"op\":\"{op}\"}}]");
            IReadOnlyList<RomOp> ops = RomOp.Read(json.RootElement).Ops;
            (double work, double copy) = InTurn(
                () => RomOp.Run([image], ops),
                () => Copied(image, op == "double" ? 2 : 1),
                Turns
            );
            yield return new Measured($"{op} of 16 MiB, as fast as a copy", 100 * copy / work, "%", 70) { Least = true };
        }
        if (!File.Exists("/usr/bin/objcopy"))
            yield break;
        foreach (Measured line in Hex(image))
            yield return line;
    }

    /// <summary>The yardstick: as many bytes written as the work writes.</summary>
    static byte[] Copied(byte[] image, int times)
    {
        byte[] copy = GC.AllocateUninitializedArray<byte>(times * image.Length);
        for (int i = 0; i < times; i++)
            image.CopyTo(copy, i * image.Length);
        return copy;
    }

    static IEnumerable<Measured> Hex(byte[] image)
    {
        string folder = Directory.CreateTempSubdirectory("cabin-bench").FullName;
        string raw = Path.Combine(folder, "image.bin"),
            hex = Path.Combine(folder, "image.hex");
        try
        {
            File.WriteAllBytes(raw, image);
            byte[] text = RomFile.Write(RomFormat.Ihex, image);
            File.WriteAllBytes(hex, text);
            (double read, double theirs) = InTurn(
                () => RomFile.Read(RomFormat.Ihex, text),
                () => Objcopy("ihex", "binary", hex, Path.Combine(folder, "read.bin")),
                5
            );
            yield return new Measured("HEX of 16 MiB read, times as fast as objcopy", theirs / read, "x", 6) { Least = true };
            (double written, theirs) = InTurn(
                () => RomFile.Write(RomFormat.Ihex, image),
                () => Objcopy("binary", "ihex", raw, Path.Combine(folder, "written.hex")),
                5
            );
            yield return new Measured("HEX of 16 MiB written, times as fast as objcopy", theirs / written, "x", 6)
            {
                Least = true,
            };
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    static object Objcopy(string from, string to, string source, string target)
    {
        using Process process = Process.Start("/usr/bin/objcopy", ["-I", from, "-O", to, source, target]);
        process.WaitForExit();
        return process.ExitCode == 0 ? target : throw new InvalidOperationException($"objcopy ended with {process.ExitCode}");
    }

    /// <summary>
    /// The best of both in milliseconds: the system gives back what was made before now in the turn of one, now of the other.
    /// </summary>
    internal static (double One, double Other) InTurn(Func<object> one, Func<object> other, int turns)
    {
        // Until it is compiled as well as it will be.
        for (int i = 0; i < 40; i++)
            GC.KeepAlive(one());
        GC.KeepAlive(other());
        Thread.Sleep(300);
        double[] ones = new double[turns],
            others = new double[turns];
        for (int i = 0; i < turns; i++)
            (ones[i], others[i]) = (Timed.Once(one), Timed.Once(other));
        return (ones.Min(), others.Min());
    }
}
