using RustCabin.Core.Maps;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;
using static RustCabin.Core.Tests.Maps.Claims;

namespace RustCabin.Core.Tests.Maps;

public class AddressMapTests
{
    static (ulong, ulong, int)[] Shape(ResolvedMap map) => [.. map.Segments.Select(s => (s.From, s.To, s.Claims.Length))];

    [Fact]
    public void An_empty_space_is_one_gap() => Assert.Equal([(0ul, 0xFFFFul, 0)], Shape(Resolve(16)));

    [Fact]
    public void Two_that_touch_are_two_segments_and_no_fight()
    {
        ResolvedMap map = Resolve(16, Ram("a", 0, 0x4000), Ram("b", 0x4000, 0x4000));
        Assert.Equal([(0ul, 0x3FFFul, 1), (0x4000ul, 0x7FFFul, 1), (0x8000ul, 0xFFFFul, 0)], Shape(map));
        Assert.Empty(map.Fights);
    }

    [Fact]
    public void One_byte_of_overlap_is_a_fight_over_that_byte()
    {
        ResolvedMap map = Resolve(16, Ram("a", 0, 0x4001), Ram("b", 0x4000, 0x4000));
        Meeting fight = Assert.Single(map.Fights);
        Assert.Equal((0x4000ul, 0x4000ul, Cpu), (fight.Range.From.Value, fight.Range.To.Value, fight.Masters));
        Assert.Equal([0, 1], fight.Claims);
        Assert.Single(map.WritesTwice);
    }

    [Fact]
    public void Claims_of_different_masters_do_not_meet()
    {
        ResolvedMap map = Resolve(16, Ram("a", 0, 0x4000, Cpu), Ram("b", 0, 0x4000, Video));
        Assert.Empty(map.Fights);
        Assert.Equal([0x4000ul, 0x4000ul], map.Reach.Select(r => r.Bytes));
    }

    [Fact]
    public void A_fight_is_joined_over_masters_and_over_segments_where_a_third_comes_and_goes()
    {
        ResolvedMap map = Resolve(
            16,
            Ram("a", 0, 0x1000, Cpu | Video),
            Ram("b", 0, 0x1000, Cpu | Video),
            Register("r", 0x100, 0x10)
        );
        Meeting fight = Assert.Single(map.Fights);
        Assert.Equal((0ul, 0xFFFul, Cpu | Video), (fight.Range.From.Value, fight.Range.To.Value, fight.Masters));
    }

    [Fact]
    public void A_write_only_register_under_a_rom_is_no_fight_unless_the_rom_drives_on_writes()
    {
        DecodedClaim rom = RomClaim("os", 0xE000, 0x2000),
            select = Register("select", 0xEF80, 0x80);
        Assert.Empty(Resolve(16, rom, select).Fights);
        Meeting fight = Assert.Single(Resolve(16, rom with { DrivesOnWrite = true }, select).Fights);
        Assert.Equal((0xEF80ul, 0xEFFFul), (fight.Range.From.Value, fight.Range.To.Value));
        Assert.Equal([0, 1], fight.Claims);
    }

    [Fact]
    public void A_rom_that_drives_on_writes_fights_nothing_where_nothing_takes_a_write() =>
        Assert.Empty(Resolve(16, RomClaim("os", 0xE000, 0x2000) with { DrivesOnWrite = true }).Fights);

    [Fact]
    public void Two_registers_at_one_address_take_the_same_write_and_do_not_fight()
    {
        ResolvedMap map = Resolve(16, Register("a", 0xEF80, 0x80), Register("b", 0xEFFF, 0x10));
        Assert.Empty(map.Fights);
        Assert.Equal((0xEFFFul, 0xEFFFul), (Assert.Single(map.WritesTwice).Range.From.Value, map.WritesTwice[0].Range.To.Value));
    }

    [Fact]
    public void An_overlay_switches_off_for_its_own_masters_only()
    {
        ResolvedMap map = Resolve(
            16,
            Ram("under", 0, 0x4000, Cpu | Video),
            RomClaim("over", 0, 0x1000, Cpu) with
            {
                Overlays = [ClaimName.Parse("under")],
            }
        );
        Assert.Empty(map.Fights);
        Answering under = map.Segments[0].Claims.Single(a => a.Claim == 0);
        Assert.Equal(Video, under.Masters);
        Assert.Equal([0x3000ul, 0x4000ul], map.Reach.Select(r => r.Bytes));
    }

