using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

public enum NeedKind
{
    Firmware,
    Can,
    Signal,
    Part,
    Rail,
    Free,
    Region,
    Provides,
    Title,
    Memory,
    Speed,
    Storage,
}

/// <summary>
/// Something that a part, a way, a title or a user asks for. <paramref name="What"/> is the named thing (a firmware, a signal, ...;
/// for memory the master); <paramref name="AtLeast"/> bytes for memory and storage; <paramref name="Factor"/> for speed.
/// <paramref name="FreeAfterLoad"/> asks after what the firmware leaves. Source: formats.md.
/// </summary>
public sealed record Need(
    NeedKind Kind,
    string What,
    ByteSize AtLeast,
    decimal Factor,
    bool FreeAfterLoad,
    IReadOnlyList<string> Revisions,
    Condition When
)
{
    static readonly (string Field, NeedKind Kind)[] Named =
    [
        ("firmware", NeedKind.Firmware),
        ("can", NeedKind.Can),
        ("signal", NeedKind.Signal),
        ("part", NeedKind.Part),
        ("rail", NeedKind.Rail),
        ("free", NeedKind.Free),
        ("region", NeedKind.Region),
        ("provides", NeedKind.Provides),
        ("title", NeedKind.Title),
    ];

    public static Need Read(Fields f)
    {
        var found = new List<Need>();
        IReadOnlyList<string> revisions = f.Ids("revisions");
        Condition when = Condition.Read(f);
        foreach ((string field, NeedKind kind) in Named)
            if (f.NameOrNull(field) is { } what)
                found.Add(new Need(kind, what, default, 0, false, revisions, when));

        if (
            f.Child(
                "memory",
                m => new Need(
                    NeedKind.Memory,
                    m.Name("master"),
                    m.Require("atLeast", m.Size("atLeast")),
                    0,
                    m.Flag("free") ?? false,
                    revisions,
                    when
                )
            ) is
            { } memory
        )
            found.Add(memory);
        if (
            f.Child(
                "storage",
                s => new Need(NeedKind.Storage, "", s.Require("atLeast", s.Size("atLeast")), 0, false, revisions, when)
            ) is
            { } storage
        )
            found.Add(storage);
        if (
            f.Child(
                "speed",
                s => new Need(NeedKind.Speed, "", default, s.NumberRequired("atLeast", 0, 100_000), false, revisions, when)
            ) is
            { } speed
        )
            found.Add(speed);

        if (found.Count == 1)
            return found[0];
        bool tried = Named.Any(n => f.Has(n.Field)) || f.Has("memory") || f.Has("storage") || f.Has("speed");
        if (found.Count > 1)
            f.WrongHere("names several needs: write each on its own");
        if (!tried)
            f.WrongHere("names no need");
        return new Need(NeedKind.Provides, "", default, 0, false, revisions, when);
    }
}
