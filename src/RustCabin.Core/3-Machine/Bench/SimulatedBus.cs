using RustCabin.Core.Maps;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Bench;

/// <summary>The byte that a claim gives at an offset inside its size, in a bank (0 where it is no window).</summary>
public delegate byte ClaimContents(int bank, ulong offset);

/// <summary>
/// The machine as seen from one bus master: reads and writes go through the resolved map, RAM keeps what is written, a bank
/// register is a latch. Contents are kept only for bytes that were written, so that a space of any size costs what is touched.
/// <para>Where nothing drives a read it gives 0xFF, or what was last on the bus where the model says so; where several do, the
/// lows win, as they do between TTL drivers.</para>
/// Not for several threads.
/// </summary>
public sealed class SimulatedBus
{
    const byte Undriven = 0xFF;

    readonly ResolvedMap _map;
    readonly uint _master;
    readonly Dictionary<(int Claim, ulong Byte), byte> _cells = [];
    readonly Dictionary<int, int> _latches = [];
    readonly Dictionary<int, int> _registerOf = [];
    readonly CellFaults[]?[]? _faults;
    readonly int _wordBytes;
    readonly Dictionary<int, ClaimContents> _contents = [];
    Segment _segment;
    byte _last = Undriven;

    /// <summary>
    /// A machine just switched on, as master number <paramref name="master"/> (0 is the model's first) sees it. <paramref
    /// name="faults"/> are those that lie in cells and registers; words are <paramref name="wordBytes"/> wide.
    /// </summary>
    public SimulatedBus(ResolvedMap map, int master, IReadOnlyList<BusFault>? faults = null, int wordBytes = 1)
    {
        _map = map;
        _master = 1u << master;
        _wordBytes = wordBytes;
        _segment = map.Segments[0];
        if (faults is { Count: > 0 })
            _faults =
            [
                .. map.Claims.Select(claim =>
                    faults.Any(f => f.IsOf(claim))
                        ? Enumerable.Range(0, wordBytes).Select(b => CellFaults.Of(claim, faults, b)).ToArray()
                        : null
                ),
            ];
        foreach ((int index, DecodedClaim claim) in map.Claims.Index())
            if (claim.RegisterOwner is { } owner)
                _registerOf[index] = map.Claims.Index().FirstOrDefault(c => c.Item.Owner == owner, (-1, null!)).Index;
        foreach (BusFault random in faults?.Where(f => f.Kind == FaultKind.RandomBank) ?? [])
        foreach (
            (int index, DecodedClaim claim) in map
                .Claims.Index()
                .Where(c => random.IsOf(c.Item) && _registerOf.ContainsKey(c.Index))
        )
            _latches[_registerOf[index]] = new Random(random.Seed).Next(RegisterValues(claim.Window!.Banks));
    }

    /// <summary>A read that nothing drives gives what was last on the bus, instead of 0xFF.</summary>
    public bool KeepsLast { get; init; }

    /// <summary>
    /// Puts what <paramref name="contents"/> holds behind a claim that is read, such as a device in its socket; the claim's index
    /// is that of the map.
    /// </summary>
    public void Put(int claim, ClaimContents contents) => _contents[claim] = contents;

    /// <summary>
    /// How many values a register of as few bits as its banks need can hold; those beyond the banks select nothing.
    /// </summary>
    static int RegisterValues(int banks) => (int)System.Numerics.BitOperations.RoundUpToPowerOf2((uint)Math.Max(1, banks));

    /// <summary>Reads one byte. Addresses beyond the space wrap, as the missing lines make them.</summary>
    public byte Read(ulong address)
    {
        address &= Decode.Space(_map.AddressBits);
        byte value = Undriven;
        bool driven = false;
        foreach (Answering answer in Here(address))
            if ((answer.ReadBy & _master) != 0 && _map.Claims[answer.Claim] is { Reads: true } claim)
                (value, driven) = ((byte)(value & Held(answer.Claim, claim, address)), true);
        if (!driven && KeepsLast)
            value = _last;
        _last = value;
        return value;
    }

