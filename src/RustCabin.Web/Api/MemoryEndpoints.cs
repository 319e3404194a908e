using System.Text.Json;
using RustCabin.Core.Memory;
using RustCabin.Core.Memory.Chips;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Api;

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

public sealed record MarkingAnswer(IReadOnlyList<ReadingJson> Readings);

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

/// <summary>The calls under <c>/api/v1/memory</c>: a bank of chips, arrangements of banks, a chip's marking, files in sectors.</summary>
static class MemoryEndpoints
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        Call(
            routes,
            "bank",
            "One bank made of one type of chip",
            "Takes { dataBits, parityBits, type }.",
            MemoryReader.Bank,
            bank => new BankAnswer(bank.Chips, bank.Bytes, bank.Type.Pins, bank.Joints)
        );
        Call(
            routes,
            "arrangements",
            "Ways to fill a board's banks",
            "Takes { baseBytes, capBytes, dataBits, parityBits, banks, types, mix, targetBytes, stock, prices, socketed }; mix is any, alike, larger-first or pairs.",
            MemoryReader.Arrangements,
            question => new ArrangementsAnswer([
                .. Arrangements
                    .Of(question)
                    .Select(a => new ArrangementJson(
                        [.. a.Banks.Select(b => b?.Organisation)],
                        a.TotalBytes,
                        a.UsableBytes,
                        a.UnusedBytes,
                        a.Buy,
                        a.Cost,
                        a.Joints
                    )),
            ])
        );
        Call(
            routes,
            "marking",
            "What a chip's marking says",
            "Takes { text }.",
            MemoryReader.Marking,
            text => new MarkingAnswer([
                .. Marking
                    .Read(text)
                    .Select(r => new ReadingJson(
                        r.Type.Family,
                        r.Type.Organisation,
                        r.Ns,
                        r.Type.Pins,
                        r.DateCode,
                        r.Score,
                        r.Why
                    )),
            ])
        );
        Call(
            routes,
            "sectors",
            "Files on a disc of sectors",
            "Takes { sectors, reservedSectors, bytesPerSector, linkBytes, files: [bytes] }.",
            MemoryReader.Sectors,
            plan => new SectorsAnswer(plan.CapacityBytes, plan.FreeSectors, plan.Files)
        );
    }

    static void Call<TRead, TAnswer>(
        IEndpointRouteBuilder routes,
        string name,
        string summary,
        string takes,
        Func<JsonElement, Reading<TRead>> read,
        Func<TRead, TAnswer> answer
    )
        where TRead : class => routes.MapReading($"/api/v1/memory/{name}", $"memory-{name}", summary, takes, read, answer);
}
