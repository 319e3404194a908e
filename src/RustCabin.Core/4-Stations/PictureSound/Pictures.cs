using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.PictureSound;

/// <summary>A picture of a unit: the machine's own, or that of a part.</summary>
/// <param name="Name">What it is called: <c>standard</c>, <c>heron:wide</c>.</param>
/// <param name="Mode">Its mode.</param>
/// <param name="Owner">The part that puts it out; null: the machine.</param>
public sealed record PictureHere(string Name, PictureMode Mode, Instance? Owner)
{
    /// <summary>What a person calls it.</summary>
    public string Title => Instance.NameOf(Owner, Mode.Id);

    /// <summary>The pictures of a unit as its switches stand, the machine's first.</summary>
    public static IReadOnlyList<PictureHere> Of(PlannedUnit unit) =>
        [
            .. unit.Model.Pictures.Where(p => unit.Holds(p.Revisions)).Select(p => new PictureHere(p.Id, p, null)),
            .. unit.Instances.SelectMany(i =>
                i.Part.Pictures.Where(p =>
                        unit.Holds(p.Revisions) && p.When.Holds(key => Instance.PositionOf(i, key, unit.Instances))
                    )
                    .Select(p => new PictureHere($"{i.Name}:{p.Id}", p, i))
            ),
        ];

    /// <summary>The picture that the job is about: the one that it names, else the first; null: no sheet has any.</summary>
    public static PictureHere? Chosen(PlannedUnit unit)
    {
        IReadOnlyList<PictureHere> all = Of(unit);
        return all.FirstOrDefault(p => p.Name == unit.Job?.Picture?.Mode) ?? (all.Count > 0 ? all[0] : null);
    }

    /// <summary>The part that samples the machine's picture; null: none does.</summary>
    public static Instance? Converter(PlannedUnit unit) => unit.Instances.FirstOrDefault(i => i.Part.Samples is not null);

    /// <summary>The colours of a unit: of a part that has some, else of the machine; null: no sheet says.</summary>
    public static Palette? PaletteOf(PlannedUnit unit) =>
        unit.Instances.Select(i => i.Part.Palette).FirstOrDefault(p => p is not null) ?? unit.Model.Palette;
}
