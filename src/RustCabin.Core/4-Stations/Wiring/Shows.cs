namespace RustCabin.Core.Wiring;

/// <summary>
/// Which lines of a table read otherwise when a mistake is made. Only the nets that it touches are looked at. It is asked of
/// thousands of mistakes, one after the other, so that what it keeps for one is made ready for the next.
/// </summary>
sealed class Shows
{
    readonly Netlist _after;
    readonly ContinuityLine[] _lines;
    readonly List<int>?[] _linesAt;
    readonly List<int>?[] _joinsAt;

    /// <summary>What each fragment is joined to while one mistake is looked at; the last is the place that lies apart.</summary>
    readonly int[] _parent;
    readonly List<int> _joined = [];
    readonly List<int> _nodes = [];
    int _apart;

    public Shows(Wired wired, ContinuityLine[] lines)
    {
        (_after, _lines) = (wired.After, lines);
        _linesAt = new List<int>?[_after.Fragments];
        _joinsAt = new List<int>?[_after.Fragments];
        foreach ((int index, ContinuityLine line) in lines.Index())
        {
            int from = _after.NodeOf(line.From),
                to = _after.NodeOf(line.To);
            (_linesAt[from] ??= []).Add(index);
            if (to != from)
                (_linesAt[to] ??= []).Add(index);
        }
        foreach ((int index, Join join) in _after.Joins.Index())
            (_joinsAt[_after.NodeOf(join.A)] ??= []).Add(index);
        _parent = [.. Enumerable.Range(0, _after.Fragments + 1)];
    }

    /// <summary>The lines that show a mistake, in their order.</summary>
    public int[] Of(Mistake mistake)
    {
        Make(mistake);
        var shown = new List<int>();
        foreach (int node in _nodes)
        foreach (int line in _linesAt[node] ?? [])
            if (Same(_lines[line].From, _lines[line].To) != _lines[line].Closed)
                shown.Add(line);
        foreach (int fragment in _joined)
            _parent[fragment] = fragment;
        // A line between two of the nets was met twice.
        return [.. shown.Distinct().Order()];
    }

    /// <summary>The nets that a mistake touches, and their fragments as it joins them.</summary>
    void Make(Mistake mistake)
    {
        _apart = mistake.Apart;
        _joined.Clear();
        _nodes.Clear();
        foreach ((int a, int b) in mistake.With)
        {
            Touch(a);
            Touch(b);
        }
        foreach (int join in mistake.Without)
            Touch(_after.Joins[join].A);
        if (_apart >= 0)
            Touch(_apart);
        foreach (int node in _nodes)
        foreach (int join in _joinsAt[node] ?? [])
            if (!mistake.Without.Contains(join))
                Join(_after.Joins[join].A, _after.Joins[join].B);
        foreach ((int a, int b) in mistake.With)
            Join(a, b);
    }

    void Touch(int place)
    {
        int node = _after.NodeOf(place);
        if (!_nodes.Contains(node))
            _nodes.Add(node);
    }

    int Root(int place)
    {
        int at = place == _apart ? _parent.Length - 1 : _after.FragmentOf(place);
        while (_parent[at] != at)
            at = _parent[at];
        return at;
    }

    void Join(int a, int b)
    {
        int one = Root(a),
            other = Root(b);
        if (one == other)
            return;
        _parent[one] = other;
        _joined.Add(one);
    }

    bool Same(int a, int b) => Root(a) == Root(b);
}
