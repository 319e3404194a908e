using System.Text.Json;
using RustCabin.Core.Maps;
using RustCabin.Core.Sheets;
using RustCabin.Core.Switches;

namespace RustCabin.Web.Api;

/// <summary>A call that takes a pack with one job, or with several and <c>?job=id</c>.</summary>
static class JobCall
{
    /// <summary>Answers for the job that is meant, or says by problem document what keeps it from being answered.</summary>
    public static IResult Answer(JsonElement body, string? wanted, Func<Pack, Job, object> answer)
    {
        PackReading reading = PackReader.Read(body);
        if (reading.Pack is not { } pack)
            return Problems.Invalid(reading.Errors);
        if (wanted is not null && pack.FindJob(wanted) is null)
            return Problems.Of(
                StatusCodes.Status404NotFound,
                "No such job.",
                new SheetError("job", $"\"{wanted}\" is not a job of this pack")
            );
        if (wanted is null && pack.Jobs.Count != 1)
            return Problems.Invalid([
                new SheetError(
                    "jobs",
                    pack.Jobs.Count == 0 ? "holds no job" : $"holds {pack.Jobs.Count} jobs: say which with ?job=id"
                ),
            ]);
        try
        {
            return TypedResults.Ok(answer(pack, wanted is null ? pack.Jobs[0] : pack.FindJob(wanted)!));
        }
        catch (Exception wide) when (wide is MapTooDenseException or TooManyTriedException)
        {
            return Problems.Invalid([new SheetError("", wide.Message)]);
        }
    }
}
