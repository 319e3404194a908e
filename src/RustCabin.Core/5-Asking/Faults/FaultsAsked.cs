using System.ComponentModel.DataAnnotations;
using System.Text.Json;
using RustCabin.Core.Build;
using RustCabin.Core.Declared;
using RustCabin.Core.Gathered;
using RustCabin.Core.Packs;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Units;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Faults;

/// <summary>What was seen, as <c>faults</c> takes it.</summary>
public sealed record AskedSeen
{
    /// <summary>The lines of the count.</summary>
    [OrNumber, Display(Description = "What each line of the count showed, in bytes; left out: not read.")]
    public IReadOnlyList<ByteSize>? Lines { get; init; }

    /// <summary>Whether it starts.</summary>
    [Display(Description = "Whether it starts; left out: not said.")]
    public bool? Starts { get; init; }

    /// <summary>What a meter showed.</summary>
    [Display(Description = "What a meter showed between two places, from|to: open or closed.")]
    public OrderedDictionary<string, string> Probes { get; init; } = [];
}

/// <summary>What <c>faults</c> takes.</summary>
public sealed record FaultsAsked
{
    /// <summary>A pack with one job.</summary>
    [Required, Display(Description = "A pack with one job.")]
    public PackSheet Pack { get; init; } = new();

    /// <summary>The gate.</summary>
    [Required, Display(Description = "The gate: untouched, count-fathom.")]
    public string Gate { get; init; } = "";

    /// <summary>What was seen there.</summary>
    [Display(Description = "What was seen there.")]
    public AskedSeen Observed { get; init; } = new();

    internal StationList? Stations { get; private init; }

    /// <summary>The gate's step, once all was read.</summary>
    internal Step? At { get; private init; }

    /// <summary>The levels that are open at the gate.</summary>
    internal IReadOnlyList<AccessLevel> Open { get; private init; } = [];

    /// <summary>Reads it, the pack with what its sheets say of each other.</summary>
    public static Reading<FaultsAsked> Read(StationList stations, JsonElement json)
    {
        if (json.ValueKind != JsonValueKind.Object || !json.TryGetProperty("pack", out JsonElement packJson))
            return Nulls.Read<FaultsAsked>(json);
        Reading<Pack> pack = PackReader.Read(packJson);
        Reading<FaultsAsked> rest = Nulls.Read<FaultsAsked>(Without(json));
        List<SheetError> errors =
        [
            .. pack.Errors.Select(e => new SheetError(e.Path.Length == 0 ? "pack" : $"pack.{e.Path}", e.Message)),
            .. rest.Errors.Where(e => e.Path != "pack" && !e.Path.StartsWith("pack.", StringComparison.Ordinal)),
        ];
        if (pack.Value is { Jobs.Count: not 1 } many)
            errors.Add(new SheetError("pack.jobs", $"must be one job, not {many.Jobs.Count}"));
        if (errors.Count > 0 || pack.Value is not { } sheets || rest.Value is not { } asked)
            return new Reading<FaultsAsked>(null, errors);
        Job job = sheets.Jobs[0];
        var build = BuildSheet.For(stations, Plan.For(sheets, sheets.FindUnit(job.Unit)!), Plan.For(sheets, job), School.Careful);
        Step? gate = build.Steps.FirstOrDefault(s => s is { Kind: StepKind.Gate, At: not null } && $"{s.Id}" == asked.Gate);
        if (gate is null)
            return new Reading<FaultsAsked>(
                null,
                [
                    new SheetError(
                        "gate",
                        $"\"{asked.Gate}\" is not one of "
                            + string.Join(", ", build.Steps.Where(s => s.Kind == StepKind.Gate).Select(s => s.Id))
                    ),
                ]
            );
        errors.AddRange(asked.Wrong(gate));
        return Reading<FaultsAsked>.Of(
            asked with
            {
                Stations = stations,
                At = gate,
                Open = AccessPath.Path(gate.At!.Model, gate.Level),
            },
            errors
        );
    }

    /// <summary>The body with an empty pack in the place of its own, which is read by itself.</summary>
    static JsonElement Without(JsonElement json)
    {
        var bare = System.Text.Json.Nodes.JsonNode.Parse(json.GetRawText())!.AsObject();
        bare["pack"] = new System.Text.Json.Nodes.JsonObject { ["format"] = "rustcabin.pack/1" };
        return JsonSerializer.SerializeToElement(bare);
    }

    IEnumerable<SheetError> Wrong(Step gate)
    {
        if (Observed.Lines is { } lines && lines.Count != gate.Expected!.Lines.Count)
            yield return new SheetError("observed.lines", $"are {lines.Count}; this machine shows {gate.Expected.Lines.Count}");
        foreach ((string pair, string read) in Observed.Probes)
        {
            if (read is not ("open" or "closed"))
                yield return new SheetError($"observed.probes.{pair}", $"\"{read}\" is not open or closed");
            if (PlacePair.Parse(pair) is not { } places || Diagnosis.Expects(gate.At!, places) is null)
                yield return new SheetError($"observed.probes.{pair}", "are not two places of this unit, from|to");
            else if (Observed.Probes.TryGetValue($"{places.Turned}", out string? turned) && turned != read)
                yield return new SheetError($"observed.probes.{pair}", $"is {read}, and {turned} the other way round");
        }
    }

    /// <summary>The diagnosis.</summary>
    public Diagnosis Diagnosis =>
        Diagnosis.Of(
            Stations!,
            Measured,
            Open,
            new Seen
            {
                Lines = Observed.Lines is { } lines ? [.. lines.Select(l => l.Bytes)] : null,
                Starts = Observed.Starts,
                Looks = Probed.ToDictionary(p => p.Pair.Look, p => p.Read),
            },
            inCall: true
        );

    /// <summary>The unit at the gate with what was measured there, as the job would keep it.</summary>
    PlannedUnit Measured =>
        At!.At! is { Job: { } job } at && Observed.Probes.Count > 0
            ? at with
            {
                Job = job with
                {
                    Probes =
                    [
                        .. job.Probes,
                        .. Probed.Select(p => new Probe
                        {
                            From = p.Pair.From,
                            To = p.Pair.To,
                            Beep = p.Read == "closed",
                        }),
                    ],
                },
            }
            : At!.At!;

    /// <summary>What a meter showed, each pair once and as the table names it, whichever end came first.</summary>
    IEnumerable<(PlacePair Pair, string Read)> Probed =>
        Observed.Probes.Select(p => (Pair: Known(PlacePair.Parse(p.Key)!.Value), p.Value)).DistinctBy(p => p.Pair);

    PlacePair Known(PlacePair pair)
    {
        bool listed(PlacePair one) =>
            Wired.IsAny(At!.At!) && Wired.Of(At.At!).Readings.Any(l => new PlacePair(l.From, l.To) == one);
        PlacePair inOrder = string.CompareOrdinal(pair.From, pair.To) <= 0 ? pair : pair.Turned;
        return ((PlacePair[])[pair, pair.Turned]).Where(listed).FirstOrDefault(inOrder);
    }
}
