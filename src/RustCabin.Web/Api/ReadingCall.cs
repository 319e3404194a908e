using System.Text.Json;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Api;

static class ReadingCall
{
    /// <summary>A call that reads its body whole, answers 422 with every error in it, and else what <paramref name="answer"/> makes of it.</summary>
    public static void MapReading<TRead, TAnswer>(
        this IEndpointRouteBuilder routes,
        string path,
        string name,
        string summary,
        string takes,
        Func<JsonElement, Reading<TRead>> read,
        Func<TRead, TAnswer> answer
    )
        where TRead : class =>
        routes
            .MapPost(
                path,
                (HttpRequest request) =>
                    JsonBody.With(
                        request,
                        body =>
                        {
                            Reading<TRead> reading = read(body);
                            return reading.Value is { } value ? TypedResults.Ok(answer(value)) : Problems.Invalid(reading.Errors);
                        }
                    )
            )
            .WithName(name)
            .WithSummary(summary)
            .DisableAntiforgery()
            .WithDescription(takes)
            .TakesJson(takes)
            .Produces<TAnswer>()
            .ProducesProblem(400)
            .ProducesProblem(413)
            .ProducesProblem(415)
            .ProducesProblem(422);
}
