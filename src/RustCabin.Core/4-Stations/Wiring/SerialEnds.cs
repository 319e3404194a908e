using RustCabin.Core.Declared;
using RustCabin.Core.Planning;

namespace RustCabin.Core.Wiring;

/// <summary>An end of a serial line that a unit has.</summary>
/// <param name="Name">What a person calls it.</param>
/// <param name="End">What makes its speeds.</param>
public sealed record NamedEnd(string Name, LineEnd End);

/// <summary>The ends of serial lines on a unit, and what may be joined to them. Source: docs/handbook/wiring.md, Serial
/// lines.</summary>
public static class SerialEnds
{
    /// <summary>A terminal of today, whose clock is far above any speed: it makes each of them.</summary>
    public static readonly NamedEnd Terminal = new(
        "a terminal that makes every speed",
        new LineEnd
        {
            ClockHz = 4_608_000_000,
            Divide = 16,
            Least = 1,
            Most = 100_000_000,
        }
    );

    /// <summary>The machine's own ends, then those of its parts.</summary>
    public static IReadOnlyList<NamedEnd> Of(PlannedUnit unit) =>
        [
            .. unit.Model.Serial.Select(e => new NamedEnd(IdText.Capital(IdText.Plain(e.Id)), LineEnd.Of(e))),
            .. unit.Instances.SelectMany(i =>
                i.Part.Serial.Select(e => new NamedEnd(IdText.Capital(Instance.NameOf(i, e.Id)), LineEnd.Of(e)))
            ),
        ];
}
