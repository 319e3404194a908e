using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>Reads a model sheet (formats.md, Model sheet). What is wrong inside the sheet alone is told here; references in <see cref="PackReferences"/>.</summary>
static class ModelReader
{
    /// <summary>The widest address space that a sheet may state, in bits.</summary>
    public const int WidestAddress = 40;

    public static Model Read(Fields f)
    {
        int addressBits = f.Require("addressBits", f.Whole("addressBits", 1, WidestAddress));
        return new Model(
            f.Id("id"),
            f.Name("name"),
            f.Text("maker"),
            f.Text("summary"),
            addressBits,
            f.Require("dataBits", f.Whole("dataBits", 1, 128)),
            f.Number("clockMHz", 0.001m, 100_000),
            f.Ids("masters"),
            f.Children("revisions", ReadRevision),
            f.Children("clues", ReadClue),
            f.Children("access", ReadAccess),
            f.Children("claims", ReadClaim),
            f.Children("autoWindows", ReadAutoWindow),
            f.Children("powerUp", ReadPowerUp),
            f.Child("limits", l => l.SizeMap("memory")) ?? [],
            f.Children("sites", ReadSite),
            f.Children("signals", ReadSignal),
            f.Children("rails", ReadRail),
            f.Children("firmware", ReadFirmware),
            f.Children("service", ReadService),
            f.Names("region")
        )
        {
            ByteOrder = f.Word<WordOrder>("byteOrder"),
            Vectors = f.Children(
                "vectors",
                v => new Vector(
                    v.Id("id"),
                    v.Require("at", v.AddressOrNull("at")),
                    v.Require("bytes", v.Whole("bytes", 1, 8)),
                    v.Word<WordOrder>("order")
                )
            ),
            Paths = f.Children("paths", ReadPath),
            Openings = f.Children(
                "openings",
                o => new Opening(o.Id("id"), o.NumberRequired("widthMm", 0, 10_000), o.NumberRequired("heightMm", 0, 10_000))
            ),
            Cooling = f.Child(
                "cooling",
                c => new Cooling(
                    c.Number("degreesPerWatt", 0.001m, 1000),
                    c.Number("cfm", 0.001m, 10_000),
                    c.NumberRequired("maxRise", 0.1m, 200),
                    c.Number("ownWatts", 0, 100_000) ?? 0
                )
            ),
        };
    }

    static ServicePiece ReadService(Fields f) =>
        new(
            f.Id("id"),
            f.Word<ServiceKind>("kind") ?? ServiceKind.Other,
            f.Name("what"),
            f.Text("where"),
            f.Text("value"),
            f.Number("volts", 0, 100_000),
            f.Text("polarity"),
            f.Text("size"),
            f.Whole("years", 1, 200),
            f.IdOrNull("access"),
            f.Ids("revisions")
        );

    public static PowerPath ReadPath(Fields f) =>
        new(f.Id("id"), f.Name("rail"), f.NumberRequired("amps", 0, 10_000), f.Number("ohms", 0, 10_000) ?? 0);

    static Revision ReadRevision(Fields f) => new(f.Id("id"), f.Name("name"));

    static Clue ReadClue(Fields f) =>
        new(
            f.Id("id"),
            f.Text("ask"),
            f.IdOrNull("access"),
            f.Number("minutes", 0, 10_000) ?? 1,
            f.NumberRequired("trust", 0, 1),
            f.Map("values", (e, p) => f.OneOrMore(e, p))
        );

    static AccessLevel ReadAccess(Fields f) =>
        new(
            f.Id("id"),
            f.IdOrNull("from"),
            f.Number("minutes", 0, 10_000) ?? 0,
            f.Children("remove", r => new Removal(r.Name("what"), r.Whole("count", 1, 1000) ?? 1, r.Text("where"))),
            f.Names("unplug"),
            f.Names("fragile"),
            f.Names("cautions")
        );

    public static Claim ReadClaim(Fields f)
    {
        ClaimKind kind = f.Require("kind", f.Word<ClaimKind>("kind"));
        bool auto = f.Flag("auto") ?? false;
        Address? from = f.AddressOrNull("base");
        ByteSize? size = f.Size("size");
        Address? mask = f.AddressOrNull("mask");
        if (!f.Has("size"))
            f.Wrong("size", "is missing");
        if (size is { Bytes: 0 })
            f.Wrong("size", "must not be 0");
        if (auto && size is { IsPowerOfTwo: false })
            f.Wrong("size", "must be a power of two for a self-configuring claim");
        if (mask is not null && size is { IsPowerOfTwo: false })
            f.Wrong("size", "must be a power of two beside a mask");
        if (auto && from is not null)
            f.Wrong("base", "stands beside \"auto\": a self-configuring claim is given its base");
        if (!auto && !f.Has("base"))
            f.Wrong("base", "is missing");

        return new Claim(
            f.Id("id"),
            kind,
            from,
            size,
            mask,
            f.Ids("masters"),
            f.Ids("revisions"),
            f.Word<BusAccess>("access") ?? (kind == ClaimKind.Rom ? BusAccess.Read : BusAccess.Both),
            f.Flag("drivesOnWrite") ?? false,
            f.Names("overlays"),
            f.Word<SpeedClass>("speed") ?? SpeedClass.Board,
            auto,
            ReadWindow(f),
            Condition.Read(f)
        )
        {
            Sockets = f.Ids("sockets"),
        };
    }

