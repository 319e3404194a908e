namespace RustCabin.Core.Sheets;

/// <summary>Reads unit, job and title sheets (formats.md, Unit, job, title).</summary>
static class UnitReader
{
    public static Unit ReadUnit(Fields f) => new(
        f.Id("id"), f.Id("model"), f.Name("name"), f.NameMap("seen"), f.IdOrNull("revision"), f.NameOrNull("firmware"),
        f.Children("fitted", ReadFitted), f.Child("baseline", b => (object)(b.Flag("tested") ?? false)) is true);

    public static Job ReadJob(Fields f) => new(
        f.Id("id"), f.Id("unit"), f.Name("name"), f.Children("add", ReadFitted), f.Names("remove"), f.NameOrNull("firmware"),
        f.Children("wants", Need.Read), f.Child("limits", ReadLimits) ?? new JobLimits(null, null, false),
        f.NameMaps("switches"), f.Names("done"), f.Names("heeded"), f.Children("readings", ReadReading));

    public static Title ReadTitle(Fields f) => new(f.Id("id"), f.Name("name"), f.Children("needs", Need.Read));

    static FittedPart ReadFitted(Fields f) => new(
        f.Id("part"), f.IdOrNull("way"), f.NameMap("switches"), f.NameOrNull("version"),
        f.Word<FittedState>("state") ?? FittedState.Done, f.Text("note"));

    static JobLimits ReadLimits(Fields f) =>
        new(f.Number("budget", 0, 100_000_000), f.Whole("skill", 1, 5), f.Flag("reversible") ?? false);

    static GateReading ReadReading(Fields f) => new(
        f.Name("gate"), f.Name("at"),
        f.Children("lines", l => new SeenLine(l.Name("label"), l.Require("bytes", l.Size("bytes")))), f.Flag("starts"));
}
