using RustCabin.Core.Cards;
using RustCabin.Core.Findings;
using RustCabin.Core.Sheets;
using RustCabin.Core.Storage;
using RustCabin.Core.Units;

namespace RustCabin.Core.Tests.Cards;

/// <summary>Cards by their labels, the lines of hosts, and partitions within them.</summary>
public class CardLayoutTests
{
    const long MiB = 1 << 20;

    static CardLayout Layout(string card, HostLimits host, params CardPartition[] partitions) =>
        CardLayout.Of(
            CardLabel.Parse(card, out _)!,
            host,
            [.. partitions.Select(p => (p, (IReadOnlyList<long>)[.. p.Files.Select(f => (long)f.Bytes)]))]
        );

    static CardPartition Sized(string name, long bytes, FileSystem fs = FileSystem.Fat) =>
        new()
        {
            Name = name,
            Size = new ByteSize((ulong)bytes),
            Fs = fs,
        };

    static CardPartition Rest(string name, FileSystem fs = FileSystem.Fat) =>
        new()
        {
            Name = name,
            Rest = true,
            Fs = fs,
        };

    static string[] Codes(CardLayout layout) => [.. CardFindings.Of(layout, Subject.Asked("card")).Select(f => f.Code)];

    [Theory]
    [InlineData("32 GB", 31_039_946_752)]
    [InlineData("32gb", 31_039_946_752)]
    [InlineData("512 MB", 473 * MiB)]
    [InlineData("0,5 GB", 462 * MiB)]
    [InlineData("2199 GB", 2_033_996L * MiB + 0)]
    public void A_label_is_planned_as_97_percent_in_whole_MiB(string label, long bytes)
    {
        CardLabel card = CardLabel.Parse(label, out string wrong)!;
        Assert.Equal("", wrong);
        Assert.Equal((long)(card.Bytes * 0.97m) / MiB * MiB, card.UsableBytes);
        if (label != "2199 GB")
            Assert.Equal(bytes, card.UsableBytes);
    }

    [Theory]
    [InlineData("32", "neither MB, GB nor TB")]
    [InlineData("3 TB", "up to 2 TiB")]
    [InlineData("4,09,6 MB", "not a size")]
    [InlineData("-4 GB", "not a size")]
    [InlineData("4e9 GB", "not a size")]
    [InlineData("99999999999999999999999999999999 GB", "not a size")]
    [InlineData("2200 GB", "up to 2 TiB")]
    [InlineData("2 MB", "3 MB at least")]
    [InlineData("", "neither MB, GB nor TB")]
    public void What_is_no_label_is_told(string label, string why)
    {
        Assert.Null(CardLabel.Parse(label, out string wrong));
        Assert.Contains(why, wrong);
    }

    [Fact]
    public void Lines_are_those_of_a_pocket_calculator()
    {
        var host = new HostLimits
        {
            BlockBits = 28,
            OffsetBits = 32,
            StartWithin = new ByteSize(4ul << 30),
            LargestPartition = new ByteSize(2ul << 30),
            Geometry = new HostGeometry { Heads = 16, Sectors = 63 },
        };
        Assert.Equal(
            [528_482_304, 4_294_967_296, 137_438_953_472],
            HostLine.Of(host).Where(l => l.Kind == LineKind.Reach).Select(l => l.Bytes)
        );
        Assert.Equal([4_294_967_296], HostLine.Of(host).Where(l => l.Kind == LineKind.Start).Select(l => l.Bytes));
        Assert.Equal([2_147_483_648], HostLine.Of(host).Where(l => l.Kind == LineKind.Length).Select(l => l.Bytes));
        CardLayout layout = Layout("32 GB", host);
        Assert.Equal(528_482_304, layout.ReachableBytes);
        Assert.Equal(31_039_946_752 - 528_482_304, layout.UnreachableBytes);
        Assert.Equal(["STO-LIMIT"], Codes(layout));
    }

    [Fact]
    public void The_first_begins_at_1_MiB_and_the_rest_takes_what_is_left()
    {
        CardLayout layout = Layout("32 GB", new HostLimits(), Sized("boot", 512 * MiB), Rest("work"), Sized("end", 100 * MiB));
        Assert.Equal([2048, 2048 + 1_048_576, 60_624_896 - 204_800], layout.Partitions.Select(p => p.FirstSector));
        Assert.Equal(31_039_946_752, layout.Partitions[2].End);
        Assert.Equal(layout.Partitions[2].Start, layout.Partitions[1].End);
        Assert.Equal(["06", "0c", "06"], layout.Partitions.Select(p => p.Type));
        Assert.Empty(Codes(layout));
        Assert.Equal(
            "label: dos\nunit: sectors\nsector-size: 512\n\nstart=2048, size=1048576, type=6\n",
            CardScript.Of(layout)[..CardScript.Of(layout).IndexOf("start=1050624", StringComparison.Ordinal)]
        );
    }

