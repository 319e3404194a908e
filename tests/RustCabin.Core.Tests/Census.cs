using RustCabin.Core.Answers;
using RustCabin.Core.Build;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests;

/// <summary>
/// What the demo shows, written down by <c>CABIN_CENSUS=FILE</c>: for each job its standing, findings, stations, steps,
/// cautions and gates. It is run before and after the sample world changes, so that nothing is lost unnoticed.
/// </summary>
public sealed class Census
{
    [Fact(Explicit = true)]
    [Trait("Category", "Census")]
    public void What_the_demo_shows()
    {
        var lines = new List<string>();
        var codes = new SortedDictionary<string, int>();
        var cautions = new SortedDictionary<string, int>();
        var kinds = new SortedDictionary<string, int>();
        int jobs = 0,
            gates = 0;
        foreach ((Pack pack, Job job) in Demo.Jobs.OrderBy(j => j.Job.Id, StringComparer.Ordinal))
        {
            PlannedUnit before = Plan.For(pack, pack.FindUnit(job.Unit)!),
                after = Plan.For(pack, job);
            var answer = Answer.For(Trail.Stations, after);
            jobs++;
            lines.Add($"{job.Id}: {answer.Standing}, counts {string.Join(" + ", answer.PowerUp.Lines.Select(l => l.Bytes))}");
            lines.Add($"  findings {string.Join(' ', answer.Findings.Select(f => $"{f.Code}/{f.Severity}").Distinct().Order())}");
            IEnumerable<string> reached = Trail
                .Stations.Where(s => s.FarOf(after) != Far.Empty)
                .Select(s => s.Name.Text)
                .Distinct();
            lines.Add($"  stations {string.Join(' ', reached)}");
            lines.Add($"  sights {Trail.Stations.Sights(after).Count}, causes {Trail.Stations.Hypotheses(after).Count}");
            foreach (School school in Enum.GetValues<School>())
            {
                var sheet = BuildSheet.For(Trail.Stations, before, after, school);
                Step[] gate = [.. sheet.Steps.Where(s => s.IsGate)];
                IEnumerable<string> steps = sheet.Steps.Select(s => $"{s.Id}[{string.Join(',', s.Cautions.Select(c => c.Id))}]");
                lines.Add($"  {school}: {string.Join(' ', steps)}");
                if (school != School.Careful)
                    continue;
                gates += gate.Length;
                foreach (Step step in sheet.Steps)
                {
                    kinds[$"{step.Kind}"] = kinds.GetValueOrDefault($"{step.Kind}") + 1;
                    foreach (Caution caution in step.Cautions)
                        cautions[caution.Id] = cautions.GetValueOrDefault(caution.Id) + 1;
                }
            }
            foreach (string code in answer.Findings.Select(f => f.Code))
                codes[code] = codes.GetValueOrDefault(code) + 1;
        }
        static string Told(SortedDictionary<string, int> counted) => string.Join(", ", counted.Select(c => $"{c.Key} {c.Value}"));
        lines.InsertRange(
            0,
            [
                $"jobs {jobs}, gates {gates}",
                $"findings {codes.Count} codes: {Told(codes)}",
                $"steps: {Told(kinds)}",
                $"cautions: {Told(cautions)}",
                "",
            ]
        );
        Assert.True(jobs > 30);
        if (Environment.GetEnvironmentVariable("CABIN_CENSUS") is { } file)
            File.WriteAllLines(file, lines);
    }
}
