using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Wiring;

public sealed record WiringAnswer(
    IReadOnlyList<ChangeJson> Changes,
    IReadOnlyList<ContinuityJson> Continuity,
    IReadOnlyList<NetJson> Nets,
    IReadOnlyList<TapsJson> Taps,
    IReadOnlyList<FindingJson> Findings
);

public sealed record ChangeJson(string Part, int Index, string Do, string Words);

public sealed record ContinuityJson(string From, string To, string Expect, int? Change);

public sealed record NetJson(IReadOnlyList<string> Names, IReadOnlyList<string> Places);

public sealed record TapsJson(string Net, IReadOnlyList<TapJson> Options);

public sealed record TapJson(string Place, string Tap);

public sealed record MateAnswer(IReadOnlyList<FindingJson> Findings);

public sealed record ChainAnswer(IReadOnlyList<CableJson> Cables, int Specials, IReadOnlyList<MissingJson> Missing);

public sealed record CableJson(string To, IReadOnlyList<int> Takes, bool Special);

public sealed record MissingJson(string Board, string Net);

public sealed record CablesAnswer(IReadOnlyList<LinkJson>? Chain, PieceJson? Missing);

public sealed record LinkJson(string Piece, bool Turned);

public sealed record PieceJson(EndJson A, EndJson B, bool Crossing);

public sealed record EndJson(string Family, string Gender);

/// <summary>
/// <c>wiring</c>, <c>connectors/mate</c>, <c>connectors/chain</c>, <c>cables</c>. Source: docs/formats.md, The JSON interface.
/// </summary>
static class WiringCalls
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapJobCall("wiring", "The changes of a job, the readings that prove them, and the nets after them", Of);
        routes.MapCall("connectors/mate", "Two connectors put together", (MateAsked asked) => Of(asked));
        routes.MapCall(
            "connectors/chain",
            "The cables of a chain of boards, as few special ones as can be",
            (ChainAsked asked) => Of(asked),
            heavy: true
        );
        routes.MapCall("cables", "The shortest chain of pieces between two devices", (CablesAsked asked) => Of(asked));
        routes.MapCall(
            "line/speeds",
            "The speeds that two ends of a serial line make",
            (SpeedsAsked asked) => LineSpeeds.Of(asked),
            Nulls.Read<SpeedsAsked>
        );
        routes.MapCall(
            "line/garbled",
            "The settings that make of what was sent just what came",
            (GarbledAsked asked) => Garbled.Of(asked),
            Nulls.Read<GarbledAsked>
        );
    }

    static WiringAnswer Of(Pack pack, Job job, CancellationToken cancel)
    {
        PlannedUnit unit = Plan.For(pack, job);
        var wired = Wired.Of(unit);
        Netlist after = wired.After;
        int[] touched = [.. wired.Changes.SelectMany(wired.Touched).Select(after.NodeOf).Distinct()];
        ILookup<int, string> places = after.InOrder().ToLookup(after.NodeOf, after.NameOf);
        return new WiringAnswer(
            [.. wired.Changes.Select(c => new ChangeJson(c.Owner, c.Index, Words<ChangeAct>.Of(c.Change.Do), c.Words))],
            [
                .. Continuity
                    .Of(wired)
                    .Select(l => new ContinuityJson(
                        after.NameOf(l.From),
                        after.NameOf(l.To),
                        l.Closed ? "closed" : "open",
                        l.Change
                    )),
            ],
            [.. touched.Select(n => new NetJson([.. wired.NamesOf(n)], [.. places[n]]))],
            [.. Taps.Of(wired).Select(t => new TapsJson(t.Net, [.. t.Options.Select(o => new TapJson(o.Place, o.Tap))]))],
            [.. WiringChecks.Of(unit).OrderBy(f => f.Severity).Select(AnswerJson.Of)]
        );
    }

    static MateAnswer Of(MateAsked asked) =>
        new([
            .. Mating
                .Of(
                    new Connector(asked.A.Contacts, asked.A.Gender),
                    new Connector(asked.B.Contacts, asked.B.Gender),
                    asked.Rails.Contains,
                    "a",
                    "b",
                    [Subject.Asked("connectors")]
                )
                .OrderBy(f => f.Severity)
                .Select(AnswerJson.Of),
        ]);

    static ChainAnswer Of(ChainAsked asked)
    {
        Chain chain = Chain.Of(asked, HeavyWork.AtMost);
        return new ChainAnswer(
            [.. chain.Cables.Select(c => new CableJson(c.To, c.Takes, c.Special))],
            chain.Specials,
            [.. chain.Missing.Select(m => new MissingJson(m.Board, m.Net))]
        );
    }

    static CablesAnswer Of(CablesAsked asked)
    {
        CableChain chain = CableChain.Of(asked);
        return new CablesAnswer(
            chain.Links is null ? null : [.. chain.Links.Select(l => new LinkJson(l.Piece, l.Turned))],
            chain.Missing is not { } piece ? null : new PieceJson(EndOf(piece.A), EndOf(piece.B), piece.Crossing)
        );
    }

    static EndJson EndOf(CableEnd end) => new(end.Family, Words<Gender>.Of(end.Gender));
}
