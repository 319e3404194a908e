using Google.OrTools.Sat;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Choices;

/// <summary>
/// The choices of a job as a constraint model: which parts are there and where each switch stands. Checks say in it what they
/// can say in linear rules, never more than they ask; what the model lets through is put before the checker itself, and what
/// that stops is ruled out as far as the finding proves. So every answer passes the checker, and none that passes is lost.
/// Source: docs/handbook/memory.md, Switches and settings.
/// </summary>
public sealed partial class ChoiceModel
{
    readonly CpModel _model = new();
    readonly PlannedUnit _unit;
    readonly IReadOnlyList<Candidate> _parts;
    readonly ILiteral[] _here;
    readonly ILiteral _yes,
        _no;
    readonly Dictionary<string, ILiteral> _named = [];
    readonly Dictionary<(string Name, string Switch), (string Position, ILiteral At)[]> _switches = [];
    readonly Dictionary<string, IReadOnlyDictionary<string, string>> _now = [];
    readonly List<ILiteral> _optional = [],
        _effects = [];
    readonly Dictionary<string, ILiteral> _conditions = [];
    readonly Dictionary<string, (Switch[] Switches, (string[] Positions, ILiteral On, List<int> Does)[] All)> _combinations = [];
    readonly List<(ILiteral On, long Moves)> _moves = [];
    readonly IReadOnlyList<Need> _wants;
    readonly Checker _checker;
    ILiteral[] _last = [],
        _lastParts = [];
    int _tried;

    /// <summary>So many plans are put before the checker at most, so that a job that nobody can solve ends.</summary>
    const int MostTried = 2000;

    /// <summary>The model with the rules of every check in it.</summary>
    /// <param name="unit">Gives the machine; its own instances are not looked at.</param>
    /// <param name="parts">What is there and what may be.</param>
    /// <param name="wants">What every answer must give.</param>
    /// <param name="checker">The checks, with what each can say of choices.</param>
    public ChoiceModel(PlannedUnit unit, IReadOnlyList<Candidate> parts, IReadOnlyList<Need> wants, Checker checker)
    {
        (_unit, _parts, _wants, _checker) = (unit, parts, wants, checker);
        (_yes, _no) = (_model.TrueLiteral(), _model.FalseLiteral());
        _here = [.. parts.Select((p, i) => p.Optional ? _model.NewBoolVar($"here{i}") : _yes)];
        _optional.AddRange(_here.Where((_, i) => parts[i].Optional));
        _effects.AddRange(_optional);
        foreach (var group in parts.Index().GroupBy(p => p.Item.Instance.Name))
        {
            ILiteral[] ways = [.. group.Select(p => _here[p.Index])];
            if (ways.Length > 1)
                _model.AddAtMostOne(ways);
            _named[group.Key] = AnyOf(ways);
            _now[group.Key] = Candidate.Now(group.First().Item.Instance);
        }
        foreach ((string name, Part part) in Named)
            AddSwitches(name, part);
        Cells = [.. CellsOf()];
        foreach ((string name, Part part) in Named)
        foreach (SetChange set in part.Sets)
            Holds(name, _named[name], set.When);
        foreach (Action<ChoiceModel> rule in checker.Rules)
            rule(this);
        foreach (Need want in wants)
            checker.Require(this, want, _yes, true);
    }

    /// <summary>Whose switches the claims of the machine name plainly; null: its board has none.</summary>
    string? Own => _named.ContainsKey(InstanceName.Mainboard) ? InstanceName.Mainboard : null;

    IEnumerable<Cell> CellsOf() =>
        [
            .. _unit
                .Model.Claims.Where(c => _unit.Holds(c.Revisions))
                .Select(c => new Cell(ClaimName.Model(c.Id), c, Holds(Own, _yes, c.When))),
            .. Named.SelectMany(p =>
                p.Part.Claims.Where(c => _unit.Holds(c.Revisions))
                    .Select(c => new Cell(ClaimName.Part(p.Name, c.Id), c, Holds(p.Name, _named[p.Name], c.When)))
            ),
        ];

    /// <summary>The machine.</summary>
    public PlannedUnit Unit => _unit;

    /// <summary>The claims of the machine and of the candidates, each with what must be so for it to be there.</summary>
    public IReadOnlyList<Cell> Cells { get; }

