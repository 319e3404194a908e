using System.Text.Json;
using RustCabin.Core.Maps;

namespace RustCabin.Core.Sheets;

/// <summary>A bare map as it was read, or every error in it.</summary>
public sealed record MapReading(
    int AddressBits,
    IReadOnlyList<string> Masters,
    IReadOnlyList<DecodedClaim>? Claims,
    IReadOnlyList<SheetError> Errors
);

/// <summary>Reads <c>{ addressBits, masters, claims }</c>, the claims as on a model sheet but without revisions or self-configuration.</summary>
public static class MapReader
{
    sealed record Bare(int AddressBits, IReadOnlyList<string> Masters, IReadOnlyList<Claim> Claims);

    public static MapReading Read(JsonElement root)
    {
        var errors = new List<SheetError>();
        Bare? bare = Fields.Read(
            root,
            "",
            errors,
            f =>
            {
                var read = new Bare(
                    f.Require("addressBits", f.Whole("addressBits", 1, ModelReader.WidestAddress)),
                    f.Ids("masters"),
                    f.Children("claims", ModelReader.ReadClaim)
                );
                if (read.Masters.Count is 0 or > 32)
                    f.Wrong("masters", "must name 1 to 32 bus masters");
                return read;
            }
        );
        if (bare is null)
            return new MapReading(0, [], null, errors);

        var told = errors.Select(e => e.Path).ToHashSet();
        foreach ((int i, Claim claim) in bare.Claims.Index())
        {
            if (claim.Auto)
                errors.Add(new SheetError($"claims[{i}].auto", "a bare map has no window for self-configuration"));
            errors.AddRange(
                PackReferences
                    .CheckClaim(claim, $"claims[{i}]", bare.AddressBits, bare.Masters, bare.Claims)
                    .Where(e => !told.Contains(e.Path))
            );
            foreach ((int k, string name) in claim.Overlays.Index())
                if (bare.Claims.All(c => c.Id != name))
                    errors.Add(new SheetError($"claims[{i}].overlays[{k}]", $"\"{name}\" is not a claim of this map"));
        }
        errors.AddRange(PackReferences.Twice(bare.Claims.Select(c => c.Id), "claims"));
        return errors.Count > 0
            ? new MapReading(bare.AddressBits, bare.Masters, null, errors)
            : new MapReading(
                bare.AddressBits,
                bare.Masters,
                [.. bare.Claims.Select(c => DecodedClaim.From(c, c.Id, c.Base!.Value.Value, bare.Masters, c.Overlays))],
                []
            );
    }
}