    [Fact]
    public void With_a_geometry_the_first_begins_at_a_track_and_each_ends_at_a_cylinder()
    {
        var host = new HostLimits
        {
            Geometry = new HostGeometry { Heads = 16, Sectors = 63 },
        };
        CardLayout layout = Layout("512 MB", host, Sized("a", 100 * MiB), Sized("b", 100 * MiB), Rest("c"));
        Assert.Equal(63, layout.Partitions[0].FirstSector);
        Assert.All(layout.Partitions, p => Assert.Equal(0, (p.FirstSector + p.Sectors) % 1008));
        Assert.Equal(layout.Partitions[0].FirstSector + layout.Partitions[0].Sectors, layout.Partitions[1].FirstSector);
        Assert.True(layout.Partitions[0].Bytes >= 100 * MiB - 63 * 512);
    }

    [Theory]
    [InlineData(2048, false)]
    [InlineData(2049, true)]
    public void A_partition_over_the_largest_is_a_stop_by_a_hair(int mib, bool stop)
    {
        var host = new HostLimits { LargestPartition = new ByteSize(2ul << 30) };
        Assert.Equal(stop ? ["STO-PART"] : [], Codes(Layout("8 GB", host, Sized("a", mib * MiB, FileSystem.Native))));
    }

    [Theory]
    [InlineData(4095, false)]
    [InlineData(4096, true)]
    public void A_start_partition_ends_within_the_line_by_a_hair(int mib, bool stop)
    {
        var host = new HostLimits { StartWithin = new ByteSize(4ul << 30) };
        CardPartition start = Sized("a", mib * MiB, FileSystem.Native) with { Start = true };
        Assert.Equal(stop ? ["STO-START"] : [], Codes(Layout("8 GB", host, start)));
        Assert.Empty(Codes(Layout("8 GB", host, start with { Start = false })));
        Assert.Equal(4096 * MiB, Layout("8 GB", host, Rest("r", FileSystem.Native) with { Start = true }).Partitions[0].End);
    }

    [Theory]
    [InlineData(4094, Severity.Watch)]
    [InlineData(4096, Severity.Stop)]
    public void A_partition_beyond_reach_makes_the_limit_a_stop(int mib, Severity severity)
    {
        var host = new HostLimits { OffsetBits = 32 };
        Finding limit = Assert.Single(
            CardFindings.Of(Layout("8 GB", host, Sized("a", mib * MiB, FileSystem.Native)), Subject.Asked("card"))
        );
        Assert.Equal(("STO-LIMIT", severity), (limit.Code, limit.Severity));
        Assert.Contains(limit.Why, w => w.Contains("4,294,967,296"));
    }

    [Fact]
    public void What_is_off_the_card_or_has_no_room_is_a_stop()
    {
        Assert.Equal(["STO-PART"], Codes(Layout("1 GB", new HostLimits(), Sized("a", 1000 * MiB, FileSystem.Native))));
        CardLayout none = Layout("1 GB", new HostLimits(), Sized("a", 924 * MiB, FileSystem.Native), Rest("b"));
        Assert.Equal(0, none.Partitions[1].Sectors);
        Assert.Equal(["STO-PART"], Codes(none));
    }

    [Theory]
    [InlineData(FileSystem.Fat, 4, FileSystem.Fat12, 2048)]
    [InlineData(FileSystem.Fat, 100, FileSystem.Fat16, 2048)]
    [InlineData(FileSystem.Fat, 1000, FileSystem.Fat16, 16384)]
    [InlineData(FileSystem.Fat, 2040, FileSystem.Fat16, 32768)]
    [InlineData(FileSystem.Fat, 4000, FileSystem.Fat32, 2048)]
    [InlineData(FileSystem.Fat12, 200, FileSystem.Fat12, 65536)]
    [InlineData(FileSystem.Fat32, 200, FileSystem.Fat32, 2048)]
    public void The_kind_of_FAT_is_the_first_with_a_lawful_cluster(FileSystem asked, int mib, FileSystem got, int cluster)
    {
        FatLayout fat = FatLayout.Choose(asked, mib * 2048L, null)!;
        Assert.Equal((got, cluster), (fat.Fs, fat.ClusterBytes));
    }

