using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>One physical machine on the shelf. Source of every field: formats.md, Unit, job, title.</summary>
public sealed record Unit(
    string Id, string Model, string Name, OrderedDictionary<string, string> Seen, string? Revision, string? Firmware,
    IReadOnlyList<FittedPart> Fitted, bool BaselineTested);

/// <summary>A part on a unit or in a job, with the switches that do not stand at factory.</summary>
public sealed record FittedPart(string Part, string? Way, OrderedDictionary<string, string> Switches, string? Version, FittedState State, string Note);

public enum FittedState { Done, Half, Unproven }

/// <summary>The planned change to one unit, and how far the build has come.</summary>
public sealed record Job(
    string Id, string Unit, string Name, IReadOnlyList<FittedPart> Add, IReadOnlyList<string> Remove, string? Firmware,
    IReadOnlyList<Need> Wants, JobLimits Limits, IReadOnlyDictionary<string, OrderedDictionary<string, string>> Switches,
    IReadOnlyList<string> Done, IReadOnlyList<string> Heeded, IReadOnlyList<GateReading> Readings);

/// <summary>What the user sets as bounds: money, skill 1 to 5, and whether all must be undoable. Null: no bound.</summary>
public sealed record JobLimits(decimal? Budget, int? Skill, bool Reversible);

/// <summary>
/// What was seen at a gate: the power-up lines in their order, as the machine showed them, or, on a machine that shows none,
/// whether it started as before.
/// </summary>
public sealed record GateReading(string Gate, string At, IReadOnlyList<SeenLine> Lines, bool? Starts);

public sealed record SeenLine(string Label, ByteSize Bytes);

public sealed record Title(string Id, string Name, IReadOnlyList<Need> Needs);