    [Fact]
    public void Memory_wholly_under_an_overlay_is_not_reached()
    {
        ResolvedMap map = Resolve(
            16,
            Ram("under", 0, 0x1000),
            RomClaim("over", 0, 0x1000) with
            {
                Overlays = [ClaimName.Parse("under")],
            }
        );
        Assert.Equal(0ul, map.Reach[0].Bytes);
    }

    [Fact]
    public void An_overlay_that_is_switched_off_switches_nothing_off()
    {
        ResolvedMap map = Resolve(
            16,
            Ram("a", 0, 16),
            RomClaim("b", 0, 16) with
            {
                Overlays = [ClaimName.Parse("a")],
            },
            RomClaim("c", 0, 16) with
            {
                Overlays = [ClaimName.Parse("b")],
            }
        );
        Assert.Equal([0, 2], map.Segments[0].Claims.Select(a => a.Claim));
    }

    [Fact]
    public void Overlays_in_a_ring_all_go_on_answering_and_fight()
    {
        ResolvedMap map = Resolve(
            16,
            Ram("a", 0, 16) with
            {
                Overlays = [ClaimName.Parse("b")],
            },
            Ram("b", 0, 16) with
            {
                Overlays = [ClaimName.Parse("a")],
            }
        );
        Assert.Equal(2, map.Segments[0].Claims.Length);
        Assert.Single(map.Fights);
    }

    [Fact]
    public void A_mask_that_leaves_lines_out_makes_mirrors_without_the_base_itself()
    {
        // 4 KiB at 0x8000 decoded by A15 and A12 only: A13 and A14 do not matter.
        ResolvedMap map = Resolve(16, Ram("a", 0x8000, 0x1000) with { Mask = 0x9000 });
        Assert.Equal([0xA000ul, 0xC000ul, 0xE000ul], map.Mirrors().Select(m => m.Base));
        Assert.All(map.Mirrors(), m => Assert.Equal(0x1000ul, m.Size));
        Assert.Equal(0x1000ul, map.Reach[0].Bytes);
    }

    [Fact]
    public void Touching_mirrors_are_one_segment()
    {
        ResolvedMap map = Resolve(16, Ram("a", 0xB000, 0x1000) with { Mask = 0xE000 });
        Assert.Equal([(0ul, 0x9FFFul, 0), (0xA000ul, 0xBFFFul, 1), (0xC000ul, 0xFFFFul, 0)], Shape(map));
        Assert.Equal(0xA000ul, Assert.Single(map.Mirrors()).Base);
    }

    [Fact]
    public void Mask_bits_inside_the_size_do_not_count()
    {
        ResolvedMap map = Resolve(16, Ram("a", 0x8123, 0x1000) with { Mask = 0xFFFF });
        Assert.Equal([(0ul, 0x7FFFul, 0), (0x8000ul, 0x8FFFul, 1), (0x9000ul, 0xFFFFul, 0)], Shape(map));
    }

    [Fact]
    public void All_banks_of_a_window_are_reached()
    {
        ResolvedMap map = Resolve(
            16,
            Ram("banks", 0x6000, 0x2000) with
            {
                Window = new Window { Register = "select", Banks = 16 },
            }
        );
        Assert.Equal(128ul << 10, map.Reach[0].Bytes);
    }

    [Theory]
    [InlineData(0xFFFFul, 1ul, false)]
    [InlineData(0xFFFFul, 2ul, true)]
    [InlineData(0x10000ul, 1ul, true)]
    [InlineData(0x0ul, 0x10000ul, false)]
    public void What_lies_beyond_the_last_address_is_outside(ulong from, ulong size, bool outside) =>
        Assert.Equal(outside, Resolve(16, Ram("a", from, size)).Outside.Count == 1);

    [Fact]
    public void Memory_outside_is_not_reached() => Assert.Equal(1ul, Resolve(16, Ram("a", 0xFFFF, 0x100)).Reach[0].Bytes);

    [Fact]
    public void A_map_too_dense_to_list_is_refused()
    {
        DecodedClaim[] nested = [.. Enumerable.Range(0, 4000).Select(i => Ram($"c{i}", (ulong)i, (ulong)(20_000 - 2 * i)))];
        Assert.Throws<MapTooDenseException>(() => Resolve(24, nested));
    }

    [Fact]
    public void A_segment_is_found_by_any_of_its_addresses()
    {
        ResolvedMap map = Resolve(16, Ram("a", 0x1000, 0x1000), Ram("b", 0x8000, 0x10));
        foreach (Segment segment in map.Segments)
        foreach (ulong address in (ulong[])[segment.From, (segment.From + segment.To) / 2, segment.To])
            Assert.Equal(segment.From, map.At(address).From);
        Assert.Equal(new ByteSize(0x1010), map.Reach[0]);
    }
}
