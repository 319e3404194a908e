using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>Reads a part sheet (formats.md, Part sheet).</summary>
static class PartReader
{
    public static Part Read(Fields f)
    {
        foreach (string later in (string[])["connector", "gender", "contacts", "faults"])
            f.Later(later);
        return new Part(
            f.Id("id"),
            f.Name("name"),
            f.Text("maker"),
            f.Require("kind", f.Word<PartKind>("kind")),
            f.Text("summary"),
            f.Children("versions", v => new PartVersion(v.Name("id"), v.Texts("errata"))),
            f.Children("ways", ReadWay),
            f.Children("needs", Need.Read),
            f.Names("provides"),
            f.Children("switches", ReadSwitch),
            f.Children("claims", ModelReader.ReadClaim),
            f.Children("draws", ReadDraw),
            f.Children(
                "supplies",
                s => new Supply(s.Name("rail"), s.NumberRequired("amps", 0, 10_000), s.Flag("replaces") ?? false)
            ),
            f.Children("sets", ReadSet),
            f.Children("conflicts", c => new Conflict(c.Id("part"), c.Text("why"))),
            f.Children("sites", ModelReader.ReadSite),
            f.Number("heightMm", 0, 10_000),
            f.Number("heatW", 0, 100_000) ?? 0,
            f.Texts("keeps"),
            f.Names("cautions"),
            f.Number("price", 0, 10_000_000) ?? 0,
            f.Flag("stacks") ?? false,
            f.Children("arrays", ReadArray),
            ReadMix(f),
            f.Children("switchTable", r => new SwitchRow(r.NamesOrNulls("arrangement"), r.NameMap("positions")))
        )
        {
            Speed = f.NumberMap("speed", 0.001m, 100_000),
            ClockMHz = f.Number("clockMHz", 0.001m, 100_000),
            Capacity = f.Size("capacity"),
            LogicVolts = f.Number("logicVolts", 0.1m, 1000),
            ToleratesVolts = f.Number("toleratesVolts", 0.1m, 1000),
            Feed = f.Child("feed", ReadFeed),
            Paths = f.Children("paths", ModelReader.ReadPath),
            Trigger = f.Child("trigger", t => new Trigger(t.NumberRequired("volts", 1, 100), t.NumberRequired("amps", 0, 100))),
            Profiles = f.Children(
                "profiles",
                p => new UsbProfile(p.NumberRequired("volts", 1, 100), p.NumberRequired("amps", 0, 100))
            ),
            MarkedCable = f.Flag("markedCable") ?? false,
            WidthMm = f.Number("widthMm", 0, 10_000),
            DepthMm = f.Number("depthMm", 0, 10_000),
            BareMetal = f.Flag("bareMetal") ?? false,
            Cables = f.Children(
                "cables",
                c => new Cable(
                    c.Name("what"),
                    c.IdOrNull("through"),
                    c.Number("widthMm", 0, 10_000) ?? 0,
                    c.Number("heightMm", 0, 10_000) ?? 0,
                    c.IdOrNull("into"),
                    c.Word<Facing>("contactsFace")
                )
            ),
            Drivers = f.Children(
                "drivers",
                d => new Driver(
                    d.Name("name"),
                    d.Text("atLeast"),
                    d.Word<DriverOrder>("order") ?? DriverOrder.Any,
                    d.NameOrNull("firmware")
                )
            ),
        };
    }

    static Feed ReadFeed(Fields f)
    {
        decimal least = f.NumberRequired("minVolts", 0, 1000),
            most = f.NumberRequired("maxVolts", 0, 1000);
        if (most < least)
            f.Wrong("maxVolts", "must not be less than \"minVolts\"");
        return new Feed(f.Name("rail"), least, most);
    }

    static MemoryArray ReadArray(Fields f) =>
        new(
            f.Id("id"),
            f.Require("dataBits", f.Whole("dataBits", 1, 1024)),
            f.Whole("parityBits", 0, 1024) ?? 0,
            ReadTypes(f),
            f.Whole("addressLines", 1, 64),
            f.Whole("refreshBits", 1, 32),
            f.Number("refreshRowUs", 0.001m, 100_000),
            f.Flag("ownRefresh") ?? false,
            f.Whole("accessNs", 1, 100_000),
            f.Names("supplies"),
            f.Flag("socketed") ?? true
        );

