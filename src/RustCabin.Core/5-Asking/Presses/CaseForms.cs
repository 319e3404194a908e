using RustCabin.Core.Sheets;

namespace RustCabin.Core.Presses;

/// <summary>Millimetres as they are typed: several numbers apart by spaces, commas or an x.</summary>
static class TypedMm
{
    /// <summary>So many numbers; null: there are not so many, or one does not read.</summary>
    public static decimal[]? Of(string? text, int count)
    {
        string[] all = Texts.Of(text).Split([' ', 'x', ';', '\t'], StringSplitOptions.RemoveEmptyEntries);
        decimal[] values = new decimal[all.Length];
        for (int i = 0; i < all.Length; i++)
            if (!TypedNumber.TryParse(all[i].TrimEnd(','), out values[i], signed: true) || Math.Abs(values[i]) > 10_000)
                return null;
        return all.Length == count ? values : null;
    }

    /// <summary>One number above 0; null where nothing was typed; false: it does not read.</summary>
    public static bool TryOne(string? text, out decimal? value)
    {
        value = null;
        if (string.IsNullOrWhiteSpace(text))
            return true;
        if (Of(text, 1) is not [var one] || one <= 0)
            return false;
        value = one;
        return true;
    }
}

/// <summary>Two taps on a photo, in its pixels from the left and the top.</summary>
public sealed record TapsForm(string? X1, string? Y1, string? X2, string? Y2)
{
    /// <summary>The taps; null: two are wanted.</summary>
    public (PhotoTap One, PhotoTap Other)? Read() => Tap(X1, Y1) is { } one && Tap(X2, Y2) is { } other ? (one, other) : null;

    static PhotoTap? Tap(string? x, string? y) =>
        TypedNumber.TryParse(x, out decimal left) && TypedNumber.TryParse(y, out decimal top) && left <= 100_000 && top <= 100_000
            ? new PhotoTap { X = left, Y = top }
            : null;
}

/// <summary>A board that seeks a place, as it is typed.</summary>
/// <param name="What">What it is.</param>
/// <param name="Size">Width, depth and, where known, height: 70 x 45 x 12.</param>
/// <param name="Margin">How far it keeps off.</param>
/// <param name="From">Where its lead comes from: 115 40.</param>
/// <param name="Lead">How long its lead is.</param>
/// <param name="Bend">The least radius of its bend.</param>
/// <param name="Hole">How wide its holes are.</param>
/// <param name="Inset">From its edges to the middle of a hole.</param>
public sealed record BoardForm(
    string? What,
    string? Size,
    string? Margin,
    string? From,
    string? Lead,
    string? Bend,
    string? Hole,
    string? Inset
)
{
    /// <summary>The board; else what is wrong with which field.</summary>
    public (PlacedThing? Thing, Refusal? Wrong) Read()
    {
        static Refusal no(string field, string? text, string like) =>
            Press.Refuse(field, $"Nothing was changed: \"{Texts.Of(text)}\" does not read; type {like}.");
        if (!Texts.TryNeeded<PlacedThing>(nameof(PlacedThing.What), What, out string what))
            return (null, Press.Refuse("what", "Nothing was changed: say what is to be placed."));
        if ((TypedMm.Of(Size, 3) ?? TypedMm.Of(Size, 2)) is not { } size || size.Any(s => s <= 0))
            return (null, no("size", Size, "width x depth, or width x depth x height, in mm: 70 x 45 x 12"));
        decimal[]? from = string.IsNullOrWhiteSpace(From) ? [] : TypedMm.Of(From, 2);
        if (from is null)
            return (null, no("from", From, "two numbers in mm, from the left and from below: 115 40"));
        decimal?[] ones = new decimal?[Ones.Length];
        foreach ((int i, (string field, string? text)) in Ones.Index())
            if (!TypedMm.TryOne(text == "0" ? "" : text, out ones[i]))
                return (null, no(field, text, "millimetres: 90"));
        return (
            new PlacedThing
            {
                What = what,
                WidthMm = size[0],
                DepthMm = size[1],
                HeightMm = size.Length > 2 ? size[2] : null,
                MarginMm = ones[0] ?? 0,
                FromXMm = from.Length > 0 ? from[0] : null,
                FromYMm = from.Length > 0 ? from[1] : null,
                LeadMm = ones[1],
                BendMm = ones[2] ?? 0,
                HoleMm = ones[3],
                InsetMm = ones[4] ?? 0,
            },
            null
        );
    }

    (string Field, string? Text)[] Ones => [("margin", Margin), ("lead", Lead), ("bend", Bend), ("hole", Hole), ("inset", Inset)];
}
