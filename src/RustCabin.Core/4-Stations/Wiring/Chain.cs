using System.ComponentModel.DataAnnotations;
using Google.OrTools.Sat;
using RustCabin.Core.Choices;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Wiring;

/// <summary>A board of a chain, and the net that it wants at each contact; <c>n</c> takes any, and passes it on.</summary>
public sealed record ChainBoard
{
    /// <summary>Its name.</summary>
    [Required, Display(Description = "Its name.")]
    public string Name { get; init; } = "";

    /// <summary>What it wants at each contact.</summary>
    [Display(Description = "The net that it wants at each contact, in order; n takes any.")]
    public IReadOnlyList<string> Wants { get; init; } = [];
}

/// <summary>What <c>connectors/chain</c> takes: a source and the boards behind it, each passing its contacts on by
/// number.</summary>
public sealed record ChainAsked : ICompleted<ChainAsked>
{
    /// <summary>A connector has so many contacts at most.</summary>
    public const int MostContacts = 64;

    /// <summary>A chain has so many boards at most.</summary>
    public const int MostBoards = 16;

    /// <summary>The source's contacts.</summary>
    [Display(Description = "The net of each contact of the source, in order.")]
    public IReadOnlyList<string> Source { get; init; } = [];

    /// <summary>The boards, the nearest first.</summary>
    [Display(Description = "The boards, the nearest to the source first.")]
    public IReadOnlyList<ChainBoard> Boards { get; init; } = [];

    /// <inheritdoc/>
    public ChainAsked Completed(RecordReading read)
    {
        if (Source.Count is 0 or > MostContacts)
            read.Wrong("source", $"must have 1 to {MostContacts} contacts");
        if (Boards.Count > MostBoards)
            read.Wrong("boards", $"{Boards.Count} boards are given; {MostBoards} are the most");
        foreach ((int i, ChainBoard board) in Boards.Index())
        {
            if (board.Wants.Count != Source.Count)
                read.Wrong($"boards[{i}].wants", $"names {board.Wants.Count} contacts; the source has {Source.Count}");
            if (Boards.Take(i).Any(b => b.Name == board.Name))
                read.Wrong($"boards[{i}].name", $"\"{board.Name}\" is used twice");
        }
        return this;
    }
}

/// <summary>A cable of a chain.</summary>
/// <param name="To">The board that it leads to.</param>
/// <param name="Takes">For each contact the source-side contact that feeds it, from 1.</param>
/// <param name="Special">It is not straight.</param>
public sealed record ChainCable(string To, IReadOnlyList<int> Takes, bool Special);

/// <summary>A net that a board wants and the source has not, or not as often.</summary>
public sealed record ChainMissing(string Board, string Net);

/// <summary>
/// The cables of a chain: as few special ones as can be, those as near to the source as can be, then as few contacts moved as
/// can be, then the smallest numbers first. Source: docs/handbook/wiring.md, Chains.
/// </summary>
public sealed record Chain(IReadOnlyList<ChainCable> Cables, IReadOnlyList<ChainMissing> Missing)
{
    const string Any = "n";

    /// <summary>So many contacts are ordered in one question to the solver, so that their numbers go into one.</summary>
    const int AtOnce = 9;

    /// <summary>How many cables are special.</summary>
    public int Specials => Cables.Count(c => c.Special);

    /// <summary>Finds the cables.</summary>
    /// <param name="within">How long it may take; null: as long as it takes.</param>
    /// <exception cref="OutOfTimeException">The time was over first.</exception>
    public static Chain Of(ChainAsked asked, TimeSpan? within = null)
    {
        var clock = System.Diagnostics.Stopwatch.StartNew();
        string[] source = [.. asked.Source];
        var missing = new List<ChainMissing>();
        string[][] wants = [.. asked.Boards.Select(b => There(source, b, missing))];
        (int From, string[] Wants)[] runs = Runs(source, wants);
        int[] straight = [.. Enumerable.Range(1, source.Length)];
        int[][] cables = [.. wants.Select(_ => straight)];
        string[] now = source;
        for (int run = 0; run < runs.Length; run++)
        {
            // Behind a cable that says where every net goes nothing rests on what lies before it.
            string[][] coupled = [.. runs.Skip(run).Select(r => Filled(source, r.Wants))];
            int far = Array.FindIndex(coupled, wanted => !wanted.Contains(Any));
            int[] takes =
                far == 0
                    ? Forced(now, coupled[0])
                    : Takes(now, far < 0 ? coupled : coupled[..(far + 1)], () => within - clock.Elapsed);
            cables[runs[run].From] = takes;
            now = [.. takes.Select(t => now[t - 1])];
        }
        return new Chain(
            [.. asked.Boards.Select((b, i) => new ChainCable(b.Name, cables[i], !cables[i].SequenceEqual(straight)))],
            missing
        );
    }

