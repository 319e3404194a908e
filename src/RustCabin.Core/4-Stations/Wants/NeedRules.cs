using Google.OrTools.Sat;
using RustCabin.Core.Cards;
using RustCabin.Core.Choices;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Speed;
using RustCabin.Core.Units;

namespace RustCabin.Core.Wants;

/// <summary>
/// All that is made of one kind of need: its words, whether a planned unit gives it, what the solver must be told, and which
/// parts would give it.
/// A rule stands in one place; <see cref="NeedRules"/> leads from a need to its rule.
/// </summary>
abstract record NeedRule
{
    /// <summary>What is asked for, in the trade's words, without what there is.</summary>
    public abstract string Words(PlannedUnit? unit);

    /// <summary>Whether a unit gives it (null: the sheets do not say), and what was asked and what there is.</summary>
    public abstract (bool? Met, string Text) Answer(PlannedUnit unit);

    /// <summary>Asks for it where <paramref name="on"/> holds. Strict: what the sheets do not say is not given.</summary>
    public abstract void Require(ChoiceModel choices, ILiteral on, bool strict);

    /// <summary>True for a part that is looked at for its sake.</summary>
    public virtual bool Tempts(PlannedUnit unit, Part part) => false;

    /// <summary>How much of it is there, in one measure with what is wanted; null: it is all or nothing.</summary>
    public virtual (decimal There, decimal Wanted, string Words)? Share(PlannedUnit unit) => null;

    /// <summary>What the plan cannot change: the sheets give it or not.</summary>
    private protected void Fixed(ChoiceModel choices, ILiteral on, bool strict)
    {
        bool? met = Answer(choices.Unit).Met;
        if (met == false || (strict && met is null))
            choices.Forbid(on);
    }
}

/// <summary>Leads from a need to its rule.</summary>
sealed class NeedRules : INeedCases<NeedRule>
{
    static readonly NeedRules All = new();

    /// <summary>The rule of a need.</summary>
    public static NeedRule Of(Need need) => need.On(All);

    NeedRule INeedCases<NeedRule>.Firmware(FirmwareNeed need) => new FirmwareRule(need);

    NeedRule INeedCases<NeedRule>.Can(CanNeed need) => new CanRule(need);

    NeedRule INeedCases<NeedRule>.Signal(SignalNeed need) => new SignalRule(need);

    NeedRule INeedCases<NeedRule>.Part(PartNeed need) => new PartRule(need);

    NeedRule INeedCases<NeedRule>.Rail(RailNeed need) => new RailRule(need);

    NeedRule INeedCases<NeedRule>.Free(FreeNeed need) => new FreeRule(need);

    NeedRule INeedCases<NeedRule>.Region(RegionNeed need) => new RegionRule(need);

    NeedRule INeedCases<NeedRule>.Provides(ProvidesNeed need) => new ProvidesRule(need);

    NeedRule INeedCases<NeedRule>.Title(TitleNeed need) => new TitleRule(need);

    NeedRule INeedCases<NeedRule>.Memory(MemoryNeed need) => new MemoryRule(need);

    NeedRule INeedCases<NeedRule>.Storage(StorageNeed need) => new StorageRule(need);

    NeedRule INeedCases<NeedRule>.Speed(SpeedNeed need) => new SpeedRule(need);
}

sealed record SignalRule(SignalNeed Need) : NeedRule
{
    public override string Words(PlannedUnit? unit) => $"the signal {Need.Net}";

    public override (bool? Met, string Text) Answer(PlannedUnit unit) =>
        (
            unit.Model.Signals.Any(s => s.Net == Need.Net && unit.Holds(s.Revisions) && s.At.Any(a => unit.Holds(a.Revisions))),
            $"the signal {Need.Net} on this board"
        );

    public override void Require(ChoiceModel choices, ILiteral on, bool strict) => Fixed(choices, on, strict);
}

sealed record PartRule(PartNeed Need) : NeedRule
{
    public override string Words(PlannedUnit? unit) => $"{Need.Id} fitted";

    public override (bool? Met, string Text) Answer(PlannedUnit unit) =>
        (unit.Instances.Any(i => i.Part.Id == Need.Id), $"{Need.Id} fitted");

