using System.ComponentModel.DataAnnotations;
using System.Text.RegularExpressions;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>How the files of a release are called.</summary>
public sealed record ReleaseRule : ICompleted<ReleaseRule>
{
    /// <summary>What stands in a name for the variant, the part and the version.</summary>
    internal const string VariantWord = "variant",
        PartWord = "part",
        VersionWord = "version";

    internal static Regex Words => field ??= new(@"\{([^{}]*)\}");

    /// <summary>The name, with {variant}, {part} and {version} where those stand.</summary>
    [Required, Display(Description = "The file's name, with {variant}, {part} and {version} where those stand.")]
    public string File { get; init; } = "";

    /// <summary>What it is for, where the name does not say: variant, part.</summary>
    [Display(Description = "What it is for, where the name does not say it: variant, part.")]
    public OrderedDictionary<string, string> For { get; init; } = [];

    /// <inheritdoc/>
    public ReleaseRule Completed(RecordReading read)
    {
        foreach (string key in For.Keys.Where(k => k is not (VariantWord or PartWord)))
            read.Wrong($"for.{key}", "is not one of variant, part");
        string? word = Words
            .Matches(File)
            .Select(m => m.Groups[1].Value)
            .FirstOrDefault(w => w is not (VariantWord or PartWord or VersionWord));
        if (word is not null)
            read.Wrong("file", $"{{{word}}} is not one of {{variant}}, {{part}}, {{version}}");
        return this;
    }
}
