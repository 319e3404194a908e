using System.Text.Json;
using System.Text.Unicode;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Packs;

/// <summary>
/// Reads a pack: its own fields, then its sheets, then what they say of each other. All errors are told at once, each with its
/// path.
/// </summary>
public static class PackReader
{
    static readonly JsonDocumentOptions Json = new() { MaxDepth = 64, AllowDuplicateProperties = false };

    /// <summary>Parses text as JSON the way packs demand: no comments, no trailing commas, no field twice.</summary>
    /// <exception cref="JsonException">It is not JSON.</exception>
    public static JsonDocument Parse(ReadOnlyMemory<byte> utf8)
    {
        // The parser takes strings that are no UTF-8 and fails only when they are read.
        if (!Utf8.IsValid(utf8.Span))
            throw new JsonException("not UTF-8", null, 0, 0);
        try
        {
            JsonDocument document = JsonDocument.Parse(utf8, Json);
            if (utf8.Span.IndexOf("\\u"u8) >= 0)
                DemandWholeCharacters(utf8.Span);
            return document;
        }
        catch (InvalidOperationException why)
        {
            throw new JsonException("an escape spells half a character", null, 0, 0, why);
        }
    }

    /// <summary>
    /// An escape may spell half a character, which is JSON by its grammar and text to nobody: reading it as text throws.
    /// </summary>
    static void DemandWholeCharacters(ReadOnlySpan<byte> utf8)
    {
        var reader = new Utf8JsonReader(utf8, new JsonReaderOptions { MaxDepth = 64 });
        while (reader.Read())
            if (reader.TokenType is JsonTokenType.String or JsonTokenType.PropertyName && reader.ValueIsEscaped)
                reader.GetString();
    }

    /// <summary>
    /// Reads a pack. <paramref name="known"/> holds sheets that are here already, which those of the pack may refer to. What is
    /// stored already (<paramref name="kept"/>) may be of many packs, more than one can hold, and of before a rule was made.
    /// </summary>
    public static Reading<Pack> Read(JsonElement root, Pack? known = null, bool kept = false)
    {
        var reading = new SheetReading { IsKept = kept };
        PackSheet? sheet = null;
        List<SheetError> errors = reading.Errors;
        try
        {
            sheet = Declaration<PackSheet>.Read(root, reading);
        }
        catch (TooWrongException)
        {
            // What was found so far is told.
        }
        if (sheet is null)
            return new Reading<Pack>(null, errors);
        Pack pack = sheet.Pack;
        foreach (SheetKind kind in SheetKind.All)
            errors.AddRange(PackReferences.Twice(kind.IdsOf(pack), kind.Plural));
        if (!kept && SheetKind.All.Sum(k => k.IdsOf(pack).Count()) > Pack.MostSheets)
            errors.Add(new SheetError("", $"holds more than {Pack.MostSheets:#,0} sheets"));
        // A name that could not be read is told once, as what it is, and not again as a name that leads nowhere.
        var told = errors.Select(e => e.Path).ToHashSet();
        errors.AddRange(
            PackReferences
                .Check(pack, known ?? Pack.Empty)
                .Concat(kept ? [] : WiredNames.OfChanges(pack, known ?? Pack.Empty))
                .Where(e => !told.Contains(e.Path))
                .Take(SheetReading.MostErrors)
                .ToList()
        );
        if (errors.Count > SheetReading.MostErrors)
            errors.RemoveRange(SheetReading.MostErrors, errors.Count - SheetReading.MostErrors);
        return Reading<Pack>.Of(pack, errors);
    }

    /// <summary>
    /// Reads one job sheet by itself; with <paramref name="known"/>, its references are checked against the sheets there.
    /// It is stored already, or made of one that is.
    /// </summary>
    public static Reading<Job> ReadJob(JsonElement sheet, Pack? known) =>
        ReadOne<Job>(
            sheet,
            "job",
            job => known is null ? [] : PackReferences.CheckJob(job, "job", Pack.Empty, known, kept: true)
        );

    /// <summary>The same of a unit, its references checked against <paramref name="known"/>.</summary>
    public static Reading<Unit> ReadUnit(JsonElement sheet, Pack known) =>
        ReadOne<Unit>(sheet, "unit", unit => PackReferences.CheckUnit(unit, "unit", Pack.Empty, known));

    static Reading<T> ReadOne<T>(JsonElement sheet, string name, Func<T, IEnumerable<SheetError>> references)
        where T : class, new()
    {
        var reading = new SheetReading(name) { IsKept = true };
        try
        {
            T? value = Declaration<T>.Read(sheet, reading);
            if (value is not null)
                reading.Errors.AddRange(references(value));
            return Reading<T>.Of(value, reading.Errors);
        }
        catch (TooWrongException)
        {
            return new Reading<T>(null, reading.Errors);
        }
    }
}
