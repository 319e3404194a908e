using RustCabin.Core.Bench;
using RustCabin.Core.Findings;
using RustCabin.Core.Fit;
using RustCabin.Core.Gathered;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Units;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Searches;

/// <summary>A unit that may take a part.</summary>
/// <param name="Unit">The unit.</param>
/// <param name="Model">Its model.</param>
/// <param name="Board">Its board, as far as it is known.</param>
/// <param name="Grade">What the sheets say.</param>
/// <param name="Way">The way in; null: there is none.</param>
/// <param name="Minutes">Opening, fitting and closing; 0 without a way.</param>
/// <param name="With">What the part asks for besides, and the unit does not give.</param>
/// <param name="Stops">What would stop the unit with the part in it.</param>
/// <param name="Why">What the grade rests on.</param>
public sealed record Taker(
    Unit Unit,
    Model Model,
    string Board,
    FitGrade Grade,
    Way? Way,
    decimal Minutes,
    IReadOnlyList<string> With,
    IReadOnlyList<string> Stops,
    IReadOnlyList<string> Why
)
{
    /// <summary>It goes in, and nothing stands in its way.</summary>
    public bool Goes => Way is not null && Stops.Count == 0 && With.Count == 0;
}

/// <summary>From a part: which units take it, with what. Source: docs/handbook/fit.md, From a part.</summary>
public static class Takers
{
    /// <summary>So many units are planned with the part; of the others the sheets alone speak.</summary>
    public const int MostPlanned = 40;

    /// <summary>The units of which the sheets say something, those that take it first, then by minutes.</summary>
    /// <param name="stations">The stations, each of which may stop a unit with the part in it.</param>
    /// <param name="sheets">Every sheet of the cabin.</param>
    /// <param name="part">The part.</param>
    public static IReadOnlyList<Taker> Of(StationList stations, Pack sheets, Part part)
    {
        int planned = 0;
        return
        [
            .. (
                from unit in sheets.Units
                where !unit.Retired
                let model = sheets.FindModel(unit.Model)
                where model is not null
                let stands = Plan.For(sheets, unit)
                let cell = FitMatrix.Cell(model, part, stands.Revision.Id)
                where cell.Grade != FitGrade.Unknown
                select Of(stations, sheets, part, stands, cell, cell.Way is not null && planned++ < MostPlanned)
            )
                .OrderBy(t => !t.Goes)
                .ThenBy(t => t.Stops.Count)
                .ThenBy(t => t.Grade)
                .ThenBy(t => t.Minutes),
        ];
    }

    static Taker Of(StationList stations, Pack sheets, Part part, PlannedUnit stands, FitCell cell, bool isPlanned)
    {
        Budget.SpendMuch();
        string board = stands.Model.FindRevision(stands.Revision.Id)?.Name ?? "";
        var bare = new Taker(
            stands.Unit,
            stands.Model,
            stands.IsBoardAssumed ? $"assuming {board}" : board,
            cell.Grade,
            cell.Way,
            0,
            [],
            [],
            cell.Why
        );
        if (!isPlanned || cell.Way is not { } way)
            return bare;
        var job = new Job
        {
            Id = part.Id,
            Unit = stands.Unit.Id,
            Name = part.Name,
            Add = [new FittedPart { Part = part.Id, Way = way.Id }],
        };
        PlannedUnit with = Plan.For(sheets with { Jobs = [job] }, job);
        Instance fitted = with.Instances.Last(i => i.Added);
        return bare with
        {
            Minutes = 2 * AccessPath.To(with.Model, fitted).Sum(l => l.Minutes) + way.Minutes,
            With =
            [
                .. NeedCheck
                    .Of(with, [.. part.Needs, .. way.Needs], fitted)
                    .Where(n => n.Met != true)
                    .Select(n => NeedCheck.Words(n.Need, with)),
            ],
            Stops =
            [
                .. stations
                    .Run(with, PowerUp.Run(with))
                    .Where(f => f.Severity == Severity.Stop && f.Kind != PartNeeds)
                    .Select(f => f.Title)
                    .Distinct(),
            ],
        };
    }

    /// <summary>What a part asks for is told by itself, and not as a stop once more.</summary>
    static readonly FindingKind PartNeeds = FitFindings.FitNeed;

    /// <summary>For each unit the parts of the cupboard that go into it; units that take none are left out.</summary>
    /// <param name="sheets">Every sheet of the cabin.</param>
    /// <param name="inHand">The parts that lie in the cupboard, by their ids.</param>
    public static IReadOnlyList<(Unit Unit, IReadOnlyList<(Part Part, FitCell Cell)> Parts)> FromCupboard(
        Pack sheets,
        IReadOnlyCollection<string> inHand
    )
    {
        Part[] parts = [.. sheets.Parts.Where(p => inHand.Contains(p.Id))];
        return
        [
            .. from unit in sheets.Units
            where !unit.Retired
            let model = sheets.FindModel(unit.Model)
            where model is not null
            let board = Revisions.Identify(model, unit.Seen, unit.Revision).Id
            let goes = (IReadOnlyList<(Part, FitCell)>)
                [
                    .. parts
                        .Where(p => unit.Fitted.All(f => f.Part != p.Id))
                        .Select(p => (Part: p, Cell: FitMatrix.Cell(model, p, board)))
                        .Where(p => p.Cell.Grade is FitGrade.Fits or FitGrade.WithCare)
                        .OrderBy(p => p.Cell.Grade),
                ]
            where goes.Count > 0
            select (unit, goes),
        ];
    }
}
