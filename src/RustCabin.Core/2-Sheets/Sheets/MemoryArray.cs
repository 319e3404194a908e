#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>
/// One bank of chips on a board: its bits, the types that it takes, and what the board gives them. Source:
/// docs/handbook/memory.md, Chips.
/// </summary>
public sealed record MemoryArray : ICompleted<MemoryArray>
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, Range(1, 1024), UnitOf("bits"), Display(Description = "Data bits of the bank.")]
    public int DataBits { get; init; }

    [Range(0, 1024), UnitOf("bits"), Display(Description = "Parity bits beside them.")]
    public int ParityBits { get; init; }

    [OnSheet(Things.ChipTypes), Display(Description = "The types of chips that it takes.")]
    public IReadOnlyList<string> Types { get; init; } = [];

    [Range(1, 64), Display(Description = "Address lines that the board brings, multiplexed for DRAM.")]
    public int? AddressLines { get; init; }

    [Range(1, 32), UnitOf("bits"), Display(Description = "The width of the board's refresh counter.")]
    public int? RefreshBits { get; init; }

    [Range(0.001, 100_000), UnitOf("us"), Display(Name = "refresh row", Description = "The time between two refreshed rows.")]
    public decimal? RefreshRowUs { get; init; }

    [Display(Description = "The chips' own refresh counters are used.")]
    public bool OwnRefresh { get; init; }

    [
        Range(1, 100_000),
        UnitOf("ns"),
        Display(Name = "access", Description = "The slowest access time that the board's cycle allows.")
    ]
    public int? AccessNs { get; init; }

    [
        Range(1, 100_000),
        UnitOf("ns"),
        Display(Name = "full cycle", Description = "How long the board's whole cycle is, row and precharge.")
    ]
    public int? CycleNs { get; init; }

    [
        Range(1, 4),
        Display(Description = "How many times its access time the whole cycle of a multiplexed chip takes; left out: 1.8.")
    ]
    public decimal CycleFactor { get; init; } = 1.8m;

    [Display(ShortName = "supply", Description = "The supplies at each socket, such as +5.")]
    public IReadOnlyList<string> Supplies { get; init; } = [];

    [Display(Description = "Its chips have sockets.")]
    public bool Socketed { get; init; } = true;

    /// <inheritdoc/>
    public MemoryArray Completed(RecordReading read)
    {
        foreach ((int i, string type) in Types.Index())
            if (Chips.ChipType.Find(type) is null)
                read.Wrong($"types[{i}]", $"\"{type}\" is not a type of the table");
        return this;
    }
}
