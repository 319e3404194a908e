using RustCabin.Core.Maps;
using RustCabin.Core.Packs;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Memory;

/// <summary><c>map</c>: bare claims give segments, fights, mirrors and reach. Claims are named by their own ids.</summary>
static class MapCall
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapCall(
            "map",
            "Resolves claims into an address map",
            (MapAsked asked) => AnswerJson.Of(AddressMap.Resolve(asked.AddressBits, asked.Masters, asked.Decoded)),
            MapReader.Read
        );
}
