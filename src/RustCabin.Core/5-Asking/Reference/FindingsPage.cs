using System.Text;
using RustCabin.Core.Findings;
using RustCabin.Core.Gathered;

namespace RustCabin.Core.Reference;

/// <summary>Writes docs/findings.md from the declared findings.</summary>
public static class FindingsPage
{
    /// <summary>The page's text.</summary>
    public static string Text(StationList stations)
    {
        var page = new StringBuilder(
            """
            # Findings

            What a check has to say. A **stop** cannot work, or can do damage; a **watch** works with a condition; a
            **note** is worth knowing.
            The codes are stable: outside programs may rely on them. Each finding carries its *why*, the steps to follow
            with a pocket calculator.

            This page is written from the declarations (`./cabin docs`); each stands beside its check, in
            `src/RustCabin.Core/4-Stations/<Station>/<Station>Findings.cs`.

            """
        );
        foreach (FindingKind kind in stations.Findings)
        {
            string severities = string.Join(" or ", kind.Severities.Select(s => s.ToString().ToLowerInvariant()));
            page.Append(
                $"\n## {kind.Code}\n\n*{char.ToUpperInvariant(severities[0])}{severities[1..]}; mended at {kind.Station}.* "
                    + $"{kind.Meaning}\n**Mend:** {kind.Mend}\n"
            );
        }
        return page.ToString();
    }
}
