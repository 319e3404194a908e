using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Fit;

/// <summary>
/// What comes and goes with contacts and joints, and with what a part is known for. Source: docs/handbook/faults.md, Rates.
/// </summary>
static class FitMarginals
{
    const decimal SocketWeight = 0.01m;

    /// <summary>A dirty contact fails at any time; a cold joint closes as the board warms and grows.</summary>
    static readonly StartRates Dirty = new(0.6, 0.65),
        Cracked = new(0.5, 0.85);

    public static IEnumerable<Hypothesis> Of(PlannedUnit at)
    {
        foreach (Instance part in at.Parts)
        {
            yield return Contact($"contact:{part.Name}", part.Title, Work.ChanceOf(part)) with
            {
                Instance = part,
                IsBetween = true,
            };
            if (part.Way is { Reversible: false } or { Changes.Count: > 0 })
                yield return new Hypothesis(
                    $"joint:{part.Name}",
                    $"a joint of {part.Title} is cold",
                    Work.ChanceOf(part) / 2,
                    Shown.Nothing.Seen(FitHypotheses.Press, FitHypotheses.NoChange)
                )
                {
                    Rates = Cracked,
                    Instance = part,
                    Mend = $"Flux, and melt every joint of {part.Title} once more until each is smooth.",
                    MendMinutes = 10,
                };
            foreach (PartFault known in part.Part.Faults.Where(f => f.Cold is not null))
                yield return FitHypotheses.Known(at, part, known, AccessPath.To(at.Model, part)) with
                {
                    Rates = new StartRates((double)known.Cold!, (double)(known.Warm ?? known.Cold)!),
                };
        }
        foreach (
            Site site in at.Model.Sites.Where(s =>
                s.Mount == "socketed" && (s.Revisions.Count == 0 || s.Revisions.Contains(at.Revision.Id))
            )
        )
            yield return Contact($"contact:{site.Id}", site.Called, SocketWeight);
    }

    static Hypothesis Contact(string id, string what, decimal weight) =>
        new(id, $"a contact of {what} is dirty", weight, Shown.Nothing.Seen(FitHypotheses.Press, FitHypotheses.Pressed))
        {
            Rates = Dirty,
            Mend = $"Switch off, take {what} out, clean both sides of every contact, and seat it again.",
            MendMinutes = 10,
        };
}
