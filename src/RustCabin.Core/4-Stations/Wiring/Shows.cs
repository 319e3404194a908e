namespace RustCabin.Core.Wiring;

/// <summary>Which lines of a table read otherwise when a mistake is made. Only the nets that it touches are looked
/// at.</summary>
sealed class Shows
{
    readonly Wired _wired;
    readonly ContinuityLine[] _lines;
    readonly ILookup<int, int> _linesAt;
    readonly ILookup<int, int> _joinsAt;

    public Shows(Wired wired, ContinuityLine[] lines)
    {
        (_wired, _lines) = (wired, lines);
        Netlist after = wired.After;
        _linesAt = lines
            .Index()
            .SelectMany(l => ((int[])[after.NodeOf(l.Item.From), after.NodeOf(l.Item.To)]).Distinct().Select(n => (n, l.Index)))
            .ToLookup(x => x.n, x => x.Index);
        _joinsAt = after.Joins.Index().ToLookup(j => after.NodeOf(j.Item.A), j => j.Index);
    }

    /// <summary>The lines that show a mistake.</summary>
    public int[] Of(Mistake mistake)
    {
        Netlist after = _wired.After;
        var nodes = new HashSet<int>();
        foreach ((int a, int b) in mistake.With)
            nodes.UnionWith([after.NodeOf(a), after.NodeOf(b)]);
        nodes.UnionWith(mistake.Without.Select(j => after.NodeOf(after.Joins[j].A)));
        if (mistake.Apart >= 0)
            nodes.Add(after.NodeOf(mistake.Apart));
        var here = new Small(mistake.Apart, after);
        foreach (int node in nodes)
        foreach (int join in _joinsAt[node].Where(j => !mistake.Without.Contains(j)))
            here.Join(after.Joins[join].A, after.Joins[join].B);
        foreach ((int a, int b) in mistake.With)
            here.Join(a, b);
        return
        [
            .. nodes
                .SelectMany(n => _linesAt[n])
                .Distinct()
                .Where(l => here.Same(_lines[l].From, _lines[l].To) != _lines[l].Closed)
                .Order(),
        ];
    }

    /// <summary>A few fragments and what joins them; a place that lies apart is one of its own.</summary>
    sealed class Small(int apart, Netlist after)
    {
        readonly Dictionary<int, int> _parent = [];

        int Root(int place)
        {
            int at = place == apart ? -1 : after.FragmentOf(place);
            while (_parent.TryGetValue(at, out int above))
                at = above;
            return at;
        }

        public void Join(int a, int b)
        {
            int one = Root(a),
                other = Root(b);
            if (one != other)
                _parent[one] = other;
        }

        public bool Same(int a, int b) => Root(a) == Root(b);
    }
}
