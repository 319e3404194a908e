namespace RustCabin.Core.Maps;

/// <summary>
/// Works out which of the claims at one address answer, once those that others switch off there are taken away, master by master.
/// A claim that is itself switched off switches nothing off; claims that switch each other off all go on answering, and so are
/// found
/// to fight. An overlay holds for the masters that get the overlaying claim, and for reads and writes alike.
/// </summary>
sealed class Overlays
{
    readonly Dictionary<int, HashSet<int>> _over = [];

    public Overlays(DecodedClaim[] claims)
    {
        if (claims.All(c => c.Overlays.Count == 0))
            return;
        ILookup<string, int> byOwner = claims.Index().ToLookup(c => c.Item.Owner, c => c.Index);
        foreach ((int index, DecodedClaim claim) in claims.Index())
            if (claim.Overlays.Count > 0)
                _over[index] = [.. claim.Overlays.SelectMany(owner => byOwner[owner]).Where(other => other != index)];
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
        return [.. Settle(active, claims).Where(a => a.Masters != 0)];
    }

    /// <summary>
    /// Masters for which a claim surely answers grow, those for which it is surely off grow, until nothing changes; what is left
    /// hangs in a ring.
    /// </summary>
    Answering[] Settle(List<int> active, DecodedClaim[] claims)
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
        return [.. active.Select((claim, i) => new Answering(claim, claims[claim].Masters & ~off[i]))];
    }
}
