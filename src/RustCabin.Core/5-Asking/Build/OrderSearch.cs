using System.Diagnostics;
using System.Numerics;
using System.Runtime.Intrinsics;
using RustCabin.Core.Choices;

namespace RustCabin.Core.Build;

/// <summary>
/// What is done at a level is done whenever one is there, since it costs no change and only lets more be done; so a state is a
/// level and the steps that are done. A budget of changes is raised from a bound that never says too much until it suffices.
/// </summary>
sealed class OrderSearch
{
    readonly OrderAsked _asked;
    readonly TimeSpan? _within;
    readonly Stopwatch _clock = Stopwatch.StartNew();
    readonly int[] _parent;
    readonly int[] _depth;
    readonly int[,] _between;
    readonly int _root;

    // Steps stand here so that each comes behind those that it waits for; _listed says which of the list one is.
    readonly int[] _listed;
    readonly int[] _levelOf;
    readonly ulong[] _needs;
    readonly ulong[] _at;
    readonly ulong _all;

    // A lane for each level with a step in it, thirty-two to a vector: 1 where a stop lies in it. The same by step, for the
    // bound looks there most of its time. The levels with a step by how near they are.
    readonly int _vectors;
    readonly Vector256<byte>[] _lies;
    readonly Vector256<byte>[] _stepLies;
    readonly Vector256<byte>[] _entries;
    readonly int[][] _near;
    readonly Dictionary<(int Level, ulong Done), (int Fails, int Serves)> _known = [];
    int _tried;
    int _fewest;

    public OrderSearch(OrderAsked asked, TimeSpan? within)
    {
        (_asked, _within) = (asked, within);
        var level = asked.Levels.Index().ToDictionary(l => l.Item.Id, l => l.Index);
        var step = asked.Steps.Index().ToDictionary(s => s.Item.Id, s => s.Index);
        int levels = level.Count,
            steps = step.Count;
        _parent = [.. asked.Levels.Select(l => l.From is { } from ? level[from] : -1)];
        _root = Array.IndexOf(_parent, -1);
        _depth = [.. Enumerable.Range(0, levels).Select(l => Up(l).Count() - 1)];
        _listed = Forward([.. asked.Steps.Select(s => s.After.Aggregate(0ul, (all, a) => all | 1ul << step[a]))]);
        int[] place = new int[steps];
        for (int s = 0; s < steps; s++)
            place[_listed[s]] = s;
        _levelOf = [.. _listed.Select(s => level[asked.Steps[s].Level])];
        ulong[] waits = [.. _listed.Select(s => asked.Steps[s].After.Aggregate(0ul, (all, a) => all | 1ul << place[step[a]]))];
        _needs = Reduced(waits, Closed(waits));
        _at = new ulong[levels];
        for (int s = 0; s < steps; s++)
            _at[_levelOf[s]] |= 1ul << s;
        int[] stops = [.. _levelOf.Append(_root).Distinct()],
            used = [.. _levelOf.SelectMany(Up).Where(l => l != _root).Distinct()];
        var lane = used.Index().ToDictionary(u => u.Item, u => u.Index);
        _vectors = (used.Length + Lanes - 1) / Lanes;
        (_lies, _entries) = (new Vector256<byte>[levels * _vectors], new Vector256<byte>[steps]);
        _between = new int[levels, levels];
        _near = new int[levels][];
        foreach (int a in stops)
        {
            foreach (int l in Up(a).Where(l => l != _root).Select(l => lane[l]))
                _lies[a * _vectors + l / Lanes] = _lies[a * _vectors + l / Lanes].WithElement(l % Lanes, (byte)1);
            foreach (int b in stops)
                _between[a, b] = _depth[a] + _depth[b] - 2 * _depth[Up(a).First(Up(b).Contains)];
            _near[a] = [.. _levelOf.Distinct().OrderBy(l => _between[a, l])];
        }
        _stepLies = [.. _levelOf.SelectMany(l => _lies.Skip(l * _vectors).Take(_vectors))];
        _all = steps == 0 ? 0 : ulong.MaxValue >> (64 - steps);
        _fewest = Bound(_root, Stayed(_root, 0));
    }

    IEnumerable<int> Up(int level)
    {
        for (; level >= 0; level = _parent[level])
            yield return level;
    }