    /// <summary>A write, which goes to everything that takes it there. Addresses beyond the space wrap round.</summary>
    public void Write(ulong address, byte value)
    {
        _last = value;
        address &= Decode.Space(_map.AddressBits);
        foreach (Answering answer in Here(address))
        {
            if (!Sees(answer) || _map.Claims[answer.Claim] is not { Writes: true } claim)
                continue;
            if (claim.Kind == ClaimKind.Ram && BankThere(answer.Claim, claim))
                _cells[Cell(answer.Claim, claim, address)] = value;
            if (claim.Kind == ClaimKind.Register)
                _latches[answer.Claim] = value;
        }
    }

    /// <summary>Something else goes over the bus, such as the fetch of the next instruction.</summary>
    public void Pass(byte value) => _last = value;

    byte Held(int index, DecodedClaim claim, ulong address) =>
        claim.Kind switch
        {
            ClaimKind.Ram when BankThere(index, claim) => Faults(index, claim, address)
                .Seen(_cells.GetValueOrDefault(Cell(index, claim, address), Undriven)),
            not ClaimKind.Ram when _contents.TryGetValue(index, out ClaimContents? contents) => BankThere(index, claim)
                ? contents(Bank(index, claim), Decode.Offset(claim, address))
                : Undriven,
            ClaimKind.Rom => Unknown(index, Decode.Offset(claim, address) + (ulong)Bank(index, claim) * claim.Size),
            // What a chip answers is not known to a map.
            _ => Undriven,
        };

    /// <summary>
    /// What a ROM holds of which no image was put behind its claim: not what a scan has just written there, and not 0xFF either,
    /// but some byte that is always the same.
    /// </summary>
    static byte Unknown(int claim, ulong offset)
    {
        ulong mixed = (offset + 1 + ((ulong)claim << 40)) * 0x9E3779B97F4A7C15;
        mixed = (mixed ^ (mixed >> 29)) * 0xBF58476D1CE4E5B9;
        return (byte)(mixed >> 56);
    }

    (int, ulong) Cell(int index, DecodedClaim claim, ulong address) =>
        (index, Faults(index, claim, address).Reached(Decode.Offset(claim, address)) + (ulong)Bank(index, claim) * claim.Size);

    CellFaults Faults(int index, DecodedClaim claim, ulong address) =>
        _faults?[index] is { } faults ? faults[(int)(Decode.Offset(claim, address) % (ulong)_wordBytes)] : CellFaults.None;

    /// <summary>
    /// The bank that a window shows: its register's latch, as many bits of it as the banks need; 0 until something is written to
    /// it.
    /// </summary>
    int Bank(int index, DecodedClaim claim) =>
        claim.Window is { } window && _registerOf.TryGetValue(index, out int register)
            ? _latches.GetValueOrDefault(register) % RegisterValues(window.Banks)
            : 0;

    /// <summary>False for a register value beyond the banks that are there: the window then is empty.</summary>
    bool BankThere(int index, DecodedClaim claim) => claim.Window is not { } window || Bank(index, claim) < window.Banks;

    /// <summary>The bank that the window of a claim shows now; null where the claim is no window, or shows none.</summary>
    public int? BankShown(ClaimName owner) =>
        _map.Claims.Index().FirstOrDefault(c => c.Item.Owner == owner, (-1, null!)) is var (index, claim)
        && index >= 0
        && claim.Window is not null
        && BankThere(index, claim)
            ? Bank(index, claim)
            : null;

    bool Sees(Answering answer) => (answer.Masters & _master) != 0;

    Answering[] Here(ulong address)
    {
        if (address < _segment.From || address > _segment.To)
            _segment = _map.At(address);
        return _segment.Claims;
    }
}
