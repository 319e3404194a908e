using RustCabin.Core.Bench;
using RustCabin.Core.Choices;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Fit;

/// <summary>What fits where. Source: docs/handbook/fit.md.</summary>
public sealed class FitStation : Station
{
    /// <summary>Its name.</summary>
    public static readonly StationName Here = new("Fit");

    /// <inheritdoc/>
    public override StationName Name => Here;

    static readonly PassportPart Software = new("Software on it", 70);

    /// <inheritdoc/>
    public override IReadOnlyList<Act> OwnActs => FitActs.All;

    /// <inheritdoc/>
    public override IReadOnlyList<PassportPart> PassportParts { get; } = [PassportPart.Fitted, PassportPart.Wired, Software];

    /// <inheritdoc/>
    public override bool SwitchesHelp => true;

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => FitFindings.All;

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } =
    [
        Check.On(Rests.Subjects, FitChecks.Revision, FitChecks.RevisionRule),
        Check.On(Rests.Parts, FitChecks.Doubt),
        Check.On(Rests.Parts, FitChecks.SiteTaken, FitChecks.SiteTakenRule),
        Check.On(Rests.All, PartChecks.Needs, PartChecks.NeedsRule),
        Check.On(Rests.Subjects, PartChecks.Conflicts, PartChecks.ConflictsRule),
        Check.On(Rests.Subjects, PartChecks.Soldered),
        Check.On(Rests.Parts, PartChecks.Height),
        Check.On(Rests.Parts, SiteChecks.Missing, SiteChecks.MissingRule),
        Check.On(Rests.Parts, SiteChecks.Expected),
        Check.On(Rests.Subjects, SiteChecks.TurnedRound),
        Check.On(Rests.Subjects, SiteChecks.Overhangs),
        Check.On(Rests.Parts, MechanicalChecks.Envelope),
        Check.On(Rests.Parts, MechanicalChecks.Openings),
        Check.On(Rests.Parts, MechanicalChecks.Bare),
        Check.On(Rests.Subjects, MechanicalChecks.Facing),
        Check.On(Rests.Subjects, MechanicalChecks.Trims),
        Check.On(Rests.Subjects, SoftwareChecks.Drivers),
        Check.On(Rests.Subjects, SoftwareChecks.Errata),
        Check.On(Rests.Subjects, SkillChecks.Skill),
        Check.On(Rests.Subjects, Losses.Check),
    ];

    /// <inheritdoc/>
    public override IEnumerable<Proposal> Proposals(PlannedUnit unit) => Losses.Proposals(unit);

    /// <inheritdoc/>
    public override IEnumerable<Work> Works(BuildAsked asked) => FitWorks.Of(asked);

    /// <inheritdoc/>
    public override IEnumerable<Hypothesis> Hypotheses(PlannedUnit at) => FitHypotheses.Of(at).Concat(SeatHypotheses.Own(at));

    /// <inheritdoc/>
    public override IEnumerable<Hypothesis> Marginals(PlannedUnit at) => FitMarginals.Of(at);

    /// <inheritdoc/>
    public override IEnumerable<Sight> Sights(PlannedUnit at) => FitHypotheses.Sights(at);

    /// <summary>A part that is not seated, and a switch that stands elsewhere.</summary>
    public override IEnumerable<Slip> Slips(PlannedUnit unit)
    {
        foreach (Instance instance in unit.Instances)
        {
            if (!instance.IsMainboard)
                yield return new Slip(
                    new BusFault(FaultKind.Unseated, instance.Name),
                    _ => Effect.Without(unit, instance).CountAndWhy(unit, "Everything that the part answers to is gone.")
                );
            foreach (Switch own in instance.Part.Switches)
            foreach (string position in own.Positions.Where(p => p != instance.Positions[own.Id]))
                yield return new Slip(
                    new BusFault(FaultKind.SwitchMoved, instance.Name, Detail: $"{own.Id}={position}"),
                    _ => Effect.Moved(instance, own, position).CountAndWhy(unit, "The part answers as that position says.")
                );
        }
    }

    /// <inheritdoc/>
    public override IEnumerable<PassportLine> Passport(PassportAsked asked)
    {
        PlannedUnit now = asked.Now;
        foreach (Instance instance in now.Instances)
            yield return Line(instance, asked.Unit.Find(instance.Name) is null ? "fitted, to come out" : "fitted");
        foreach (Instance instance in asked.Unit.Instances.Where(i => now.Find(i.Name) is null))
            yield return Line(instance, "planned");
        // What the sheet of a way lists is done to the machine, and stands in its record.
        foreach (Instance instance in asked.Unit.Instances.Where(i => asked.Before.Find(i.Name) is null))
        foreach (WayStep step in instance.Way?.Steps ?? [])
            yield return new PassportLine(
                PassportPart.Wired,
                step.What,
                instance.Title,
                step.Proof.Length > 0 ? $"proved by: {step.Proof}" : "",
                asked.IsDone(Acts.WayStep(instance.Name, step.Id)) ? "done" : "planned"
            );
        foreach (PlacedThing thing in (asked.Unit.Job?.Places ?? []).Where(p => p.At is not null))
        {
            bool isIn = asked.Unit.Instances.FirstOrDefault(i => i.Title == thing.What) is { } part && asked.IsIn(part);
            yield return new PassportLine(
                PassportPart.Wired,
                $"Place in the case: {thing.What}",
                "",
                CasePlaces.Words(thing),
                isIn ? "there" : "planned"
            );
        }
        foreach ((string name, string version) in asked.Unit.Unit.Software)
            yield return new PassportLine(Software, name, "", version, "");
    }

    static PassportLine Line(Instance instance, string state) =>
        new(
            PassportPart.Fitted,
            instance.Title,
            string.Join(", ", instance.Occupied.Select(o => o.Site)),
            string.Join(", ", instance.Positions.Select(p => $"{p.Key} {p.Value}")),
            state + (instance.Way?.Reversible == false ? ", cannot be undone" : "")
        );

    /// <summary>Parts that go in, and parts that come out.</summary>
    public override IEnumerable<Piece> Pieces(PlannedUnit unit)
    {
        if (unit.Job is not { } job)
            yield break;
        foreach (Instance instance in unit.Instances.Where(i => i.Added))
            yield return PieceOf(job, instance.Part.Id, instance.Part.Name, instance.Part.Price, Acts.Fit(instance.Name));
        foreach (
            (InstanceName name, FittedPart fitted) in Instance.Number(unit.Unit.Fitted).Where(n => job.Remove.Contains(n.Name))
        )
            yield return PieceOf(job, fitted.Part, fitted.Part, null, Acts.Remove(name)) with
            {
                Comes = true,
            };
    }

    static Piece PieceOf(Job job, string part, string name, decimal? price, StepId step) =>
        new(StockKind.Part, name, 1, item => item.Kind == StockKind.Part && item.Item == part, price)
        {
            Step = step,
            Done = job.Done.Contains(step),
            Item = part,
        };

    /// <inheritdoc/>
    public override IEnumerable<MissingFact> Missing(PlannedUnit unit)
    {
        if (unit.Model.Access.Count == 0)
            yield return MissingFact.OfModel(
                unit,
                nameof(Model.Access),
                "how its case is opened",
                "the steps of opening and closing, their minutes and cautions"
            );
        foreach (Instance part in unit.Instances.Where(i => i.Added))
        {
            Site[] sites = [.. part.Occupied.Select(o => unit.FindSite(o.Site!)).OfType<Site>()];
            if (part.Part.HeightMm is null && sites.Any(s => s.HeightMm is not null))
                yield return MissingFact.OfPart(
                    part,
                    nameof(Part.HeightMm),
                    $"how high {part.Title} is",
                    "whether the case closes over it"
                );
            if (part.Part.HeightMm is not null && sites.Length > 0 && sites.All(s => s.HeightMm is null))
                yield return MissingFact.OfModel(
                    unit,
                    nameof(Model.Sites),
                    $"how much room is over {sites[0].Called}",
                    $"whether the case closes over {part.Title}"
                );
        }
    }

    /// <inheritdoc/>
    public override Far FarOf(PlannedUnit unit) => Far.Clear;
}