    /// <summary>The steps of the list so that each stands behind those that it waits for.</summary>
    static int[] Forward(ulong[] needs)
    {
        var order = new List<int>();
        for (ulong done = 0; order.Count < needs.Length; )
        for (int s = 0; s < needs.Length; s++)
            if ((done >> s & 1) == 0 && (needs[s] & ~done) == 0)
            {
                done |= 1ul << s;
                order.Add(s);
            }
        return [.. order];
    }

    /// <summary>All that each step waits for, through others too.</summary>
    static ulong[] Closed(ulong[] waits)
    {
        ulong[] all = [.. waits];
        for (int s = 0; s < all.Length; s++)
        for (ulong rest = waits[s]; rest != 0; rest &= rest - 1)
            all[s] |= all[BitOperations.TrailingZeroCount(rest)];
        return all;
    }

    /// <summary>Waits without those that follow from others.</summary>
    static ulong[] Reduced(ulong[] waits, ulong[] before)
    {
        ulong[] needs = [.. waits];
        for (int s = 0; s < needs.Length; s++)
        for (ulong rest = waits[s]; rest != 0; rest &= rest - 1)
            needs[s] &= ~before[BitOperations.TrailingZeroCount(rest)];
        return needs;
    }

    /// <summary>The best order.</summary>
    /// <exception cref="OutOfTimeException">The time was over first.</exception>
    public Ordering Proven()
    {
        // What a narrow look finds serves already: only that nothing less does is left to be shown.
        Beginning near = Hopeful();
        for (Beginning? one = near; one is not null; one = one.Before)
            _known[(one.Level, one.Done)] = (-1, near.AtLeast - one.Changes);
        while (!Serves(_root, 0, _fewest))
            _fewest += 2;
        var order = new List<int>();
        int at = _root,
            left = _fewest;
        ulong done = 0;
        while (done != _all)
        {
            int next = Enumerable
                .Range(0, _needs.Length)
                .Where(s =>
                    IsReady(s, done)
                    && (_levelOf[s] == at || Serves(_levelOf[s], done | 1ul << s, left - _between[at, _levelOf[s]]))
                )
                .MinBy(s => _listed[s]);
            left -= _between[at, _levelOf[next]];
            (at, done) = (_levelOf[next], done | 1ul << next);
            order.Add(next);
        }
        return Told(order);
    }

    Ordering Told(IReadOnlyList<int> order)
    {
        int at = _root,
            changes = 0;
        decimal minutes = 0;
        foreach (int level in order.Select(s => _levelOf[s]).Append(_root))
        {
            changes += _between[at, level];
            minutes += Minutes(at, level);
            at = level;
        }
        return new Ordering([.. order.Select(s => _listed[s])], changes, minutes, _tried, _fewest);
    }

    /// <summary>What it costs to go from one level to another.</summary>
    decimal Minutes(int from, int to)
    {
        if (from == to)
            return 0;
        int[] up = [.. Up(from)],
            down = [.. Up(to)];
        return up.Except(down).Concat(down.Except(up)).Sum(l => _asked.Levels[l].Minutes);
    }

    bool IsReady(int step, ulong done) => (done >> step & 1) == 0 && (_needs[step] & ~done) == 0;

    /// <summary>All is done that can be done without leaving the level.</summary>
    ulong Stayed(int level, ulong done)
    {
        // A step stands behind those that it waits for: one way through them is enough.
        for (ulong rest = _at[level] & ~done; rest != 0; rest &= rest - 1)
            if (IsReady(BitOperations.TrailingZeroCount(rest), done))
                done |= rest & ~(rest - 1);
        return done;
    }

    /// <summary>True if the rest can be done from here, and the case closed, with so many changes.</summary>
    bool Serves(int level, ulong done, int budget)
    {
        done = Stayed(level, done);
        if (done == _all)
            return _depth[level] <= budget;
        if (!_known.TryGetValue((level, done), out (int Fails, int Serves) known))
            _known[(level, done)] = known = (Bound(level, done) - 1, int.MaxValue);
        if (budget >= known.Serves)
            return true;
        if (budget <= known.Fails)
            return false;
        if ((++_tried & 1023) == 0 && _clock.Elapsed > _within)
            throw new OutOfTimeException();
        foreach (int to in Next(level, done))
            if (Serves(to, done, budget - _between[level, to]))
            {
                _known[(level, done)] = (known.Fails, budget);
                return true;
            }
        _known[(level, done)] = (budget, known.Serves);
        return false;
    }

