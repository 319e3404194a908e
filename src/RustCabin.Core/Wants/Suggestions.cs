using System.Text.Json.Nodes;
using RustCabin.Core.Fit;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Wants;

/// <summary>A want that some part of the cabin could give on this machine, in words and as a sheet writes it.</summary>
public sealed record Suggestion(string Words, JsonObject Want);

public static class Suggestions
{
    /// <summary>What could be wanted here: what parts with a way into this board give, the next sizes of memory, and titles of such machines. Wants that stand already are left out.</summary>
    public static IReadOnlyList<Suggestion> Of(PlannedUnit unit, Pack pack)
    {
        Part[] parts = [.. pack.Parts.Where(p => FitMatrix.WaysInto(unit.Model, p, unit.Revision.Id).Any())];
        IEnumerable<JsonObject> all =
        [
            .. unit.Model.Masters.Index().SelectMany(m => Sizes(unit, parts, m.Index, m.Item)),
            .. parts
                .Select(p => Math.Floor(p.Speed.GetValueOrDefault("processor")))
                .Where(f => f > 1)
                .Distinct()
                .Order()
                .Select(WantEdits.Speed),
            .. parts
                .Select(p => p.Capacity)
                .OfType<ByteSize>()
                .Distinct()
                .Order()
                .Take(2)
                .Select(c => WantEdits.Storage(SizeText.Of(c))),
            .. parts
                .SelectMany(p => p.Provides)
                .Distinct()
                .Where(p => p is not ("memory" or "speed" or "storage"))
                .Order(StringComparer.Ordinal)
                .Select(p => WantEdits.Named("provides", p)),
            .. pack
                .Titles.Where(t =>
                    t.Needs.All(n => n.Kind != NeedKind.Memory || unit.Model.Masters.Contains(n.What))
                    && t.Needs.All(n => n.Kind != NeedKind.Region || unit.Model.Region.Contains(n.What))
                )
                .Select(t => WantEdits.Named("title", t.Id)),
        ];
        Need[] asked = [.. unit.Job?.Wants ?? []];
        return
        [
            .. all.Select(w => (Want: w, Need: Read(w)))
                .Where(w => !asked.Any(a => Same(a, w.Need)) && NeedCheck.Of(unit, [w.Need]).All(a => a.Met != true))
                .Select(w => new Suggestion(NeedWords.Of(w.Need, unit), w.Want)),
        ];
    }

    /// <summary>The next two doublings of what a master reaches, where parts here bring it memory at all.</summary>
    static IEnumerable<JsonObject> Sizes(PlannedUnit unit, Part[] parts, int index, string master)
    {
        ulong reach = index < unit.Map.Reach.Count ? unit.Map.Reach[index].Bytes : 0;
        ulong brings = parts
            .SelectMany(p => p.Claims)
            .Where(c => c.Kind == ClaimKind.Ram && (c.Masters.Count == 0 || c.Masters.Contains(master)))
            .Select(c => c.Size!.Value.Bytes * (ulong)(c.Window?.Banks ?? 1))
            .Concat(
                parts
                    .SelectMany(p => p.Sets)
                    .Where(s => s.Size is not null && (s.Masters.Count == 0 || s.Masters.Contains(master)))
                    .Select(s => s.Size!.Value.Bytes)
            )
            .DefaultIfEmpty(0ul)
            .Max();
        for (
            (ulong size, int count) = (System.Numerics.BitOperations.RoundUpToPowerOf2(reach + 1), 0);
            brings > 0 && size <= reach + brings && count < 2;
            size *= 2, count++
        )
            yield return WantEdits.Memory(master, SizeText.Of(new ByteSize(size)), free: false);
    }

    /// <summary>A want given as JSON; it must be one.</summary>
    public static Need Read(JsonObject want)
    {
        using var document = System.Text.Json.JsonDocument.Parse(want.ToJsonString());
        var errors = new List<SheetError>();
        Need? need = Fields.Read(document.RootElement, "want", errors, Need.Read);
        return errors.Count == 0 && need is not null ? need : throw new ArgumentException(errors[0].ToString());
    }

    static bool Same(Need a, Need b) =>
        a.Kind == b.Kind
        && a.What == b.What
        && a.AtLeast == b.AtLeast
        && a.Factor == b.Factor
        && a.FreeAfterLoad == b.FreeAfterLoad;
}
