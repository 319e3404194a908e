using System.Text.Json.Nodes;

namespace RustCabin.Core.Sheets;

/// <summary>
/// The smallest changes to a job, made on its JSON, so that everything else in the sheet (sizes as typed, <c>x</c>, the order of fields)
/// stays as it was. Each gives a new object and leaves the old one alone; none checks against other sheets, which reading does.
/// </summary>
public static class JobEdits
{
    /// <summary>
    /// Moves one switch. <paramref name="fitted"/> is how many parts the unit already has, in whose numbering instances are named.
    /// A tick on setting that part's switches is taken back, since they must be set anew.
    /// </summary>
    public static JsonObject SetSwitch(
        JsonObject job,
        IReadOnlyList<FittedPart> fitted,
        string instance,
        string switchId,
        string position
    )
    {
        JsonObject edited = Copy(job);
        JsonArray added = ListOf(edited, "add");
        IEnumerable<string> addedParts = added.Select(a => (string)a!["part"]!);
        string[] names = [.. Planning.Instance.Number([.. fitted, .. addedParts.Select(Bare)]).Select(n => n.Name)];
        int index = Array.IndexOf(names, instance);
        if (index < 0)
            throw new ArgumentException($"\"{instance}\" is not on this unit", nameof(instance));

        JsonObject holder =
            index >= fitted.Count ? added[index - fitted.Count]!.AsObject() : ObjectOf(ObjectOf(edited, "switches"), instance);
        (index >= fitted.Count ? ObjectOf(holder, "switches") : holder)[switchId] = position;
        return Listed(edited, "done", $"set-{instance}", false);
    }

    /// <summary>Ticks a step, or takes the tick back.</summary>
    public static JsonObject Tick(JsonObject job, string step, bool done) => Listed(Copy(job), "done", step, done);

    /// <summary>Notes how many minutes a step took; null forgets it.</summary>
    public static JsonObject Took(JsonObject job, string step, decimal? minutes)
    {
        JsonObject edited = Copy(job);
        JsonPath.Put(edited, $"took[\"{step}\"]", minutes is { } m ? JsonValue.Create(m) : null);
        return edited;
    }

    /// <summary>Ticks a caution of a step as read, or takes that back.</summary>
    public static JsonObject Heed(JsonObject job, string step, string caution, bool heeded) =>
        Listed(Copy(job), "heeded", $"{step}:{caution}", heeded);

    /// <summary>Adds what was seen at a gate. Earlier readings of the gate stay.</summary>
    public static JsonObject Read(JsonObject job, GateReading reading)
    {
        JsonObject edited = Copy(job);
        var entry = new JsonObject { ["gate"] = reading.Gate, ["at"] = reading.At };
        if (reading.Starts is { } starts)
            entry["starts"] = starts;
        else
            entry["lines"] = new JsonArray([
                .. reading.Lines.Select(l => new JsonObject { ["label"] = l.Label, ["bytes"] = l.Bytes.Bytes.ToString() }),
            ]);
        ListOf(edited, "readings").Add(entry);
        return edited;
    }

    /// <summary>Adds a part by one of its ways, its switches at factory.</summary>
    public static JsonObject Add(JsonObject job, string part, string way)
    {
        JsonObject edited = Copy(job);
        ListOf(edited, "add").Add(new JsonObject { ["part"] = part, ["way"] = way });
        return edited;
    }

    /// <summary>Drops the part that the job adds at <paramref name="index"/>, and every tick, caution and reading that was about it.</summary>
    public static JsonObject Drop(JsonObject job, int index, string instance)
    {
        JsonObject edited = Copy(job);
        ListOf(edited, "add").RemoveAt(index);
        foreach (string step in (string[])["set", "fit"])
            Listed(edited, "done", $"{step}-{instance}", false);
        if (edited["heeded"] is JsonArray heeded)
            foreach (
                JsonNode? node in heeded
                    .Where(n => ((string)n!).StartsWith($"fit-{instance}:", StringComparison.Ordinal))
                    .ToList()
            )
                heeded.Remove(node);
        return edited;
    }

    /// <summary>Fills the banks of a part; null is an empty bank.</summary>
    public static JsonObject SetBanks(JsonObject job, string instance, IEnumerable<string?> banks)
    {
        JsonObject edited = Copy(job);
        ObjectOf(edited, "banks")[instance] = new JsonArray([.. banks.Select(b => b is null ? null : (JsonNode)b)]);
        return edited;
    }

    /// <summary>Keeps switch positions under a name; a setting of that name is replaced.</summary>
    public static JsonObject NameSetting(
        JsonObject job,
        string name,
        IReadOnlyDictionary<string, IReadOnlyDictionary<string, string>> switches
    )
    {
        JsonObject edited = DropSetting(job, name);
        var positions = new JsonObject(
            switches
                .Where(i => i.Value.Count > 0)
                .Select(i =>
                    KeyValuePair.Create(
                        i.Key,
                        (JsonNode?)new JsonObject(i.Value.Select(p => KeyValuePair.Create(p.Key, (JsonNode?)p.Value)))
                    )
                )
        );
        ListOf(edited, "settings").Add(new JsonObject { ["name"] = name, ["switches"] = positions });
        return edited;
    }

    public static JsonObject DropSetting(JsonObject job, string name)
    {
        JsonObject edited = Copy(job);
        if (edited["settings"] is JsonArray settings)
            foreach (JsonNode? old in settings.Where(s => (string?)s!["name"] == name).ToList())
                settings.Remove(old);
        return edited;
    }

    static FittedPart Bare(string part) => new(part, null, [], null, FittedState.Done, "", new Dictionary<string, StepProof>());

    static JsonObject Copy(JsonObject job) => job.DeepClone().AsObject();

    static JsonObject Listed(JsonObject job, string field, string value, bool there)
    {
        if (job[field] is null && !there)
            return job;
        JsonArray list = ListOf(job, field);
        JsonNode? found = list.FirstOrDefault(n => (string)n! == value);
        if (there && found is null)
            list.Add(value);
        if (!there && found is not null)
            list.Remove(found);
        return job;
    }

    static JsonArray ListOf(JsonObject from, string field)
    {
        if (from[field] is not JsonArray list)
            from[field] = list = [];
        return list;
    }

    static JsonObject ObjectOf(JsonObject from, string field)
    {
        if (from[field] is not JsonObject child)
            from[field] = child = [];
        return child;
    }
}
