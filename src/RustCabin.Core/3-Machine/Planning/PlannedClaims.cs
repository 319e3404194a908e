using RustCabin.Core.Declared;
using RustCabin.Core.Maps;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Planning;

/// <summary>
/// The claims of a planned unit: those of the model that hold for its revision, those of its parts whose switches allow them,
/// what the parts change about either (<c>sets</c>), and the places that self-configuration gives. Source:
/// docs/handbook/memory.md, Claims.
/// </summary>
static class PlannedClaims
{
    sealed record Draft(ClaimName Owner, Claim Claim, int Order)
    {
        public bool Off { get; init; }
        public IReadOnlyList<ClaimName> Overlays { get; init; } = [];
    }

    public static (IReadOnlyList<DecodedClaim>, IReadOnlyList<Unplaced>) Of(
        Model model,
        string revision,
        IReadOnlyList<Instance> instances
    )
    {
        var drafts = new List<Draft>();
        Instance? mainboard = instances.FirstOrDefault(i => i.IsMainboard);
        string? Elsewhere(string key) => Instance.PositionOf(mainboard, key, instances);
        foreach (Claim claim in model.Claims)
            if ((claim.Revisions.Count == 0 || claim.Revisions.Contains(revision)) && claim.When.Holds(Elsewhere))
                drafts.Add(
                    new Draft(ClaimName.Model(claim.Id), claim, -1)
                    {
                        Overlays = [.. claim.Overlays.Select(o => ClaimName.On("", o))],
                    }
                );

        foreach (Instance instance in instances)
        foreach (Claim claim in instance.Part.Claims)
            if (
                (claim.Revisions.Count == 0 || claim.Revisions.Contains(revision))
                && claim.When.Holds(key => Instance.PositionOf(instance, key, instances))
            )
                drafts.Add(
                    new Draft(ClaimName.Part(instance.Name, claim.Id), claim, SlotOrder(model, instance))
                    {
                        Overlays =
                        [
                            .. claim.Overlays.Select(o =>
                                ClaimName.On(instance.Part.Claims.Any(c => c.Id == o) ? instance.Name : "", o)
                            ),
                        ],
                    }
                );

        ApplySets(drafts, instances);
        drafts.RemoveAll(d => d.Off);
        return Configure(model, drafts);
    }

    static void ApplySets(List<Draft> drafts, IReadOnlyList<Instance> instances)
    {
        foreach (Instance instance in instances)
        foreach (
            SetChange set in instance.Part.Sets.Where(s => s.When.Holds(key => Instance.PositionOf(instance, key, instances)))
        )
            for (int i = 0; i < drafts.Count; i++)
                if (drafts[i].Owner == ClaimName.On(instance.Name, set.Claim))
                    drafts[i] = drafts[i] with
                    {
                        Off = drafts[i].Off || set.Off,
                        Claim = drafts[i].Claim with
                        {
                            Size = set.Size ?? drafts[i].Claim.Size,
                            Base = set.Base ?? drafts[i].Claim.Base,
                            Masters = set.Masters.Count > 0 ? set.Masters : drafts[i].Claim.Masters,
                        },
                    };
    }

    /// <summary>
    /// The place of the part's first site on the model sheet: self-configuration goes through the slots in that order.
    /// </summary>
    static int SlotOrder(Model model, Instance instance)
    {
        int order = instance
            .Occupied.Select(o =>
                model.Sites.Index().FirstOrDefault(s => s.Item.Id == o.Site, (Index: int.MaxValue, Item: null!)).Index
            )
            .DefaultIfEmpty(int.MaxValue)
            .Min();
        return order;
    }

    static (IReadOnlyList<DecodedClaim>, IReadOnlyList<Unplaced>) Configure(Model model, List<Draft> drafts)
    {
        AddressMap.DemandFewMirrors(model.AddressBits, drafts.Select(d => (d.Claim.Size!.Value.Bytes, d.Claim.Mask?.Value)));
        var placed = new DecodedClaim?[drafts.Count];
        var unplaced = new List<Unplaced>();
        var taken = new List<(AddressRange Range, ClaimName Owner)>();
        foreach ((int i, Draft draft) in drafts.Index().Where(d => !d.Item.Claim.Auto))
        {
            placed[i] = Decoded(model, draft, draft.Claim.Base!.Value.Value);
            if (draft.Claim.Space == BusSpace.Io)
                continue;
            taken.AddRange(
                Decode.Runs(placed[i]!, model.AddressBits).Select(r => (new AddressRange(new(r.From), new(r.To)), draft.Owner))
            );
        }
        foreach ((int i, Draft draft) in drafts.Index().Where(d => d.Item.Claim.Auto).OrderBy(d => d.Item.Order))
        {
            ulong size = draft.Claim.Size!.Value.Bytes;
            if (FreePlace(model.AutoWindows, size, taken) is { } from)
            {
                placed[i] = Decoded(model, draft, from);
                taken.Add((AddressRange.Of(from, size), draft.Owner));
            }
            else
            {
                unplaced.Add(new Unplaced(draft.Owner, size, WhyNoRoom(model, taken)));
            }
        }
        return ([.. placed.OfType<DecodedClaim>()], unplaced);
    }

    /// <summary>Window base + k x size, for the lowest k whose range is free; window after window.</summary>
    static ulong? FreePlace(IReadOnlyList<AutoWindow> windows, ulong size, List<(AddressRange Range, ClaimName Owner)> taken)
    {
        foreach (AutoWindow window in windows)
            for (ulong from = window.Base.Value; from - window.Base.Value + size <= window.Size.Bytes; )
            {
                AddressRange place = AddressRange.Of(from, size);
                int hit = taken.FindIndex(t => t.Range.Touches(place));
                if (hit < 0)
                    return from;
                // The next place that lies beyond what is in the way.
                from = window.Base.Value + (taken[hit].Range.To.Value - window.Base.Value) / size * size + size;
            }
        return null;
    }

    static IReadOnlyList<string> WhyNoRoom(Model model, List<(AddressRange Range, ClaimName Owner)> taken)
    {
        if (model.AutoWindows.Count == 0)
            return [$"{model.Name} has no window for self-configuring cards."];
        return
        [
            .. model.AutoWindows.Select(w =>
                $"Window {IdText.Plain(w.Id)}: "
                + $"{AddressRange.Of(w.Base.Value, Math.Max(1, w.Size.Bytes)).ToScreen(model.AddressBits)}, "
                + $"{w.Size}."
            ),
            .. from t in taken
            where model.AutoWindows.Any(w => w.Size.Bytes > 0 && AddressRange.Of(w.Base.Value, w.Size.Bytes).Touches(t.Range))
            orderby t.Range.From
            select $"Taken: {t.Range.ToScreen(model.AddressBits)} by {t.Owner.Plain}.",
        ];
    }

    static DecodedClaim Decoded(Model model, Draft draft, ulong from) =>
        DecodedClaim.From(draft.Claim, draft.Owner, from, model.Masters, draft.Overlays);
}
