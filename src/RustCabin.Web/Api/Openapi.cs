using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace RustCabin.Web.Api;

static class Openapi
{
    public static void Describe(OpenApiOptions options) =>
        options.AddDocumentTransformer(
            (document, _, _) =>
            {
                document.Info.Title = "Rust Cabin";
                document.Info.Version = "v1";
                document.Info.Description =
                    "What the stations show, as JSON. No state is kept. Sizes are bytes, addresses lower-case hex padded to the address width, ranges inclusive.";
                return Task.CompletedTask;
            }
        );

    /// <summary>Describes a JSON body without having routing refuse others: the call itself does, with a problem document.</summary>
    public static RouteHandlerBuilder TakesJson(this RouteHandlerBuilder call, string what) =>
        call.AddOpenApiOperationTransformer(
            (operation, _, _) =>
            {
                operation.RequestBody = new OpenApiRequestBody
                {
                    Description = what,
                    Required = true,
                    Content = new Dictionary<string, OpenApiMediaType>
                    {
                        ["application/json"] = new() { Schema = new OpenApiSchema { Type = JsonSchemaType.Object } },
                    },
                };
                return Task.CompletedTask;
            }
        );
}