    public override void Require(ChoiceModel choices, ILiteral on, bool strict) =>
        choices.Imply(on, choices.Named.Where(p => p.Part.Id == Need.Id).Select(p => choices.Is(p.Name)));

    public override bool Tempts(PlannedUnit unit, Part part) => part.Id == Need.Id;
}

sealed record RailRule(RailNeed Need) : NeedRule
{
    public override string Words(PlannedUnit? unit) => $"a rail of {Need.Rail} V";

    public override (bool? Met, string Text) Answer(PlannedUnit unit) =>
        (
            unit.Rails.Any(r => r.Id == Need.Rail) || unit.Instances.Any(i => i.Part.Supplies.Any(s => s.Rail == Need.Rail)),
            $"a rail of {Need.Rail} V"
        );

    public override void Require(ChoiceModel choices, ILiteral on, bool strict)
    {
        if (choices.Unit.Rails.All(r => r.Id != Need.Rail))
            choices.Imply(on, choices.Suppliers(Need.Rail).Select(s => s.On));
    }

    public override bool Tempts(PlannedUnit unit, Part part) => part.Supplies.Any(s => s.Rail == Need.Rail);
}

sealed record FreeRule(FreeNeed Need) : NeedRule
{
    public override string Words(PlannedUnit? unit) => $"{IdText.Plain(Need.Site)} left free";

    public override (bool? Met, string Text) Answer(PlannedUnit unit) =>
        (
            unit.Instances.All(i => i.Occupied.All(o => o.Site != Need.Site)) && unit.Sites.Any(s => s.Id == Need.Site),
            $"{IdText.Plain(Need.Site)} left free"
        );

    public override void Require(ChoiceModel choices, ILiteral on, bool strict)
    {
        if (choices.Unit.Sites.All(s => s.Id != Need.Site))
            choices.Forbid(on);
        foreach ((Candidate candidate, ILiteral here) in choices.Candidates)
            if (candidate.Instance.Occupied.Any(o => o.Site == Need.Site))
                choices.NotBoth(on, here, unless: []);
    }
}

sealed record RegionRule(RegionNeed Need) : NeedRule
{
    public override string Words(PlannedUnit? unit) => $"a {Need.Region} machine";

    public override (bool? Met, string Text) Answer(PlannedUnit unit)
    {
        IReadOnlyList<string> own = unit.Model.Region;
        string told = own.Count == 0 ? "not said to be of any region" : string.Join(" and ", own);
        return (own.Count == 0 ? null : own.Contains(Need.Region), $"a {Need.Region} machine; this is {told}");
    }

    public override void Require(ChoiceModel choices, ILiteral on, bool strict) => Fixed(choices, on, strict);
}

sealed record ProvidesRule(ProvidesNeed Need) : NeedRule
{
    public override string Words(PlannedUnit? unit) => IdText.Plain(Need.Outcome);

    public override (bool? Met, string Text) Answer(PlannedUnit unit) =>
        (unit.Instances.Any(i => i.Part.Provides.Contains(Need.Outcome)), $"something that gives {IdText.Plain(Need.Outcome)}");

    public override void Require(ChoiceModel choices, ILiteral on, bool strict) =>
        choices.Imply(on, choices.Named.Where(p => p.Part.Provides.Contains(Need.Outcome)).Select(p => choices.Is(p.Name)));

    public override bool Tempts(PlannedUnit unit, Part part) => part.Provides.Contains(Need.Outcome);
}

/// <summary>
/// The processor's work: the fastest part that is there counts, two do not multiply. What a whole piece of work gains is the
/// Speed station's.
/// </summary>
sealed record SpeedRule(SpeedNeed Need) : NeedRule
{
    const string Work = "processor";

    public override string Words(PlannedUnit? unit) => $"a processor {Need.AtLeast:0.##} times as fast";

    public override (bool? Met, string Text) Answer(PlannedUnit unit)
    {
        decimal factor = SpeedForecast.FactorOf(unit, Work);
        string there = factor == 1 ? "as fast as before" : $"{factor:0.##} times as fast";
        return (factor >= Need.AtLeast, $"{Words(unit)}; by the sheets it is {there}");
    }

