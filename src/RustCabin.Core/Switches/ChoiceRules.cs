using Google.OrTools.Sat;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Switches;

/// <summary>What the checker asks, as far as it can be said in linear rules. Each rule is one that the checker holds too; where a rule can only be near, it lets too much through.</summary>
sealed partial class ChoiceModel
{
    sealed record Cell(string Owner, Claim Claim, ILiteral On);

    List<Cell> _cells = [];

    /// <summary>Claims whose place depends on other claims (overlays, changes by other parts) are left to the checker.</summary>
    void AddMap()
    {
        Model model = _unit.Model;
        _cells =
        [
            .. model
                .Claims.Where(c => _unit.Holds(c.Revisions))
                .Select(c => new Cell($"model:{c.Id}", c, Holds(null, _yes, c.When))),
            .. Named.SelectMany(p =>
                p.Part.Claims.Select(c => new Cell($"part:{p.Name}:{c.Id}", c, Holds(p.Name, _named[p.Name], c.When)))
            ),
        ];
        foreach ((string name, Part part) in Named)
        foreach (SetChange set in part.Sets)
            Holds(name, _named[name], set.When);

        HashSet<string> moved =
        [
            .. _cells.SelectMany(c =>
                c.Claim.Overlays.SelectMany(o => (string[])[o, $"model:{o}", $"{c.Owner[..(c.Owner.LastIndexOf(':') + 1)]}{o}"])
            ),
            .. Named.SelectMany(p => p.Part.Sets.SelectMany(s => (string[])[s.Claim, $"part:{p.Name}:{s.Claim}"])),
        ];
        Cell[] still = [.. _cells.Where(c => !moved.Contains(c.Owner) && c.Claim.Overlays.Count == 0 && c.On != _no)];
        AddRoom([.. still.Where(c => c.Claim.Auto)]);

        ulong last = Decode.Space(model.AddressBits);
        Cell[] placed = [.. still.Where(c => c.Claim is { Auto: false, Base: not null, Mask: null })];
        foreach (
            Cell cell in placed.Where(c =>
                c.Claim.Base!.Value.Value > last || c.Claim.Size!.Value.Bytes - 1 > last - c.Claim.Base.Value.Value
            )
        )
            Forbid(cell.On);

        Cell[] reading = [.. placed.Where(c => (c.Claim.Access & BusAccess.Read) != 0).OrderBy(c => c.Claim.Base!.Value.Value)];
        foreach (string master in model.Masters)
            OneReader([.. reading.Where(c => Masters(c.Claim).Contains(master))]);
    }

    /// <summary>At the beginning of each claim, one at most of those that reach there answers. Claims in order of their bases.</summary>
    void OneReader(Cell[] reading)
    {
        List<Cell> open = [];
        foreach (var here in reading.GroupBy(c => c.Claim.Base!.Value.Value))
        {
            open.RemoveAll(c => here.Key - c.Claim.Base!.Value.Value >= c.Claim.Size!.Value.Bytes);
            open.AddRange(here);
            if (open.Count > 1)
                _model.AddAtMostOne(open.Select(c => c.On));
        }
    }

    IEnumerable<string> Masters(Claim claim) =>
        claim.Masters.Count > 0 ? claim.Masters.Where(_unit.Model.Masters.Contains) : _unit.Model.Masters;

    void AddRoom(Cell[] seeking)
    {
        ulong widest = _unit.Model.AutoWindows.Select(w => w.Size.Bytes).DefaultIfEmpty(0ul).Max();
        foreach (Cell cell in seeking.Where(c => c.Claim.Size!.Value.Bytes > widest))
            Forbid(cell.On);
        if (seeking.Length > 1)
            _model.AddLinearConstraint(
                Sum(seeking.Select(c => (c.On, (long)(c.Claim.Size!.Value.Bytes / Grain)))),
                0,
                (long)(_unit.Model.AutoWindows.Aggregate(0ul, (sum, w) => sum + w.Size.Bytes) / Grain + 1)
            );
    }

    /// <summary>Bytes are counted in pieces of so many, rounded in favour of what is asked, so that sums stay small.</summary>
    const ulong Grain = 256;

    static LinearExpr Sum(IEnumerable<(ILiteral On, long Weight)> terms)
    {
        (ILiteral On, long Weight)[] all = [.. terms];
        return LinearExpr.WeightedSum(all.Select(t => t.On.AsExpr()), all.Select(t => t.Weight));
    }

    const decimal MicroAmp = 1_000_000;

