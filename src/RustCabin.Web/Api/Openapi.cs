using System.Text.Json.Nodes;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;
using Microsoft.OpenApi.Reader;
using RustCabin.Core.Declared;

namespace RustCabin.Web.Api;

/// <summary>
/// The description of the calls at <c>/openapi/v1.json</c>. What a call takes is described from its declaration.
/// </summary>
static class Openapi
{
    const string At = "#/components/schemas/";

    sealed record Takes(Shape Shape);

    public static void Describe(OpenApiOptions options)
    {
        options.AddDocumentTransformer(
            (document, _, _) =>
            {
                document.Info.Title = "Rust Cabin";
                document.Info.Version = "v1";
                document.Info.Description =
                    "What the stations show, as JSON. No state is kept. Sizes are bytes, addresses lower-case hex padded to "
                    + "the address width, ranges inclusive.";
                return Task.CompletedTask;
            }
        );
        options.AddOperationTransformer(
            (operation, context, _) =>
            {
                if (context.Description.ActionDescriptor.EndpointMetadata.OfType<Takes>().FirstOrDefault() is { } takes)
                    operation.RequestBody = Body(takes.Shape, context.Document!);
                return Task.CompletedTask;
            }
        );
    }

    /// <summary>
    /// Says what a call takes. Routing is not to refuse other bodies: the call itself does, with a problem document.
    /// </summary>
    public static RouteHandlerBuilder TakesJson(this RouteHandlerBuilder call, Shape shape) =>
        call.WithMetadata(new Takes(shape));

    static OpenApiRequestBody Body(Shape shape, OpenApiDocument document)
    {
        var schemas = new SchemaWriter(At);
        schemas.Of(shape);
        foreach ((string name, JsonNode? schema) in schemas.Definitions())
            document.AddComponent(
                name,
                OpenApiModelFactory.Parse<OpenApiSchema>(
                    schema!.ToJsonString(),
                    OpenApiSpecVersion.OpenApi3_1,
                    document,
                    out _,
                    OpenApiConstants.Json
                )!
            );
        return new OpenApiRequestBody
        {
            Required = true,
            Content = new Dictionary<string, OpenApiMediaType>
            {
                ["application/json"] = new() { Schema = new OpenApiSchemaReference(shape.Record!, document) },
            },
        };
    }
}
