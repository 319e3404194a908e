using System.Globalization;

namespace RustCabin.Core.Chips;

/// <summary>How the legs of a package stand.</summary>
public enum PackageFamily
{
    /// <summary>Two rows.</summary>
    Dip,

    /// <summary>Two rows, flat.</summary>
    Soic,

    /// <summary>Four sides, numbered from the middle of the top.</summary>
    Plcc,

    /// <summary>Four sides, numbered from the mark.</summary>
    Qfp,

    /// <summary>Two rows, numbered in zig-zag.</summary>
    Header,

    /// <summary>A plug of two rows that taper.</summary>
    Dsub,
}

/// <summary>From where a package is seen.</summary>
public enum View
{
    /// <summary>From above.</summary>
    Above,

    /// <summary>From below, so that left and right are exchanged.</summary>
    Below,
}

/// <summary>A side of a package as it is seen.</summary>
public enum PinSide
{
    /// <summary>The top.</summary>
    Top,

    /// <summary>The right.</summary>
    Right,

    /// <summary>The bottom.</summary>
    Bottom,

    /// <summary>The left.</summary>
    Left,
}

/// <summary>
/// Where a pin is on the outline as it is seen. <paramref name="Place"/> counts from 0 along the side, from left to right or
/// from top to bottom; <paramref name="FromCorner"/> from 1 at the nearer end; <paramref name="Corner"/> names that end.
/// </summary>
public sealed record PinPlace(int Pin, PinSide Side, int Place, int SideLength, int FromCorner, string Corner);

/// <summary>
/// The outline of a package, computed and never typed: DIP, SOIC and QFP are numbered anticlockwise from the mark at the top
/// left seen from above; PLCC from the middle of the top side; headers zig-zag; D-sub plugs seen on their mating face. Source:
/// docs/handbook/wiring.md, Outlines.
/// </summary>
public sealed class ChipOutline
{
    readonly Dictionary<PinSide, int[]> _above;

    /// <summary>How its legs stand.</summary>
    public PackageFamily Family { get; }

    /// <summary>Its name, as <c>QFP-64</c>.</summary>
    public string Name { get; }

    /// <summary>How many legs it has.</summary>
    public int Pins { get; }

    ChipOutline(string name, PackageFamily family, Dictionary<PinSide, int[]> above)
    {
        (Name, Family, _above) = (name, family, above);
        Pins = above.Values.Sum(s => s.Length);
    }

    /// <summary>Most pins of an outline that is taken.</summary>
    public const int MostPins = 2000;

    /// <summary>
    /// Reads a package: <c>DIP-40</c>, <c>SOIC-16</c>, <c>PLCC-68</c>, <c>QFP-64</c>, <c>HEADER-40</c>, <c>DSUB-25</c>; uneven
    /// outlines per side,
    /// <c>QFP-100(30,20)</c>: 30 on the left and right, 20 on the bottom and top.
    /// </summary>
    public static bool TryParse(string text, out ChipOutline outline)
    {
        outline = null!;
        string name = text.Trim().ToUpperInvariant();
        int dash = name.IndexOf('-');
        if (dash < 0)
            return false;
        int open = name.IndexOf('(', dash);
        string family = name[..dash],
            count = open < 0 ? name[(dash + 1)..] : name[(dash + 1)..open];
        if (!int.TryParse(count, NumberStyles.None, CultureInfo.InvariantCulture, out int pins) || pins is < 2 or > MostPins)
            return false;
        int[]? uneven = null;
        if (open >= 0)
        {
            if (!name.EndsWith(')'))
                return false;
            string[] sides = name[(open + 1)..^1].Split(',');
            uneven = new int[sides.Length];
            for (int i = 0; i < sides.Length; i++)
                if (
                    !int.TryParse(sides[i].Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out uneven[i])
                    || uneven[i] < 1
                )
                    return false;
        }

        Dictionary<PinSide, int[]>? above = family switch
        {
            "DIP" or "SDIP" or "SOIC" or "SOP" or "SO" or "SSOP" or "TSOP" when pins % 2 == 0 && uneven is null => TwoRows(pins),
            "QFP" or "TQFP" or "LQFP" or "PQFP" => FourSides(pins, uneven, fromMiddle: false),
            "PLCC" => FourSides(pins, uneven, fromMiddle: true),
            "HEADER" or "IDC" when pins % 2 == 0 && uneven is null => ZigZag(pins),
            "DSUB" or "DE" or "DA" or "DB" or "DC" when uneven is null => Dsub(family, pins),
            _ => null,
        };
        if (above is null)
            return false;
        PackageFamily kind = family switch
        {
            "DIP" or "SDIP" => PackageFamily.Dip,
            "SOIC" or "SOP" or "SO" or "SSOP" or "TSOP" => PackageFamily.Soic,
            "PLCC" => PackageFamily.Plcc,
            "HEADER" or "IDC" => PackageFamily.Header,
            "QFP" or "TQFP" or "LQFP" or "PQFP" => PackageFamily.Qfp,
            _ => PackageFamily.Dsub,
        };
        outline = new ChipOutline(name, kind, above);
        return true;
    }

    /// <summary>Down the left side, up the right.</summary>
    static Dictionary<PinSide, int[]> TwoRows(int pins) =>
        new()
        {
            [PinSide.Left] = [.. Enumerable.Range(1, pins / 2)],
            [PinSide.Right] = [.. Enumerable.Range(pins / 2 + 1, pins / 2).Reverse()],
        };