    /// <summary>The candidates, each with whether it is chosen.</summary>
    public IEnumerable<(Candidate Part, ILiteral Here)> Candidates => _parts.Select((p, i) => (p, _here[i]));

    /// <summary>The literals of always and never.</summary>
    public ILiteral Yes => _yes;

    /// <summary>Never.</summary>
    public ILiteral No => _no;

    /// <summary>Whether an instance of that name is there; never for a name that is no candidate's.</summary>
    public ILiteral Is(string name) => _named.GetValueOrDefault(name) ?? _no;

    /// <summary>The rails that candidates bring, each with whether it is there.</summary>
    public IEnumerable<(ILiteral On, Supply Supply)> Suppliers(string rail) =>
        Named.SelectMany(p => p.Part.Supplies.Where(s => s.Rail == rail).Select(s => (_named[p.Name], s)));

    /// <summary>One entry for a name, whichever of its ways is chosen.</summary>
    public IEnumerable<(InstanceName Name, Part Part)> Named =>
        _parts.Select(p => (p.Instance.Name, p.Instance.Part)).DistinctBy(p => p.Name);

    /// <summary>
    /// Only switches that some condition or switch table asks after are up for choice; the rest stay where they stand. Where a
    /// part's switches have few combinations, each combination is one choice, which the solver grasps far better than switches
    /// apart.
    /// </summary>
    void AddSwitches(string name, Part part)
    {
        Switch[] open = [.. part.Switches.Where(s => s.Positions.Count > 1 && Matters(name, part, s.Id))];
        if (open.Length == 0)
            return;
        long combinations = open.Aggregate(1L, (product, s) => Math.Min(product * s.Positions.Count, MostCombinations + 1));
        if (combinations <= MostCombinations)
            AddCombinations(name, open, (int)combinations);
        else
            foreach (Switch own in open)
            {
                var at = own
                    .Positions.Select((position, i) => (position, (ILiteral)_model.NewBoolVar($"{name}.{own.Id}={i}")))
                    .ToArray();
                _model.AddExactlyOne(at.Select(a => a.Item2));
                _switches[(name, own.Id)] = at;
                _moves.AddRange(at.Where(a => a.position != _now[name][own.Id]).Select(a => (a.Item2, 1L)));
            }
        // A part that is not there moves no switch.
        foreach (Switch own in open)
            _model.AddBoolOr([_named[name], _switches[(name, own.Id)].First(a => a.Position == _now[name][own.Id]).At]);
        foreach (Switch own in open.Where(o => part.SwitchTable.Any(r => r.Positions.ContainsKey(o.Id))))
            _effects.AddRange(_switches[(name, own.Id)].Select(a => a.At));
    }

    const int MostCombinations = 512;

    void AddCombinations(string name, Switch[] open, int combinations)
    {
        var all = new (string[] Positions, ILiteral On, List<int> Does)[combinations];
        for (int code = 0; code < combinations; code++)
        {
            int left = code;
            string[] positions = new string[open.Length];
            foreach ((int s, Switch own) in open.Index())
                (positions[s], left) = (own.Positions[left % own.Positions.Count], left / own.Positions.Count);
            all[code] = (positions, _model.NewBoolVar($"{name}:{code}"), []);
            _moves.Add((all[code].On, open.Index().Count(s => positions[s.Index] != _now[name][s.Item.Id])));
        }
        _model.AddExactlyOne(all.Select(c => c.On));
        foreach ((int s, Switch own) in open.Index())
            _switches[(name, own.Id)] =
            [
                .. own.Positions.Select(p => (p, AnyOf([.. all.Where(c => c.Positions[s] == p).Select(c => c.On)]))),
            ];
        _combinations[name] = (open, all);
    }

    bool Matters(string name, Part part, string id)
    {
        if (part.SwitchTable.Any(r => r.Positions.ContainsKey(id)))
            return true;
        IEnumerable<Condition> own = name == Own ? _unit.Model.Claims.Select(c => c.When) : Conditions(part),
            all = Named
                .SelectMany(p => Conditions(p.Part))
                .Concat(_unit.Model.Claims.Select(c => c.When))
                .Concat(_wants.Select(w => w.When));
        return own.Any(c => c.Names(id)) || all.Any(c => c.Names($"{name}.{id}"));
    }