    [Theory]
    [InlineData(FileSystem.Fat16, 2100, null)]
    [InlineData(FileSystem.Fat32, 30, null)]
    [InlineData(FileSystem.Fat12, 300, null)]
    [InlineData(FileSystem.Fat, 100, 3000L)]
    [InlineData(FileSystem.Fat, 100, 1L << 20)]
    public void Where_none_is_lawful_the_partition_cannot_be(FileSystem asked, int mib, long? cluster)
    {
        Assert.Null(FatLayout.Choose(asked, mib * 2048L, cluster));
        CardPartition p = Sized("a", mib * MiB, asked) with { Cluster = cluster is { } c ? new ByteSize((ulong)c) : null };
        CardLayout layout = Layout("8 GB", new HostLimits(), p);
        Assert.Equal(["STO-PART"], Codes(layout));
        Assert.Null(layout.Partitions[0].WasteBytes);
    }

    [Theory]
    [InlineData("4,096 MB", "4096 MB")]
    [InlineData("1,000 GB", "1000 GB")]
    [InlineData("1 TB", "1000 GB")]
    [InlineData("1,5 GB", "1.5 GB")]
    [InlineData("0,512 GB", "512 MB")]
    public void Labels_are_read_as_they_are_printed(string label, string same) =>
        Assert.Equal(CardLabel.Parse(same, out _)!.Bytes, CardLabel.Parse(label, out _)!.Bytes);

    [Theory]
    [InlineData(FileSystem.Fat16, 100, 1024L, FileSystem.Fat16)] // no: 102,400 clusters are too many
    [InlineData(FileSystem.Fat16, 60, 1024L, FileSystem.Fat16)]
    [InlineData(FileSystem.Fat16, 20, 512L, FileSystem.Fat16)]
    [InlineData(FileSystem.Fat16, 6, null, FileSystem.Fat16)] // nothing larger than 1 KiB divides it lawfully
    [InlineData(FileSystem.Fat32, 100, null, FileSystem.Fat32)]
    public void Small_clusters_where_they_are_asked_for_or_nothing_larger_will_do(
        FileSystem asked,
        int mib,
        long? cluster,
        FileSystem got
    )
    {
        FatLayout? fat = FatLayout.Choose(asked, mib * 2048L, cluster);
        if (mib == 100 && asked == FileSystem.Fat16)
            Assert.Null(fat);
        else
            Assert.Equal((got, cluster ?? 1024), (fat!.Fs, (long)fat.ClusterBytes));
    }

    [Fact]
    public void The_rest_gives_way_to_the_file_system()
    {
        var host = new HostLimits { LargestPartition = new ByteSize(2ul << 30) };
        PlacedPartition rest = Layout("8 GB", host, Rest("r", FileSystem.Fat16)).Partitions[0];
        Assert.Equal((2047 * MiB, FileSystem.Fat16), (rest.Bytes, rest.Fat!.Fs));
        // Where the limit means FAT16, FAT32 never comes of "any"; without a limit it does.
        Assert.Equal(FileSystem.Fat16, Layout("8 GB", host, Rest("r")).Partitions[0].Fat!.Fs);
        Assert.Equal(FileSystem.Fat32, Layout("8 GB", new HostLimits(), Rest("r")).Partitions[0].Fat!.Fs);
        CardLayout sized = Layout("8 GB", host, Sized("a", 2048 * MiB));
        Assert.Contains("2,047 MiB is the most", Assert.Single(CardFindings.Of(sized, Subject.Asked("card"))).Text);
    }

    [Theory]
    [InlineData("0", "must not be 0")]
    [InlineData("1.5", "must be whole bytes, not 1.5")]
    [InlineData("-1", "must lie from 0")]
    [InlineData("\"0\"", "must not be 0")]
    [InlineData("4096", "")]
    [InlineData("\"4K\"", "")]
    public void A_size_as_a_number_takes_the_road_of_text(string size, string why)
    {
        using var json = System.Text.Json.JsonDocument.Parse($$"""{ "name": "a", "size": {{size}} }""");
        var read = Core.Declared.Declaration<CardPartition>.Read(json.RootElement);
        Assert.Equal(why.Length == 0, read.Errors.Count == 0);
        if (why.Length > 0)
            Assert.Contains(why, Assert.Single(read.Errors, e => e.Path == "size").Message);
    }

    [Fact]
    public void One_cause_makes_one_stop()
    {
        var host = new HostLimits
        {
            LargestPartition = new ByteSize(2ul << 30),
            StartWithin = new ByteSize(1ul << 30),
            OffsetBits = 32,
        };
        CardLayout layout = Layout(
            "4 GB",
            host,
            Sized("huge", 3000 * MiB, FileSystem.Native),
            Sized("b", 500 * MiB, FileSystem.Native),
            Sized("c", 500 * MiB, FileSystem.Native) with
            {
                Start = true,
            }
        );
        Assert.Single(CardFindings.Of(layout, Subject.Asked("card")), f => f.Severity == Severity.Stop);
        CardLayout two = Layout(
            "1 GB",
            new HostLimits(),
            Sized("a", 20 * MiB) with
            {
                Start = true,
            },
            Sized("b", 20 * MiB) with
            {
                Start = true,
            }
        );
        Assert.Equal(["STO-PART"], Codes(two));
    }

