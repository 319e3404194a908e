using RustCabin.Core.Fit;
using RustCabin.Core.Sheets;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>
/// The inside of the case is measured or marked on a photo, and a board finds its place in it. Source: docs/handbook/fit.md,
/// Places in the case.
/// </summary>
public static class Casing
{
    static CaseInside Inside(AtHand at) => at.Unit.Inside ?? new CaseInside();

    /// <summary>Says how large the room is.</summary>
    /// <param name="size">Width and depth, and the free height where it is known: 240 x 150 x 38.</param>
    public static Press<Unit> Room(string? size) =>
        (TypedMm.Of(size, 3) ?? TypedMm.Of(size, 2)) is not { } mm || mm.Any(m => m <= 0)
            ? Refuse("size", $"Nothing was changed: \"{Texts.Of(size)}\" does not read; type 240 x 150 or 240 x 150 x 38 in mm.")
            : ChangeUnit(
                $"Inside of the case: {string.Join(" x ", mm.Select(TypedNumber.Show))} mm",
                unit => With(unit, c => c with { WidthMm = mm[0], DepthMm = mm[1], HeightMm = mm.Length > 2 ? mm[2] : null })
            );

    /// <summary>Scales a photo by two taps on something of known length; the room then follows by its corners.</summary>
    /// <param name="photo">The photo; null: it is not here any more.</param>
    /// <param name="taps">The two ends.</param>
    /// <param name="length">How long that is, in mm.</param>
    public static Press<Unit> Scale(long? photo, TapsForm taps, string? length)
    {
        if (photo is not { } number || number > int.MaxValue)
            return Gone;
        if (taps.Read() is not var (one, other) || PhotoTap.Apart(one, other) < 5)
            return Refuse("x1", "Nothing was changed: tap both ends of something whose length you know.");
        return !TypedMm.TryOne(length, out decimal? mm) || mm is null
            ? Refuse("length", $"Nothing was changed: \"{Texts.Of(length)}\" is no length; type it in mm.")
            : ChangeUnit(
                $"Photo of the inside scaled by {TypedNumber.Show(mm.Value)} mm",
                unit =>
                    With(
                        unit,
                        c =>
                            c with
                            {
                                Photo = new CasePhoto
                                {
                                    Photo = (int)number,
                                    One = one,
                                    Other = other,
                                    Mm = mm.Value,
                                    Corner =
                                        c.Photo?.Corner
                                        ?? new PhotoTap { X = Math.Min(one.X, other.X), Y = Math.Max(one.Y, other.Y) },
                                },
                            }
                    )
            );
    }

    /// <summary>Takes the room, or something that stands in it, from two taps on opposite corners.</summary>
    /// <param name="at">The job.</param>
    /// <param name="taps">The corners.</param>
    /// <param name="what">What stands there; empty: the room itself.</param>
    /// <param name="height">How high it is, in mm; empty: up to the lid, or not known.</param>
    public static Press<Unit> Mark(AtHand at, TapsForm taps, string? what, string? height)
    {
        if (Inside(at).Photo is not { } photo)
            return Refuse("x1", "Nothing was changed: scale the photo first, by something of known length.");
        if (taps.Read() is not var (one, other) || one.X == other.X || one.Y == other.Y)
            return Refuse("x1", "Nothing was changed: tap two opposite corners.");
        if (!TypedMm.TryOne(height, out decimal? high))
            return Refuse("height", $"Nothing was changed: \"{Texts.Of(height)}\" is no height; type it in mm.");
        var corner = new PhotoTap { X = Math.Min(one.X, other.X), Y = Math.Max(one.Y, other.Y) };
        decimal wide = Math.Round(Math.Abs(one.X - other.X) * photo.MmOfPixel, 1),
            deep = Math.Round(Math.Abs(one.Y - other.Y) * photo.MmOfPixel, 1);
        if (Texts.Of(what).Length == 0)
            return ChangeUnit(
                $"Inside of the case, off the photo: {wide:0.#} x {deep:0.#} mm",
                unit =>
                    With(
                        unit,
                        c => c with { WidthMm = wide, DepthMm = deep, HeightMm = high, Photo = photo with { Corner = corner } }
                    )
            );
        (decimal x, decimal y) = photo.Of(corner);
        return Stand(at, what, [x, y, wide, deep], high);
    }