    /// <summary>Anticlockwise: down the left, along the bottom, up the right, back along the top.</summary>
    static Dictionary<PinSide, int[]>? FourSides(int pins, int[]? uneven, bool fromMiddle)
    {
        int left,
            bottom,
            right,
            top;
        if (uneven is null)
        {
            if (fromMiddle && pins == 32)
                (left, bottom, right, top) = (9, 7, 9, 7);
            else if (fromMiddle && pins is 18 or 22 or 28 && pins % 4 != 0)
                (left, bottom, right, top) = ((pins - 2 * (pins / 4)) / 2, pins / 4, (pins - 2 * (pins / 4)) / 2, pins / 4);
            else if (pins % 4 == 0)
                left = bottom = right = top = pins / 4;
            else
                return null;
        }
        else if (uneven.Length == 2)
            (left, bottom, right, top) = (uneven[0], uneven[1], uneven[0], uneven[1]);
        else if (uneven.Length == 4)
            (left, bottom, right, top) = (uneven[0], uneven[1], uneven[2], uneven[3]);
        else
            return null;
        if (left + bottom + right + top != pins)
            return null;

        // Where numbering starts: at the top of the left side, or, for PLCC, in the middle of the top side, going left.
        int[] round = new int[pins]; // by place, anticlockwise from the top left corner down
        int start = fromMiddle ? pins - (top + 1) / 2 : 0;
        for (int i = 0; i < pins; i++)
            round[(start + i) % pins] = i + 1;
        return new()
        {
            [PinSide.Left] = round[..left],
            [PinSide.Bottom] = round[left..(left + bottom)],
            [PinSide.Right] = [.. round[(left + bottom)..(left + bottom + right)].Reverse()],
            [PinSide.Top] = [.. round[(left + bottom + right)..].Reverse()],
        };
    }

    /// <summary>Two columns, odd numbers on the left, even on the right.</summary>
    static Dictionary<PinSide, int[]> ZigZag(int pins) =>
        new()
        {
            [PinSide.Left] = [.. Enumerable.Range(0, pins / 2).Select(i => 2 * i + 1)],
            [PinSide.Right] = [.. Enumerable.Range(1, pins / 2).Select(i => 2 * i)],
        };

    /// <summary>Contacts of D-sub plugs with two rows. A DE-15, and all of 26 and more in the same shells, has three:
    /// refused.</summary>
    static readonly int[] TwoRowPlugs = [9, 15, 19, 23, 25, 37];

    /// <summary>The plug's mating face: the longer row on top, from left to right; null for a plug of three rows.</summary>
    static Dictionary<PinSide, int[]>? Dsub(string shell, int pins) =>
        !TwoRowPlugs.Contains(pins) || (shell == "DE" && pins != 9)
            ? null
            : new()
            {
                [PinSide.Top] = [.. Enumerable.Range(1, (pins + 1) / 2)],
                [PinSide.Bottom] = [.. Enumerable.Range((pins + 1) / 2 + 1, pins / 2)],
            };

    /// <summary>
    /// The pins of a side as they are seen, left to right or top to bottom. From below everything is flipped left to right.
    /// </summary>
    public IReadOnlyList<int> Side(PinSide side, View view)
    {
        PinSide from =
            view == View.Above
                ? side
                : side switch
                {
                    PinSide.Left => PinSide.Right,
                    PinSide.Right => PinSide.Left,
                    _ => side,
                };
        if (!_above.TryGetValue(from, out int[]? pins))
            return [];
        return view == View.Below && side is PinSide.Top or PinSide.Bottom ? [.. pins.Reverse()] : pins;
    }

    /// <summary>Where a pin is. Of two ends as near, the one with the lower-numbered pin is named.</summary>
    /// <exception cref="ArgumentOutOfRangeException">There is no such pin.</exception>
    public PinPlace Find(int pin, View view)
    {
        foreach (PinSide side in Enum.GetValues<PinSide>())
        {
            IReadOnlyList<int> pins = Side(side, view);
            for (int i = 0; i < pins.Count; i++)
            {
                if (pins[i] != pin)
                    continue;
                int before = i + 1,
                    after = pins.Count - i;
                bool first = before < after || (before == after && pins[0] <= pins[^1]);
                return new PinPlace(pin, side, i, pins.Count, Math.Min(before, after), Corner(side, first));
            }
        }
        throw new ArgumentOutOfRangeException(nameof(pin), pin, $"{Name} has pins 1 to {Pins}");
    }

    static string Corner(PinSide side, bool first) =>
        (side, first) switch
        {
            (PinSide.Top, true) or (PinSide.Left, true) => "top-left",
            (PinSide.Top, false) or (PinSide.Right, true) => "top-right",
            (PinSide.Bottom, true) or (PinSide.Left, false) => "bottom-left",
            _ => "bottom-right",
        };

    /// <summary>The pins beside a pin on its side that are not among <paramref name="asked"/>, lower number first.</summary>
    public IReadOnlyList<int> Neighbours(int pin, IReadOnlyCollection<int> asked)
    {
        foreach (int[] side in _above.Values)
            if (Array.IndexOf(side, pin) is >= 0 and var i)
                return
                [
                    .. ((int[])[.. i > 0 ? [side[i - 1]] : (int[])[], .. i + 1 < side.Length ? [side[i + 1]] : (int[])[]])
                        .Where(n => !asked.Contains(n))
                        .Order(),
                ];
        return [];
    }
}
