using RustCabin.Core.Sheets;
using RustCabin.Core.Storage;

namespace RustCabin.Core.Tests.Storage;

/// <summary>Ids and terminators of a SCSI bus.</summary>
public class ScsiTests
{
    static ScsiDevice Device(string name, int? id = null, bool? terminates = null, bool power = false) =>
        new()
        {
            Name = name,
            Id = id,
            Terminates = terminates,
            Power = power,
        };

    static ScsiBus Bus(bool? host, bool power, params ScsiDevice[] devices) =>
        ScsiBus.Of(
            new ScsiAsked
            {
                Host = new ScsiHost { Terminates = host, Power = power },
                Devices = devices,
            }
        );

    [Fact]
    public void Free_ids_are_the_lowest_and_both_ends_terminate()
    {
        ScsiBus bus = Bus(null, true, Device("a", 1), Device("b"), Device("c"));
        Assert.Equal(
            new Dictionary<string, int>
            {
                ["a"] = 1,
                ["b"] = 0,
                ["c"] = 2,
            },
            bus.Ids
        );
        Assert.Equal(["host", "c"], bus.Terminated);
        Assert.Empty(bus.Findings);
    }

    [Fact]
    public void What_is_fixed_stays_and_is_told_where_it_cannot_be()
    {
        ScsiBus bus = Bus(false, false, Device("a", 7, true), Device("b", 3, true), Device("c", 3));
        Assert.Equal(["STO-ID", "STO-ID", "STO-TERM", "STO-TERM-POWER"], bus.Findings.Select(f => f.Code));
        Assert.Equal(["a", "b", "c"], bus.Terminated);
        Assert.Equal([Subject.Asked("bus:host"), Subject.Asked("bus:a")], bus.Findings[0].Subjects);
        Assert.Contains("No terminator at host", bus.Findings[2].Text);
        Assert.Contains("A terminator at a and b, in the middle", bus.Findings[2].Text);
    }

    [Fact]
    public void It_is_what_brute_force_finds_on_2000_buses()
    {
        for (int seed = 0; seed < 2000; seed++)
        {
            var random = new Random(seed);
            bool? any() =>
                random.Next(3) switch
                {
                    0 => null,
                    1 => true,
                    _ => false,
                };
            ScsiDevice[] devices =
            [
                .. Enumerable
                    .Range(0, random.Next(1, 5))
                    .Select(i => Device($"d{i}", random.Next(2) == 0 ? null : random.Next(8), any(), random.Next(2) == 0)),
            ];
            var host = new ScsiHost
            {
                Id = random.Next(8),
                Terminates = any(),
                Power = random.Next(2) == 0,
            };
            var bus = ScsiBus.Of(new ScsiAsked { Host = host, Devices = devices });
            int[] free = [.. devices.Index().Where(d => d.Item.Id is null).Select(d => d.Index)];
            int[] best = [.. Lowest(host, devices, 0, [])];
            Assert.Equal(best, devices.Select(d => bus.Ids[d.Name]));

            bool?[] says = [host.Terminates, .. devices.Select(d => d.Terminates)];
            bool can = says.Index().All(s => s.Item is null || s.Item == (s.Index == 0 || s.Index == devices.Length));
            Assert.Equal(can, bus.Findings.All(f => f.Code != "STO-TERM"));
            if (can)
                Assert.Equal(["host", devices[^1].Name], bus.Terminated);
            int[] all = [host.Id, .. devices.Where(d => d.Id is not null).Select(d => d.Id!.Value)];
            Assert.Equal(all.Distinct().Count() < all.Length, bus.Findings.Any(f => f.Code == "STO-ID"));
            Assert.Equal(!host.Power && devices.All(d => !d.Power), bus.Findings.Any(f => f.Code == "STO-TERM-POWER"));
        }
    }

    /// <summary>The first of all assignments, counted up, in which no chosen id meets another.</summary>
    static IEnumerable<int> Lowest(ScsiHost host, ScsiDevice[] devices, int at, int[] so)
    {
        if (at == devices.Length)
            return so;
        if (devices[at].Id is { } own)
            return Lowest(host, devices, at + 1, [.. so, own]);
        for (int id = 0; id < 8; id++)
        {
            bool chosenMeets = devices.Take(at).Index().Any(d => so[d.Index] == id);
            if (id == host.Id || chosenMeets || devices.Any(d => d.Id == id))
                continue;
            return Lowest(host, devices, at + 1, [.. so, id]);
        }
        throw new InvalidOperationException("no id is left");
    }
}
