using System.Text.Json.Nodes;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wants;

/// <summary>The smallest changes to what a job asks for, made on its JSON.</summary>
public static class WantEdits
{
    /// <summary>Adds a want, given as on a sheet. One that is there already is not added twice.</summary>
    public static JsonObject Add(JsonObject job, JsonObject want)
    {
        JsonObject edited = job.DeepClone().AsObject();
        if (edited["wants"] is not JsonArray wants)
            edited["wants"] = wants = [];
        if (!wants.Any(w => JsonNode.DeepEquals(w, want)))
            wants.Add(want.DeepClone());
        return edited;
    }

    /// <summary>Takes out the want at a place of the list.</summary>
    public static JsonObject Drop(JsonObject job, int index)
    {
        JsonObject edited = job.DeepClone().AsObject();
        if (edited["wants"] is JsonArray wants && index >= 0 && index < wants.Count)
            wants.RemoveAt(index);
        return edited;
    }

    /// <summary>Sets the limits; null or false takes one away.</summary>
    public static JsonObject Limits(JsonObject job, JobLimits limits)
    {
        JsonObject edited = job.DeepClone().AsObject();
        JsonPath.Put(edited, "limits.budget", limits.Budget is { } budget ? JsonValue.Create(budget) : null);
        JsonPath.Put(edited, "limits.skill", limits.Skill is { } skill ? JsonValue.Create(skill) : null);
        JsonPath.Put(edited, "limits.reversible", limits.Reversible ? JsonValue.Create(true) : null);
        JsonPath.Put(edited, "limits.fromStock", limits.FromStock ? JsonValue.Create(true) : null);
        JsonPath.Put(
            edited,
            "limits.keep",
            limits.Keep.Count > 0 ? new JsonArray([.. limits.Keep.Select(k => JsonValue.Create(k))]) : null
        );
        return edited;
    }

    /// <summary>Makes a build set the job: what it adds is replaced, switches of parts that stay on the unit are set.</summary>
    public static JsonObject Take(JsonObject job, BuildSet set)
    {
        JsonObject edited = job.DeepClone().AsObject();
        var before =
            (edited["add"] as JsonArray)
                ?.OfType<JsonObject>()
                .ToDictionary(a => (string)a["part"]!, a => a, StringComparer.Ordinal)
            ?? [];
        edited["add"] = new JsonArray([
            .. set
                .Choice.Planned.Instances.Where(i => i.Added)
                .Select(i =>
                {
                    // What was noted of a part that stays (its version, its chips) stays with it.
                    JsonObject entry =
                        before.GetValueOrDefault(i.Part.Id)?.DeepClone().AsObject() ?? new JsonObject { ["part"] = i.Part.Id };
                    entry["way"] = i.Way!.Id;
                    entry.Remove("switches");
                    if (i.Positions.Count > 0)
                        entry["switches"] = new JsonObject(
                            i.Positions.Select(p => KeyValuePair.Create(p.Key, (JsonNode?)p.Value))
                        );
                    return (JsonNode?)entry;
                }),
        ]);
        HashSet<string> added = [.. set.Parts.Select(p => p.Part.Id)];
        // Ticks, cautions and settings that were about parts which go are about nothing now.
        foreach ((string part, _) in before.Where(b => !added.Contains(b.Key)))
        {
            foreach (string list in (string[])["done", "heeded"])
                if (edited[list] is JsonArray ticks)
                    foreach (JsonNode? tick in ticks.Where(t => About((string)t!, part)).ToList())
                        ticks.Remove(tick);
            JsonPath.Put(edited, $"banks[\"{part}\"]", null);
            JsonPath.Put(edited, $"switches[\"{part}\"]", null);
            if (edited["settings"] is JsonArray settings)
                foreach (JsonNode? setting in settings)
                    (setting?["switches"] as JsonObject)?.Remove(part);
        }
        foreach (Planning.Instance stays in set.Choice.Planned.Instances.Where(i => !i.Added))
        foreach (
            (string id, string position) in stays.Positions.Where(p =>
                (stays.Fitted.Switches.GetValueOrDefault(p.Key) ?? stays.Part.Switches.First(s => s.Id == p.Key).Factory)
                != p.Value
            )
        )
            JsonPath.Put(edited, $"switches[\"{stays.Name}\"][\"{id}\"]", position);
        return edited;
    }

    static bool About(string tick, string part) =>
        tick.Split(':')[0] is var step && (step == $"fit-{part}" || step == $"set-{part}");

    /// <summary>A want as a sheet writes it.</summary>
    public static JsonObject Memory(string master, string atLeast, bool free) =>
        new()
        {
            ["memory"] = free
                ? new JsonObject
                {
                    ["master"] = master,
                    ["atLeast"] = atLeast,
                    ["free"] = true,
                }
                : new JsonObject { ["master"] = master, ["atLeast"] = atLeast },
        };

    public static JsonObject Speed(decimal atLeast) => new() { ["speed"] = new JsonObject { ["atLeast"] = atLeast } };

    public static JsonObject Storage(string atLeast) => new() { ["storage"] = new JsonObject { ["atLeast"] = atLeast } };

    public static JsonObject Named(string kind, string what) => new() { [kind] = what };

    /// <summary>How many parts a set takes out of a job and puts into it.</summary>
    public static (IReadOnlyList<string> Out, IReadOnlyList<string> In) Change(Job job, BuildSet set)
    {
        (string Part, string? Way)[] now = [.. job.Add.Select(a => (a.Part, a.Way))],
            then = [.. set.Parts.Select(p => (p.Part.Id, (string?)p.Way.Id))];
        return (
            [.. now.Where(n => !then.Contains(n)).Select(n => n.Part)],
            [.. then.Where(t => !now.Contains(t)).Select(t => t.Part)]
        );
    }
}
