using System.Text.Json;

namespace RustCabin.Core.Sheets;

/// <summary>A model with what its clues showed, or every error in it.</summary>
public sealed record IdentifyReading(Model? Model, IReadOnlyDictionary<string, string> Seen, IReadOnlyList<SheetError> Errors);

/// <summary>Reads <c>{ model: sheet, seen: { clue: value } }</c>.</summary>
public static class IdentifyReader
{
    sealed record Asked(Model? Model, IReadOnlyDictionary<string, string> Seen);

    public static IdentifyReading Read(JsonElement root)
    {
        var errors = new List<SheetError>();
        Asked? asked = Fields.Read(root, "", errors, f =>
        {
            if (!f.Has("model")) f.Wrong("model", "is missing");
            return new Asked(f.Child("model", ModelReader.Read), f.NameMap("seen"));
        });
        if (asked?.Model is { } model)
        {
            var told = errors.Select(e => e.Path).ToHashSet();
            errors.AddRange(PackReferences.CheckModel(model, "model").Where(e => !told.Contains(e.Path)));
            errors.AddRange(asked.Seen.Keys.Where(k => model.Clues.All(c => c.Id != k)).Select(k => new SheetError($"seen.{k}", $"\"{k}\" is not a clue of {model.Id}")));
        }
        return errors.Count == 0 ? new IdentifyReading(asked!.Model, asked.Seen, []) : new IdentifyReading(null, asked?.Seen ?? new Dictionary<string, string>(), errors);
    }
}
