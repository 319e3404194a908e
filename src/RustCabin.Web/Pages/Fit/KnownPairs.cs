using RustCabin.Core.Sheets;

namespace RustCabin.Web.Pages.Fit;

/// <summary>What a person has tried with a part, in words.</summary>
static class KnownPairs
{
    public static string Of(KnownPair pair) =>
        (
            pair.Result switch
            {
                KnownResult.Works => "works with ",
                KnownResult.Fails => "fails with ",
                _ => "works within limits with ",
            }
        )
        + pair.With
        + (pair.Firmware.Length > 0 ? $", firmware {pair.Firmware}" : "")
        + (
            string.Join(", ", new[] { pair.Source, pair.Date }.Where(t => t.Length > 0)) is { Length: > 0 } said
                ? $" ({said})"
                : ""
        );
}