    /// <summary>What a board wants of what is there; surplus contacts take any, the last first.</summary>
    static string[] There(string[] source, ChainBoard board, List<ChainMissing> missing)
    {
        string[] wants = [.. board.Wants];
        foreach (string net in board.Wants.Where(w => w != Any).Distinct())
        {
            int surplus = wants.Count(w => w == net) - source.Count(s => s == net);
            if (surplus > 0)
                missing.Add(new ChainMissing(board.Name, net));
            for (int i = wants.Length - 1; i >= 0 && surplus > 0; i--)
                if (wants[i] == net)
                    (wants[i], surplus) = (Any, surplus - 1);
        }
        return wants;
    }

    /// <summary>
    /// Where special cables go, and what all boards behind each want together up to the next: the fewest, then the nearest.
    /// </summary>
    static (int From, string[] Wants)[] Runs(string[] source, string[][] boards)
    {
        int count = boards.Length;
        // fewest[i]: special cables from board i on, when one leads to it.
        int[] fewest = new int[count + 1];
        for (int i = count - 1; i >= 0; i--)
        {
            fewest[i] = int.MaxValue;
            string[] all = Anything(source);
            for (int next = i + 1; next <= count && Both(source, all, boards[next - 1]) is { } both; next++)
                (all, fewest[i]) = (both, Math.Min(fewest[i], 1 + fewest[next]));
        }
        // Straight from the source as far as it serves.
        int served = boards.TakeWhile(b => b.Zip(source).All(x => x.First == Any || x.First == x.Second)).Count();
        var runs = new List<(int, string[])>();
        int at = served == count ? count : Enumerable.Range(0, served + 1).MinBy(i => (fewest[i], i));
        while (at < count)
        {
            string[] all = Anything(source);
            int next = at;
            while (next < count && Both(source, all, boards[next]) is { } both)
            {
                (all, next) = (both, next + 1);
                if (1 + fewest[next] == fewest[at])
                    break;
            }
            runs.Add((at, all));
            at = next;
        }
        return [.. runs];
    }

    static string[] Anything(string[] source) => [.. Enumerable.Repeat(Any, source.Length)];

    /// <summary>What two want together; null: no order of the source's contacts serves both.</summary>
    static string[]? Both(string[] source, string[] one, string[] other)
    {
        string[] both = [.. one.Zip(other, (a, b) => a == Any ? b : a)];
        return
            one.Zip(other).Any(x => x.First != Any && x.Second != Any && x.First != x.Second)
            || both.Where(b => b != Any).GroupBy(b => b).Any(g => g.Count() > source.Count(s => s == g.Key))
            ? null
            : both;
    }

    /// <summary>What is wanted, where only one net is left for the contacts that take any.</summary>
    static string[] Filled(string[] source, string[] wants)
    {
        string[] left = [.. source.GroupBy(s => s).Where(g => g.Count() > wants.Count(w => w == g.Key)).Select(g => g.Key)];
        return left.Length == 1 ? [.. wants.Select(w => w == Any ? left[0] : w)] : wants;
    }

    /// <summary>
    /// A cable behind which every net is told: a contact that has its net already keeps it, the others take what is left of
    /// theirs, the smallest numbers first.
    /// </summary>
    static int[] Forced(string[] now, string[] wants)
    {
        Dictionary<string, Queue<int>> free = now.Index()
            .Where(c => wants[c.Index] != c.Item)
            .GroupBy(c => c.Item)
            .ToDictionary(g => g.Key, g => new Queue<int>(g.Select(c => c.Index + 1)));
        return [.. wants.Select((want, i) => now[i] == want ? i + 1 : free[want].Dequeue())];
    }

