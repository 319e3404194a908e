using RustCabin.Core.Bench;
using RustCabin.Core.Choices;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Stations;

/// <summary>One check: a pure function of the planned unit and its predicted count.</summary>
/// <param name="Rests">What its findings rest on.</param>
/// <param name="Of">What it finds.</param>
public sealed record Check(Rests Rests, Func<PlannedUnit, PowerUpCount, IEnumerable<Finding>> Of)
{
    /// <summary>What it can say of choices beforehand, in linear rules; never more than it asks. Null: nothing.</summary>
    public Action<ChoiceModel>? Rule { get; init; }

    /// <summary>A check that does not look at the count.</summary>
    public static Check On(Rests rests, Func<PlannedUnit, IEnumerable<Finding>> of, Action<ChoiceModel>? rule = null) =>
        new(rests, (unit, _) => of(unit)) { Rule = rule };
}

/// <summary>
/// What one station knows. The build sheet, the progress, the faults, the passport and the shopping list ask every station and
/// order what they get; none of them names one. A station to be built overrides what it has to say. Source:
/// docs/architecture.md, A station offers.
/// </summary>
public abstract class Station
{
    /// <summary>The name under which people meet it; a station that is a part of another has that one's.</summary>
    public abstract StationName Name { get; }

    /// <summary>The findings that its checks raise.</summary>
    public virtual IReadOnlyList<FindingKind> Findings => [];

    /// <summary>Its checks, in the order in which their findings are told.</summary>
    public virtual IReadOnlyList<Check> Checks => [];

    /// <summary>The work that it brings to a build, in its order.</summary>
    public virtual IEnumerable<Work> Works(BuildAsked asked) => [];

    /// <summary>The acts that its work is made of, each with its way back.</summary>
    public virtual IReadOnlyList<Act> OwnActs => [];

    /// <summary>The cautions that are its own, beside those of any bench (<see cref="Caution.General"/>).</summary>
    public virtual IReadOnlyList<Caution> Cautions => [];

    /// <summary>The parts of the passport that it writes.</summary>
    public virtual IReadOnlyList<PassportPart> PassportParts => [];

    /// <summary>A stop that is told here may be mended by setting switches.</summary>
    public virtual bool SwitchesHelp => false;

    /// <summary>What can go wrong here, each as a machine with that one fault in it.</summary>
    public virtual IEnumerable<Slip> Slips(PlannedUnit unit) => [];

    /// <summary>The single faults that a plan allows here.</summary>
    public virtual IEnumerable<Hypothesis> Hypotheses(PlannedUnit at) => [];

    /// <summary>
    /// Causes that come and go, which are weighed once starts were counted; each says how often the machine starts with it.
    /// </summary>
    public virtual IEnumerable<Hypothesis> Marginals(PlannedUnit at) => [];

    /// <summary>What a person sees or hears here of the running machine.</summary>
    public virtual IEnumerable<Sight> Sights(PlannedUnit at) => [];

    /// <summary>What it would still use of this job, with what it would then tell.</summary>
    public virtual IEnumerable<MissingFact> Missing(PlannedUnit unit) => [];

    /// <summary>What it writes into the unit's passport.</summary>
    public virtual IEnumerable<PassportLine> Passport(PassportAsked asked) => [];

    /// <summary>What a job wants of the cupboard, and what of it was taken or came back.</summary>
    public virtual IEnumerable<Piece> Pieces(PlannedUnit unit) => [];

    /// <summary>What could be planned otherwise here, so that stops go away; each is tried before it is offered.</summary>
    public virtual IEnumerable<Proposal> Proposals(PlannedUnit unit) => [];

    /// <summary>How far the job is here, apart from what its findings say.</summary>
    public virtual Far FarOf(PlannedUnit unit) => Far.Empty;
}

/// <summary>A change of the plan that may mend a stop.</summary>
/// <param name="Fix">What the press would do.</param>
/// <param name="Planned">The plan that comes of it.</param>
public sealed record Proposal(Fix Fix, PlannedUnit Planned);

/// <summary>How far a job is at a station.</summary>
public enum Far
{
    /// <summary>Nothing is there.</summary>
    Empty,

    /// <summary>It is being worked on.</summary>
    InHand,

    /// <summary>All that it wants is there.</summary>
    Clear,
}

/// <summary>Something that a job wants of the cupboard.</summary>
/// <param name="Kind">What kind of thing.</param>
/// <param name="Name">What it is called on the list; equal names are one line.</param>
/// <param name="Count">How many.</param>
/// <param name="Is">Whether a thing in the cupboard is such a one.</param>
/// <param name="Price">What one more costs where the cupboard does not say.</param>
public sealed record Piece(StockKind Kind, string Name, int Count, Func<StockItem, bool> Is, decimal? Price = null)
{
    /// <summary>The step at which it leaves the cupboard, or, where <see cref="Comes"/>, comes into it.</summary>
    public required StepId Step { get; init; }