    public override void Require(ChoiceModel choices, ILiteral on, bool strict)
    {
        if (Need.AtLeast > 1)
            choices.Imply(
                on,
                choices.Named.Where(p => p.Part.Speed.GetValueOrDefault(Work) >= Need.AtLeast).Select(p => choices.Is(p.Name))
            );
    }

    public override bool Tempts(PlannedUnit unit, Part part) => part.Speed.GetValueOrDefault(Work) > 1;

    public override (decimal There, decimal Wanted, string Words)? Share(PlannedUnit unit) =>
        SpeedForecast.FactorOf(unit, Work) is var factor ? (factor, Need.AtLeast, $"x {factor:0.##}") : null;
}

sealed record StorageRule(StorageNeed Need) : NeedRule
{
    public override string Words(PlannedUnit? unit) => $"{Need.AtLeast} of storage";

    public override (bool? Met, string Text) Answer(PlannedUnit unit)
    {
        ByteSize there = Held(unit);
        string told = there.Bytes == 0 ? "there is none" : $"there {(there.Bytes == 1 ? "is" : "are")} {there}";
        return (there >= Need.AtLeast, $"{Words(unit)}; {told}");
    }

    /// <summary>Of a part with a card in it what the host reaches of the card, else what its sheet says.</summary>
    static ByteSize Held(PlannedUnit unit)
    {
        IReadOnlyList<PlannedCard> cards = PlannedCard.Of(unit);
        return new(unit.Instances.Aggregate(0ul, (sum, i) => sum + Of(i)));
        ulong Of(Instance i) =>
            cards.FirstOrDefault(c => c.Device.Name == i.Name) is { } card
                ? (ulong)card.Layout.ReachableBytes
                : i.Part.Capacity?.Bytes ?? 0;
    }

    public override void Require(ChoiceModel choices, ILiteral on, bool strict) =>
        choices.AtLeast(on, Need.AtLeast.Bytes, choices.Named.Select(p => (choices.Is(p.Name), p.Part.Capacity?.Bytes ?? 0)));

    public override bool Tempts(PlannedUnit unit, Part part) => part.Capacity is not null;

    public override (decimal There, decimal Wanted, string Words)? Share(PlannedUnit unit) =>
        (Held(unit).Bytes, Need.AtLeast.Bytes, Held(unit).ToString());
}

sealed record TitleRule(TitleNeed Need) : NeedRule
{
    Title? Of(PlannedUnit? unit) => unit?.Titles.FirstOrDefault(t => t.Id == Need.Id);

    public override string Words(PlannedUnit? unit) => $"{Of(unit)?.Name ?? Need.Id} running";

    public override (bool? Met, string Text) Answer(PlannedUnit unit)
    {
        if (Of(unit) is not { } title)
            return (null, $"what {Need.Id} needs; no sheet of it is here");
        if (!title.IsFor(unit.Model))
            return (false, $"{title.Name} running; it was made for another model than the {unit.Model.Name}");
        IReadOnlyList<NeedAnswer> answers = NeedCheck.Of(unit, title.Needs.Where(n => n is not TitleNeed));
        bool? met =
            answers.Any(a => a.Met == false) ? false
            : answers.Any(a => a.Met is null) ? null
            : true;
        string lacks = string.Join("; ", answers.Where(a => a.Met != true).Select(a => a.Text));
        return (met, met == true ? $"{title.Name} running" : $"{title.Name} running; {lacks}");
    }

    public override void Require(ChoiceModel choices, ILiteral on, bool strict)
    {
        if (Of(choices.Unit) is not { } title || !title.IsFor(choices.Unit.Model))
            Fixed(choices, on, strict);
        else
            foreach (
                Need own in title.Needs.Where(n =>
                    n is not TitleNeed && choices.Unit.Holds(n.Revisions) && n.When.Keys.Count == 0
                )
            )
                NeedCheck.Require(choices, own, on, strict);
    }

    public override bool Tempts(PlannedUnit unit, Part part) =>
        Of(unit)?.Needs.Any(n => n is not TitleNeed && NeedRules.Of(n).Tempts(unit, part)) == true;
}
