using System.Text.Json;
using System.Text.Unicode;

namespace RustCabin.Core.Sheets;

/// <summary>What reading a pack gave: the pack, or every error in it; never both.</summary>
public sealed record PackReading(Pack? Pack, IReadOnlyList<SheetError> Errors);

/// <summary>Reads a pack: its own fields, then its sheets, then what they say of each other. All errors are told at once, each with its path.</summary>
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

    /// <summary>An escape may spell half a character, which is JSON by its grammar and text to nobody: reading it as text throws.</summary>
    static void DemandWholeCharacters(ReadOnlySpan<byte> utf8)
    {
        var reader = new Utf8JsonReader(utf8, new JsonReaderOptions { MaxDepth = 64 });
        while (reader.Read())
            if (reader.TokenType is JsonTokenType.String or JsonTokenType.PropertyName && reader.ValueIsEscaped)
                reader.GetString();
    }

    /// <summary>Reads a pack. <paramref name="known"/> holds sheets that are here already, which those of the pack may refer to. A cabin that was filled from several packs may hold more than one pack can (<paramref name="limitSheets"/>).</summary>
    public static PackReading Read(JsonElement root, Pack? known = null, bool limitSheets = true)
    {
        var errors = new List<SheetError>();
        Pack? pack = Fields.Read(root, "", errors, f => ReadPack(f, errors));
        if (
            limitSheets
            && pack is not null
            && pack.Models.Count + pack.Parts.Count + pack.Units.Count + pack.Jobs.Count + pack.Titles.Count > Pack.MostSheets
        )
            errors.Add(new SheetError("", $"holds more than {Pack.MostSheets:#,0} sheets"));
        if (pack is not null)
        {
            // A name that could not be read is told once, as what it is, and not again as a name that leads nowhere.
            var told = errors.Select(e => e.Path).ToHashSet();
            errors.AddRange(PackReferences.Check(pack, known ?? Pack.Empty).Where(e => !told.Contains(e.Path)).ToList());
        }
        return errors.Count == 0 ? new PackReading(pack, []) : new PackReading(null, errors);
    }

    /// <summary>Reads one job sheet by itself; with <paramref name="known"/>, its references are checked against the sheets there.</summary>
    public static (Job? Job, IReadOnlyList<SheetError> Errors) ReadJob(JsonElement sheet, Pack? known)
    {
        var errors = new List<SheetError>();
        Job? job = Fields.Read(sheet, "job", errors, UnitReader.ReadJob);
        if (job is not null && known is not null)
            errors.AddRange(PackReferences.CheckJob(job, "job", Pack.Empty, known));
        return (job, errors);
    }

    /// <summary>Reads one unit sheet by itself, its references checked against <paramref name="known"/>.</summary>
    public static (Unit? Unit, IReadOnlyList<SheetError> Errors) ReadUnit(JsonElement sheet, Pack known)
    {
        var errors = new List<SheetError>();
        Unit? unit = Fields.Read(sheet, "unit", errors, UnitReader.ReadUnit);
        if (unit is not null)
            errors.AddRange(PackReferences.CheckUnit(unit, "unit", Pack.Empty, known));
        return (unit, errors);
    }

    static Pack ReadPack(Fields f, List<SheetError> errors)
    {
        string? format = f.NameOrNull("format");
        if (!f.Has("format"))
            f.Wrong("format", "is missing");
        else if (format is not null && format != Pack.Format)
            f.Wrong("format", $"\"{format}\" is not a format that this version reads; it reads \"{Pack.Format}\"");

        string currency = f.NameOrNull("currency") ?? "EUR";
        if (currency.Length != 3 || !currency.All(char.IsAsciiLetterUpper))
            f.Wrong("currency", $"\"{currency}\" is not a currency: three capital letters");

        var pack = new Pack(
            currency,
            f.Children("models", ModelReader.Read),
            f.Children("parts", PartReader.Read),
            f.Children("units", UnitReader.ReadUnit),
            f.Children("jobs", UnitReader.ReadJob),
            f.Children("titles", UnitReader.ReadTitle)
        );
        foreach (
            (string kind, IEnumerable<string> ids) in ((string, IEnumerable<string>)[])
                [
                    ("models", pack.Models.Select(m => m.Id)),
                    ("parts", pack.Parts.Select(p => p.Id)),
                    ("units", pack.Units.Select(u => u.Id)),
                    ("jobs", pack.Jobs.Select(j => j.Id)),
                    ("titles", pack.Titles.Select(t => t.Id)),
                ]
        )
            errors.AddRange(PackReferences.Twice(ids, kind));
        return pack;
    }
}
