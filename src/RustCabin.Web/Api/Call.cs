using System.Text.Json;
using RustCabin.Core.Choices;
using RustCabin.Core.Declared;
using RustCabin.Core.Images;
using RustCabin.Core.Maps;
using RustCabin.Core.Packs;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

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
            Map(routes, path, asked => BoundedJson.Of(answer(asked)), read ?? (json => Declaration<TAsked>.Read(json)), heavy),
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
            return reading.Value is { } value ? answer(value) : Problems.Invalid(reading.Errors);
        }
        return routes.MapPost(
            Root + path,
            (HttpRequest request, HeavyWork work) =>
                JsonBody.With(request, body => Placed(work, request.HttpContext, () => Answer(body), light: !heavy))
        );
    }

    /// <summary>
    /// Does the work of a call in its place, within its time and memory; what is over, too dense or no good is told.
    /// </summary>
    public static async Task<IResult> Placed(HeavyWork work, HttpContext context, Func<IResult> answer, bool light)
    {
        IResult Told()
        {
            try
            {
                return answer();
            }
            catch (RomOpException wrong)
            {
                return Problems.Invalid([new SheetError($"ops[{wrong.At}]", wrong.Message)]);
            }
            catch (RefusedException refused)
            {
                return Problems.Invalid([new SheetError(refused.Field, refused.Message)]);
            }
            catch (MapTooDenseException dense)
            {
                return Problems.Invalid([new SheetError("claims", dense.Message)]);
            }
            catch (OutOfTimeException)
            {
                string late = $"Not decided within {HeavyWork.AtMost.TotalSeconds:0} seconds.";
                return Problems.Of(StatusCodes.Status422UnprocessableEntity, late, new SheetError("", late));
            }
            catch (Exception over) when (over is TooManyTriedException or OverBudgetException)
            {
                return Problems.Invalid([new SheetError("", over.Message)]);
            }
        }
        try
        {
            return await work.Do(Told, context.RequestAborted, light) ?? HeavyWork.ComeAgain(context.Response);
        }
        catch (OperationCanceledException) when (context.RequestAborted.IsCancellationRequested)
        {
            // Nobody is there to be answered.
            return TypedResults.Empty;
        }
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
                    (HttpRequest request, string? job, HeavyWork work) =>
                    {
                        CancellationToken gone = request.HttpContext.RequestAborted;
                        return JsonBody.With(
                            request,
                            body =>
                                Placed(
                                    work,
                                    request.HttpContext,
                                    () => ForJob(body, job, (p, j) => answer(p, j, request.Query, gone)),
                                    light: false
                                )
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
                (HttpRequest request, HeavyWork work) =>
                    JsonBody.With(
                        request,
                        body =>
                            Placed(work, request.HttpContext, () => ForPack(body, p => answer(p, request.Query)), light: false)
                    )
            ),
            path,
            summary,
            Declaration<PackSheet>.Shape
        );

    static IResult ForPack<TAnswer>(JsonElement body, Func<Pack, TAnswer> answer)
    {
        Reading<Pack> reading = PackReader.Read(body);
        return reading.Value is { } pack ? BoundedJson.Of(answer(pack)) : Problems.Invalid(reading.Errors);
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

    static IResult ForJob<TAnswer>(JsonElement body, string? wanted, Func<Pack, Job, TAnswer> answer)
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
        return BoundedJson.Of(answer(pack, wanted is null ? pack.Jobs[0] : pack.FindJob(wanted)!));
    }
}
