using System.Reflection;
using System.Runtime.Serialization;
using System.Text;

namespace RustCabin.Core.Declared;

/// <summary>
/// The words that packs use for the members of <typeparamref name="T"/>: kebab-case, such as <c>written-first</c>.
/// </summary>
public static class Words<T>
    where T : struct, Enum
{
    static readonly Dictionary<string, T> ByWord = Enum.GetValues<T>().ToDictionary(WordOf, StringComparer.Ordinal);
    static readonly Dictionary<T, string> ByValue = ByWord.ToDictionary(p => p.Value, p => p.Key);

    /// <summary>Every word.</summary>
    public static IEnumerable<string> All => ByWord.Keys;

    /// <summary>The value of a word; false where there is no such word.</summary>
    public static bool TryParse(string word, out T value) => ByWord.TryGetValue(word, out value);

    /// <summary>The word of a value.</summary>
    public static string Of(T value) => ByValue[value];

    /// <summary>The word that the member says itself, where letters cannot: <c>8.3</c>.</summary>
    static string WordOf(T value) =>
        typeof(T).GetField(value.ToString())!.GetCustomAttribute<EnumMemberAttribute>()?.Value ?? Kebab(value.ToString());

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
