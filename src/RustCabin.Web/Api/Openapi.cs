using Microsoft.AspNetCore.OpenApi;

namespace RustCabin.Web.Api;

static class Openapi
{
    public static void Describe(OpenApiOptions options) => options.AddDocumentTransformer((document, _, _) =>
    {
        document.Info.Title = "Rust Cabin";
        document.Info.Version = "v1";
        document.Info.Description = "What the stations show, as JSON. No state is kept. Sizes are bytes, addresses lower-case hex padded to the address width, ranges inclusive.";
        return Task.CompletedTask;
    });
}
