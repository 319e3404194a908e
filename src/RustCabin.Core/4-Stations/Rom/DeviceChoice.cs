using System.Runtime.CompilerServices;
using RustCabin.Core.Chips;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Findings;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Rom;

/// <summary>
/// A device for a socket and an image: its wiring, and how many times the image goes into it (0: it is too small).
/// </summary>
public sealed record DeviceOption(RomDevice Device, RomWiring Wiring, int Copies)
{
    /// <summary>Legs to lift, wires and ties together.</summary>
    public int Work => Wiring.Lift.Count + Wiring.Links.Count + Wiring.Ties.Count;

    /// <summary>What lies in the cupboard of it.</summary>
    public DeviceStock InHand { get; init; } = new(0, null, null);

    /// <summary>What it needs, in words: <c>lift 2, link 1, tie 2</c>, or <c>straight in</c>.</summary>
    public string Needs =>
        Work == 0
            ? "straight in"
            : string.Join(
                ", ",
                new[] { (Wiring.Lift.Count, "lift"), (Wiring.Links.Count, "link"), (Wiring.Ties.Count, "tie") }
                    .Where(n => n.Item1 > 0)
                    .Select(n => $"{n.Item2} {n.Item1}")
            );
}

/// <summary>The devices that go into a socket, those in the cupboard first.</summary>
public static class DeviceChoice
{
    /// <summary>
    /// Every device of the table that goes into the socket and holds the image: those in hand and fast enough first, then least
    /// work, then least left unused.
    /// </summary>
    /// <param name="stock">What lies in the cupboard.</param>
    /// <param name="budgetNs">The time that the socket allows, in nanoseconds; null: the sheet does not say.</param>
    public static IReadOnlyList<DeviceOption> For(
        IReadOnlyList<string> socket,
        long imageBytes,
        IReadOnlyList<StockItem> stock,
        decimal? budgetNs
    ) =>
        [
            .. For(socket, imageBytes)
                .Select(o => o with { InHand = DeviceStock.Of(stock, o.Device) })
                .OrderBy(o => o.InHand.Count > 0 && !(o.InHand.Ns > budgetNs) ? 0 : 1),
        ];

    /// <summary>
    /// Every device of the table that goes into the socket and holds the image, least work first, then least left unused.
    /// </summary>
    public static IReadOnlyList<DeviceOption> For(
        IReadOnlyList<string> socket,
        long imageBytes,
        IReadOnlyDictionary<string, string>? ties = null
    ) =>
        [
            .. (ties is null ? Untied.GetValue(socket, s => Wired(s, new Dictionary<string, string>())) : Wired(socket, ties))
                .Select(d => new DeviceOption(d.Device, d.Wiring, imageBytes <= 0 ? 1 : (int)((long)d.Device.Bytes / imageBytes)))
                .Where(o => o.Copies > 0)
                .OrderBy(o => o.Work)
                .ThenBy(o => o.Device.Bytes),
        ];

    /// <summary>What goes into a socket of a sheet with nothing tied; the same as long as the sheet is.</summary>
    static readonly ConditionalWeakTable<IReadOnlyList<string>, (RomDevice Device, RomWiring Wiring)[]> Untied = [];

    static (RomDevice Device, RomWiring Wiring)[] Wired(IReadOnlyList<string> socket, IReadOnlyDictionary<string, string> ties) =>
        [.. RomDevice.All.Select(d => (Device: d, Wiring: RomWiring.Solve(d, socket, ties))).Where(d => d.Wiring.Fits)];

    /// <summary>
    /// ROM-SPEED: the device's access time against the socket's budget: a stop over it, a watch within 10 %. Source:
    /// docs/handbook/rom.md, Speed of a ROM.
    /// </summary>
    public static Finding? Speed(Subject subject, string device, int accessNs, decimal? budgetNs) =>
        budgetNs is not { } budget || Limit.Of(accessNs, budget) is not { } severity
            ? null
            : new Finding(
                RomFindings.RomSpeed,
                severity,
                $"{accessNs} ns of {budget:0} ns",
                [subject],
                severity == Severity.Stop
                    ? $"{device} answers after {accessNs} ns; the socket allows {budget:0} ns."
                    : $"{device} answers after {accessNs} ns of the {budget:0} ns that the socket allows: little is left for "
                        + $"a warm day.",
                [$"{accessNs} of {budget:0} ns.", "Faster is always fine."]
            );

    /// <summary>
    /// The time a socket allows, in nanoseconds: n cycles / f - address delay - setup - decode. 2 cycles at 4 MHz - 60 - 30 - 20
    /// = 390 ns.
    /// </summary>
    public static decimal Budget(int cycles, decimal clockMHz, decimal addressNs, decimal setupNs, decimal decodeNs) =>
        cycles * 1000 / clockMHz - addressNs - setupNs - decodeNs;
}
