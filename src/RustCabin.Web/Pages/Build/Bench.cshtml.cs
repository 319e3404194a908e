using RustCabin.Core.Build;
using RustCabin.Core.Findings;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Build;

/// <summary>One step a screen, for a person who stands two metres away with an iron in one hand.</summary>
public sealed class BenchModel(SheetRepository sheets, JobRepository jobs, PhotoRepository photos, TimeProvider clock)
    : BuildModel(sheets, jobs, photos, clock)
{
    /// <inheritdoc/>
    protected override IReadOnlyList<string> Passing => ["step"];

    /// <summary>The place of the step that is shown, from 0: the one that is asked for, else the one at hand, else the
    /// last.</summary>
    public int At
    {
        get
        {
            int last = View.Progress.Steps.Count - 1;
            if (int.TryParse(Request.Query["step"], out int asked))
                return Math.Clamp(asked - 1, 0, last);
            int current = View.Progress.Steps.Index().FirstOrDefault(s => s.Item == View.Progress.Current, (last, null!)).Index;
            return current;
        }
    }

    /// <inheritdoc/>
    public override bool StandsAlone => true;

    /// <summary>Stops, whatever they are about, and watches about what this step has in hand.</summary>
    public IEnumerable<Finding> Findings =>
        View.Answer.Findings.Where(f =>
            f.Severity == Severity.Stop
            || (
                f.Severity == Severity.Watch
                && Shown.Step.Instances.Append(Shown.Step.Instance).Any(i => i is not null && f.Subjects.Contains(i.Subject))
            )
        );

    /// <summary>The step that is shown.</summary>
    public StepProgress Shown => View.Progress.Steps[At];
}
