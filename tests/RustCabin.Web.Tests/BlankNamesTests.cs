using System.Net;
using Microsoft.AspNetCore.Routing;
using Microsoft.AspNetCore.Routing.Patterns;
using Microsoft.Extensions.DependencyInjection;

namespace RustCabin.Web.Tests;

/// <summary>
/// Addresses whose names are blank, or are no names of anything, find nothing: at every page and file that takes a name.
/// </summary>
public sealed class BlankNamesTests : OnACabin
{
    static readonly string[] Odd = ["%20", "%09", "%20%20", "%C2%A0", "%00", "none", "."];

    /// <summary>Names that are there, by what a route calls them: so that one name is odd where the others are right.</summary>
    static readonly Dictionary<string, string> Right = new()
    {
        ["unit"] = "slip-3",
        ["job"] = "slip-3-winter",
        ["kind"] = "model",
        ["key"] = "brindle",
    };

    [Fact]
    public async Task Every_address_with_an_odd_name_in_it_is_answered_without_an_error()
    {
        RoutePattern[] routes =
        [
            .. Cabin
                .Services.GetRequiredService<EndpointDataSource>()
                .Endpoints.OfType<RouteEndpoint>()
                .Where(e => e.Metadata.GetMetadata<HttpMethodMetadata>() is not { } m || m.HttpMethods.Contains("GET"))
                .Select(e => e.RoutePattern)
                .Where(p => p.Parameters.Count > 0)
                .DistinctBy(p => p.RawText),
        ];
        Assert.True(routes.Length > 25, $"{routes.Length} routes");
        var broken = new List<string>();
        foreach (RoutePattern route in routes)
        foreach (RoutePatternParameterPart odd in route.Parameters)
        foreach (string name in Odd)
        {
            string url =
                $"/{string.Join('/', route.PathSegments.Select(s => string.Concat(s.Parts.Select(p => Part(p, odd, name)))))}";
            using HttpResponseMessage answer = await Cabin.Http.GetAsync(url);
            if ((int)answer.StatusCode >= 500)
                broken.Add($"{route.RawText}: {(int)answer.StatusCode} {url}");
        }
        Assert.Equal("", string.Join('\n', broken));
    }

    static string Part(RoutePatternPart part, RoutePatternParameterPart odd, string name) =>
        part switch
        {
            RoutePatternLiteralPart literal => literal.Content,
            RoutePatternSeparatorPart separator => separator.Content,
            RoutePatternParameterPart parameter when parameter == odd => name,
            RoutePatternParameterPart parameter => Right.GetValueOrDefault(parameter.Name, "1"),
            _ => "",
        };

    [Theory]
    [InlineData("/units/%20")]
    [InlineData("/units/%20/label")]
    [InlineData("/jobs/%20/build")]
    [InlineData("/tools/%20")]
    public async Task A_blank_name_is_the_name_of_nothing(string url) => await Cabin.Page(url, HttpStatusCode.NotFound);
}
