using System.Text.Json;
using RustCabin.Core.Choices;
using RustCabin.Core.Declared;
using RustCabin.Core.Maps;
using RustCabin.Core.Packs;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Api;

/// <summary>
/// How calls under <c>/api/v1</c> are declared: what one takes is a declared record, from which its reading and its schema
/// come; what it gives is a record of its own. No state is kept. Source: docs/formats.md, The JSON interface.
/// </summary>
static class Call
{
    const string Root = "/api/v1/";

    /// <summary>A call that takes a declared record. Its errors are told all at once.</summary>
    public static void MapCall<TAsked, TAnswer>(
        this IEndpointRouteBuilder routes,
        string path,
        string summary,
        Func<TAsked, TAnswer> answer,
        Func<JsonElement, Reading<TAsked>>? read = null,
        bool heavy = false
    )
        where TAsked : class, new() =>
        Describe<TAnswer>(
            Map(routes, path, asked => Json(answer(asked)), read ?? (json => Declaration<TAsked>.Read(json)), heavy),
            path,
            summary,
            Declaration<TAsked>.Shape
        );

    /// <summary>A call that takes a declared record and gives a file, or a problem.</summary>
    /// <param name="routes">Where it is put.</param>
    /// <param name="path">Its path under the root.</param>
    /// <param name="summary">What it is for.</param>
    /// <param name="answer">What it gives.</param>
    /// <param name="read">How it is read.</param>
    /// <param name="media">The kinds of files that it gives, the usual one first.</param>
    public static void MapFileCall<TAsked>(
        this IEndpointRouteBuilder routes,
        string path,
        string summary,
        Func<TAsked, IResult> answer,
        Func<JsonElement, Reading<TAsked>> read,
        params string[] media
    )
        where TAsked : class, new() =>
        Describe(Map(routes, path, answer, read, heavy: false), path, summary, Declaration<TAsked>.Shape)
            .Produces<byte[]>(200, media[0], media[1..]);

    /// <summary>An answer; null is told as null, not as nothing.</summary>
    static IResult Json<T>(T answer) =>
        answer is null ? TypedResults.Content("null", "application/json") : TypedResults.Ok(answer);

    static RouteHandlerBuilder Map<TAsked>(
        IEndpointRouteBuilder routes,
        string path,
        Func<TAsked, IResult> answer,
        Func<JsonElement, Reading<TAsked>> read,
        bool heavy
    )
        where TAsked : class, new()
    {
        IResult Answer(JsonElement body)
        {
            Reading<TAsked> reading = read(body);
            if (reading.Value is not { } value)
                return Problems.Invalid(reading.Errors);
            try
            {
                return answer(value);
            }
            catch (MapTooDenseException dense)
            {
                return Problems.Invalid([new SheetError("claims", dense.Message)]);
            }
            catch (OutOfTimeException)
            {
                return Problems.Of(
                    StatusCodes.Status422UnprocessableEntity,
                    $"Not decided within {HeavyWork.AtMost.TotalSeconds:0} seconds.",
                    []
                );
            }
        }
        async Task<IResult> Placed(JsonElement body, HttpContext context) =>
            await context.RequestServices.GetRequiredService<HeavyWork>().Do(() => Answer(body), context.RequestAborted)
            ?? HeavyWork.ComeAgain(context.Response);
        return routes.MapPost(
            Root + path,
            (HttpRequest request) =>
                JsonBody.With(request, body => heavy ? Placed(body, request.HttpContext) : Task.FromResult(Answer(body)))
        );
    }

    /// <summary>A call that takes a pack with one job, or with several and <c>?job=id</c>.</summary>
    public static void MapJobCall<TAnswer>(
        this IEndpointRouteBuilder routes,
        string path,
        string summary,
        Func<Pack, Job, CancellationToken, TAnswer> answer
    )
        where TAnswer : notnull => routes.MapAskingJobCall(path, summary, (pack, job, _, gone) => answer(pack, job, gone));

