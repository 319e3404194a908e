using System.Text.Json;
using RustCabin.Core.Memory.Chips;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Memory;

/// <summary>Reads what the calls under <c>/api/v1/memory</c> take; all errors at once, each with its path. Source: formats.md, The JSON interface.</summary>
public static class MemoryReader
{
    const decimal MostBytes = 1L << 41;

    public static Reading<BankOfChips> Bank(JsonElement body)
    {
        var errors = new List<SheetError>();
        BankOfChips? bank = Fields.Read(
            body,
            "",
            errors,
            f => new BankOfChips(
                Type(f, "type")!,
                f.Require("dataBits", f.Whole("dataBits", 1, 1024)),
                f.Whole("parityBits", 0, 1024) ?? 0
            )
        );
        return Reading<BankOfChips>.Of(bank, errors);
    }

    static ChipType? Type(Fields f, string name)
    {
        if (!f.Has(name))
            f.Wrong(name, "is missing");
        if (f.NameOrNull(name) is not { } text)
            return null;
        ChipType? type = ChipType.Find(text);
        if (type is null)
            f.Wrong(name, Unknown(text));
        return type;
    }

    static string Unknown(string text) =>
        $"\"{text}\" is not a type of the table: {string.Join(", ", ChipType.ForBanks.Select(t => t.Organisation))}";

    public static Reading<ArrangementQuestion> Arrangements(JsonElement body)
    {
        var errors = new List<SheetError>();
        ArrangementQuestion? question = Fields.Read(body, "", errors, f => ReadQuestion(f, errors));
        if (errors.Count == 0 && !Chips.Arrangements.CanTry(question!.Banks, question.Types.Count))
            errors.Add(
                new SheetError(
                    "banks",
                    $"{question.Banks} banks and {question.Types.Count} types make more than {Chips.Arrangements.Most:#,0} arrangements"
                )
            );
        return Reading<ArrangementQuestion>.Of(question, errors);
    }

    static ArrangementQuestion ReadQuestion(Fields f, List<SheetError> errors)
    {
        var types = new List<ChipType>();
        foreach ((int i, string text) in f.Names("types").Index())
            if (ChipType.Find(text) is { } type)
            {
                if (!types.Contains(type))
                    types.Add(type);
            }
            else
                errors.Add(new SheetError($"types[{i}]", Unknown(text)));
        if (!f.Has("types"))
            f.Wrong("types", "is missing");
        ulong target = Bytes(f, "targetBytes", required: true);
        return new ArrangementQuestion(
            Bytes(f, "baseBytes", required: false),
            f.Has("capBytes") ? Bytes(f, "capBytes", required: true) : ulong.MaxValue,
            f.Require("dataBits", f.Whole("dataBits", 1, 1024)),
            f.Whole("parityBits", 0, 1024) ?? 0,
            f.Require("banks", f.Whole("banks", 0, 16)),
            types,
            Mix(f),
            target,
            Counts(f, "stock", errors, whole: true).ToDictionary(p => p.Key, p => (int)p.Value),
            Counts(f, "prices", errors, whole: false),
            f.Flag("socketed") ?? false
        );
    }

    static ulong Bytes(Fields f, string name, bool required)
    {
        if (required && !f.Has(name))
            f.Wrong(name, "is missing");
        decimal? bytes = f.Number(name, 0, MostBytes);
        if (bytes is not { } whole || whole == decimal.Truncate(whole))
            return (ulong)(bytes ?? 0);
        f.Wrong(name, $"must be a whole number of bytes, not {bytes}");
        return 0;
    }

    /// <summary>Numbers by type; a type may be called by its organisation or its generic number.</summary>
    static Dictionary<string, decimal> Counts(Fields f, string name, List<SheetError> errors, bool whole)
    {
        var counts = new Dictionary<string, decimal>();
        foreach ((string text, object value) in f.Map<object>(name, (e, p) => f.ReadNumber(e, p, 0, 10_000_000)))
            if (ChipType.Find(text) is not { } type)
                errors.Add(new SheetError($"{name}.{text}", Unknown(text)));
            else if (whole && (decimal)value != decimal.Truncate((decimal)value))
                errors.Add(new SheetError($"{name}.{text}", $"must be a whole number, not {value}"));
            else
                counts[type.Organisation] = (decimal)value;
        return counts;
    }

    /// <summary>The rule of a board's sheet, in the words that the trade uses for it.</summary>
    static MixRule Mix(Fields f)
    {
        if (f.NameOrNull("mix") is not { } word)
            return MixRule.Any;
        if (MixOf(word) is { } mix)
            return mix;
        f.Wrong("mix", $"\"{word}\" is not one of any, alike, larger-first, pairs");
        return MixRule.Any;
    }

    /// <summary>The rule that a word stands for; null for another word.</summary>
    public static MixRule? MixOf(string word) =>
        word.Trim().ToLowerInvariant().Replace(' ', '-') switch
        {
            "any" or "free" or "bank-0-first" => MixRule.Any,
            "alike" or "all-alike" or "all-banks-alike" or "same" => MixRule.Alike,
            "larger-first" => MixRule.LargerFirst,
            "pairs" => MixRule.Pairs,
            _ => null,
        };

    public static Reading<string> Marking(JsonElement body)
    {
        var errors = new List<SheetError>();
        string? text = Fields.Read(
            body,
            "",
            errors,
            f =>
            {
                if (!f.Has("text"))
                    f.Wrong("text", "is missing");
                return f.Text("text");
            }
        );
        return Reading<string>.Of(text, errors);
    }

    public static Reading<SectorPlan> Sectors(JsonElement body)
    {
        var errors = new List<SheetError>();
        SectorPlan? plan = Fields.Read<SectorPlan>(
            body,
            "",
            errors,
            f =>
            {
                ulong sectors = Bytes(f, "sectors", true),
                    reserved = Bytes(f, "reservedSectors", false),
                    size = Bytes(f, "bytesPerSector", true),
                    link = Bytes(f, "linkBytes", false);
                IReadOnlyList<decimal?> files = f.List<decimal?>("files", (e, p) => f.ReadNumber(e, p, 0, MostBytes));
                foreach ((int i, decimal? bytes) in files.Index())
                    if (bytes != decimal.Truncate(bytes!.Value))
                        errors.Add(new SheetError($"files[{i}]", $"must be a whole number of bytes, not {bytes}"));
                if (f.Has("bytesPerSector") && size == 0)
                    f.Wrong("bytesPerSector", "must not be 0");
                if (size > 0 && link >= size)
                    f.Wrong("linkBytes", "leave no room in a sector");
                if (reserved > sectors)
                    f.Wrong("reservedSectors", $"are more than the {sectors} sectors there are");
                return errors.Count > 0
                    ? null!
                    : SectorPlan.Of(sectors, reserved, size, link, [.. files.Select(b => (ulong)b!.Value)]);
            }
        );
        return Reading<SectorPlan>.Of(plan, errors);
    }
}
