namespace RustCabin.Core.Declared;

/// <summary>
/// What is wrong at one place of a pack: <c>parts[2].claims[0].base</c> and <c>"0x20000G" is not an address</c>.
/// </summary>
public sealed record SheetError(string Path, string Message)
{
    /// <summary>
    /// The same for a person who sees no JSON: the thing and the field in words, <c>baseline, rails, the second: volts must
    /// be a number</c>.
    /// </summary>
    public string Sentence
    {
        get
        {
            string[] steps =
            [
                .. Path.Replace("]", "")
                    .Split('.', '[')
                    .Skip(1)
                    .Where(s => s.Length > 0)
                    .Select(s => int.TryParse(s, out int index) ? $"number {index + 1}" : IdText.Plain(s)),
            ];
            return steps.Length == 0 ? Message : $"{string.Join(", ", steps)}: {Message}";
        }
    }

    /// <summary>Its path and what is wrong.</summary>
    public override string ToString() => Path.Length == 0 ? Message : $"{Path}: {Message}";
}