    void AddPower()
    {
        foreach (Rail rail in _unit.Rails)
        {
            List<(ILiteral On, long)> terms =
            [
                .. Draws(rail.Id).Select(d => (d.On, (long)decimal.Floor(d.Draw.PeakAmps * MicroAmp))),
            ];
            terms.AddRange(
                Suppliers(rail.Id).Select(s => (s.On, -(long)decimal.Ceiling(s.Supply.Amps * rail.Derate * MicroAmp)))
            );
            if (terms.Count > 0)
                _model.AddLinearConstraint(
                    Sum(terms),
                    long.MinValue / 4,
                    (long)decimal.Ceiling((rail.Amps * rail.Derate - rail.UsedAmps) * MicroAmp)
                );
        }
        foreach (
            string lone in Named
                .SelectMany(p => p.Part.Draws.Select(d => d.Rail))
                .Distinct()
                .Where(r => _unit.Rails.All(own => own.Id != r))
        )
        foreach ((ILiteral on, Draw draw) in Draws(lone))
            if (draw.PeakAmps > 0)
                Imply(on, Suppliers(lone).Select(s => s.On));
    }

    IEnumerable<(ILiteral On, Draw Draw)> Draws(string rail) =>
        Named
            .SelectMany(p => p.Part.Draws.Where(d => d.Rail == rail).Select(d => (Holds(p.Name, _named[p.Name], d.When), d)))
            .Where(d => d.Item1 != _no);

    IEnumerable<(ILiteral On, Supply Supply)> Suppliers(string rail) =>
        Named.SelectMany(p => p.Part.Supplies.Where(s => s.Rail == rail).Select(s => (_named[p.Name], s)));

    void AddFit()
    {
        foreach ((int i, Candidate candidate) in _parts.Index())
        {
            Instance instance = candidate.Instance;
            bool wrong =
                instance.Way is not { } way
                || (way.Model is { } model && model != _unit.Model.Id)
                || (way.Model == _unit.Model.Id && !_unit.Holds(way.Revisions));
            if (wrong)
                Forbid(_here[i]);
            foreach (Need need in instance.Part.Needs.Concat(instance.Way?.Needs ?? []).Where(n => _unit.Holds(n.Revisions)))
                Require(need, Holds(instance.Name, _here[i], need.When), strict: false);
            foreach ((int j, Candidate other) in _parts.Index().Skip(i + 1))
                if (
                    instance.Part.Conflicts.Any(c => c.Part == other.Instance.Part.Id)
                    || other.Instance.Part.Conflicts.Any(c => c.Part == instance.Part.Id)
                )
                    if (instance.Name != other.Instance.Name)
                        _model.AddBoolOr([_here[i].Not(), _here[j].Not()]);
        }
        foreach ((int i, Candidate candidate) in _parts.Index())
        foreach (string site in candidate.Instance.SeeksSite ? [] : candidate.Instance.Occupied.Select(o => o.Site!))
            if (site.IndexOf(':') is > 0 and var colon)
                Imply(_here[i], _named.TryGetValue(site[..colon], out ILiteral? carrier) ? [carrier] : []);
            else if (_unit.Sites.All(s => s.Id != site))
                Forbid(_here[i]);
        foreach (var seekers in _parts.Index().Where(p => p.Item.Instance.SeeksSite).GroupBy(p => p.Item.Instance.Way!.Connector))
            _model.AddLinearConstraint(
                Sum([
                    .. seekers.Select(s => (_here[s.Index], 1L)),
                    .. Named.Select(p => (_named[p.Name], -(long)p.Part.Sites.Count(s => s.Connector == seekers.Key))),
                ]),
                long.MinValue / 4,
                _unit.Sites.Count(s => s.Connector == seekers.Key)
            );
        foreach (
            var site in _parts
                .Index()
                .Where(p => !p.Item.Instance.SeeksSite)
                .SelectMany(p => p.Item.Instance.Occupied.Select(o => (p.Index, Taken: o)))
                .GroupBy(o => o.Taken.Site!)
        )
            AddSite([.. site]);
    }