    [Fact]
    public void Waste_is_what_files_leave_in_their_last_clusters()
    {
        FatLayout fat = FatLayout.Choose(FileSystem.Fat16, 2040 * 2048L, null)!;
        Assert.Equal(32768, fat.ClusterBytes);
        Assert.Equal(32767 + 0 + 1 + 0, fat.WasteOf([1, 32768, 32767, 0]));
        Assert.Equal(3 * 32768, fat.TakenBy([1, 32768, 32767, 0]));
    }

    [Fact]
    public void Partitions_are_aligned_within_limits_and_never_overlap()
    {
        for (int seed = 0; seed < 3000; seed++)
        {
            var random = new Random(seed);
            var host = new HostLimits
            {
                BlockBits = random.Next(3) == 0 ? random.Next(16, 30) : null,
                OffsetBits = random.Next(4) == 0 ? random.Next(31, 33) : null,
                LargestPartition = random.Next(3) == 0 ? new ByteSize((ulong)random.Next(8, 5000) << 20) : null,
                StartWithin = random.Next(3) == 0 ? new ByteSize((ulong)random.Next(8, 5000) << 20) : null,
                Geometry =
                    random.Next(3) == 0 ? new HostGeometry { Heads = random.Next(1, 257), Sectors = random.Next(1, 64) } : null,
            };
            int rest = random.Next(-1, 4);
            CardPartition[] asked =
            [
                .. Enumerable
                    .Range(0, random.Next(1, 5))
                    .Select(i =>
                        (
                            i == rest
                                ? Rest($"p{i}", FileSystem.Native)
                                : Sized($"p{i}", random.NextInt64(1, 600 * MiB), FileSystem.Native)
                        ) with
                        {
                            Start = random.Next(4) == 0,
                        }
                    ),
            ];
            CardLayout layout = Layout($"{random.Next(8, 9000)} MB", host, asked);
            string told = $"seed {seed}";
            long at = 0;
            foreach (PlacedPartition p in layout.Partitions)
            {
                Assert.True(p.FirstSector >= at && p.FirstSector > 0, told);
                Assert.True((p.FirstSector + p.Sectors) % layout.Unit == 0 || p.Sectors == 0, told);
                Assert.True(p.FirstSector % layout.Unit == 0 || p.FirstSector == host.Geometry?.Sectors, told);
                if (p.Asked.Rest && p.Sectors > 0)
                {
                    Assert.True(p.End <= layout.ReachableBytes, told);
                    Assert.True(host.LargestPartition is null || p.Bytes <= (long)host.LargestPartition.Value.Bytes, told);
                    Assert.True(!p.Asked.Start || host.StartWithin is null || p.End <= (long)host.StartWithin.Value.Bytes, told);
                }
                at = p.FirstSector + p.Sectors;
            }
            if (CardFindings.Of(layout, Subject.Asked("card")).Any(f => f.Severity == Severity.Stop))
                continue;
            Assert.All(layout.Partitions, p => Assert.True(p.End <= layout.ReachableBytes, told));
            // The rest leaves less than two units unused where nothing else holds it back.
            if (layout.Partitions.FirstOrDefault(p => p.Asked.Rest) is { Asked.Start: false } && host.LargestPartition is null)
                Assert.True(layout.ReachableBytes - at * 512 < 2 * layout.Unit * 512, told);
        }
    }

    [Fact]
    public void A_machine_with_its_own_table_gets_figures_to_type_and_no_script()
    {
        var host = new HostLimits
        {
            Table = TableKind.Own,
            Geometry = new HostGeometry { Heads = 4, Sectors = 16 },
        };
        CardLayout layout = Layout("64 MB", host, Sized("a", 10 * MiB, FileSystem.Native), Rest("b", FileSystem.Native));
        Assert.Equal("", CardScript.Of(layout));
        Assert.Equal(
            [
                ("a", "from block 16, 20528 blocks long, to the end of round 320 (64 blocks a round)"),
                ("b", "from block 20544, 44992 blocks long, to the end of round 1023 (64 blocks a round)"),
            ],
            CardScript.Figures(layout)
        );
        Assert.StartsWith("name,first sector,sectors", CardScript.AsCsv(layout));
    }
}
