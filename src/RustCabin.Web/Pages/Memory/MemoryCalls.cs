using RustCabin.Core.Chips;
using RustCabin.Core.Memory;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Memory;

public sealed record BankAnswer(int Chips, ulong Bytes, int Pins, int Joints);

public sealed record ArrangementsAnswer(IReadOnlyList<ArrangementJson> Arrangements);

public sealed record ArrangementJson(
    IReadOnlyList<string?> Banks,
    ulong TotalBytes,
    ulong UsableBytes,
    ulong UnusedBytes,
    IReadOnlyDictionary<string, int> Buy,
    decimal Cost,
    int Joints
);

public sealed record MarkingAnswer(IReadOnlyList<ReadingJson> Readings, IReadOnlyList<OtherJson> Others);

public sealed record OtherJson(string Number, string Family, string What, string Block, int Pins, IReadOnlyList<string> Legs);

public sealed record ReadingJson(
    string Family,
    string Organisation,
    int? Ns,
    int Pins,
    DateCode? DateCode,
    double Score,
    string Why
);

public sealed record SectorsAnswer(ulong CapacityBytes, long FreeSectors, IReadOnlyList<FileInSectors> Files);

/// <summary>The calls under <c>memory</c>: a bank of chips, arrangements of banks, a chip's marking, files in sectors.</summary>
static class MemoryCalls
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapCall("memory/bank", "One bank made of one type of chip", (BankAsked asked) => Of(asked.Bank));
        routes.MapCall(
            "memory/arrangements",
            "Ways to fill a board's banks",
            (ArrangementsAsked asked) => new ArrangementsAnswer([.. Arrangements.Of(asked.Question).Select(Of)])
        );
        routes.MapCall(
            "memory/marking",
            "What a chip's marking says",
            (MarkingAsked asked) =>
                new MarkingAnswer(
                    [.. Marking.Read(asked.Text).Select(Of)],
                    [
                        .. LogicMarking
                            .Read(asked.Text)
                            .Select(o => new OtherJson(o.Number, o.Family, o.What, o.Block, o.Pins, o.Legs)),
                    ]
                )
        );
        routes.MapCall(
            "memory/sectors",
            "Files on a disc of sectors",
            (SectorsAsked asked) =>
                asked.Plan is var plan ? new SectorsAnswer(plan.CapacityBytes, plan.FreeSectors, plan.Files) : null!
        );
    }

    static BankAnswer Of(BankOfChips bank) => new(bank.Chips, bank.Bytes, bank.Type.Pins, bank.Joints);

    static ArrangementJson Of(Arrangement a) =>
        new([.. a.Banks.Select(b => b?.Organisation)], a.TotalBytes, a.UsableBytes, a.UnusedBytes, a.Buy, a.Cost, a.Joints);

    static ReadingJson Of(MarkingReading r) =>
        new(r.Type.Family, r.Type.Organisation, r.Ns, r.Type.Pins, r.DateCode, r.Score, r.Why);
}
