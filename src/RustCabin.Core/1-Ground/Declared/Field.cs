using System.ComponentModel.DataAnnotations;
using System.Reflection;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Units;

namespace RustCabin.Core.Declared;

/// <summary>One declared field of a record.</summary>
abstract class Field<T>
    where T : class, new()
{
    /// <summary>The field as forms, schema and reference show it.</summary>
    public ShapeField Declared { get; private set; } = null!;

    /// <summary>Its name in JSON, as bytes.</summary>
    public byte[] Utf8 { get; private set; } = [];

    /// <summary>A reading without it is told so.</summary>
    public bool IsDemanded { get; private set; }

    /// <summary>How the values of a property are read and written.</summary>
    protected abstract void Take(PropertyInfo property, Codec codec);

    public abstract bool Same(T one, T other);
    public abstract bool Read(in JsonElement element, SheetReading reading, T into);
    public abstract JsonNode? Write(T value);
    public abstract void Merge(JsonObject json, T before, T after);

    /// <summary>What a property declares.</summary>
    public static Field<T> Of(PropertyInfo property)
    {
        Codec codec = CodecOf(property, property.PropertyType);
        object usual = new T();
        var field = new ShapeField(
            Camel(property.Name),
            codec.Shape,
            property.IsDefined(typeof(RequiredAttribute)) || property.IsDefined(typeof(MinLengthAttribute))
        )
        {
            Range = RangeOf(property),
            Unit = property.GetCustomAttribute<UnitOfAttribute>()?.Sign ?? "",
            Things = property.GetCustomAttribute<OnSheetAttribute>()?.Things,
            Usual = property.IsDefined(typeof(UsualAttribute)),
            RequiredIf = property.GetCustomAttribute<RequiredIfAttribute>()?.When ?? "",
        };
        DisplayAttribute? shown = property.GetCustomAttribute<DisplayAttribute>();
        field = field with
        {
            Label = shown?.Name ?? Spaced(field.Name),
            One = shown?.ShortName ?? "",
            Help = shown?.Description ?? "",
            Otherwise = property.GetValue(usual) switch
            {
                decimal and not 0m or int and not 0 or true => $"{property.GetValue(usual)}".ToLowerInvariant(),
                Enum word when field.Shape.Words is { } words => Array.IndexOf(Enum.GetValues(word.GetType()), word)
                    is >= 0
                        and var at
                    ? words[at]
                    : "",
                _ => "",
            },
        };
        // Made without arguments: for one with them the framework compiles a way in, for each kind of field.
        var made = (Field<T>)Activator.CreateInstance(typeof(Field<,>).MakeGenericType(typeof(T), property.PropertyType))!;
        made.Declared = field;
        made.Utf8 = Encoding.UTF8.GetBytes(field.Name);
        made.IsDemanded = property.IsDefined(typeof(RequiredAttribute));
        made.Take(property, codec);
        return made;
    }

    static (decimal From, decimal To)? RangeOf(PropertyInfo property) =>
        property.GetCustomAttribute<RangeAttribute>() is { } range
            ? (Convert.ToDecimal(range.Minimum), Convert.ToDecimal(range.Maximum))
            : null;

    static ShapeKind TextKind(PropertyInfo property) =>
        (
            (IEnumerable<(Type Mark, ShapeKind Kind)>)
                [
                    (typeof(IdAttribute), ShapeKind.Id),
                    (typeof(LongTextAttribute), ShapeKind.Text),
                    (typeof(WholeTextAttribute), ShapeKind.WholeText),
                ]
        )
            .Where(t => property.IsDefined(t.Mark))
            .Select(t => t.Kind)
            .FirstOrDefault(ShapeKind.Name);

    static Codec CodecOf(PropertyInfo property, Type type)
    {
        (decimal from, decimal to) = RangeOf(property) ?? (decimal.MinValue, decimal.MaxValue);
        if (type == typeof(string))
            return new TextCodec(TextKind(property));
        if (type == typeof(decimal))
            return new NumberCodec(from, to);
        if (type == typeof(int))
            return new WholeCodec(from, to);
        if (type == typeof(bool))
            return new FlagCodec();
        if (type == typeof(ByteSize))
            return new SizeCodec(property.IsDefined(typeof(OrNumberAttribute)), property.IsDefined(typeof(NotZeroAttribute)));
        if (type == typeof(Address))
            return new AddressCodec();
        if (type == typeof(Unread))
            return new UnreadCodec();
        if (type.IsEnum)
            return (Codec)Activator.CreateInstance(typeof(WordCodec<>).MakeGenericType(type))!;
        if (Nullable.GetUnderlyingType(type) is { } inner)
            return (Codec)Activator.CreateInstance(typeof(OptionalCodec<>).MakeGenericType(inner), CodecOf(property, inner))!;
        if (
            type.IsGenericType
            && type.GetGenericArguments() is [var item]
            && type.GetGenericTypeDefinition() == typeof(IReadOnlyList<>)
        )
            return (Codec)
                Activator.CreateInstance(
                    typeof(ListCodec<>).MakeGenericType(item),
                    Items(property, item),
                    IsOneOrMore(property, type)
                )!;
        if (type.IsGenericType && type.GetGenericArguments() is [_, var value])
            return (Codec)Activator.CreateInstance(typeof(MapCodec<,>).MakeGenericType(value, type), CodecOf(property, value))!;
        bool own = type.GetInterfaces().Any(i => i.IsGenericType && i.GetGenericTypeDefinition() == typeof(IOwnForm<>));
        return (Codec)Activator.CreateInstance((own ? typeof(OwnFormCodec<>) : typeof(RecordCodec<>)).MakeGenericType(type))!;
    }

    static Codec Items(PropertyInfo property, Type item)
    {
        Codec codec = CodecOf(property, item);
        return property.IsDefined(typeof(EmptyPlacesAttribute)) ? new PlaceCodec((Codec<string>)codec) : codec;
    }

    /// <summary>In a map of lists it is the lists that may stand as one.</summary>
    static bool IsOneOrMore(PropertyInfo property, Type list) =>
        property.IsDefined(typeof(OneOrMoreAttribute)) && list.GetGenericArguments()[0] == typeof(string);

    static string Camel(string name) => char.ToLowerInvariant(name[0]) + name[1..];

    /// <summary>A field's name in words: <c>addressBits</c> reads <c>address bits</c>.</summary>
    static string Spaced(string name) =>
        string.Concat(name.Select(c => char.IsUpper(c) ? $" {char.ToLowerInvariant(c)}" : $"{c}"));
}