    /// <summary>The same for a call that asks more in its address; it may refuse what stands there.</summary>
    public static void MapAskingJobCall<TAnswer>(
        this IEndpointRouteBuilder routes,
        string path,
        string summary,
        Func<Pack, Job, IQueryCollection, CancellationToken, TAnswer> answer
    )
        where TAnswer : notnull =>
        Describe<TAnswer>(
                routes.MapPost(
                    Root + path,
                    async (HttpRequest request, string? job, HeavyWork heavy) =>
                    {
                        CancellationToken gone = request.HttpContext.RequestAborted;
                        return await JsonBody.With(
                            request,
                            async body =>
                                await heavy.Do(() => ForJob(body, job, (p, j) => answer(p, j, request.Query, gone)), gone)
                                ?? HeavyWork.ComeAgain(request.HttpContext.Response)
                        );
                    }
                ),
                path,
                summary,
                Declaration<PackSheet>.Shape
            )
            .WithDescription("Takes a pack (rustcabin.pack/1) with one job, or with several and ?job=id.")
            .ProducesProblem(404);

    /// <summary>A call that takes a pack of which no job is asked for; it may refuse what stands in its address.</summary>
    public static void MapPackCall<TAnswer>(
        this IEndpointRouteBuilder routes,
        string path,
        string summary,
        Func<Pack, IQueryCollection, TAnswer> answer
    )
        where TAnswer : notnull =>
        Describe<TAnswer>(
            routes.MapPost(
                Root + path,
                (HttpRequest request) =>
                    JsonBody.With(request, body => Task.FromResult(ForPack(body, p => answer(p, request.Query))))
            ),
            path,
            summary,
            Declaration<PackSheet>.Shape
        );

    static IResult ForPack(JsonElement body, Func<Pack, object> answer)
    {
        Reading<Pack> reading = PackReader.Read(body);
        if (reading.Value is not { } pack)
            return Problems.Invalid(reading.Errors);
        try
        {
            return TypedResults.Ok(answer(pack));
        }
        catch (RefusedException refused)
        {
            return Problems.Invalid([new SheetError(refused.Field, refused.Message)]);
        }
    }

    static RouteHandlerBuilder Describe<TAnswer>(RouteHandlerBuilder call, string path, string summary, Shape takes) =>
        Describe(call, path, summary, takes).Produces<TAnswer>();

    static RouteHandlerBuilder Describe(RouteHandlerBuilder call, string path, string summary, Shape takes) =>
        call.WithName(path.Replace('/', '-'))
            .WithSummary(summary)
            .DisableAntiforgery()
            .TakesJson(takes)
            .ProducesProblem(400)
            .ProducesProblem(413)
            .ProducesProblem(415)
            .ProducesProblem(422);

    static IResult ForJob(JsonElement body, string? wanted, Func<Pack, Job, object> answer)
    {
        Reading<Pack> reading = PackReader.Read(body);
        if (reading.Value is not { } pack)
            return Problems.Invalid(reading.Errors);
        if (wanted is not null && pack.FindJob(wanted) is null)
            return Problems.Of(
                StatusCodes.Status404NotFound,
                "No such job.",
                new SheetError("job", $"\"{wanted}\" is not a job of this pack")
            );
        if (wanted is null && pack.Jobs.Count != 1)
        {
            string holds = pack.Jobs.Count == 0 ? "holds no job" : $"holds {pack.Jobs.Count} jobs: say which with ?job=id";
            return Problems.Invalid([new SheetError("jobs", holds)]);
        }
        try
        {
            return TypedResults.Ok(answer(pack, wanted is null ? pack.Jobs[0] : pack.FindJob(wanted)!));
        }
        catch (RefusedException refused)
        {
            return Problems.Invalid([new SheetError(refused.Field, refused.Message)]);
        }
        catch (Exception wide) when (wide is MapTooDenseException or TooManyTriedException)
        {
            return Problems.Invalid([new SheetError("", wide.Message)]);
        }
    }
}
