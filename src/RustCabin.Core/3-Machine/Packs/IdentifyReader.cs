using System.ComponentModel.DataAnnotations;
using System.Text.Json;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Packs;

/// <summary>What <c>identify</c> takes: a model with what its clues showed.</summary>
public sealed record IdentifyAsked
{
    /// <summary>The model's sheet.</summary>
    [Required, Display(Description = "The model's sheet.")]
    public Model Model { get; init; } = null!;

    /// <summary>What each clue showed.</summary>
    [Display(Description = "What each clue showed.")]
    public IReadOnlyDictionary<string, string> Seen { get; init; } = new Dictionary<string, string>();
}

/// <summary>Reads a model with what its clues showed: the sheet by itself, then what it says by name.</summary>
public static class IdentifyReader
{
    /// <summary>Reads what <c>identify</c> takes.</summary>
    public static Reading<IdentifyAsked> Read(JsonElement root)
    {
        var reading = new SheetReading();
        IdentifyAsked? asked = Declaration<IdentifyAsked>.Read(root, reading);
        List<SheetError> errors = reading.Errors;
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
        return Reading<IdentifyAsked>.Of(asked, errors);
    }
}
