using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Tests.Presses;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Tests.Wiring;

/// <summary>The ends of serial lines on a unit, and how a line is set.</summary>
public sealed class SerialEndsTests
{
    static Pressing Cable() => new(Demo.Jobs.First(j => j.Job.Id == "counter-exchange-cable").Pack, "counter-exchange-cable");

    [Fact]
    public void The_machine_and_its_parts_have_ends_and_a_terminal_makes_every_speed()
    {
        IReadOnlyList<NamedEnd> ends = SerialEnds.Of(Cable().At.After);
        Assert.Equal(["Console", "Line 1 of Gatepost line board"], ends.Select(e => e.Name));
        LineSpeeds found = LineSpeeds.Of(
            new SpeedsAsked
            {
                A = ends[1].End,
                B = SerialEnds.Terminal.End,
                Wants = LineSpeeds.Usual,
            }
        );
        // 1,270,000 / 16 is 79,375: over 33 it is 2,405, over 8 it is 9,922.
        Assert.True(found.Speeds.Single(s => s.Wanted == 2400).Works);
        Assert.False(found.Speeds.Single(s => s.Wanted == 9600).Works);
        Assert.All(found.Speeds, s => Assert.InRange(s.B.Error, -0.0001, 0.0001));
    }

    [Fact]
    public void A_setting_is_kept_once_for_two_ends_and_stands_in_the_passport()
    {
        Pressing pressing = Cable();
        string terminal = SerialEnds.Terminal.Name;
        pressing.Made(at => SerialPresses.Set(at, "Console", terminal, "4800", 7, "even"));
        pressing.Made(at => SerialPresses.Set(at, "Console", terminal, "9600", 8, "none"));
        Assert.Equal(9600, pressing.At.Job.Lines.Single(l => l.A == "Console").Speed);
        Assert.Contains(
            Trail.Stations.Passport(pressing.At.Record).SelectMany(l => l),
            l => l is { What: "Serial line: Console", Details: "9600 bits a second, 8 data bits, parity none" }
        );
        Assert.Equal("speed", pressing.Refused(at => SerialPresses.Set(at, "Console", terminal, "quick", 8, "none")).Field);
        Assert.Equal("a", pressing.Refused(at => SerialPresses.Set(at, "Console", "nobody", "9600", 8, "none")).Field);
        Assert.Equal("a", pressing.Refused(at => SerialPresses.Set(at, "Console", "Console", "9600", 8, "none")).Field);
        Assert.Null(SerialPresses.Set(pressing.At, "Console", terminal, "9600", 9, "none").Edit);
        pressing.Made(at => SerialPresses.Unset(at, "Console", terminal));
        Assert.Null(SerialPresses.Unset(pressing.At, "Console", terminal).Edit);
    }

    [Fact]
    public void Frames_begin_where_the_receiver_begins_to_read()
    {
        var line = new SentLine("UU", 8, Parity.None);
        (double Start, byte Byte)[] frames = [.. line.Frames(1200, 1200, 8, false, false)];
        Assert.Equal([(0.0, (byte)'U'), (10.0, (byte)'U')], frames);
        Assert.Equal(line.Seen(1200, 2400, 8, false, false), line.Frames(1200, 2400, 8, false, false).Select(f => f.Byte));
    }
}