    static IEnumerable<Condition> Conditions(Part part) =>
        part
            .Claims.Select(c => c.When)
            .Concat(part.Sets.Select(s => s.When))
            .Concat(part.Draws.Select(d => d.When))
            .Concat(part.Needs.Concat(part.Ways.SelectMany(w => w.Needs)).Select(n => n.When));

    /// <summary>
    /// True where <paramref name="here"/> is and the condition holds; plain switch names are those of <paramref name="own"/>.
    /// </summary>
    public ILiteral Holds(string? own, ILiteral here, Condition when)
    {
        if (when.Keys.Count == 0)
            return here;
        string asked =
            $"{own}|{here.GetIndex()}|{string.Join(';', when.Keys.Select(k => $"{k.Key}={string.Join(',', k.Value)}"))}";
        if (_conditions.TryGetValue(asked, out ILiteral? known))
            return known;
        var all = new List<ILiteral> { here };
        if (
            own is not null
            && _combinations.TryGetValue(own, out var set)
            && when.Keys.All(k => set.Switches.Any(s => s.Id == k.Key))
        )
        {
            int[] holding =
            [
                .. set
                    .All.Index()
                    .Where(c => when.Holds(key => c.Item.Positions[Array.FindIndex(set.Switches, s => s.Id == key)]))
                    .Select(c => c.Index),
            ];
            foreach (int code in holding)
                set.All[code].Does.Add(_conditions.Count);
            return _conditions[asked] = AllOf([here, AnyOf([.. holding.Select(c => set.All[c].On)])]);
        }
        else
            foreach ((string key, IReadOnlyList<string> positions) in when.Keys)
                all.Add(At(own, key, positions));
        ILiteral on = AllOf(all);
        if (on != _yes && on != _no)
            _effects.Add(on);
        return _conditions[asked] = on;
    }

    ILiteral At(string? own, string key, IReadOnlyList<string> positions)
    {
        (string? name, string id) =
            own is not null && _now[own].ContainsKey(key) ? (own, key)
            : key.IndexOf('.') is > 0 and var dot ? (key[..dot], key[(dot + 1)..])
            : (null, key);
        if (name is null || !_named.TryGetValue(name, out ILiteral? there))
            return _no;
        ILiteral stands =
            _switches.TryGetValue((name, id), out var at)
                ? AnyOf([.. at.Where(a => positions.Contains(a.Position)).Select(a => a.At)])
            : _now[name].GetValueOrDefault(id) is { } fast && positions.Contains(fast) ? _yes
            : _no;
        return name == own ? stands : AllOf([there, stands]);
    }

    /// <summary>How many switches leave where they stand now.</summary>
    public LinearExpr Moves => Sum(_moves);

    /// <summary>Says that no answer is left with fewer moves, which spares the solver the proof.</summary>
    public void AtLeastMoves(int moves)
    {
        if (_moves.Count > 0)
            _model.AddLinearConstraint(Moves, moves, int.MaxValue);
    }

    /// <summary>The sum of weights of the candidates that are chosen, by their places in the list.</summary>
    public LinearExpr Weighed(IEnumerable<(int Candidate, long Weight)> weights) =>
        Sum(weights.Select(w => (_here[w.Candidate], w.Weight)));

    /// <summary>The sum of weights of the candidates chosen is at most so much.</summary>
    public void Cap(IEnumerable<(int Candidate, long Weight)> weights, long most) =>
        _model.AddLinearConstraint(Weighed(weights), long.MinValue / 4, most);

    /// <summary>From so many groups of candidates at most is any chosen.</summary>
    public void CapGroups(IEnumerable<IEnumerable<int>> groups, int most) =>
        _model.AddLinearConstraint(Sum(groups.Select(g => (AnyOf([.. g.Select(c => _here[c])]), 1L))), 0, most);

    /// <summary>One of these candidates is chosen.</summary>
    public void OneOf(IEnumerable<int> candidates) => _model.AddBoolOr(candidates.Select(c => _here[c]));