    /// <summary>The window of a claim; its pages may stand in it or beside it.</summary>
    static Window? ReadWindow(Fields f)
    {
        IReadOnlyList<BankPage> beside = f.Children("pages", ReadPage);
        if (
            f.Child(
                "window",
                w => new Window(
                    w.NameOrNull("register"),
                    w.Whole("banks", 1, 65_536) ?? 1,
                    w.Word<WindowReset>("reset") ?? WindowReset.Undefined
                )
                {
                    Pages = w.Children("pages", ReadPage),
                }
            )
            is not { } window
        )
        {
            if (beside.Count > 0)
                f.Wrong("pages", "stand on a claim without a window");
            return null;
        }
        IReadOnlyList<BankPage> pages = [.. window.Pages, .. beside];
        foreach (BankPage page in pages.Where(p => p.Bank >= window.Banks))
            f.Wrong("pages", $"bank {page.Bank} is beyond the {window.Banks} of the window");
        foreach (IGrouping<int, BankPage> twice in pages.GroupBy(p => p.Bank).Where(g => g.Count() > 1))
            f.Wrong("pages", $"bank {twice.Key} stands twice");
        return window with { Pages = pages };
    }

    static BankPage ReadPage(Fields f) => new(f.Require("bank", f.Whole("bank", 0, 65_535)), f.Id("site"));

    static AutoWindow ReadAutoWindow(Fields f) =>
        new(f.Id("id"), f.Require("base", f.AddressOrNull("base")), f.Require("size", f.Size("size")));

    static PowerUpLine ReadPowerUp(Fields f)
    {
        bool auto = f.Flag("auto") ?? false;
        Address? from = f.AddressOrNull("from"),
            to = f.AddressOrNull("to");
        ByteSize? step = f.Size("step");
        if (!auto)
        {
            if (!f.Has("from"))
                f.Wrong("from", "is missing");
            if (!f.Has("to"))
                f.Wrong("to", "is missing");
            if (!f.Has("step"))
                f.Wrong("step", "is missing");
            if (step is { Bytes: 0 })
                f.Wrong("step", "must not be 0");
            if (from >= to)
                f.Wrong("to", "must lie above \"from\"");
            else if (step is { Bytes: > 0 } s && from is { } a && to is { } b && (b.Value - a.Value) / s.Bytes > MostBlocks)
                f.Wrong("step", $"makes more than {MostBlocks:#,0} blocks");
        }
        return new PowerUpLine(
            f.Name("label"),
            auto,
            from ?? default,
            to ?? default,
            step ?? default,
            f.Size("cap"),
            f.Flag("stopAtGap") ?? true
        );
    }

    /// <summary>A line of more blocks than this would hold the page up; 64 MiB in steps of 1 KiB is allowed.</summary>
    const ulong MostBlocks = 65_536;

    public static Site ReadSite(Fields f)
    {
        f.Later("gender");
        f.Later("contacts");
        return new Site(
            f.Id("id"),
            f.Name("kind"),
            f.NameOrNull("package"),
            f.NameOrNull("mount"),
            f.Number("heightMm", 0, 10_000),
            f.IdOrNull("access"),
            f.NameOrNull("connector"),
            f.Ids("revisions"),
            f.Names("pinout"),
            f.Number("romBudgetNs", 0, 1_000_000)
        )
        {
            LogicVolts = f.Number("logicVolts", 0.1m, 1000),
            Mark = f.NameOrNull("mark"),
            WidthMm = f.Number("widthMm", 0, 10_000),
            DepthMm = f.Number("depthMm", 0, 10_000),
            BareContacts = f.Flag("bareContacts") ?? false,
            ContactsFace = f.Word<Facing>("contactsFace"),
        };
    }

    static Signal ReadSignal(Fields f) =>
        new(
            f.Name("net"),
            f.Children(
                "at",
                a => new SignalPoint(a.Name("chip"), a.Whole("pin", 1, 10_000), a.NameOrNull("tap"), a.Ids("revisions"))
            ),
            f.Ids("revisions")
        );

    static Rail ReadRail(Fields f) =>
        new(
            f.Name("id"),
            f.NumberRequired("volts", -1000, 1000),
            f.NumberRequired("amps", 0, 10_000),
            f.Number("usedAmps", 0, 10_000) ?? 0,
            f.Number("derate", 0.01m, 1) ?? 0.8m,
            f.Number("tolerance", 0.001m, 1) ?? 0.05m,
            f.Ids("revisions")
        )
        {
            Regulator = f.Child(
                "regulator",
                r => new LinearRegulator(r.NumberRequired("fromVolts", -1000, 1000), r.NumberRequired("maxWatts", 0.01m, 10_000))
            ),
        };

    static Firmware ReadFirmware(Fields f) =>
        new(f.Name("id"), f.Size("bytes"), f.Names("can"), f.SizeMap("uses"), f.NameOrNull("basedOn"));
}
