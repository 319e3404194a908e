using System.IO.Compression;
using System.Text.Json;
using Microsoft.OpenApi;
using RustCabin.Core.Declared;
using RustCabin.Core.Images;
using RustCabin.Core.Rom;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Rom;

public sealed record WiringAnswer(
    bool Fits,
    IReadOnlyList<int> Lift,
    IReadOnlyList<WireLink> Links,
    IReadOnlyList<PinTie> Ties,
    IReadOnlyList<int> Empty,
    IReadOnlyList<FindingJson> Findings
);

public sealed record InspectAnswer(
    int Size,
    string Crc32,
    string Sha1,
    string Sha256,
    uint Sum16,
    uint Sum32,
    int BlankBytes,
    bool RepeatedHalves,
    string ByteOrder
);

/// <summary>The calls under <c>/api/v1/rom</c>: a device in a socket, and images as form files.</summary>
static class RomCalls
{
    const long LargestForm = 160_000_000;

    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapCall("rom/wiring", "A device wired into a socket", (WiringAsked asked) => Of(asked.Wiring));
        Form(
                routes.MapPost(
                    "/api/v1/rom/inspect",
                    (HttpRequest request, HeavyWork work) =>
                        With(
                            request,
                            form =>
                                form.Images.Count == 1
                                    ? Call.Placed(work, request.HttpContext, () => Inspect(form.Images[0]), light: false)
                                    : throw new FormatException(
                                        $"image: {form.Images.Count} images are given; one is inspected at a time"
                                    )
                        )
                ),
                "rom-inspect",
                "What an image is",
                "image, formatIn"
            )
            .Produces<InspectAnswer>();
        Form(
                routes.MapPost(
                    "/api/v1/rom/transform",
                    (HttpRequest request, HeavyWork heavy) =>
                        With(
                            request,
                            async form =>
                            {
                                if (RomOp.TooMuch([.. form.Images.Select(i => (long)i.Length)], form.Ops) is { } tooMuch)
                                    throw tooMuch;
                                CancellationToken gone = request.HttpContext.RequestAborted;
                                return await Call.Placed(heavy, request.HttpContext, () => Transform(form, gone), light: false);
                            }
                        )
                ),
                "rom-transform",
                "A chain of operations on images",
                "image (repeatable, in order), ops, formatIn, formatOut"
            )
            .Produces<byte[]>(200, "application/octet-stream", "application/zip");
    }

    static RouteHandlerBuilder Form(RouteHandlerBuilder call, string name, string summary, string fields) =>
        call.WithName(name)
            .WithSummary(summary)
            .WithDescription($"A form with {fields}.")
            .DisableAntiforgery()
            .WithMetadata(new Microsoft.AspNetCore.Mvc.RequestSizeLimitAttribute(LargestForm))
            .ProducesProblem(400)
            .ProducesProblem(413)
            .ProducesProblem(415)
            .ProducesProblem(422)
            .AddOpenApiOperationTransformer(
                (operation, _, _) =>
                {
                    operation.RequestBody = new OpenApiRequestBody
                    {
                        Description = fields,
                        Required = true,
                        Content = new Dictionary<string, OpenApiMediaType>
                        {
                            ["multipart/form-data"] = new() { Schema = new OpenApiSchema { Type = JsonSchemaType.Object } },
                        },
                    };
                    return Task.CompletedTask;
                }
            );

    static WiringAnswer Of(RomWiring wiring) =>
        new(wiring.Fits, wiring.Lift, wiring.Links, wiring.Ties, wiring.Empty, [.. wiring.Findings.Select(AnswerJson.Of)]);

    sealed record ImageForm(IReadOnlyList<byte[]> Images, IReadOnlyList<RomOp> Ops, RomFormat Out);

    static IResult Inspect(byte[] image)
    {
        var seen = RomInspection.Of(image);
        return BoundedJson.Of(
            new InspectAnswer(
                seen.Size,
                seen.Crc32,
                seen.Sha1,
                seen.Sha256,
                seen.Sum16,
                seen.Sum32,
                seen.BlankBytes,
                seen.RepeatedHalves,
                Words<ByteOrder>.Of(seen.ByteOrder)
            )
        );
    }

    static IResult Transform(ImageForm form, CancellationToken gone)
    {
        IReadOnlyList<byte[]> images = RomOp.Run(form.Images, form.Ops, gone);
        string extension = form.Out switch
        {
            RomFormat.Ihex => "hex",
            RomFormat.Srec => "srec",
            _ => "bin",
        };
        if (images.Count == 1)
            return Results.Bytes(RomFile.Write(form.Out, images[0]), "application/octet-stream", $"image.{extension}");
        var zip = new MemoryStream();
        using (var archive = new ZipArchive(zip, ZipArchiveMode.Create, leaveOpen: true))
            foreach ((int i, byte[] image) in images.Index())
            {
                using Stream entry = archive.CreateEntry($"image-{i}.{extension}").Open();
                entry.Write(RomFile.Write(form.Out, image));
            }
        return Results.Bytes(zip.ToArray(), "application/zip", "images.zip");
    }

    static async Task<IResult> With(HttpRequest request, Func<ImageForm, Task<IResult>> use)
    {
        if (!request.HasFormContentType)
            return Problems.Of(
                StatusCodes.Status415UnsupportedMediaType,
                "The body must be a form.",
                new SheetError("", $"\"{request.ContentType}\" is not read here")
            );
        if (request.ContentLength > LargestForm)
            return Problems.TooLarge();
        try
        {
            return await use(Read(await RomForm.ReadAsync(request, LargestForm, request.HttpContext.RequestAborted)));
        }
        catch (RomOpException wrong)
        {
            return Problems.Invalid([new SheetError($"ops[{wrong.At}]", wrong.Message)]);
        }
        catch (FormatException wrong)
        {
            int colon = wrong.Message.IndexOf(": ", StringComparison.Ordinal);
            return Problems.Invalid([
                wrong is RomFileException
                    ? new SheetError("image", wrong.Message)
                    : new SheetError(wrong.Message[..Math.Max(0, colon)], wrong.Message[(colon + 2)..]),
            ]);
        }
        catch (Exception cut) when (cut is InvalidDataException or BadHttpRequestException or IOException)
        {
            // Cut off, badly chunked, or no form at all.
            return Problems.Of(StatusCodes.Status400BadRequest, "The form does not read.", new SheetError("", "not a form"));
        }
    }

    /// <exception cref="FormatException">A field is missing or wrong: its name, a colon, and why.</exception>
    static ImageForm Read(RomForm form)
    {
        RomFormat Format(string field) =>
            form[field] is not { Length: > 0 } word ? RomFormat.Bin
            : Words<RomFormat>.TryParse(word, out RomFormat format) ? format
            : throw new FormatException($"{field}: \"{word}\" is not one of {string.Join(", ", Words<RomFormat>.All)}");
        RomFormat read = Format("formatIn"),
            write = Format("formatOut");
        IReadOnlyList<RomOp> ops = [];
        if (form["ops"] is { Length: > 0 } text)
        {
            try
            {
                // Read as packs are: an escape that spells half a character is no text.
                string list = text.TrimStart().StartsWith('{') ? $"[{text}]" : text;
                using JsonDocument json = Core.Packs.PackReader.Parse(System.Text.Encoding.UTF8.GetBytes(list));
                (ops, IReadOnlyList<SheetError> errors) = RomOp.Read(json.RootElement);
                if (errors.Count > 0)
                    throw new FormatException($"{errors[0].Path}: {errors[0].Message}");
            }
            catch (JsonException)
            {
                throw new FormatException("ops: this is not JSON");
            }
        }
        if (form.Images.Count == 0)
            throw new FormatException("image: is missing");
        if (form.Images.Count > RomOp.MostImages)
            throw new FormatException($"image: {form.Images.Count} are given; {RomOp.MostImages} are the most");
        var images = new List<byte[]>();
        foreach ((string file, ReadOnlyMemory<byte> bytes) in form.Images)
        {
            if (bytes.Length > RomFile.Largest * 3L)
                throw new FormatException($"image: {file} is too large");
            images.Add(RomFile.Read(read, bytes.Span).Bytes);
        }
        return new ImageForm(images, ops, write);
    }
}
