using System.ComponentModel.DataAnnotations;
using System.Text.Json;
using RustCabin.Core.Declared;
using RustCabin.Core.Maps;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Packs;

/// <summary>What <c>map</c> takes: bare claims.</summary>
public sealed record MapAsked : ICompleted<MapAsked>
{
    /// <summary>The width of the space.</summary>
    [Required, Range(1, Model.WidestAddress), UnitOf("bits"), Display(Description = "The width of the address space.")]
    public int AddressBits { get; init; }

    /// <summary>The bus masters.</summary>
    [Id, Display(Description = "The bus masters, 1 to 32.")]
    public IReadOnlyList<string> Masters { get; init; } = [];

    /// <summary>The claims.</summary>
    [Display(Description = "The claims, as on a model sheet, without self-configuration.")]
    public IReadOnlyList<Claim> Claims { get; init; } = [];

    /// <summary>The claims as they answer; the claims must have been read without error.</summary>
    public IReadOnlyList<DecodedClaim> Decoded =>
        [
            .. Claims.Select(c =>
                DecodedClaim.From(c, ClaimName.Parse(c.Id), c.Base!.Value.Value, Masters, [.. c.Overlays.Select(ClaimName.Parse)])
            ),
        ];

    /// <inheritdoc/>
    public MapAsked Completed(RecordReading read)
    {
        if (Masters.Count is 0 or > 32)
            read.Wrong("masters", "must name 1 to 32 bus masters");
        foreach (string twice in Masters.GroupBy(m => m).Where(g => g.Count() > 1).Select(g => g.Key))
            read.Wrong("masters", $"\"{twice}\" is used twice");
        return this;
    }
}

/// <summary>Reads bare maps: the claims by themselves, then what they say of each other.</summary>
public static class MapReader
{
    /// <summary>Reads what <c>map</c> takes.</summary>
    public static Reading<MapAsked> Read(JsonElement root)
    {
        var reading = new SheetReading();
        Reading<MapAsked> read = Declaration<MapAsked>.Read(root);
        reading.Errors.AddRange(read.Errors);
        if (read.Errors.Count >= SheetReading.MostErrors || Declaration<MapAsked>.Read(root, new SheetReading()) is not { } asked)
            return new Reading<MapAsked>(null, reading.Errors);
        List<SheetError> errors = reading.Errors;
        var told = errors.Select(e => e.Path).ToHashSet();
        foreach ((int i, Claim claim) in asked.Claims.Index())
        {
            if (claim.Space == BusSpace.Io)
                errors.Add(new SheetError($"claims[{i}].space", "a bare map is one space; ask for the ports by themselves"));
            if (claim.Auto)
                errors.Add(new SheetError($"claims[{i}].auto", "a bare map has no window for self-configuration"));
            errors.AddRange(
                PackReferences
                    .CheckClaim(claim, $"claims[{i}]", asked.AddressBits, asked.Masters, asked.Claims)
                    .Where(e => !told.Contains(e.Path))
            );
            foreach ((int k, string name) in claim.Overlays.Index())
                if (asked.Claims.All(c => c.Id != name))
                    errors.Add(new SheetError($"claims[{i}].overlays[{k}]", $"\"{name}\" is not a claim of this map"));
        }
        errors.AddRange(PackReferences.Twice(asked.Claims.Select(c => c.Id), "claims"));
        return Reading<MapAsked>.Of(asked, errors);
    }
}
