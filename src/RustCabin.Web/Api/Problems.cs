using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Api;

/// <summary>RFC 9457 problem documents with <c>errors: [{ path, message }]</c>.</summary>
static class Problems
{
    sealed record ErrorJson(string Path, string Message);

    public static ProblemHttpResult Of(int status, string title, params IEnumerable<SheetError> errors)
    {
        var problem = new ProblemDetails { Status = status, Title = title };
        problem.Extensions["errors"] = errors.Select(e => new ErrorJson(e.Path, e.Message)).ToArray();
        return TypedResults.Problem(problem);
    }

    public static ProblemHttpResult NotJson(JsonException why) =>
        Of(
            StatusCodes.Status400BadRequest,
            "The body is not JSON.",
            new SheetError("", $"line {why.LineNumber + 1}, byte {why.BytePositionInLine + 1}: not JSON")
        );

    public static ProblemHttpResult TooLarge() =>
        Of(
            StatusCodes.Status413PayloadTooLarge,
            "The body is too large.",
            new SheetError("", $"more than {Pack.LargestBytes:#,0} bytes")
        );

    public static ProblemHttpResult Invalid(IReadOnlyList<SheetError> errors) =>
        Of(
            StatusCodes.Status422UnprocessableEntity,
            errors.Count == 1 ? "The body has an error." : $"The body has {errors.Count} errors.",
            errors
        );
}
