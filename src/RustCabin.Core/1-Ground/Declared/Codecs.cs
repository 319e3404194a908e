using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Units;

namespace RustCabin.Core.Declared;

/// <summary>What reads and writes values, whatever their type.</summary>
abstract class Codec
{
    /// <summary>What may stand there.</summary>
    public abstract Shape Shape { get; }
}

/// <summary>Reads and writes values of one type at one kind of place.</summary>
abstract class Codec<V> : Codec
{
    /// <summary>Reads a value; false, with what is wrong noted, when it does not read as one.</summary>
    public abstract bool TryRead(in JsonElement element, SheetReading reading, out V value);

    /// <summary>Writes a value; null where nothing need stand.</summary>
    public abstract JsonNode? Write(V value);

    /// <summary>
    /// Writes what <paramref name="after"/> has and <paramref name="before"/> had not into the JSON of the latter.
    /// </summary>
    public virtual JsonNode? Merge(JsonNode? old, V before, V after) => Write(after);

    /// <summary>True if nothing need be written for it.</summary>
    public virtual bool IsNothing(V value) => EqualityComparer<V>.Default.Equals(value, default!);

    /// <summary>True if both say the same; lists are held apart by what is in them.</summary>
    public virtual bool Same(V one, V other) => EqualityComparer<V>.Default.Equals(one, other);

    /// <summary>Notes that something else stands there than must.</summary>
    protected static bool Not(string what, in JsonElement element, SheetReading reading)
    {
        reading.Wrong($"must be {what}, not {JsonKind.Of(element)}");
        return false;
    }
}

/// <summary>What stands somewhere, in a word.</summary>
static class JsonKind
{
    public static string Of(in JsonElement element) =>
        element.ValueKind switch
        {
            JsonValueKind.Object => "an object",
            JsonValueKind.Array => "a list",
            JsonValueKind.String => "text",
            JsonValueKind.Number => element.GetRawText() is { Length: < 40 } raw ? raw : "a number out of range",
            JsonValueKind.Null => "null",
            _ => element.GetRawText(),
        };
}

/// <summary>Texts: identifiers, names and free text.</summary>
sealed class TextCodec(ShapeKind kind) : Codec<string>
{
    /// <summary>Reads what is short, such as a size or a word.</summary>
    public static readonly TextCodec Name = new(ShapeKind.Name);

    public override Shape Shape { get; } =
        kind switch
        {
            ShapeKind.Id => Shape.Id,
            ShapeKind.Name => Shape.Name,
            ShapeKind.WholeText => Shape.WholeText,
            _ => Shape.Text,
        };

    public override bool TryRead(in JsonElement element, SheetReading reading, out string value)
    {
        value = "";
        if (element.ValueKind != JsonValueKind.String)
            return Not("text", element, reading);
        string text = element.GetString()!;
        int longest = kind switch
        {
            ShapeKind.Text => TextLimits.Longest,
            ShapeKind.WholeText => TextLimits.LongestWhole,
            _ => TextLimits.LongestName,
        };
        if (text.Length > longest)
            reading.Wrong($"is {text.Length} characters long; {longest} are allowed");
        else if (text.Length == 0 && kind is not (ShapeKind.Text or ShapeKind.WholeText))
            reading.Wrong("must not be empty");
        else if (kind == ShapeKind.Id && !IdText.Is(text))
            reading.Wrong($"\"{text}\" is not an identifier: small letters, digits and hyphens, a letter or digit first");
        else
        {
            value = text;
            return true;
        }
        return false;
    }

    public override JsonNode? Write(string value) => JsonValue.Create(value);

    public override bool IsNothing(string value) => string.IsNullOrEmpty(value);
}

/// <summary>How long texts may be, in characters.</summary>
public static class TextLimits
{
    /// <summary>No text field of a pack is longer.</summary>
    public const int Longest = 4000;

    /// <summary>No page that is pasted is longer; <c>paste</c> counts its bytes besides.</summary>
    public const int LongestWhole = 200_000;

    /// <summary>No name is longer.</summary>
    public const int LongestName = 200;
}

/// <summary>A name, or null for an empty place.</summary>
sealed class PlaceCodec(Codec<string> name) : Codec<string?>
{
    public override Shape Shape => Shape.NameOrNull;

    public override bool TryRead(in JsonElement element, SheetReading reading, out string? value)
    {
        value = null;
        return element.ValueKind == JsonValueKind.Null || name.TryRead(element, reading, out value);
    }

    public override JsonNode? Write(string? value) => value is null ? null : JsonValue.Create(value);
}

/// <summary>Numbers within a range.</summary>
sealed class NumberCodec(decimal from, decimal to) : Codec<decimal>
{
    public override Shape Shape => Shape.Number;

    public override bool TryRead(in JsonElement element, SheetReading reading, out decimal value)
    {
        value = 0;
        if (element.ValueKind != JsonValueKind.Number || !element.TryGetDecimal(out decimal number))
            return Not("a number", element, reading);
        if (number < from || number > to)
        {
            reading.Wrong($"must lie from {from} to {to}, not {number}");
            return false;
        }
        value = number;
        return true;
    }

    public override JsonNode? Write(decimal value) => JsonValue.Create(value);
}

/// <summary>Whole numbers within a range.</summary>
sealed class WholeCodec(decimal from, decimal to) : Codec<int>
{
    // A whole number is never wider than what holds it, whatever range is declared.
    readonly NumberCodec _number = new(Math.Max(from, int.MinValue), Math.Min(to, int.MaxValue));

    public override Shape Shape => Shape.Whole;

