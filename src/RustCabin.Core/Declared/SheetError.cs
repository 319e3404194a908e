namespace RustCabin.Core.Declared;

/// <summary>
/// What is wrong at one place of a pack: <c>parts[2].claims[0].base</c> and <c>"0x20000G" is not an address</c>.
/// </summary>
public sealed record SheetError(string Path, string Message)
{
    /// <summary>Its path and what is wrong.</summary>
    public override string ToString() => Path.Length == 0 ? Message : $"{Path}: {Message}";
}
