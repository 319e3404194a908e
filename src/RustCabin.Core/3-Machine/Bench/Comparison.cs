using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Bench;

/// <summary>One line of a reading beside its prediction. Null where the other side has no such line.</summary>
public sealed record ComparedLine(string Label, ByteSize? Expected, ByteSize? Seen)
{
    /// <summary>True if the screen shows what was predicted.</summary>
    public bool Agrees => Expected == Seen;
}

/// <summary>The latest reading of a gate against its prediction, line by line.</summary>
public sealed record Comparison(GateReading Reading, IReadOnlyList<ComparedLine> Lines)
{
    /// <summary>True if every line agrees and it starts.</summary>
    public bool Agrees => Lines.All(l => l.Agrees) && Reading.Starts != false;

    /// <summary>A reading beside what was predicted, line by line.</summary>
    public static Comparison Of(PowerUpCount expected, GateReading reading) =>
        new(
            reading,
            [
                .. expected
                    .Lines.Index()
                    .Select(e => new ComparedLine(e.Item.Label, e.Item.Bytes, reading.Lines.ElementAtOrDefault(e.Index)?.Bytes)),
                .. reading.Lines.Skip(expected.Lines.Count).Select(l => new ComparedLine(l.Label, null, l.Bytes)),
            ]
        );
}
