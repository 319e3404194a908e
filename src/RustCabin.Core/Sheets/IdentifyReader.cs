using System.Text.Json;

namespace RustCabin.Core.Sheets;

/// <summary>A model with what its clues showed.</summary>
public sealed record AskedBoard(Model Model, IReadOnlyDictionary<string, string> Seen);

/// <summary>Reads <c>{ model: sheet, seen: { clue: value } }</c>.</summary>
public static class IdentifyReader
{
    public static Reading<AskedBoard> Read(JsonElement root)
    {
        var errors = new List<SheetError>();
        AskedBoard? asked = Fields.Read(
            root,
            "",
            errors,
            f =>
            {
                if (!f.Has("model"))
                    f.Wrong("model", "is missing");
                return new AskedBoard(f.Child("model", ModelReader.Read)!, f.NameMap("seen"));
            }
        );
        if (asked?.Model is { } model)
        {
            var told = errors.Select(e => e.Path).ToHashSet();
            errors.AddRange(PackReferences.CheckModel(model, "model").Where(e => !told.Contains(e.Path)));
            errors.AddRange(
                asked
                    .Seen.Keys.Where(k => model.Clues.All(c => c.Id != k))
                    .Select(k => new SheetError($"seen.{k}", $"\"{k}\" is not a clue of {model.Id}"))
            );
        }
        return Reading<AskedBoard>.Of(asked, errors);
    }
}