    /// <summary>The first of several special cables behind one another, seen with all that come after it.</summary>
    /// <param name="now">The net of each contact before it.</param>
    /// <param name="runs">What is wanted behind each of them.</param>
    /// <param name="left">What is left of the time.</param>
    static int[] Takes(string[] now, IReadOnlyList<string[]> runs, Func<TimeSpan?> left)
    {
        int n = now.Length;
        string[] nets = [.. now.Distinct()];
        var model = new CpModel();
        // x[i, j]: contact i of this cable takes contact j.
        var x = new BoolVar[n, n];
        for (int i = 0; i < n; i++)
        for (int j = 0; j < n; j++)
            x[i, j] = model.NewBoolVar("");
        for (int i = 0; i < n; i++)
        {
            model.AddExactlyOne(Enumerable.Range(0, n).Select(j => (ILiteral)x[i, j]));
            model.AddExactlyOne(Enumerable.Range(0, n).Select(j => (ILiteral)x[j, i]));
            if (runs[0][i] is var wanted and not Any)
                model.AddExactlyOne(Enumerable.Range(0, n).Where(j => now[j] == wanted).Select(j => (ILiteral)x[i, j]));
        }
        var stays = new List<LinearExpr>(Enumerable.Range(0, n).Select(i => LinearExpr.Term(x[i, i], 1)));
        LinearExpr of(int i, int net) =>
            LinearExpr.Sum(Enumerable.Range(0, n).Where(j => now[j] == nets[net]).Select(j => x[i, j]));
        Func<int, int, LinearExpr> before = of;
        foreach (string[] wants in runs.Skip(1))
        {
            Func<int, int, LinearExpr> earlier = before;
            BoolVar[,] y = Arranged(model, now, nets, wants);
            for (int i = 0; i < n; i++)
            for (int net = 0; net < nets.Length; net++)
            {
                // A contact that keeps its net need not be moved.
                BoolVar same = model.NewBoolVar("");
                model.Add(LinearExpr.Term(same, 1) <= LinearExpr.Term(y[i, net], 1));
                model.Add(LinearExpr.Term(same, 1) <= earlier(i, net));
                stays.Add(LinearExpr.Term(same, 1));
            }
            before = (i, net) => LinearExpr.Term(y[i, net], 1);
        }
        LinearExpr unmoved = LinearExpr.Sum(stays);
        model.Maximize(unmoved);
        long most = (long)Math.Round(Solving.Optimal(model, left()).ObjectiveValue);
        model.Add(unmoved >= most);
        return Lowest(model, x, left);
    }

    /// <summary>Of all that are as good, the arrangement whose contacts are lowest, the first contact first.</summary>
    static int[] Lowest(CpModel model, BoolVar[,] x, Func<TimeSpan?> left)
    {
        int n = x.GetLength(0);
        int[] takes = new int[n];
        for (int from = 0; from < n; from += AtOnce)
        {
            int[] chunk = [.. Enumerable.Range(from, Math.Min(AtOnce, n - from))];
            long weight = 1;
            var terms = new List<LinearExpr>();
            foreach (int i in chunk.Reverse())
            {
                for (int j = 1; j < n; j++)
                    terms.Add(LinearExpr.Term(x[i, j], weight * j));
                weight *= n;
            }
            model.Minimize(LinearExpr.Sum(terms));
            CpSolver solver = Solving.Optimal(model, left());
            foreach (int i in chunk)
            {
                int j = Enumerable.Range(0, n).First(k => solver.BooleanValue(x[i, k]));
                takes[i] = j + 1;
                model.Add(LinearExpr.Term(x[i, j], 1) == 1);
            }
        }
        return takes;
    }

    /// <summary>Which net lies at which contact behind a later cable: every net as often as it is there.</summary>
    static BoolVar[,] Arranged(CpModel model, string[] now, string[] nets, string[] wants)
    {
        var y = new BoolVar[now.Length, nets.Length];
        for (int i = 0; i < now.Length; i++)
        {
            for (int net = 0; net < nets.Length; net++)
                y[i, net] = model.NewBoolVar("");
            model.AddExactlyOne(Enumerable.Range(0, nets.Length).Select(net => (ILiteral)y[i, net]));
            if (wants[i] != Any)
                model.Add(LinearExpr.Term(y[i, Array.IndexOf(nets, wants[i])], 1) == 1);
        }
        for (int net = 0; net < nets.Length; net++)
            model.Add(LinearExpr.Sum(Enumerable.Range(0, now.Length).Select(i => y[i, net])) == now.Count(s => s == nets[net]));
        return y;
    }
}
