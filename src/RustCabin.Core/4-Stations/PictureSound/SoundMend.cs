using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.PictureSound;

/// <summary>
/// What mends sides that play in the wrong place, as acts of wiring on the boards of the unit. Source:
/// docs/handbook/picture-sound.md, Sides.
/// </summary>
public static class SoundMend
{
    /// <summary>
    /// The acts, in the order of work: two leads changed over, or what feeds both sides taken off one of them. None where no
    /// sheet says at which places the sides lie.
    /// </summary>
    public static IReadOnlyList<WireChange> Of(PlannedUnit unit, SidesVerdict verdict)
    {
        var wired = Wired.Of(unit);
        IEnumerable<(string Owner, IReadOnlyList<Jack> Jacks, IReadOnlyList<SoundInput> Inputs)> all =
        [
            .. unit.Instances.Select(i => (i.Name, i.Part.Jacks, i.Part.Inputs)),
            ("", unit.Model.Jacks, unit.Model.Inputs),
        ];
        return verdict switch
        {
            SidesVerdict.Swapped => all.SelectMany(o => o.Jacks.Select(j => ChangedOver(wired, o.Owner, j)))
                .FirstOrDefault(c => c.Count > 0, []),
            SidesVerdict.Summed => all.SelectMany(o => o.Inputs.Select(i => TakenOff(wired, o.Owner, i)))
                .FirstOrDefault(c => c.Count > 0, []),
            _ => [],
        };
    }

    /// <summary>The places of a jack's sides, where its marks are places; else null.</summary>
    static (int Left, int Right)? SidesOf(Wired wired, string owner, Jack jack)
    {
        int At(string side) =>
            jack.Marked.GetValueOrDefault(side) is { } mark ? wired.Places.Find(Places.Named(mark, owner)) : -1;
        return (At(SidesAsked.Left), At(SidesAsked.Right)) is (>= 0 and var left, >= 0 and var right) ? (left, right) : null;
    }

    static IReadOnlyList<WireChange> ChangedOver(Wired wired, string owner, Jack jack)
    {
        if (SidesOf(wired, owner, jack) is not var (left, right))
            return [];
        if (Rest(wired, left) is not { } fromLeft || Rest(wired, right) is not { } fromRight)
            return [];
        string Name(int place) => wired.Before.NameOf(place);
        WireChange Cut(int place) =>
            new()
            {
                Do = ChangeAct.Cut,
                Net = wired.Places.All[place].Net,
                Off = [Name(place)],
            };
        WireChange Lead(int from, int to) =>
            new()
            {
                Do = ChangeAct.Wire,
                From = [Name(from)],
                To = [Name(to)],
            };
        return [Cut(left), Cut(right), Lead(fromRight, left), Lead(fromLeft, right)];
    }

    /// <summary>Another place of a place's net, the chip's leg first; null: nothing else lies on it.</summary>
    static int? Rest(Wired wired, int place) =>
        Enumerable
            .Range(0, wired.Before.Count)
            .Where(p => p != place && wired.Before.Same(p, place))
            .OrderBy(p => wired.Places.All[p].Kind)
            .Select(p => (int?)p)
            .FirstOrDefault();

    static IReadOnlyList<WireChange> TakenOff(Wired wired, string owner, SoundInput input) =>
        input.To.Count > 1
        && input.Through.Count == input.To.Count
        && Places.Named(input.Through[^1], owner) is var point
        && wired.Places.Find($"{point}.1") >= 0
            ?
            [
                new WireChange
                {
                    Do = ChangeAct.Remove,
                    Point = point,
                    Where = $", so that {input.Id} is heard on {input.To[0]} only",
                },
            ]
            : [];
}
