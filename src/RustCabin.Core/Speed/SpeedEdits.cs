using System.Text.Json.Nodes;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Speed;

/// <summary>The smallest changes to what a job notes of speed, made on its JSON.</summary>
public static class SpeedEdits
{
    public static JsonObject Work(JsonObject job, IReadOnlyList<WorkShare> work) =>
        With(job, "work", [.. work.Select(w => new JsonObject { ["kind"] = w.Kind, ["seconds"] = w.Seconds })]);

    /// <summary>Runs of a benchmark after the build, in place of those of that name; none takes them away.</summary>
    public static JsonObject After(JsonObject job, string name, IReadOnlyList<decimal> seconds)
    {
        JsonNode[] others = [.. Listed(job, "after").Where(r => (string?)r["name"] != name)];
        return With(
            job,
            "after",
            seconds.Count == 0
                ? others
                :
                [
                    .. others,
                    new JsonObject
                    {
                        ["name"] = name,
                        ["seconds"] = new JsonArray([.. seconds.Select(s => JsonValue.Create(s))]),
                    },
                ]
        );
    }

    public static JsonObject Claim(JsonObject job, SpeedClaim claim)
    {
        var entry = new JsonObject { ["who"] = claim.Who, ["ratio"] = claim.Ratio };
        if (claim.Unit is { } unit)
            entry["unit"] = unit;
        return With(job, "claims", [.. Listed(job, "claims"), entry]);
    }

    public static JsonObject Unclaim(JsonObject job, int index) =>
        With(job, "claims", [.. Listed(job, "claims").Where((_, i) => i != index)]);

    /// <summary>What a benchmark reads of the machine; nothing at all takes it away.</summary>
    public static JsonObject Seen(JsonObject job, SpeedSeen seen)
    {
        JsonObject edited = job.DeepClone().AsObject();
        JsonPath.Put(edited, "speed.seen.clockMHz", seen.ClockMHz is { } clock ? JsonValue.Create(clock) : null);
        JsonPath.Put(edited, "speed.seen.coprocessor", seen.Coprocessor is { } there ? JsonValue.Create(there) : null);
        JsonPath.Put(edited, "speed.seen.memory", seen.Memory is { } memory ? JsonValue.Create(memory.ToSheet()) : null);
        return edited;
    }

    static IEnumerable<JsonNode> Listed(JsonObject job, string field) =>
        (JsonPath.Get(job, $"speed.{field}") as JsonArray)?.Select(n => n!.DeepClone()) ?? [];

    static JsonObject With(JsonObject job, string field, JsonNode[] entries)
    {
        JsonObject edited = job.DeepClone().AsObject();
        JsonPath.Put(edited, $"speed.{field}", entries.Length > 0 ? new JsonArray(entries) : null);
        return edited;
    }
}
