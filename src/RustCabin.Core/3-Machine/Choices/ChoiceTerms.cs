using Google.OrTools.Sat;

namespace RustCabin.Core.Choices;

/// <content>What a rule may say of choices.</content>
public sealed partial class ChoiceModel
{
    /// <summary>One of these is so.</summary>
    public ILiteral AnyOf(IReadOnlyList<ILiteral> some)
    {
        if (some.Contains(_yes))
            return _yes;
        ILiteral[] open = [.. some.Where(s => s != _no)];
        if (open.Length <= 1)
            return open.Length == 0 ? _no : open[0];
        BoolVar any = _model.NewBoolVar("any");
        _model.AddBoolOr(open).OnlyEnforceIf(any);
        foreach (ILiteral one in open)
            _model.AddImplication(one, any);
        return any;
    }

    /// <summary>All of these are so.</summary>
    public ILiteral AllOf(IReadOnlyList<ILiteral> some)
    {
        if (some.Contains(_no))
            return _no;
        ILiteral[] open = [.. some.Where(s => s != _yes)];
        if (open.Length <= 1)
            return open.Length == 0 ? _yes : open[0];
        BoolVar all = _model.NewBoolVar("all");
        foreach (ILiteral one in open)
            _model.AddImplication(all, one);
        _model.AddBoolOr([all, .. open.Select(o => o.Not())]);
        return all;
    }

    /// <summary>It is never so.</summary>
    public void Forbid(ILiteral literal) => _model.AddBoolOr([literal.Not()]);

    /// <summary>When it is so, one of these is.</summary>
    public void Imply(ILiteral when, IEnumerable<ILiteral> any) => _model.AddBoolOr([when.Not(), .. any]);

    /// <summary>Not both of these, unless one of the others.</summary>
    public void NotBoth(ILiteral one, ILiteral other, IEnumerable<ILiteral> unless) =>
        _model.AddBoolOr([one.Not(), other.Not(), .. unless]);

    /// <summary>One of these at most.</summary>
    public void AtMostOne(IEnumerable<ILiteral> some) => _model.AddAtMostOne(some);

    /// <summary>The sum of weights of what is so is at most so much.</summary>
    public void AtMost(IEnumerable<(ILiteral On, long Weight)> terms, long most) =>
        _model.AddLinearConstraint(Sum(terms), long.MinValue / 4, most);

    /// <summary>Bytes are counted in pieces of so many, rounded in favour of what is asked, so that sums stay small.</summary>
    public const ulong Grain = 256;

    /// <summary>Where <paramref name="on"/> is so, what is there gives at least so many bytes.</summary>
    public void AtLeast(ILiteral on, ulong bytes, IEnumerable<(ILiteral On, ulong Bytes)> giving)
    {
        var terms = giving.Where(g => g.Bytes > 0).Select(g => (g.On, (long)((g.Bytes + Grain - 1) / Grain)));
        _model.AddLinearConstraint(Sum(terms), (long)(bytes / Grain), long.MaxValue / 4).OnlyEnforceIf(on);
    }

    static LinearExpr Sum(IEnumerable<(ILiteral On, long Weight)> terms)
    {
        (ILiteral On, long Weight)[] all = [.. terms];
        return LinearExpr.WeightedSum(all.Select(t => t.On.AsExpr()), all.Select(t => t.Weight));
    }
}
