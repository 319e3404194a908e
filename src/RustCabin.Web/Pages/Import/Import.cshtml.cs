using System.Text.Json;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Import;

/// <summary>Brings a pack in: from a file, or pasted. All of it or nothing.</summary>
[RequestFormLimits(ValueLengthLimit = LargestForm, MultipartBodyLengthLimit = LargestForm)]
[RequestSizeLimit(LargestForm)]
public sealed class ImportModel(PackImport import) : PageModel
{
    /// <summary>A pack of the largest size and the form around it.</summary>
    const int LargestForm = Pack.LargestBytes + 100_000;

    /// <summary>Turns a larger form away by its stated length, before anything of it is read.</summary>
    public static Task RefuseTooLarge(HttpContext context, RequestDelegate next)
    {
        if (!context.Request.Path.StartsWithSegments("/import") || context.Request.ContentLength is not > LargestForm)
            return next(context);
        context.Response.StatusCode = StatusCodes.Status413PayloadTooLarge;
        return Task.CompletedTask;
    }

    public ImportOutcome? Outcome { get; private set; }
    public string? Problem { get; private set; }

    [BindProperty]
    public string? Pasted { get; set; }

    /// <summary>Where a pack that was looked at came from, kept until it is decided on.</summary>
    [BindProperty]
    public string? Source { get; set; }

    /// <summary>So many models of a pack are drawn.</summary>
    const int MostDrawn = 8;

    /// <summary>The models that a pack brings or changes, each as its bare map.</summary>
    public IEnumerable<PlannedUnit> Drawn =>
        Outcome is { Pack: { } pack } outcome
            ? pack
                .Models.Where(m =>
                    outcome.New.Contains($"model {m.Id}") || outcome.Clashes.Any(c => c.Kind == "model" && c.Id == m.Id)
                )
                .Take(MostDrawn)
                .Select(m => Bare(pack, m))
                .OfType<PlannedUnit>()
            : [];

    /// <summary>A model as it left its maker; null: its map is too dense to be drawn.</summary>
    static PlannedUnit? Bare(Pack pack, Model model)
    {
        try
        {
            return Plan.Bare(pack, model);
        }
        catch (Core.Maps.MapTooDenseException)
        {
            return null;
        }
    }

    public IReadOnlyList<ImportLine> Earlier => field ??= import.Log();

    /// <summary>Earlier imports in their order; those that came from one source in one go stand together.</summary>
    public IReadOnlyList<IReadOnlyList<ImportLine>> Groups
    {
        get
        {
            var groups = new List<List<ImportLine>>();
            foreach (ImportLine line in Earlier)
                if (groups.Count > 0 && groups[^1][0].Source == line.Source)
                    groups[^1].Add(line);
                else
                    groups.Add([line]);
            return groups;
        }
    }

    public void OnGet() => ViewData["Title"] = "Import";

    public IActionResult OnPostUndo([FromForm(Name = "import")] long log)
    {
        ViewData["Title"] = "Import";
        IReadOnlyList<SheetError> errors = import.Undo(log);
        return errors.Count == 0
            ? LocalRedirect("/import")
            : Refuse(StatusCodes.Status409Conflict, $"It was not taken back: {string.Join("; ", errors.Take(5))}");
    }

    /// <summary>Shows what a pack would bring; with a <paramref name="mode"/> (replace, new-only) brings it.</summary>
    public async Task<IActionResult> OnPostAsync(IFormFile? pack, string? mode, CancellationToken cancel)
    {
        ViewData["Title"] = "Import";
        if (pack is null && string.IsNullOrWhiteSpace(Pasted))
            return Refuse(StatusCodes.Status422UnprocessableEntity, "Pick a file or paste a pack. Nothing was imported.");
        if (pack?.Length > Pack.LargestBytes || Pasted?.Length > Pack.LargestBytes)
            return Refuse(
                StatusCodes.Status413PayloadTooLarge,
                $"The pack is larger than {Pack.LargestBytes / 1_000_000} MB. Split it. Nothing was imported."
            );

        var bytes = new MemoryStream();
        if (pack is not null)
            await pack.CopyToAsync(bytes, cancel);
        else
            bytes.Write(System.Text.Encoding.UTF8.GetBytes(Pasted!));
        try
        {
            ImportMode how = mode switch
            {
                "replace" => ImportMode.Replace,
                "new-only" => ImportMode.NewOnly,
                _ => ImportMode.Preview,
            };
            Outcome = import.Run(
                bytes.ToArray(),
                how,
                pack is not null ? Path.GetFileName(pack.FileName)
                    : string.IsNullOrWhiteSpace(Source) ? "pasted text"
                    : Source
            );
        }
        catch (JsonException why)
        {
            return Refuse(
                StatusCodes.Status422UnprocessableEntity,
                $"This is not JSON: line {why.LineNumber + 1}, byte {why.BytePositionInLine + 1}. Nothing was imported."
            );
        }
        // What came as a file is kept as text, so that the decision needs no second choosing.
        if (pack is not null)
        {
            ModelState.Remove(nameof(Pasted));
            ModelState.Remove(nameof(Source));
            Pasted = System.Text.Encoding.UTF8.GetString(bytes.ToArray());
            Source = Path.GetFileName(pack.FileName);
        }
        if (Outcome.Errors.Count > 0)
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    PageResult Refuse(int status, string problem)
    {
        Response.StatusCode = status;
        Problem = problem;
        return Page();
    }
}