    /// <summary>Two share a site only in different modes, and only if a sheet of those there says that it stacks.</summary>
    void AddSite((int Index, Occupies Taken)[] on)
    {
        bool Stacks((int Index, Occupies Taken) o) =>
            o.Taken.Stacks || _parts[o.Index].Instance.Part.Stacks || _parts[o.Index].Instance.Way!.Stacks;
        ILiteral[] stackers = [.. on.Where(Stacks).Select(o => _here[o.Index])];
        for (int i = 0; i < on.Length; i++)
        for (int j = i + 1; j < on.Length; j++)
        {
            if (_parts[on[i].Index].Instance.Name == _parts[on[j].Index].Instance.Name)
                continue;
            bool clash = on[i].Taken.Mode == on[j].Taken.Mode && on[i].Taken.Mode != SiteMode.Tap;
            if (clash || !(Stacks(on[i]) || Stacks(on[j])))
                _model.AddBoolOr([_here[on[i].Index].Not(), _here[on[j].Index].Not(), .. clash ? [] : stackers]);
        }
    }

    /// <summary>Asks for a need where <paramref name="on"/> holds. Strict: what the sheets do not say is not given.</summary>
    void Require(Need need, ILiteral on, bool strict)
    {
        if (on == _no)
            return;
        switch (need.Kind)
        {
            case NeedKind.Part:
                Imply(on, Named.Where(p => p.Part.Id == need.What).Select(p => _named[p.Name]));
                break;
            case NeedKind.Provides:
                Imply(on, Named.Where(p => p.Part.Provides.Contains(need.What)).Select(p => _named[p.Name]));
                break;
            case NeedKind.Speed when need.Factor > 1:
                Imply(
                    on,
                    Named.Where(p => p.Part.Speed.GetValueOrDefault("processor") >= need.Factor).Select(p => _named[p.Name])
                );
                break;
            case NeedKind.Rail:
                if (_unit.Rails.All(r => r.Id != need.What))
                    Imply(on, Suppliers(need.What).Select(s => s.On));
                break;
            case NeedKind.Storage:
                AtLeast(on, need.AtLeast.Bytes, Named.Select(p => (_named[p.Name], p.Part.Capacity?.Bytes ?? 0)));
                break;
            case NeedKind.Memory:
                Reach(need, on);
                break;
            case NeedKind.Free:
                if (_unit.Sites.All(s => s.Id != need.What))
                    Forbid(on);
                foreach ((int i, Candidate candidate) in _parts.Index())
                    if (candidate.Instance.Occupied.Any(o => o.Site == need.What))
                        _model.AddBoolOr([on.Not(), _here[i].Not()]);
                break;
            case NeedKind.Title when _unit.Titles.FirstOrDefault(t => t.Id == need.What) is { } title:
                foreach (
                    Need own in title.Needs.Where(n =>
                        n.Kind != NeedKind.Title && _unit.Holds(n.Revisions) && n.When.Keys.Count == 0
                    )
                )
                    Require(own, on, strict);
                break;
            case NeedKind.Firmware or NeedKind.Can or NeedKind.Signal or NeedKind.Region or NeedKind.Title:
                bool? met = NeedCheck.Of(_unit, [need with { When = Condition.Always, Revisions = [] }]).Single().Met;
                if (met == false || (strict && met is null))
                    Forbid(on);
                break;
        }
    }

    /// <summary>What a master could reach at most: every claim at its largest, whatever lies over it.</summary>
    void Reach(Need need, ILiteral on)
    {
        if (!_unit.Model.Masters.Contains(need.What))
        {
            Forbid(on);
            return;
        }
        ulong used = need.FreeAfterLoad ? NeedCheck.UsedBy(_unit, need.What) : 0;
        AtLeast(
            on,
            need.AtLeast.Bytes + used,
            _cells
                .Where(c => c.Claim.Kind == ClaimKind.Ram && (c.Claim.Access & BusAccess.Read) != 0)
                .Select(c =>
                {
                    SetChange[] changes =
                    [
                        .. Named.SelectMany(p =>
                            p.Part.Sets.Where(s => s.Claim == c.Owner || $"part:{p.Name}:{s.Claim}" == c.Owner)
                        ),
                    ];
                    bool reached = Masters(c.Claim).Contains(need.What) || changes.Any(s => s.Masters.Contains(need.What));
                    ulong size = changes.Select(s => s.Size?.Bytes ?? 0).Append(c.Claim.Size!.Value.Bytes).Max();
                    return (c.On, reached ? size * (ulong)(c.Claim.Window?.Banks ?? 1) : 0);
                })
        );
    }

    void AtLeast(ILiteral on, ulong bytes, IEnumerable<(ILiteral On, ulong Bytes)> giving) =>
        _model
            .AddLinearConstraint(
                Sum(giving.Where(g => g.Bytes > 0).Select(g => (g.On, (long)((g.Bytes + Grain - 1) / Grain)))),
                (long)(bytes / Grain),
                long.MaxValue / 4
            )
            .OnlyEnforceIf(on);
}
