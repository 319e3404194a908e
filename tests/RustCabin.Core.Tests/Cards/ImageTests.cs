using System.Diagnostics;
using RustCabin.Core.Cards;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Tests.Cards;

/// <summary>Images, scripts and archives as the programs of a Linux machine see them: sfdisk, fsck.fat, tar.</summary>
public sealed class ImageTests : IDisposable
{
    readonly string _folder = Directory.CreateTempSubdirectory("cards").FullName;

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    static (int Code, string Said) Run(string program, string arguments, string stdin = "", string? folder = null)
    {
        var start = new ProcessStartInfo(program, arguments)
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            WorkingDirectory = folder ?? "/",
        };
        using Process process = Process.Start(start)!;
        process.StandardInput.Write(stdin);
        process.StandardInput.Close();
        Task<string> wrong = process.StandardError.ReadToEndAsync();
        string said = process.StandardOutput.ReadToEnd() + wrong.Result;
        process.WaitForExit();
        return (process.ExitCode, said);
    }

    static CardLayout Layout(string card, HostLimits host, params CardPartition[] partitions) =>
        CardLayout.Of(CardLabel.Parse(card, out _)!, host, [.. partitions.Select(p => (p, (IReadOnlyList<long>)[]))]);

    /// <summary>One volume of an image as a file of its own.</summary>
    string Volume(CardImage image, PlacedPartition p)
    {
        string path = Path.Combine(_folder, $"{Guid.NewGuid():N}.fat");
        using FileStream file = File.Create(path);
        file.SetLength(p.Bytes);
        foreach (Extent extent in image.Extents.Where(e => e.Offset >= p.Start && e.Offset < p.End))
        {
            file.Position = extent.Offset - p.Start;
            file.Write(extent.Data);
        }
        return path;
    }

    [Fact]
    public void Five_hundred_volumes_around_the_edges_are_clean_to_fsck()
    {
        (FileSystem Fs, long Clusters)[] edges =
        [
            (FileSystem.Fat12, 60),
            (FileSystem.Fat12, 4_068),
            (FileSystem.Fat16, 4_101),
            (FileSystem.Fat16, 65_508),
            (FileSystem.Fat32, 65_541),
        ];
        int looked = 0;
        Parallel.For(
            0,
            500,
            new ParallelOptions { MaxDegreeOfParallelism = 2 },
            seed =>
            {
                var random = new Random(seed);
                (FileSystem fs, long clusters) = edges[seed % edges.Length];
                int cluster = 4 << random.Next(0, 3);
                // A whole number of clusters near the edge, and some sectors more.
                long data = (clusters + random.Next(-40, 41)) * cluster + random.Next(0, cluster);
                long sectors = data + 33 + 2 * (data / cluster * FatLayout.BitsOf(fs) / 8 / 512 + 1);
                if (FatLayout.Of(fs, sectors, cluster) is not { IsLawful: true } fat)
                    return;
                var asked = new CardPartition { Name = "V", Fs = fs };
                var p = new PlacedPartition(asked, 2048, sectors, fat, []);
                CardLayout layout = Layout("64 GB", new HostLimits()) with { Partitions = [p] };
                string file = Volume(CardImage.Of(layout), p);
                (int code, string said) = Run("/sbin/fsck.fat", $"-n -v {file}");
                File.Delete(file);
                Assert.True(code == 0, $"seed {seed}, {fs}, {sectors} sectors, clusters of {cluster}: {said}");
                Assert.Contains($"{fat.Clusters} data clusters", said);
                Assert.Contains($"{FatLayout.BitsOf(fs)} bit entries", said);
                Interlocked.Increment(ref looked);
            }
        );
        Assert.True(looked > 250, $"{looked} lay on the valid side of an edge");
    }

    [Fact]
    public async Task A_small_card_is_read_back_by_sfdisk_as_planned()
    {
        CardLayout layout = Layout(
            "128 MB",
            new HostLimits(),
            new CardPartition
            {
                Name = "start",
                Size = new ByteSize(20ul << 20),
                Start = true,
            },
            new CardPartition
            {
                Name = "tiny",
                Size = new ByteSize(4ul << 20),
                Fs = FileSystem.Fat12,
            },
            new CardPartition
            {
                Name = "own",
                Size = new ByteSize(16ul << 20),
                Fs = FileSystem.Native,
                Type = "7F",
            },
            new CardPartition { Name = "rest", Rest = true }
        );
        string path = Path.Combine(_folder, "card.img");
        await using (FileStream file = File.Create(path))
            await CardImage.Of(layout).WriteTo(file, TestContext.Current.CancellationToken);
        Assert.Equal(layout.UsableBytes, new FileInfo(path).Length);
        string said = Run("/sbin/sfdisk", $"-d {path}").Said;
        Assert.Equal(Lines(CardScript.Of(layout)), Lines(said));
        Assert.Equal(0, Run("/sbin/sfdisk", $"--verify {path}").Code);

        // The script makes the same table on an empty card.
        string other = Path.Combine(_folder, "other.img");
        await using (FileStream file = File.Create(other))
            file.SetLength(layout.UsableBytes);
        (int code, string wrong) = Run("/sbin/sfdisk", $"--no-reread --no-tell-kernel {other}", CardScript.Of(layout));
        Assert.True(code == 0, wrong);
        Assert.Equal(Lines(CardScript.Of(layout)), Lines(Run("/sbin/sfdisk", $"-d {other}").Said));
        foreach (PlacedPartition p in layout.Partitions.Where(p => p.Fat is not null))
            Assert.Equal(0, Run("/sbin/fsck.fat", $"-n {Volume(CardImage.Of(layout), p)}").Code);
    }

    /// <summary>Of a script or a dump: start, size, type and whether it is started from, partition by partition.</summary>
    static string[] Lines(string script) =>
        [
            .. script
                .Split('\n')
                .Where(l => l.Contains("start="))
                .Select(l => l[l.IndexOf("start=", StringComparison.Ordinal)..].Replace(" ", "")),
        ];

    [Fact]
    public void A_card_of_32_GB_is_an_archive_of_kilobytes_and_whole_when_it_is_unpacked()
    {
        CardLayout layout = Layout(
            "32 GB",
            new HostLimits(),
            new CardPartition
            {
                Name = "a",
                Size = new ByteSize(2040ul << 20),
                Fs = FileSystem.Fat16,
                Start = true,
            },
            new CardPartition
            {
                Name = "b",
                Rest = true,
                Fs = FileSystem.Fat32,
                Cluster = new ByteSize(32768),
            }
        );
        byte[] archive = SparseTar.Of(CardImage.Of(layout), "card.img");
        Assert.InRange(archive.Length, 4_000, 100_000);
        File.WriteAllBytes(Path.Combine(_folder, "card.tar"), archive);
        (int code, string wrong) = Run("tar", "-xSf card.tar", folder: _folder);
        Assert.True(code == 0, wrong);
        string path = Path.Combine(_folder, "card.img");
        Assert.Equal(layout.UsableBytes, new FileInfo(path).Length);
        Assert.True(int.Parse(Run("du", $"-k {path}").Said.Split('\t')[0]) < 1000, "it lies sparse on the disk");
        Assert.Equal(Lines(CardScript.Of(layout)), Lines(Run("/sbin/sfdisk", $"-d {path}").Said));

        // What of each volume can differ from zero is taken out of the unpacked file; the rest is zero in both.
        using FileStream whole = File.OpenRead(path);
        foreach (PlacedPartition p in layout.Partitions)
        {
            byte[] head = new byte[(p.Fat!.DataStart + p.Fat.ClusterSectors) * 512];
            whole.Position = p.Start;
            whole.ReadExactly(head);
            string volume = Path.Combine(_folder, $"{p.Asked.Name}.fat");
            using (FileStream file = File.Create(volume))
            {
                file.SetLength(p.Bytes);
                file.Write(head);
            }
            (code, string said) = Run("/sbin/fsck.fat", $"-n {volume}");
            Assert.True(code == 0, said);
        }
    }
}
