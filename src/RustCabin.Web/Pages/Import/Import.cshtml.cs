using System.Text.Json;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Sheets;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Import;

/// <summary>Brings a pack in: from a file, or pasted. All of it or nothing.</summary>
[RequestFormLimits(ValueLengthLimit = Pack.LargestBytes + 1, MultipartBodyLengthLimit = Pack.LargestBytes + 100_000)]
[RequestSizeLimit(2 * Pack.LargestBytes)]
public sealed class ImportModel(PackImport import) : PageModel
{
    public ImportOutcome? Outcome { get; private set; }
    public string? Problem { get; private set; }

    [BindProperty]
    public string? Pasted { get; set; }

    [BindProperty]
    public bool Replace { get; set; }

    public void OnGet() => ViewData["Title"] = "Import";

    public async Task<IActionResult> OnPostAsync(IFormFile? pack, CancellationToken cancel)
    {
        ViewData["Title"] = "Import";
        if (pack is null && string.IsNullOrWhiteSpace(Pasted)) return Refuse(StatusCodes.Status422UnprocessableEntity, "Pick a file or paste a pack.");
        if (pack?.Length > Pack.LargestBytes || Pasted?.Length > Pack.LargestBytes) return Refuse(StatusCodes.Status413PayloadTooLarge, $"The pack is larger than {Pack.LargestBytes / 1_000_000} MB. Split it.");

        var bytes = new MemoryStream();
        if (pack is not null) await pack.CopyToAsync(bytes, cancel);
        else bytes.Write(System.Text.Encoding.UTF8.GetBytes(Pasted!));
        try
        {
            Outcome = import.Run(bytes.ToArray(), Replace, pack is null ? "pasted text" : Path.GetFileName(pack.FileName));
        }
        catch (JsonException why)
        {
            return Refuse(StatusCodes.Status422UnprocessableEntity, $"This is not JSON: line {why.LineNumber + 1}, byte {why.BytePositionInLine + 1}.");
        }
        if (!Outcome.Done) Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    PageResult Refuse(int status, string problem)
    {
        Response.StatusCode = status;
        Problem = problem;
        return Page();
    }
}
