using RustCabin.Core.Sheets;

namespace RustCabin.Core.Maps;

/// <summary>
/// Works out which of the claims at one address answer, once those that others switch off there are taken away, master by
/// master. A claim that is itself switched off switches nothing off; claims that switch each other off all go on answering, and
/// so are found to fight. An overlay holds for the masters that get the overlaying claim, and for reads and writes alike,
/// unless it hides reads only: then writes go through to what lies under it.
/// </summary>
sealed class Overlays
{
    readonly Dictionary<int, HashSet<int>> _over = [];
    readonly HashSet<int> _letsWritesThrough = [];

    public Overlays(DecodedClaim[] claims)
    {
        if (claims.All(c => c.Overlays.Count == 0))
            return;
        ILookup<ClaimName, int> byOwner = claims.Index().ToLookup(c => c.Item.Owner, c => c.Index);
        foreach ((int index, DecodedClaim claim) in claims.Index())
            if (claim.Overlays.Count > 0)
            {
                if (claim.Hides == Hides.Read)
                    _letsWritesThrough.Add(index);
                _over[index] = [.. claim.Overlays.SelectMany(owner => byOwner[owner]).Where(other => other != index)];
            }
    }

    public Answering[] Answer(List<int> active, DecodedClaim[] claims)
    {
        if (active.Count == 0)
            return [];
        if (_over.Count == 0 || !active.Exists(_over.ContainsKey))
        {
            var all = new Answering[active.Count];
            for (int i = 0; i < all.Length; i++)
                all[i] = new Answering(active[i], claims[active[i]].Masters);
            return all;
        }
        uint[] reads = Settle(active, claims, writes: false);
        if (!active.Exists(_letsWritesThrough.Contains))
            return [.. active.Select((claim, i) => new Answering(claim, reads[i])).Where(a => a.Masters != 0)];
        uint[] writes = Settle(active, claims, writes: true);
        return
        [
            .. active
                .Select((claim, i) => new Answering(claim, reads[i] | (claims[claim].Writes ? writes[i] : 0), reads[i]))
                .Where(a => a.Masters != 0),
        ];
    }

    /// <summary>
    /// The masters that get each claim. Masters for which a claim surely answers grow, those for which it is surely off grow,
    /// until nothing changes; what is left hangs in a ring.
    /// </summary>
    uint[] Settle(List<int> active, DecodedClaim[] claims, bool writes)
    {
        int n = active.Count;
        uint[] on = new uint[n],
            off = new uint[n];
        bool changed = true;
        while (changed)
        {
            changed = false;
            for (int i = 0; i < n; i++)
            {
                uint threat = 0,
                    sure = 0;
                for (int k = 0; k < n; k++)
                {
                    if (writes && _letsWritesThrough.Contains(active[k]))
                        continue;
                    if (!_over.TryGetValue(active[k], out HashSet<int>? targets) || !targets.Contains(active[i]))
                        continue;
                    sure |= on[k];
                    threat |= claims[active[k]].Masters & ~off[k];
                }
                uint mine = claims[active[i]].Masters,
                    nowOff = mine & sure,
                    nowOn = mine & ~threat;
                changed |= nowOff != off[i] || nowOn != on[i];
                (off[i], on[i]) = (nowOff, nowOn);
            }
        }
        return [.. active.Select((claim, i) => claims[claim].Masters & ~off[i])];
    }
}
