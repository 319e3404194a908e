#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>
/// A range of addresses that something answers to, as a sheet writes it, before revision and switches are known. Source:
/// docs/handbook/memory.md, Claims.
/// </summary>
public sealed record Claim : ICompleted<Claim>
{
    [Required, Id, Display(Description = "Its identifier; others name it model:id or part:instance:id.")]
    public string Id { get; init; } = "";

    [Required, Display(Description = "What answers.")]
    public ClaimKind Kind { get; init; }

    [Display(Description = "Self-configuration gives it its base.")]
    public bool Auto { get; init; }

    [RequiredIf("without auto")]
    [Usual, Display(Description = "Where it begins.")]
    public Address? Base { get; init; }

    [Required, NotZero, Usual, Display(Description = "How large it is; for a window what is seen at once.")]
    public ByteSize? Size { get; init; }

    [Display(Description = "It answers where the address agrees with its base in these bits; bits left out make mirrors.")]
    public Address? Mask { get; init; }

    [Id, Usual, OnSheet(Things.Masters), Display(Description = "The masters that reach it; left out: all.")]
    public IReadOnlyList<string> Masters { get; init; } = [];

    [Display(Description = "The bus cycles that it answers to; left out: both, or read for a ROM.")]
    public BusAccess Access { get; init; }

    [Display(Description = "A ROM whose select ignores the write line.")]
    public bool DrivesOnWrite { get; init; }

    [OnSheet(Things.Claims), Display(Description = "Claims that it switches off where it answers.")]
    public IReadOnlyList<string> Overlays { get; init; } = [];

    [Display(Description = "What it hides of the claims that it switches off: both, or reads only, so that writes go through.")]
    public Hides Hides { get; init; }

    [Display(Description = "The space that it lies in: memory, or the ports of a processor that has separate ones.")]
    public BusSpace Space { get; init; }

    [Display(Description = "How fast the memory is reached.")]
    public SpeedClass Speed { get; init; }

    [Display(Description = "It is a window on banks.")]
    public Window? Window { get; init; }

    [Display(Description = "Banks of its window that are sockets.")]
    public IReadOnlyList<BankPage> Pages { get; init; } = [];

    [
        Id,
        OnSheet(Things.Sites),
        Display(
            Description = "The sockets whose devices answer it, one for each lane of the word, the lane of the lowest address "
                + "first."
        )
    ]
    public IReadOnlyList<string> Sockets { get; init; } = [];

    [Id, Usual, OnSheet(Things.Revisions), Display(Description = "The revisions that have it; left out: all.")]
    public IReadOnlyList<string> Revisions { get; init; } = [];

    [
        OnSheet(Things.Switches),
        Display(Name = "when (switch = position)", Description = "It is there only while these switches stand so.")
    ]
    public Condition When { get; init; } = Condition.Always;

    /// <inheritdoc/>
    public Claim Completed(RecordReading read)
    {
        if (Auto && Size is { IsPowerOfTwo: false })
            read.Wrong("size", "must be a power of two for a self-configuring claim");
        if (Mask is not null && Size is { IsPowerOfTwo: false })
            read.Wrong("size", "must be a power of two beside a mask");
        if (Auto && Base is not null)
            read.Wrong("base", "stands beside \"auto\": a self-configuring claim is given its base");
        if (Auto && Space == BusSpace.Io)
            read.Wrong("auto", "stands in the port space: self-configuration gives places in memory");
        if (!Auto && !read.Has("base"))
            read.Wrong("base", "is missing");
        BusAccess access =
            Access != 0 ? Access
            : Kind == ClaimKind.Rom ? BusAccess.Read
            : BusAccess.Both;
        return this with { Access = access, Window = WindowWithPages(read) };
    }

    /// <summary>The window; its pages may stand in it or beside it.</summary>
    Window? WindowWithPages(RecordReading read)
    {
        if (Window is null)
        {
            if (Pages.Count > 0)
                read.Wrong("pages", "stand on a claim without a window");
            return null;
        }
        IReadOnlyList<BankPage> pages = [.. Window.Pages, .. Pages];
        foreach (BankPage page in pages.Where(p => p.Bank >= Window.Banks))
            read.Wrong("pages", $"bank {page.Bank} is beyond the {Window.Banks} of the window");
        foreach (IGrouping<int, BankPage> twice in pages.GroupBy(p => p.Bank).Where(g => g.Count() > 1))
            read.Wrong("pages", $"bank {twice.Key} stands twice");
        return Window with { Pages = pages };
    }
}

/// <summary>What answers at a claim.</summary>
public enum ClaimKind
{
    Ram,
    Rom,
    Io,
    Register,
}

/// <summary>Which bus cycles a claim answers to.</summary>
[Flags]
public enum BusAccess
{
    Read = 1,
    Write = 2,
    Both = 3,
}

/// <summary>What an overlay hides: reads and writes, or reads only.</summary>
public enum Hides
{
    Both,
    Read,
}

/// <summary>Memory, or the separate port addresses of some processors. The two never meet.</summary>
public enum BusSpace
{
    Memory,
    Io,
}

/// <summary>How fast memory is reached.</summary>
public enum SpeedClass
{
    Board,
    Local,
    Contended,
}

/// <summary>A bank window: what is seen at once is the claim's size, what lies behind it is banks times that.</summary>
public sealed record Window
{
    [Usual, OnSheet(Things.Claims), Display(Description = "The claim of the register that chooses the bank.")]
    public string? Register { get; init; }

    [Range(1, 65_536), Usual, Display(Description = "How many banks lie behind it.")]
    public int Banks { get; init; } = 1;

    [Usual, Display(Description = "What the register holds at power-up.")]
    public WindowReset Reset { get; init; }

    [Display(Description = "Banks that are sockets.")]
    public IReadOnlyList<BankPage> Pages { get; init; } = [];
}

/// <summary>
/// What a bank register holds at power-up: anything, a defined bank, or what the firmware wrote before it used the window.
/// </summary>
public enum WindowReset
{
    Undefined,
    Defined,
    WrittenFirst,
}

/// <summary>A bank of a window that is a socket.</summary>
public sealed record BankPage
{
    [Required, Range(0, 65_535), Display(Description = "The bank's number, from 0.")]
    public int Bank { get; init; }

    [Required, Id, OnSheet(Things.Sites), Display(Description = "The socket behind it, a site of the same sheet.")]
    public string Site { get; init; } = "";
}

/// <summary>What a part changes about a claim that is there already.</summary>
public sealed record SetChange
{
    [Required, OnSheet(Things.Claims), Display(Description = "The claim that is changed.")]
    public string Claim { get; init; } = "";

    [Usual, Display(Description = "Its new base.")]
    public Address? Base { get; init; }

    [NotZero, Usual, Display(Description = "Its new size.")]
    public ByteSize? Size { get; init; }

    [Id, Usual, OnSheet(Things.Masters), Display(Description = "The masters that reach it then.")]
    public IReadOnlyList<string> Masters { get; init; } = [];

    [Display(Description = "It no longer answers.")]
    public bool Off { get; init; }

    [
        OnSheet(Things.Switches),
        Display(Name = "when (switch = position)", Description = "It is changed only while these switches stand so.")
    ]
    public Condition When { get; init; } = Condition.Always;
}
