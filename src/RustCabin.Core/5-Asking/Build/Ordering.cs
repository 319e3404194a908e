using System.Diagnostics;
using System.Numerics;
using RustCabin.Core.Choices;

namespace RustCabin.Core.Build;

/// <summary>
/// The order with the fewest changes of access that the needs allow; of equals, at each place the step that is listed earliest.
/// Proven for up to 60 steps. Source: docs/handbook/build.md, Order.
/// </summary>
/// <param name="Order">The steps by their places on the list.</param>
/// <param name="AccessChanges">Steps along the tree of levels, up or down, from the closed case and back to it.</param>
/// <param name="AccessMinutes">What they cost.</param>
/// <param name="Tried">How many states were looked at.</param>
public sealed record Ordering(IReadOnlyList<int> Order, int AccessChanges, decimal AccessMinutes, int Tried)
{
    /// <summary>Finds the order.</summary>
    /// <param name="asked">Levels and steps, read without an error.</param>
    /// <param name="within">How long it may take; null: as long as it takes.</param>
    /// <exception cref="OutOfTimeException">The time was over first.</exception>
    public static Ordering Of(OrderAsked asked, TimeSpan? within = null) => new Search(asked, within).Run();

    /// <summary>
    /// What is done at a level is done whenever one is there, since it costs no change and only lets more be done; so a state
    /// is a level and the steps that are done. A budget of changes is raised from a bound that never says too much until it
    /// suffices.
    /// </summary>
    sealed class Search
    {
        readonly OrderAsked _asked;
        readonly TimeSpan? _within;
        readonly Stopwatch _clock = Stopwatch.StartNew();
        readonly int[] _parent;
        readonly int[] _depth;
        readonly int[,] _between;
        readonly ulong[] _needs;
        readonly ulong[] _at;
        readonly ulong[] _under;
        readonly int[] _levelOf;
        readonly int[] _forward;
        readonly int _root;
        readonly ulong _all;
        readonly Dictionary<(int Level, ulong Done), (int Fails, int Serves)> _known = [];
        int _tried;

        public Search(OrderAsked asked, TimeSpan? within)
        {
            (_asked, _within) = (asked, within);
            var level = asked.Levels.Index().ToDictionary(l => l.Item.Id, l => l.Index);
            var step = asked.Steps.Index().ToDictionary(s => s.Item.Id, s => s.Index);
            int levels = level.Count,
                steps = step.Count;
            _parent = [.. asked.Levels.Select(l => l.From is { } from ? level[from] : -1)];
            _root = Array.IndexOf(_parent, -1);
            _depth = [.. Enumerable.Range(0, levels).Select(l => Up(l).Count() - 1)];
            _levelOf = [.. asked.Steps.Select(s => level[s.Level])];
            _needs = [.. asked.Steps.Select(s => s.After.Aggregate(0ul, (all, a) => all | 1ul << step[a]))];
            _at = new ulong[levels];
            _under = new ulong[levels];
            for (int s = 0; s < steps; s++)
            {
                _at[_levelOf[s]] |= 1ul << s;
                foreach (int above in Up(_levelOf[s]))
                    _under[above] |= 1ul << s;
            }
            _between = new int[levels, levels];
            foreach (int a in _levelOf.Append(_root).Distinct())
            foreach (int b in _levelOf.Append(_root).Distinct())
                _between[a, b] = _depth[a] + _depth[b] - 2 * _depth[Up(a).First(Up(b).Contains)];
            _forward = Forward(steps);
            _all = steps == 0 ? 0 : ulong.MaxValue >> (64 - steps);
        }

        IEnumerable<int> Up(int level)
        {
            for (; level >= 0; level = _parent[level])
                yield return level;
        }

        /// <summary>The steps so that each stands behind those that it waits for.</summary>
        int[] Forward(int steps)
        {
            var order = new List<int>();
            for (ulong done = 0; order.Count < steps; )
                foreach (int s in Enumerable.Range(0, steps))
                    if ((done >> s & 1) == 0 && (_needs[s] & ~done) == 0)
                        (done, _) = (done | 1ul << s, Added(order, s));
            return [.. order];
        }

        static bool Added(List<int> order, int step)
        {
            order.Add(step);
            return true;
        }

