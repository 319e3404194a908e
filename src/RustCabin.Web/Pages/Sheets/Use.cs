using RustCabin.Core.Sheets;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>What refers to a sheet.</summary>
static class Use
{
    public static IReadOnlyList<(string Text, string Href)> Of(string kind, string id, Pack sheets, IReadOnlyList<Job> jobs) =>
        kind switch
        {
            "model" =>
            [
                .. sheets.Units.Where(u => u.Model == id).Select(u => ($"unit {u.Name}", $"/sheets/units/{u.Id}")),
                .. sheets
                    .Parts.Where(p => p.Ways.Any(w => w.Model == id))
                    .Select(p => ($"part {p.Name}", $"/sheets/parts/{p.Id}")),
            ],
            "part" =>
            [
                .. sheets
                    .Units.Where(u => u.Model == id || u.Fitted.Any(f => f.Part == id))
                    .Select(u => ($"unit {u.Name}", $"/sheets/units/{u.Id}")),
                .. jobs.Where(j => j.Add.Any(a => a.Part == id)).Select(j => ($"job {j.Name}", $"/jobs/{j.Id}/fit")),
                .. sheets
                    .Parts.Where(p => p.Conflicts.Any(c => c.Part == id) || p.Ways.Any(w => w.Model == id))
                    .Select(p => ($"part {p.Name}", $"/sheets/parts/{p.Id}")),
            ],
            "unit" => [.. jobs.Where(j => j.Unit == id).Select(j => ($"job {j.Name}", $"/jobs/{j.Id}/memory"))],
            _ =>
            [
                .. jobs.Where(j => j.Wants.Any(w => w is TitleNeed title && title.Id == id))
                    .Select(j => ($"job {j.Name}", $"/jobs/{j.Id}/memory")),
            ],
        };
}