    static IReadOnlyList<string> ReadTypes(Fields f)
    {
        IReadOnlyList<string> types = f.Names("types");
        foreach ((int i, string type) in types.Index())
            if (Memory.Chips.ChipType.Find(type) is null)
                f.Wrong($"types[{i}]", $"\"{type}\" is not a type of the table");
        return types;
    }

    static string? ReadMix(Fields f)
    {
        string? mix = f.NameOrNull("mix");
        if (mix is not null && Memory.MemoryReader.MixOf(mix) is null)
            f.Wrong("mix", $"\"{mix}\" is not one of any, alike, larger-first, pairs");
        return mix;
    }

    static Way ReadWay(Fields f)
    {
        f.Later("changes");
        if (!f.Has("model") && !f.Has("connector"))
            f.WrongHere("names neither a model nor a connector");
        return new Way(
            f.Id("id"),
            f.IdOrNull("model"),
            f.Ids("revisions"),
            f.NameOrNull("connector"),
            f.Children("occupies", ReadOccupies),
            f.Number("minutes", 0, 100_000) ?? 0,
            f.Whole("skill", 1, 5) ?? 1,
            f.Flag("reversible") ?? true,
            f.Number("faultChance", 0, 1) ?? 0,
            f.Children("needs", Need.Read),
            f.Names("cautions"),
            f.Texts("keeps"),
            f.NameOrNull("special"),
            f.Flag("stacks") ?? false,
            ReadSteps(f),
            f.Flag("fitsSocket") ?? false
        )
        {
            Expects = f.IdOrNull("expects"),
            Trims = f.Texts("trims"),
        };
    }

    /// <summary>A step is an object, or plain text, which is then called by its place: step-1, step-2.</summary>
    static IReadOnlyList<WayStep> ReadSteps(Fields f)
    {
        int number = 0;
        return f.List(
            "steps",
            (e, p) =>
            {
                string id = $"step-{++number}";
                return e.ValueKind == System.Text.Json.JsonValueKind.String
                    ? f.ReadName(e, p) is { } what
                        ? new WayStep(id, what, "")
                        : null
                    : f.ReadChild(e, p, s => new WayStep(s.IdOrNull("id") ?? id, s.Text("what"), s.Text("proof")));
            }
        );
    }

    static Occupies ReadOccupies(Fields f)
    {
        SiteMode mode = f.Require("mode", f.Word<SiteMode>("mode"));
        string? site = f.NameOrNull("site"),
            signal = f.NameOrNull("signal");
        if (!f.Has("site") && !f.Has("signal"))
            f.WrongHere("names neither a site nor a signal");
        return new Occupies(site, signal, mode, f.Flag("stacks") ?? false)
        {
            Mark = f.NameOrNull("mark"),
            Overhangs = f.Children("overhangs", o => new Overhang(o.Id("site"), o.NumberRequired("clearanceMm", 0, 10_000))),
        };
    }

    static Switch ReadSwitch(Fields f)
    {
        IReadOnlyList<string> positions = f.Names("positions");
        string? factory = f.NameOrNull("factory");
        if (positions.Count == 0)
            f.Wrong("positions", "needs at least one position");
        if (positions.Distinct().Count() != positions.Count)
            f.Wrong("positions", "names a position twice");
        if (factory is not null && positions.Count > 0 && !positions.Contains(factory))
            f.Wrong("factory", $"\"{factory}\" is not one of its positions");
        return new Switch(
            f.Name("id"),
            f.Word<SwitchKind>("kind") ?? SwitchKind.Jumper,
            f.Text("label"),
            positions,
            factory ?? (positions.Count > 0 ? positions[0] : "")
        );
    }

    static Draw ReadDraw(Fields f)
    {
        decimal? typical = f.Number("typicalAmps", 0, 10_000),
            peak = f.Number("peakAmps", 0, 10_000);
        if (peak < typical)
            f.Wrong("peakAmps", "must not be less than \"typicalAmps\"");
        return new Draw(f.Name("rail"), typical ?? peak ?? 0, peak ?? typical ?? 0, Condition.Read(f))
        {
            Path = f.NameOrNull("path"),
        };
    }

    static SetChange ReadSet(Fields f)
    {
        ByteSize? size = f.Size("size");
        if (size is { Bytes: 0 })
            f.Wrong("size", "must not be 0");
        return new SetChange(
            f.Name("claim"),
            size,
            f.AddressOrNull("base"),
            f.Ids("masters"),
            f.Flag("off") ?? false,
            Condition.Read(f)
        );
    }
}