    /// <summary>That step is done: it is on the unit, and no longer wanted.</summary>
    public bool Done { get; init; }

    /// <summary>It comes out of the unit, and lies in the cupboard then.</summary>
    public bool Comes { get; init; }

    /// <summary>
    /// The things of the cupboard, one of each, that serve for it together; they leave in its place. Null, or an answer of null:
    /// nothing but it itself does.
    /// </summary>
    public Func<IReadOnlyList<StockItem>, IReadOnlyList<StockItem>?>? Serves { get; init; }

    /// <summary>What the cupboard calls it, where it does not know it yet.</summary>
    public string Item { get; init; } = "";
}

/// <summary>What the passport asks a station for.</summary>
/// <param name="Before">The unit as it stood before the job.</param>
/// <param name="Unit">The unit as the job plans it.</param>
/// <param name="IsDone">Whether a step is done.</param>
public sealed record PassportAsked(PlannedUnit Before, PlannedUnit Unit, Func<StepId, bool> IsDone)
{
    /// <summary>True for an instance that is on the unit by now, false for one that is only planned.</summary>
    public bool IsIn(Instance instance) => !instance.Added || IsDone(Acts.Fit(instance.Name));

    /// <summary>
    /// The unit as it stands: what was there and is not yet taken out, with its switches as they were until they are set again,
    /// and of what the job adds only what is in. Its firmware is the old one until its step is done.
    /// </summary>
    public PlannedUnit Now =>
        Plan.Of(
            Unit,
            [
                .. Before
                    .Instances.Where(b => Unit.Find(b.Name) is not null || !IsDone(Acts.Remove(b.Name)))
                    .Select(b => Unit.Find(b.Name) is { } after && IsDone(Acts.Set(b.Name)) ? after : b),
                .. Unit.Instances.Where(i => Before.Find(i.Name) is null && IsIn(i)),
            ]
        ) with
        {
            Firmware = IsDone(Acts.Firmware) ? Unit.Firmware : Before.Firmware,
        };
}

/// <summary>A part of the passport: lines under one heading. The station that writes them declares it.</summary>
/// <param name="Title">The heading.</param>
/// <param name="Order">Where it stands among the others, the lowest first.</param>
public sealed record PassportPart(string Title, int Order)
{
    /// <summary>What sits where: of parts at Fit, of devices at ROM; a table of its own.</summary>
    public static readonly PassportPart Fitted = new("Fitted", 0) { HasOwnPlace = true };

    /// <summary>What was changed on the board, by whatever station.</summary>
    public static readonly PassportPart Wired = new("Changed on the board", 15);

    /// <summary>It stays with whoever keeps the record, and is not handed over.</summary>
    public bool StaysHere { get; init; }

    /// <summary>The page shows it in a place of its own, and not among the headed lists.</summary>
    public bool HasOwnPlace { get; init; }
}

/// <summary>One line of a passport.</summary>
/// <param name="Part">Where it stands.</param>
/// <param name="What">What it is about.</param>
/// <param name="Place">Where that sits or belongs.</param>
/// <param name="Details">What there is to say.</param>
/// <param name="State">How it stands: fitted, planned, passed.</param>
public sealed record PassportLine(PassportPart Part, string What, string Place, string Details, string State)
{
    /// <summary>The place in words: a site as a person says it, anything else as it was written.</summary>
    public string Placed => string.Join(", ", Place.Split(", ").Select(PlaceWords));

    static string PlaceWords(string place) =>
        LocalName.Parse(place) is var at && IdText.Is(at.Id) && (!at.OnPart || IdText.Is(at.Owner)) ? at.Plain : place;

    /// <summary>When it was done, in ISO 8601; empty: not noted.</summary>
    public string At { get; init; } = "";

    /// <summary>What is written on it.</summary>
    public string Label { get; init; } = "";

    /// <summary>Whether it went well; null: there is nothing to go wrong.</summary>
    public bool? Passed { get; init; }
}

/// <summary>One thing that can go wrong: a fault in the simulated machine, and what the machine then shows.</summary>
/// <param name="Fault">The fault.</param>
/// <param name="Run">The machine with it, or with its like (another bit, another chance); a null count: it does not start, and
/// shows nothing.</param>
public sealed record Slip(BusFault Fault, Func<BusFault, (PowerUpCount? Count, string Why)> Run)
{
    /// <summary>Why a machine shows nothing.</summary>
    public const string Dead = "The processor, its first instruction or the memory that it starts in is gone: nothing is shown.";
}
