using RustCabin.Core.Cards;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Sheets;
using RustCabin.Core.Storage;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Storage;

public sealed record PlanAnswer(
    long UsableBytes,
    long ReachableBytes,
    long UnreachableBytes,
    IReadOnlyList<PartitionJson> Partitions,
    IReadOnlyList<FindingJson> Findings,
    string Script
);

public sealed record PartitionJson(
    string Name,
    long FirstSector,
    long Sectors,
    long Bytes,
    string Fs,
    string Type,
    int? ClusterBytes,
    long? Clusters,
    long? WasteBytes
);

public sealed record ScsiAnswer(
    IReadOnlyDictionary<string, int> Ids,
    IReadOnlyList<string> Terminate,
    IReadOnlyList<FindingJson> Findings
);

public sealed record NamesAnswer(IReadOnlyList<NameVerdict> Names);

public sealed record RouteAnswer(IReadOnlyList<LegJson> Legs, long Pieces, double Minutes);

public sealed record LegJson(
    string From,
    string To,
    ulong? Carries,
    decimal BytesPerSecond,
    decimal MinutesEach,
    long Pieces,
    double Minutes
);

/// <summary>The calls under <c>/api/v1/storage</c>. Source: docs/formats.md, The JSON interface.</summary>
static class StorageCalls
{
    /// <summary>A plan's image in an archive.</summary>
    public const string ImageName = "card.img";

    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapCall(
            "storage/plan",
            "A card divided within what its host can pass",
            (CardAsked asked) => Of(asked),
            Nulls.Read<CardAsked>
        );
        routes.MapFileCall<CardAsked>(
            "storage/image",
            "The image of such a card; over 256 MiB as a sparse archive",
            Image,
            Nulls.Read<CardAsked>,
            "application/octet-stream",
            "application/x-tar"
        );
        routes.MapCall(
            "storage/scsi",
            "Ids and terminators of a SCSI bus",
            (ScsiAsked asked) => Of(asked),
            Nulls.Read<ScsiAsked>
        );
        routes.MapCall(
            "storage/names",
            "File names that a host reads",
            (NamesAsked asked) => new NamesAnswer(ShortNames.Of(asked.Rule, asked.Names))
        );
        routes.MapCall(
            "cards/tree",
            "Where each file of a card goes",
            (TreeAsked asked) => CardTree.Of(asked),
            Nulls.Read<TreeAsked>
        );
        routes.MapCall(
            "releases",
            "Which file of a release is for this board",
            (ReleasesAsked asked) => Release.Of(asked),
            Nulls.Read<ReleasesAsked>
        );
        routes.MapCall(
            "storage/route",
            "The quickest way to move a file",
            (RouteAsked asked) => Of(asked),
            Nulls.Read<RouteAsked>
        );
    }

    static PlanAnswer Of(CardAsked asked)
    {
        CardLayout layout = asked.Layout;
        return new PlanAnswer(
            layout.UsableBytes,
            layout.ReachableBytes,
            layout.UnreachableBytes,
            [
                .. layout.Partitions.Select(p => new PartitionJson(
                    p.Asked.Name,
                    p.FirstSector,
                    p.Sectors,
                    p.Bytes,
                    Words<FileSystem>.Of(p.Fs),
                    p.Type,
                    p.Fat?.ClusterBytes,
                    p.Fat?.Clusters,
                    p.WasteBytes
                )),
            ],
            [.. CardFindings.Of(layout, Subject.Asked("card")).OrderBy(f => f.Severity).Select(AnswerJson.Of)],
            CardScript.Of(layout)
        );
    }

    static IResult Image(CardAsked asked)
    {
        CardLayout layout = asked.Layout;
        if (Refused(layout) is { } wrong)
            return Problems.Invalid([wrong]);
        return File(layout);
    }

    /// <summary>Why a plan has no image; null: it has one.</summary>
    public static SheetError? Refused(CardLayout layout) =>
        layout.Host.Table != TableKind.Pc ? new SheetError("host.table", "only a card with a PC table has an image")
        : CardFindings.Of(layout, Subject.Asked("card")).FirstOrDefault(f => f.Severity == Severity.Stop) is { } stop
            ? new SheetError("partitions", $"{stop.Code}: {stop.Text}")
        : null;

    /// <summary>The image of a card: plain up to 256 MiB, else as a sparse archive.</summary>
    public static IResult File(CardLayout layout)
    {
        var image = CardImage.Of(layout);
        if (image.Bytes > CardImage.LargestPlain)
            return TypedResults.File(SparseTar.Of(image, ImageName), "application/x-tar", "card.tar");
        return new PlainImage(image);
    }

    static ScsiAnswer Of(ScsiAsked asked)
    {
        var bus = ScsiBus.Of(asked);
        return new ScsiAnswer(bus.Ids, bus.Terminated, [.. bus.Findings.Select(AnswerJson.Of)]);
    }

    static RouteAnswer? Of(RouteAsked asked)
    {
        long bytes = (long)asked.Bytes.Bytes;
        return FileRoute.Of(asked) is not { } route
            ? null
            : new RouteAnswer(
                [
                    .. route.Legs.Select(l => new LegJson(
                        l.From,
                        l.To,
                        l.Carries?.Bytes,
                        l.BytesPerSecond,
                        l.MinutesEach,
                        l.PiecesOf(bytes),
                        l.MinutesOf(bytes)
                    )),
                ],
                route.Pieces,
                route.Minutes
            );
    }

    /// <summary>
    /// A plain image, written as it is sent; its length stands before it, so that a browser shows how far it is.
    /// </summary>
    sealed class PlainImage(CardImage image) : IResult
    {
        public async Task ExecuteAsync(HttpContext context)
        {
            context.Response.ContentType = "application/octet-stream";
            context.Response.ContentLength = image.Bytes;
            context.Response.Headers.ContentDisposition = $"attachment; filename={ImageName}";
            await image.WriteTo(context.Response.Body, context.RequestAborted);
        }
    }
}