    /// <summary>The levels at which something can be done, the nearest first.</summary>
    IEnumerable<int> Next(int level, ulong done)
    {
        ulong ready = 0;
        for (ulong rest = _all & ~done; rest != 0; rest &= rest - 1)
            if ((_needs[BitOperations.TrailingZeroCount(rest)] & ~done) == 0)
                ready |= rest & ~(rest - 1);
        foreach (int to in _near[level])
            if ((_at[to] & ready) != 0)
                yield return to;
    }

    const int Lanes = 32;

    /// <summary>
    /// At least so many changes: the boundary of each level is crossed as often as the longest chain of waiting steps goes in
    /// and out of it.
    /// </summary>
    int Bound(int level, ulong done)
    {
        int all = _depth[level];
        for (int v = 0; v < _vectors; v++)
        {
            Vector256<byte> here = _lies[level * _vectors + v],
                most = default;
            for (ulong rest = _all & ~done; rest != 0; rest &= rest - 1)
            {
                int s = BitOperations.TrailingZeroCount(rest);
                // Each is entered from here; and again where it lies in a level that what it waits for does not lie in.
                Vector256<byte> lies = _stepLies[s * _vectors + v],
                    entries = Vector256.AndNot(lies, here);
                for (ulong waits = _needs[s] & ~done; waits != 0; waits &= waits - 1)
                {
                    int before = BitOperations.TrailingZeroCount(waits);
                    Vector256<byte> again = Vector256.AndNot(lies, _stepLies[before * _vectors + v]);
                    entries = Vector256.Max(entries, _entries[before] + again);
                }
                _entries[s] = entries;
                most = Vector256.Max(most, entries);
            }
            all += 2 * Vector256.Sum(Vector256.WidenLower(most) + Vector256.WidenUpper(most));
        }
        return all;
    }

    /// <summary>So many beginnings are followed at a time where the proof takes too long.</summary>
    const int Wide = 64;

    /// <summary>A beginning of an order: where it ends, what is done, what it cost, and what it costs at least in all.</summary>
    sealed record Beginning(int Level, ulong Done, int Changes, int AtLeast, Beginning? Before);

    /// <summary>The best of a look at the most hopeful beginnings alone, with the bound up to which none was found.</summary>
    public Ordering Near() => Told(StepsOf(Hopeful()));

    /// <summary>The best order of a look at the most hopeful beginnings alone; what it costs at least is what it costs.</summary>
    Beginning Hopeful()
    {
        Beginning? best = null;
        ulong first = Stayed(_root, 0);
        List<Beginning> now = [new(_root, first, 0, Bound(_root, first), null)];
        while (now.Count > 0)
        {
            var next = new Dictionary<(int, ulong), Beginning>();
            foreach (Beginning one in now)
            {
                if (one.Done == _all)
                {
                    int closed = one.Changes + _depth[one.Level];
                    best = best is null || closed < best.AtLeast ? one with { AtLeast = closed } : best;
                    continue;
                }
                foreach (int to in Next(one.Level, one.Done))
                {
                    ulong done = Stayed(to, one.Done);
                    int changes = one.Changes + _between[one.Level, to],
                        atLeast = changes + (done == _all ? _depth[to] : Bound(to, done));
                    if (
                        (best is null || atLeast < best.AtLeast)
                        && (!next.TryGetValue((to, done), out Beginning? other) || changes < other.Changes)
                    )
                        next[(to, done)] = new Beginning(to, done, changes, atLeast, one);
                }
            }
            now = [.. next.Values.OrderBy(b => b.AtLeast).ThenByDescending(b => BitOperations.PopCount(b.Done)).Take(Wide)];
        }
        return best!;
    }

    /// <summary>The steps of a whole order, at each stay those first that are listed first.</summary>
    List<int> StepsOf(Beginning last)
    {
        var stays = new Stack<Beginning>();
        for (Beginning? one = last; one is not null; one = one.Before)
            stays.Push(one);
        var order = new List<int>();
        ulong done = 0;
        foreach (Beginning stay in stays)
            while (done != stay.Done)
            {
                int next = Enumerable
                    .Range(0, _needs.Length)
                    .Where(s => (stay.Done >> s & 1) != 0 && _levelOf[s] == stay.Level && IsReady(s, done))
                    .MinBy(s => _listed[s]);
                done |= 1ul << next;
                order.Add(next);
            }
        return order;
    }
}