    /// <summary>Notes something that stands there, by its millimetres.</summary>
    /// <param name="at">The job.</param>
    /// <param name="what">What it is.</param>
    /// <param name="where">From the left, from below, width, depth: 0 0 110 60.</param>
    /// <param name="height">How high it is, in mm; empty: up to the lid.</param>
    public static Press<Unit> Stand(AtHand at, string? what, string? where, string? height)
    {
        if (TypedMm.Of(where, 4) is not { } mm)
            return Refuse(
                "where",
                $"Nothing was changed: \"{Texts.Of(where)}\" does not read; type from the left, from below, width, depth: "
                    + "0 0 110 60."
            );
        return TypedMm.TryOne(height, out decimal? high)
            ? Stand(at, what, mm, high)
            : Refuse("height", $"Nothing was changed: \"{Texts.Of(height)}\" is no height; type it in mm.");
    }

    static Press<Unit> Stand(AtHand at, string? what, decimal[] mm, decimal? high)
    {
        if (!Texts.TryNeeded<StandingThing>(nameof(StandingThing.What), what, out string name))
            return Refuse("what", "Nothing was changed: say what stands there.");
        if (mm[2] < 0.1m || mm[3] < 0.1m)
            return Refuse("where", "Nothing was changed: it wants a width and a depth above 0.");
        if (Inside(at).Standing.Count >= CaseInside.MostThings)
            return Refuse("what", $"Nothing was changed: {CaseInside.MostThings} things are the most.");
        var thing = new StandingThing
        {
            What = name,
            XMm = mm[0],
            YMm = mm[1],
            WidthMm = mm[2],
            DepthMm = mm[3],
            HeightMm = high,
        };
        return ChangeUnit($"Stands in the case: {name}", unit => With(unit, c => c with { Standing = [.. c.Standing, thing] }));
    }

    /// <summary>Takes a thing out of the drawing, by its place in the list.</summary>
    public static Press<Unit> Clear(AtHand at, int index) =>
        index >= 0 && index < Inside(at).Standing.Count
            ? ChangeUnit(
                $"Does not stand in the case any more: {Inside(at).Standing[index].What}",
                unit => With(unit, c => c with { Standing = [.. c.Standing.Where((_, i) => i != index)] })
            )
            : Gone;

    /// <summary>Says which board seeks a place; one of that name goes.</summary>
    public static Press<Job> Seek(BoardForm form)
    {
        (PlacedThing? thing, Refusal? wrong) = form.Read();
        if (thing is null)
            return wrong is null ? Gone : wrong;
        return Change($"Seeks a place in the case: {thing.What}", j => With(j, thing));
    }

    /// <summary>Chooses a place for a board, by its number among those that are found.</summary>
    public static Press<Job> Choose(AtHand at, string what, int place)
    {
        if (at.Job.Places.FirstOrDefault(p => p.What == what) is not { } thing || at.Unit.Inside is not { WidthMm: > 0 } inside)
            return Gone;
        IReadOnlyList<FoundPlace> found = Placing.Of(CasePlaces.Asked(inside, thing)).Places;
        if (place < 0 || place >= found.Count)
            return Gone;
        PlacedThing chosen = thing with
        {
            At = new ChosenPlace
            {
                XMm = found[place].X,
                YMm = found[place].Y,
                Turned = found[place].Turned,
            },
        };
        return Change($"Place of {what}: {CasePlaces.Words(chosen)}", j => With(j, chosen));
    }

    /// <summary>A board seeks no place any more.</summary>
    public static Press<Job> Drop(AtHand at, string what) =>
        at.Job.Places.Any(p => p.What == what)
            ? Change($"Seeks no place any more: {what}", j => j with { Places = [.. j.Places.Where(p => p.What != what)] })
            : Gone;

    static Job With(Job job, PlacedThing thing) => job with { Places = [.. job.Places.Where(p => p.What != thing.What), thing] };

    static Unit With(Unit unit, Func<CaseInside, CaseInside> change) =>
        unit with
        {
            Inside = change(unit.Inside ?? new CaseInside()),
        };
}