    public override bool TryRead(in JsonElement element, SheetReading reading, out int value)
    {
        value = 0;
        if (!_number.TryRead(element, reading, out decimal number))
            return false;
        if (number == decimal.Truncate(number))
        {
            value = (int)number;
            return true;
        }
        reading.Wrong($"must be a whole number, not {number}");
        return false;
    }

    public override JsonNode? Write(int value) => JsonValue.Create(value);
}

/// <summary>True or false.</summary>
sealed class FlagCodec : Codec<bool>
{
    public override Shape Shape => Shape.Flag;

    public override bool TryRead(in JsonElement element, SheetReading reading, out bool value)
    {
        value = element.ValueKind == JsonValueKind.True;
        return value || element.ValueKind == JsonValueKind.False || Not("true or false", element, reading);
    }

    public override JsonNode? Write(bool value) => JsonValue.Create(value);
}

/// <summary>One word of the members of <typeparamref name="T"/>; the error lists them.</summary>
sealed class WordCodec<T> : Codec<T>
    where T : struct, Enum
{
    public override Shape Shape { get; } = Shape.Word<T>();

    public override bool TryRead(in JsonElement element, SheetReading reading, out T value)
    {
        value = default;
        if (!TextCodec.Name.TryRead(element, reading, out string word))
            return false;
        if (Words<T>.TryParse(word, out value))
            return true;
        reading.Wrong($"\"{word}\" is not one of {string.Join(", ", Words<T>.All)}");
        return false;
    }

    public override JsonNode? Write(T value) => JsonValue.Create(Words<T>.Of(value));
}

/// <summary>Sizes as text, or, where said so, as a plain number of bytes.</summary>
sealed class SizeCodec(bool orNumber, bool notZero) : Codec<ByteSize>
{
    static readonly NumberCodec Bytes = new(0, 1L << 41);

    public override Shape Shape => orNumber ? Shape.SizeOrNumber : Shape.Size;

    public override bool TryRead(in JsonElement element, SheetReading reading, out ByteSize value)
    {
        value = default;
        if (orNumber && element.ValueKind == JsonValueKind.Number)
        {
            if (!Bytes.TryRead(element, reading, out decimal bytes))
                return false;
            if (bytes % 1 != 0)
                reading.Wrong($"must be whole bytes, not {bytes}");
            else if (notZero && bytes == 0)
                reading.Wrong("must not be 0");
            value = new ByteSize((ulong)bytes);
            return bytes % 1 == 0 && !(notZero && bytes == 0);
        }
        if (!TextCodec.Name.TryRead(element, reading, out string text))
            return false;
        if (!ByteSize.TryParse(text, out value))
            reading.Wrong($"\"{text}\" is not a size, such as 16K, 4M or 1536");
        else
        {
            if (notZero && value.Bytes == 0)
                reading.Wrong("must not be 0");
            return true;
        }
        return false;
    }

    public override JsonNode? Write(ByteSize value) => JsonValue.Create(value.ToSheet());
}

/// <summary>Addresses as text.</summary>
sealed class AddressCodec : Codec<Address>
{
    public override Shape Shape => Shape.Address;

    public override bool TryRead(in JsonElement element, SheetReading reading, out Address value)
    {
        value = default;
        if (!TextCodec.Name.TryRead(element, reading, out string text))
            return false;
        if (Address.TryParse(text, out value))
            return true;
        reading.Wrong($"\"{text}\" is not an address");
        return false;
    }

    public override JsonNode? Write(Address value) => JsonValue.Create($"0x{value.Value:X}");
}

/// <summary>A value that may be left out.</summary>
sealed class OptionalCodec<V>(Codec<V> inner) : Codec<V?>
    where V : struct
{
    public override Shape Shape => inner.Shape;

    public override bool TryRead(in JsonElement element, SheetReading reading, out V? value)
    {
        bool read = inner.TryRead(element, reading, out V found);
        value = read ? found : null;
        return read;
    }

    public override JsonNode? Write(V? value) => value is { } there ? inner.Write(there) : null;
}

/// <summary>A value with a form of its own.</summary>
sealed class OwnFormCodec<T> : Codec<T>
    where T : class, IOwnForm<T>
{
    public override Shape Shape => T.Shape;

    public override bool TryRead(in JsonElement element, SheetReading reading, out T value)
    {
        value = T.Read(element, reading)!;
        return value is not null;
    }

    public override JsonNode? Write(T value) => value is null ? null : T.Write(value);
}

/// <summary>A record with declared fields.</summary>
sealed class RecordCodec<T> : Codec<T>
    where T : class, new()
{
    public override Shape Shape => Declaration<T>.Shape;

    public override bool TryRead(in JsonElement element, SheetReading reading, out T value)
    {
        value = Declaration<T>.Read(element, reading)!;
        return value is not null;
    }

    public override JsonNode? Write(T value) => value is null ? null : Declaration<T>.Write(value)!;

    public override bool Same(T one, T other) =>
        ReferenceEquals(one, other) || (one is not null && other is not null && Declaration<T>.Same(one, other));

    public override JsonNode? Merge(JsonNode? old, T before, T after) =>
        old is JsonObject json && before is not null && after is not null ? Declaration<T>.Merge(json, before, after)
        : after is null ? null
        : Write(after);
}

/// <summary>A field that a station still to be built will read: taken, whatever stands in it, and kept.</summary>
public readonly record struct Unread;

/// <summary>What nobody reads yet.</summary>
sealed class UnreadCodec : Codec<Unread>
{
    public override Shape Shape => Shape.Any;

    public override bool TryRead(in JsonElement element, SheetReading reading, out Unread value)
    {
        value = default;
        return true;
    }

    public override JsonNode? Write(Unread value) => null;
}
