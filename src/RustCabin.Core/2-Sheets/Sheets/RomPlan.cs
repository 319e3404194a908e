#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using System.Security.Cryptography;
using System.Text;
using RustCabin.Core.Chips;
using RustCabin.Core.Declared;
using RustCabin.Core.Images;

namespace RustCabin.Core.Sheets;

/// <summary>The device that a job puts into a ROM socket, and how far it is. Source: docs/handbook/rom.md.</summary>
public sealed record RomPlan : ICompleted<RomPlan>
{
    [Required, Id, OnSheet(Things.Sites), Display(Description = "The socket.")]
    public string Site { get; init; } = "";

    /// <summary>The socket as a person says it.</summary>
    public string Socket => IdText.Plain(Site);

    [Required, Display(Description = "The device, of the built-in table.")]
    public string Device { get; init; } = "";

    [Range(1, 10_000), UnitOf("ns"), Display(Name = "access time", Description = "Its access time; left out: not known.")]
    public int? Ns { get; init; }

    [Display(Description = "The image by its number in the unit's data.")]
    public string? Image { get; init; }

    [Display(Description = "Images that fill the rest of the device, behind the first, by their numbers.")]
    public IReadOnlyList<string> Further { get; init; } = [];

    [Range(0, RomFile.Largest), Display(Description = "Bytes of all its images together.")]
    public int? Bytes { get; init; }

    [Display(Description = "The variant of an interface that its image drives; left out: none.")]
    public string? Variant { get; init; }

    [Display(Description = "What lines are tied to that the socket lacks: GND, VCC, switch or tap.")]
    public IReadOnlyDictionary<string, string> Ties { get; init; } = new Dictionary<string, string>();

    [Display(Name = "operations", Description = "What makes the file for the programmer of the images.")]
    public IReadOnlyList<RomOp> Ops { get; init; } = [];

    [Display(Description = "The last simulated read-back.")]
    public ProofNote? Proof { get; init; }

    [LongText, Display(Description = "The words of the label, lines by line feeds; left out: the usual ones.")]
    public string? Label { get; init; }

    [Range(0, 10_000), Display(Description = "How often the device at hand has been erased.")]
    public int Erasures { get; init; }

    [Display(Description = "The eraser's lamp that burns now.")]
    public Erasure? Erasing { get; init; }

    [Display(Description = "What was burnt, oldest first.")]
    public IReadOnlyList<BurnNote> Burns { get; init; } = [];

    /// <summary>The operations as the transform call takes them.</summary>
    public string OpsText => $"[{string.Join(',', Ops.Select(o => o.Text))}]";

    /// <summary>Stands for the plan in a proof; what else a proof rests on is the ROM station's.</summary>
    public string Key
    {
        get
        {
            IEnumerable<string> ties = Ties.OrderBy(t => t.Key, StringComparer.Ordinal).Select(t => $"{t.Key}={t.Value}");
            string all = $"{Site}|{Device}|{Image}|{string.Join('+', Further)}|{string.Join(',', ties)}|{OpsText}";
            return Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(all)))[..16];
        }
    }

    /// <inheritdoc/>
    public RomPlan Completed(RecordReading read)
    {
        if (Device.Length > 0 && RomDevice.Find(Device) is null)
            read.Wrong("device", $"\"{Device}\" is not a device of the table");
        foreach ((string net, string to) in Ties)
            if (to is not (Nets.Ground or Nets.Supply or Nets.Switched or Nets.Tapped))
                read.Wrong($"ties.{net}", $"\"{to}\" is not GND, VCC, switch or tap");
        return this;
    }
}

/// <summary>A simulated read-back through the socket.</summary>
public sealed record ProofNote
{
    [Required, Display(Name = "when", Description = "When it was made.")]
    public string At { get; init; } = "";

    [Required, Display(Description = "What it rests on, as a sum.")]
    public string Of { get; init; } = "";

    [Display(Description = "It held.")]
    public bool Passed { get; init; }

    [LongText, Display(Description = "What it showed.")]
    public string Words { get; init; } = "";
}

/// <summary>An eraser's lamp that was switched on.</summary>
public sealed record Erasure
{
    [Required, Display(Name = "when", Description = "When it was switched on.")]
    public string At { get; init; } = "";

    [Required, Range(1, 1_000_000), UnitOf("s"), Display(Description = "For how long it should burn.")]
    public int Seconds { get; init; }
}

/// <summary>A device burnt at the simulated programmer, as the unit's log has it.</summary>
public sealed record BurnNote : ICompleted<BurnNote>
{
    [Required, Display(Name = "when", Description = "When it was burnt.")]
    public string At { get; init; } = "";

    [Display(Description = "It passed.")]
    public bool Passed { get; init; }

    [Display(Description = "The step at which it ended.")]
    public BurnStep? Step { get; init; }

    [LongText, Display(Description = "What that step showed.")]
    public string Words { get; init; } = "";

    [LongText, Display(Description = "The device's type.")]
    public string Device { get; init; } = "";

    [LongText, Display(Description = "The images that were burnt, by their names, with the sum of the file.")]
    public string Image { get; init; } = "";

    [LongText, Display(Description = "The batch on its package.")]
    public string Batch { get; init; } = "";

    [LongText, Display(Description = "The programmer's setting.")]
    public string Setting { get; init; } = "";

    [LongText, Display(Description = "What its label says.")]
    public string Label { get; init; } = "";

    [Range(0, 10_000), Display(Description = "How often it had been erased before.")]
    public int Erasures { get; init; }

    [Display(Description = "Its window is covered, and the label is on it.")]
    public bool Covered { get; init; }

    /// <summary>Notes of before the step had a field of its own tell it first in their words: <c>Verify: ...</c>.</summary>
    public BurnNote Completed(RecordReading read) =>
        Step is null
        && Words.IndexOf(": ", StringComparison.Ordinal) is > 0 and var colon
        && Enum.TryParse(Words[..colon], out BurnStep step)
            ? this with
            {
                Step = step,
                Words = Words[(colon + 2)..],
            }
            : this;

    /// <summary>Its words with the step named as people do.</summary>
    public string InWords =>
        Step switch
        {
            null => Words,
            BurnStep.ReadBack => $"Read back: {Words}",
            BurnStep.Blank => $"Blank check: {Words}",
            _ => $"{Step}: {Words}",
        };
}

/// <summary>The steps at a programmer, in order.</summary>
public enum BurnStep
{
    Insert,
    Identify,
    Blank,
    Burn,
    Verify,
    ReadBack,
}