/// <summary>A declared field with its value's type.</summary>
sealed class Field<T, V> : Field<T>
    where T : class, new()
{
    Codec<V> _codec = null!;
    Action<T, V> _set = null!;
    Func<T, V> _get = null!;
    V _usual = default!;

    protected override void Take(PropertyInfo property, Codec codec)
    {
        _codec = (Codec<V>)codec;
        _set = property.SetMethod!.CreateDelegate<Action<T, V>>();
        _get = property.GetMethod!.CreateDelegate<Func<T, V>>();
        _usual = _get(new T());
    }

    public override bool Read(in JsonElement element, SheetReading reading, T into)
    {
        if (!_codec.TryRead(element, reading, out V value))
            return false;
        _set(into, value);
        return true;
    }

    public override bool Same(T one, T other) => _codec.Same(_get(one), _get(other));

    public override JsonNode? Write(T value) =>
        _get(value) is { } v && (Declared.Required || !IsUsual(v)) ? _codec.Write(v) : null;

    bool IsUsual(V value) =>
        _codec.IsNothing(value) ? _codec.IsNothing(_usual) : _usual is not null && _codec.Same(value, _usual);

    public override void Merge(JsonObject json, T before, T after)
    {
        V was = _get(before),
            now = _get(after);
        if (ReferenceEquals(was, now) || (was is not null && now is not null && _codec.Same(was, now)))
            return;
        JsonNode? old = json[Declared.Name];
        if (now is null || (!Declared.Required && IsUsual(now)))
            json.Remove(Declared.Name);
        else
            json[Declared.Name] =
                was is null || _codec.IsNothing(was) ? _codec.Write(now) : _codec.Merge(old?.DeepClone(), was, now);
    }
}
