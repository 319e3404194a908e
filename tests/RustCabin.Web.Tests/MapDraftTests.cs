using System.Text.Json.Nodes;
using RustCabin.Core.Sheets;
using RustCabin.Web.Pages.Sheets;

namespace RustCabin.Web.Tests;

/// <summary>The map of a sheet in the editor against a byte by byte count.</summary>
public sealed class MapDraftTests
{
    [Fact]
    public void Places_and_gaps_cover_every_address_as_a_count_byte_by_byte_does()
    {
        var random = new Random(31);
        for (int round = 0; round < 400; round++)
        {
            int bits = random.Next(4, 11);
            int space = 1 << bits;
            var claims = new JsonArray();
            bool[] taken = new bool[space];
            for (int i = random.Next(0, 6); i > 0; i--)
            {
                int from = random.Next(space),
                    size = random.Next(1, space);
                claims.Add(new JsonObject { ["base"] = $"0x{from:X}", ["size"] = $"{size}" });
                for (int at = from; at < Math.Min(space, from + size); at++)
                    taken[at] = true;
            }
            IReadOnlyList<MapPlace> places = MapDraft.Of(claims, bits, []);
            bool[] free = new bool[space];
            foreach (MapPlace gap in places.Where(p => p.IsGap))
                for (ulong at = gap.From; at <= gap.To; at++)
                {
                    Assert.False(free[at], "no address lies in two gaps");
                    free[at] = true;
                }
            Assert.Equal(taken.Select(t => !t), free);
            Assert.Equal(claims.Count, places.Count(p => p.Claim is not null));
            Assert.Equal(places.OrderByDescending(p => p.From).Select(p => p.From), places.Select(p => p.From));
        }
    }

    [Fact]
    public void The_widest_space_has_an_end()
    {
        MapPlace all = Assert.Single(MapDraft.Of(null, 64, []));
        Assert.Equal((0ul, ulong.MaxValue), (all.From, all.To));
        JsonArray top = [new JsonObject { ["base"] = "0xFFFFFF00", ["size"] = "256" }];
        Assert.Equal(2, MapDraft.Of(top, 32, []).Count);
    }

    [Fact]
    public void What_does_not_say_where_it_is_stands_apart()
    {
        JsonArray claims = [new JsonObject { ["base"] = "here", ["size"] = "1K" }, new JsonObject { ["auto"] = true }];
        Assert.Equal([0, 1], MapDraft.Elsewhere(claims));
        Assert.True(Assert.Single(MapDraft.Of(claims, 16, [])).IsGap);
    }

    [Theory]
    [InlineData("ram", 0x4000, 0x7FFF, "memory", "16K", "ram")]
    [InlineData("rom", 0x4000, 0x7FFF, "rom", "16K", "rom")]
    [InlineData("register", 0xC000, 0xCFFF, "register", "1", "register")]
    [InlineData("window", 0x4000, 0xCFFF, "window", "16K", "ram")]
    [InlineData("window", 0x4000, 0x4BFF, "window", "2K", "ram")]
    public void A_gap_is_filled(string word, int from, int to, string id, string size, string kind)
    {
        var sheet = new JsonObject();
        MapDraft.Fill(sheet, word, (ulong)from, (ulong)to);
        JsonNode put = sheet["claims"]![0]!;
        Assert.Equal((id, size, kind, $"0x{from:X4}"), ($"{put["id"]}", $"{put["size"]}", $"{put["kind"]}", $"{put["base"]}"));
    }

    [Theory]
    [InlineData("window", "register")]
    [InlineData("register", "window")]
    public void A_window_and_a_register_that_have_no_other_become_one_anothers(string first, string second)
    {
        var sheet = new JsonObject();
        MapDraft.Fill(sheet, first, 0x4000, 0x7FFF);
        MapDraft.Fill(sheet, second, 0xC000, 0xFFFF);
        JsonNode window = sheet["claims"]!.AsArray().First(c => c!["window"] is not null)!;
        Assert.Equal("register", $"{window["window"]!["register"]}");
        Assert.Equal("write", $"{sheet["claims"]!.AsArray().First(c => $"{c!["kind"]}" == "register")!["access"]}");
    }

    [Theory]
    [InlineData("lamp", 0, 1)]
    [InlineData("ram", 2, 1)]
    public void What_is_no_gap_is_refused(string word, int from, int to) =>
        Assert.Throws<ArgumentException>(() => MapDraft.Fill([], word, (ulong)from, (ulong)to));

    [Fact]
    public void What_the_machine_has_is_drawn_and_is_no_gap()
    {
        Claim rom = new()
        {
            Id = "rom",
            Kind = ClaimKind.Rom,
            Base = new(0x8000),
            Size = new(0x8000),
        };
        IReadOnlyList<MapPlace> places = MapDraft.Of([new JsonObject { ["base"] = "0x0000", ["size"] = "16K" }], 16, [rom]);
        Assert.Equal(["rom", "", "claim"], places.Select(p => p.Machine?.Id ?? (p.IsGap ? "" : "claim")));
    }
}
