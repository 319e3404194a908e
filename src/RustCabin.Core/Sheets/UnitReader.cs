namespace RustCabin.Core.Sheets;

/// <summary>Reads unit, job and title sheets (formats.md, Unit, job, title).</summary>
static class UnitReader
{
    public static Unit ReadUnit(Fields f) =>
        new(
            f.Id("id"),
            f.Id("model"),
            f.Name("name"),
            f.NameMap("seen"),
            f.IdOrNull("revision"),
            f.NameOrNull("firmware"),
            f.Children("fitted", ReadFitted),
            f.Child("baseline", ReadBaseline),
            f.Child("survey", ReadSurvey),
            f.Children("belongings", b => new Belonging(b.Name("what"), b.Flag("original") ?? false, b.Text("place")))
        )
        {
            Software = f.NameMap("software"),
        };

    static Baseline ReadBaseline(Fields f) =>
        new(
            f.Flag("tested") ?? false,
            f.Child("reading", r => new GateReading("baseline", r.NameOrNull("at") ?? "", ReadLines(r), r.Flag("starts"))),
            f.Children("rails", r => new MeasuredRail(r.Name("rail"), r.NumberRequired("volts", -1000, 1000))),
            f.Children("runs", ReadRuns),
            f.Children("notes", n => new ConditionNote(n.Text("text"), n.Flag("fault") ?? false))
        );

    static BenchmarkRuns ReadRuns(Fields f) =>
        new(
            f.Name("name"),
            [.. f.List<decimal?>("seconds", (e, p) => f.ReadNumber(e, p, 0.000001m, 10_000_000)).Select(s => s!.Value)]
        );

    static SpeedRecord ReadSpeed(Fields f) =>
        new(
            f.Children("work", w => new WorkShare(w.Name("kind"), w.NumberRequired("seconds", 0, 1_000_000_000))),
            f.Children("after", ReadRuns),
            f.Children(
                "claims",
                c => new SpeedClaim(c.Name("who"), c.NumberRequired("ratio", 0.0001m, 1_000_000), c.IdOrNull("unit"))
            ),
            f.Child("seen", s => new SpeedSeen(s.Number("clockMHz", 0.001m, 100_000), s.Flag("coprocessor"), s.Size("memory")))
        );

    static Survey ReadSurvey(Fields f) =>
        new(
            f.Whole("year", 1940, 2200),
            f.Number("suppliedForVolts", 1, 1000),
            f.Number("mainsHereVolts", 1, 1000),
            f.Word<Wear>("capacitors"),
            f.Word<Wear>("cells"),
            f.Word<Wear>("corrosion"),
            f.Word<Wear>("plastic"),
            f.Text("halfDone")
        );

    public static Job ReadJob(Fields f) =>
        new(
            f.Id("id"),
            f.Id("unit"),
            f.Name("name"),
            f.Children("add", ReadFitted),
            f.Names("remove"),
            f.NameOrNull("firmware"),
            f.Children("wants", Need.Read),
            f.Child("limits", ReadLimits) ?? new JobLimits(null, null, false),
            f.NameMaps("switches"),
            f.Names("done"),
            f.Names("heeded"),
            f.Children("readings", ReadReading)
        )
        {
            Took = f.NumberMap("took", 0, 100_000),
            Banks = f.NamesOrNullsMap("banks"),
            Roms = f.Children("roms", Rom.RomPlan.Read),
            Speed = f.Child("speed", ReadSpeed),
            Settings = f.Children("settings", s => new NamedSetting(s.Name("name"), s.NameMaps("switches"))),
        };

    public static Title ReadTitle(Fields f) => new(f.Id("id"), f.Name("name"), f.Children("needs", Need.Read));

    static FittedPart ReadFitted(Fields f) =>
        new(
            f.Id("part"),
            f.IdOrNull("way"),
            f.NameMap("switches"),
            f.NameOrNull("version"),
            f.Word<FittedState>("state") ?? FittedState.Done,
            f.Text("note"),
            f.WordMap<StepProof>("steps")
        )
        {
            Banks = f.NamesOrNulls("banks"),
            At = f.IdOrNull("at"),
        };

    static JobLimits ReadLimits(Fields f) =>
        new(f.Number("budget", 0, 100_000_000), f.Whole("skill", 1, 5), f.Flag("reversible") ?? false)
        {
            FromStock = f.Flag("fromStock") ?? false,
            Keep = f.Ids("keep"),
        };

    static GateReading ReadReading(Fields f) => new(f.Name("gate"), f.Name("at"), ReadLines(f), f.Flag("starts"));

    static IReadOnlyList<SeenLine> ReadLines(Fields f) =>
        f.Children("lines", l => new SeenLine(l.Name("label"), l.Require("bytes", l.Size("bytes"))));
}