        public Ordering Run()
        {
            int fewest = Bound(_root, Stayed(_root, 0));
            while (!Serves(_root, 0, fewest))
                fewest += 2;
            var order = new List<int>();
            decimal minutes = 0;
            int at = _root,
                left = fewest;
            ulong done = 0;
            while (done != _all)
            {
                int next = Enumerable
                    .Range(0, _needs.Length)
                    .First(s =>
                        (done >> s & 1) == 0
                        && (_needs[s] & ~done) == 0
                        && (_levelOf[s] == at || Serves(_levelOf[s], done | 1ul << s, left - _between[at, _levelOf[s]]))
                    );
                minutes += Minutes(at, _levelOf[next]);
                left -= _between[at, _levelOf[next]];
                (at, done) = (_levelOf[next], done | 1ul << next);
                order.Add(next);
            }
            return new Ordering(order, fewest, minutes + Minutes(at, _root), _tried);
        }

        /// <summary>What it costs to go from one level to another.</summary>
        decimal Minutes(int from, int to)
        {
            int[] up = [.. Up(from)],
                down = [.. Up(to)];
            return up.Except(down).Concat(down.Except(up)).Sum(l => _asked.Levels[l].Minutes);
        }

        bool IsReady(int step, ulong done) => (done >> step & 1) == 0 && (_needs[step] & ~done) == 0;

        /// <summary>All is done that can be done without leaving the level.</summary>
        ulong Stayed(int level, ulong done)
        {
            for (ulong before = ~done; before != done; )
            {
                before = done;
                for (ulong rest = _at[level] & ~done; rest != 0; rest &= rest - 1)
                    if (IsReady(BitOperations.TrailingZeroCount(rest), done))
                        done |= rest & ~(rest - 1);
            }
            return done;
        }

        /// <summary>True if the rest can be done from here, and the case closed, with so many changes.</summary>
        bool Serves(int level, ulong done, int budget)
        {
            done = Stayed(level, done);
            if (done == _all)
                return _depth[level] <= budget;
            (int fails, int serves) = _known.GetValueOrDefault((level, done), (-1, int.MaxValue));
            if (budget >= serves)
                return true;
            if (budget <= fails || Bound(level, done) > budget)
                return false;
            if ((++_tried & 1023) == 0 && _clock.Elapsed > _within)
                throw new OutOfTimeException();
            ulong levels = 0;
            foreach (int s in _forward)
                if (IsReady(s, done) && TryLevel(level, _levelOf[s], done, budget, ref levels))
                {
                    _known[(level, done)] = (fails, budget);
                    return true;
                }
            _known[(level, done)] = (budget, serves);
            return false;
        }

        bool TryLevel(int from, int to, ulong done, int budget, ref ulong tried)
        {
            ulong first = _at[to] & ~(_at[to] - 1);
            if ((tried & first) != 0)
                return false;
            tried |= first;
            return Serves(to, done, budget - _between[from, to]);
        }

        /// <summary>
        /// At least so many changes: the boundary of each level is crossed as often as the longest chain of waiting steps goes
        /// in and out of it.
        /// </summary>
        int Bound(int level, ulong done)
        {
            int all = 0;
            Span<int> entries = stackalloc int[64];
            for (int c = 0; c < _parent.Length; c++)
            {
                if (c == _root || _under[c] == 0)
                    continue;
                bool within = Up(level).Contains(c);
                int most = 0;
                if ((_under[c] & ~done) != 0)
                    foreach (int s in _forward)
                    {
                        if ((done >> s & 1) != 0)
                            continue;
                        bool inside = (_under[c] >> s & 1) != 0;
                        int here = inside && !within ? 1 : 0;
                        for (ulong rest = _needs[s] & ~done; rest != 0; rest &= rest - 1)
                        {
                            int before = BitOperations.TrailingZeroCount(rest);
                            bool was = (_under[c] >> before & 1) != 0;
                            here = Math.Max(here, entries[before] + (inside && !was ? 1 : 0));
                        }
                        entries[s] = here;
                        most = Math.Max(most, here);
                    }
                all += 2 * most + (within ? 1 : 0);
            }
            return all;
        }
    }
}
