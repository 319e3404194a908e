using System.Text.Json.Nodes;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Baseline;

/// <summary>What is noted of a unit at intake, as changes to its JSON; each gives a new object and leaves the old one alone.</summary>
public static class BaselineEdits
{
    /// <summary>Notes the reading before anything was touched, and with it that the unit was tested.</summary>
    public static JsonObject Read(JsonObject unit, GateReading reading) =>
        Edit(
            unit,
            u =>
            {
                var entry = new JsonObject { ["at"] = reading.At };
                if (reading.Starts is { } starts)
                    entry["starts"] = starts;
                else
                    entry["lines"] = new JsonArray([
                        .. reading.Lines.Select(l => new JsonObject
                        {
                            ["label"] = l.Label,
                            ["bytes"] = l.Bytes.Bytes.ToString(),
                        }),
                    ]);
                JsonPath.Put(u, "baseline.tested", true);
                JsonPath.Put(u, "baseline.reading", entry);
            }
        );

    /// <summary>Says that it could not be tested before opening; what was read is taken back.</summary>
    public static JsonObject NotTested(JsonObject unit) =>
        Edit(
            unit,
            u =>
            {
                JsonPath.Put(u, "baseline.tested", false);
                JsonPath.Put(u, "baseline.reading", null);
            }
        );

    /// <summary>The rails as measured, in volts; those left out were not measured.</summary>
    public static JsonObject Rails(JsonObject unit, IEnumerable<MeasuredRail> rails) =>
        Edit(
            unit,
            u => Replace(u, "baseline.rails", rails.Select(r => new JsonObject { ["rail"] = r.Rail, ["volts"] = r.Volts }))
        );

    /// <summary>The runs of one benchmark, in seconds; none takes the benchmark away.</summary>
    public static JsonObject Runs(JsonObject unit, string name, IReadOnlyList<decimal> seconds) =>
        Edit(
            unit,
            u =>
            {
                int index = IndexOf(u, "baseline.runs", r => (string?)r["name"] == name);
                JsonPath.Put(
                    u,
                    $"baseline.runs[{(index < 0 ? "+" : index)}]",
                    seconds.Count == 0
                        ? null
                        : new JsonObject
                        {
                            ["name"] = name,
                            ["seconds"] = new JsonArray([.. seconds.Select(s => JsonValue.Create(s))]),
                        }
                );
            }
        );

    public static JsonObject Note(JsonObject unit, string text, bool fault) =>
        Edit(
            unit,
            u =>
            {
                var note = new JsonObject { ["text"] = text };
                if (fault)
                    note["fault"] = true;
                JsonPath.Put(u, "baseline.notes[+]", note);
            }
        );

    public static JsonObject DropNote(JsonObject unit, int index) =>
        Edit(unit, u => JsonPath.Put(u, $"baseline.notes[{index}]", null));

    /// <summary>One answer of the survey; null takes it back.</summary>
    public static JsonObject Survey(JsonObject unit, string field, JsonNode? answer) =>
        Edit(unit, u => JsonPath.Put(u, $"survey.{field}", answer));

    public static JsonObject Belongs(JsonObject unit, Belonging thing) =>
        Edit(
            unit,
            u =>
            {
                var entry = new JsonObject { ["what"] = thing.What };
                if (thing.Original)
                    entry["original"] = true;
                if (thing.Place.Length > 0)
                    entry["place"] = thing.Place;
                JsonPath.Put(u, "belongings[+]", entry);
            }
        );

    public static JsonObject DropBelonging(JsonObject unit, int index) =>
        Edit(unit, u => JsonPath.Put(u, $"belongings[{index}]", null));

    /// <summary>How a step of inherited work was found. <paramref name="fitted"/> is the place of the part among those fitted, from 0.</summary>
    public static JsonObject Found(JsonObject unit, int fitted, string step, StepProof proof) =>
        Edit(unit, u => JsonPath.Put(u, $"fitted[{fitted}].steps[\"{step}\"]", Words<StepProof>.Of(proof)));

    /// <summary>Whether the whole of a fitted part is proved, half done or unproven.</summary>
    public static JsonObject State(JsonObject unit, int fitted, FittedState state) =>
        Edit(
            unit,
            u =>
            {
                JsonPath.Put(u, $"fitted[{fitted}].state", state == FittedState.Done ? null : Words<FittedState>.Of(state));
                JsonPath.Put(u, $"fitted[{fitted}].steps", null);
            }
        );

    static JsonObject Edit(JsonObject unit, Action<JsonObject> edit)
    {
        JsonObject edited = unit.DeepClone().AsObject();
        // A baseline that was noted in the old short way says nothing of "tested" when a rail is added: it stays as it was.
        if (edited["baseline"] is not JsonObject)
            edited["baseline"] = new JsonObject();
        edit(edited);
        if (edited["baseline"] is JsonObject { Count: 0 })
            edited.Remove("baseline");
        else if (edited["baseline"] is JsonObject baseline && !baseline.ContainsKey("tested"))
            baseline.Insert(0, "tested", false);
        return edited;
    }

    static void Replace(JsonObject unit, string path, IEnumerable<JsonNode> items)
    {
        JsonNode[] all = [.. items];
        JsonPath.Put(unit, path, all.Length == 0 ? null : new JsonArray(all));
    }

    static int IndexOf(JsonObject unit, string path, Func<JsonNode, bool> which)
    {
        var list = JsonPath.Get(unit, path) as JsonArray;
        for (int i = 0; i < (list?.Count ?? 0); i++)
            if (which(list![i]!))
                return i;
        return -1;
    }
}
