using System.Reflection;
using System.Runtime.CompilerServices;
using System.Runtime.Serialization;
using System.Text;

namespace RustCabin.Core.Declared;

/// <summary>
/// The words that packs use for the members of <typeparamref name="T"/>: kebab-case, such as <c>written-first</c>.
/// </summary>
public static class Words<T>
    where T : struct, Enum
{
    static readonly WordTable Table = new(typeof(T));
    static readonly T[] Values = (T[])Table.Values;

    /// <summary>Every word.</summary>
    public static IEnumerable<string> All => Table.Words;

    /// <summary>The value of a word; false where there is no such word.</summary>
    public static bool TryParse(string word, out T value)
    {
        int at = Table.Find(word);
        value = at < 0 ? default : Values[at];
        return at >= 0;
    }

    /// <summary>The word of a value.</summary>
    public static string Of(T value) => Table.Of(Unsafe.As<T, int>(ref value));
}

/// <summary>
/// The words of one kind of members by their numbers. It is the same code for every kind: a table of its own for each of the
/// many was compiled at every start, a tenth of all that a start compiles.
/// </summary>
sealed class WordTable
{
    readonly Dictionary<string, int> _at = new(StringComparer.Ordinal);
    readonly Dictionary<int, string> _words = [];

    /// <summary>Every word, in the order of the members.</summary>
    public IReadOnlyList<string> Words { get; }

    /// <summary>The members, in the same order.</summary>
    public Array Values { get; }

    public WordTable(Type type)
    {
        if (Enum.GetUnderlyingType(type) != typeof(int))
            throw new NotSupportedException($"{type} is not numbered as words are: by int");
        Values = Enum.GetValues(type);
        string[] words = new string[Values.Length];
        foreach (object value in Values)
        {
            int at = _at.Count;
            words[at] = WordOf(type, value.ToString()!);
            _at.Add(words[at], at);
            _words.Add((int)value, words[at]);
        }
        Words = words;
    }

    /// <summary>The place of a word among all; -1: there is no such word.</summary>
    public int Find(string word) => _at.GetValueOrDefault(word, -1);

    /// <summary>The word of a member by its number.</summary>
    public string Of(int number) => _words[number];

    /// <summary>The word that the member says itself, where letters cannot: <c>8.3</c>.</summary>
    static string WordOf(Type type, string name) =>
        type.GetField(name)!.GetCustomAttribute<EnumMemberAttribute>()?.Value ?? Kebab(name);

    static string Kebab(string name)
    {
        var text = new StringBuilder();
        foreach (char c in name)
        {
            if (char.IsUpper(c) && text.Length > 0)
                text.Append('-');
            text.Append(char.ToLowerInvariant(c));
        }
        return text.ToString();
    }
}