    /// <summary>
    /// The best choice by <paramref name="aim"/> (least first) that passes the checker, or null: there is none. <paramref
    /// name="tell"/> is told how many plans were tried.
    /// Throws <see cref="OperationCanceledException"/> when it is called off.
    /// </summary>
    public Choice? Best(LinearExpr aim, Action<int>? tell = null, CancellationToken cancel = default)
    {
        _model.Minimize(aim);
        while (true)
        {
            if (_tried >= MostTried)
                throw new TooManyTriedException(_tried);
            int linear = _combinations.Values.Sum(c => c.All.Length) > 64 ? 2 : 0;
            var solver = new CpSolver
            {
                StringParameters =
                    "num_workers:1,random_seed:7,max_time_in_seconds:20,cp_model_probing_level:0,symmetry_level:0,"
                    + $"linearization_level:{linear}",
            };
            CpSolverStatus status = Solving.Run(solver, _model, cancel);
            if (status == CpSolverStatus.Infeasible)
                return null;
            // Neither found nor ruled out within the solver's own time: that is no "impossible".
            if (status is not (CpSolverStatus.Optimal or CpSolverStatus.Feasible))
                throw new OutOfTimeException();
            _tried++;
            tell?.Invoke(_tried);
            PlannedUnit plan = Read(solver, out int moves);
            (Rests Rests, Finding Finding)[] stops = [.. _checker.Stops(plan)];
            if (stops.Length == 0 && _checker.Gives(plan, _wants))
            {
                (_last, _lastParts) = (EffectsOf(solver), [.. _optional.Where(solver.BooleanValue)]);
                return new Choice(plan, moves);
            }
            RuleOut(solver, stops);
        }
    }

    PlannedUnit Read(CpSolver solver, out int moves)
    {
        var instances = new List<Instance>();
        moves = 0;
        foreach ((int i, Candidate candidate) in _parts.Index())
        {
            if (!solver.BooleanValue(_here[i]))
                continue;
            var positions = new Dictionary<string, string>();
            foreach ((string id, string now) in _now[candidate.Instance.Name])
            {
                positions[id] = _switches.TryGetValue((candidate.Instance.Name, id), out var at)
                    ? at.First(a => solver.BooleanValue(a.At)).Position
                    : now;
                if (positions[id] != now)
                    moves++;
            }
            instances.Add(candidate.Instance with { Positions = positions });
        }
        return Plan.Of(_unit, instances);
    }

    /// <summary>
    /// What a stop proves: its subjects never go together; this choice of parts does not; or this choice with these switches
    /// does not.
    /// </summary>
    void RuleOut(CpSolver solver, (Rests Rests, Finding Finding)[] stops)
    {
        foreach ((_, Finding finding) in stops.Where(s => s.Rests == Rests.Subjects && s.Finding.Subjects.Count > 0))
            _model.AddBoolOr(
                _parts
                    .Index()
                    .Where(p => finding.Subjects.Contains(p.Item.Instance.Subject) && solver.BooleanValue(_here[p.Index]))
                    .Select(p => _here[p.Index].Not())
            );
        _model.AddBoolOr(
            (stops.Any(s => s.Rests != Rests.All) ? Standing(solver, _optional) : EffectsOf(solver)).Select(l => l.Not())
        );
    }

    static IEnumerable<ILiteral> Standing(CpSolver solver, IEnumerable<ILiteral> literals) =>
        literals.Select(l => solver.BooleanValue(l) ? l : l.Not());

    /// <summary>
    /// What holds in an answer, as few literals: where a part's switches are combinations, any of those that do the same.
    /// </summary>
    ILiteral[] EffectsOf(CpSolver solver) =>
        [
            .. Standing(solver, _effects),
            .. _combinations.Values.Select(set =>
            {
                List<int> does = set.All.First(c => solver.BooleanValue(c.On)).Does;
                return AnyOf([.. set.All.Where(c => c.Does.SequenceEqual(does)).Select(c => c.On)]);
            }),
        ];

    /// <summary>Rules out every plan that does what the last answer does, so that the next differs in effect.</summary>
    public void Other() => _model.AddBoolOr(_last.Select(l => l.Not()));

    /// <summary>Rules out the parts of the last answer, and every choice that holds them all and more.</summary>
    public void OtherParts() => _model.AddBoolOr(_lastParts.Select(l => l.Not()));
}

/// <summary>A claim with what must be so for it to be there.</summary>
/// <param name="Owner">As answers name it.</param>
/// <param name="Claim">As the sheet has it.</param>
/// <param name="On">Whether it is there.</param>
public sealed record Cell(ClaimName Owner, Claim Claim, ILiteral On);

/// <summary>So many plans were tried without one that passes, or with others perhaps left; the question is too wide.</summary>
public sealed class TooManyTriedException(int tried) : Exception($"{tried} plans were tried and the search was ended");
