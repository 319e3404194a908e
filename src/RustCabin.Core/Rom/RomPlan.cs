using System.Security.Cryptography;
using System.Text;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Rom;

/// <summary>A simulated read-back through the socket: when, of which plan (<see cref="RomPlan.Key"/>), and what it showed.</summary>
public sealed record ProofNote(string At, string Of, bool Passed, string Words);

/// <summary>A device burnt at the simulated programmer, as the unit's log has it: when, whether it passed, and at which step it ended with what.</summary>
public sealed record BurnNote(string At, bool Passed, string Words)
{
    /// <summary>The device's type, the batch on its package, the programmer's setting, what its label says.</summary>
    public string Device { get; init; } = "";
    public string Batch { get; init; } = "";
    public string Setting { get; init; } = "";
    public string Label { get; init; } = "";

    /// <summary>How often it had been erased before.</summary>
    public int Erasures { get; init; }

    /// <summary>Its window is covered, and the label is on it.</summary>
    public bool Covered { get; init; }

    /// <summary>The step at which it ended; null where the words tell none.</summary>
    public BurnStep? Step =>
        Words.IndexOf(':') is > 0 and var colon && Enum.TryParse(Words[..colon], out BurnStep step) ? step : null;

    /// <summary>Its words with the step named as people do.</summary>
    public string Told =>
        Step is { } step
            ? $"{step switch { BurnStep.ReadBack => "Read back", BurnStep.Blank => "Blank check", _ => step.ToString() }}{Words[Words.IndexOf(':')..]}"
            : Words;

    internal static BurnNote Read(Fields f) =>
        new(f.Name("at"), f.Flag("passed") ?? false, f.Text("words"))
        {
            Device = f.Text("device"),
            Batch = f.Text("batch"),
            Setting = f.Text("setting"),
            Label = f.Text("label"),
            Erasures = f.Whole("erasures", 0, 10_000) ?? 0,
            Covered = f.Flag("covered") ?? false,
        };
}

/// <summary>An eraser's lamp that was switched on, and for how many seconds it should burn.</summary>
public sealed record Erasure(string At, int Seconds);

/// <summary>
/// The device that a job puts into a ROM socket: its type, access time in nanoseconds (null: not known), the image by its number in the unit's data, ties of lines that the
/// socket lacks, and the operations that make the file for the programmer of it.
/// </summary>
public sealed record RomPlan(
    string Site,
    string Device,
    int? Ns,
    string? Image,
    IReadOnlyDictionary<string, string> Ties,
    IReadOnlyList<RomOp> Ops,
    string OpsText,
    ProofNote? Proof,
    IReadOnlyList<BurnNote> Burns
)
{
    /// <summary>Images that fill the rest of the device, behind <see cref="Image"/>, by their numbers.</summary>
    public IReadOnlyList<string> Further { get; init; } = [];

    /// <summary>Bytes of all its images together; null: not known.</summary>
    public int? Bytes { get; init; }

    /// <summary>The words of the label, lines by line feeds; null: the usual ones.</summary>
    public string? Label { get; init; }

    /// <summary>How often the device at hand has been erased, and the lamp that burns now.</summary>
    public int Erasures { get; init; }
    public Erasure? Erasing { get; init; }

    /// <summary>Stands for the plan in a proof; what else a proof rests on is in <see cref="RomProof.KeyOf"/>.</summary>
    public string Key =>
        Convert.ToHexStringLower(
            SHA256.HashData(
                Encoding.UTF8.GetBytes(
                    $"{Site}|{Device}|{Image}|{string.Join('+', Further)}|{string.Join(',', Ties.OrderBy(t => t.Key, StringComparer.Ordinal).Select(t => $"{t.Key}={t.Value}"))}|{OpsText}"
                )
            )
        )[..16];

    public static RomPlan Read(Fields f)
    {
        string device = f.Name("device");
        if (device.Length > 0 && RomDevice.Find(device) is null)
            f.Wrong("device", $"\"{device}\" is not a device of the table");
        var ties = f.NameMap("ties");
        foreach ((string net, string to) in ties)
            if (to is not (Nets.Ground or Nets.Supply or "switch" or WiredDevice.Tapped))
                f.Wrong($"ties.{net}", $"\"{to}\" is not GND, VCC, switch or tap");
        string text = "";
        IReadOnlyList<RomOp> ops = f.List<RomOp>(
            "ops",
            (e, p) =>
            {
                text += $"{(text.Length > 0 ? "," : "")}{e.GetRawText()}";
                return f.ReadChild(e, p, RomOp.ReadOne);
            }
        );
        return new RomPlan(
            f.Id("site"),
            device,
            f.Whole("ns", 1, 10_000),
            f.NameOrNull("image"),
            ties,
            ops,
            $"[{Plain(text)}]",
            f.Child("proof", p => new ProofNote(p.Name("at"), p.Name("of"), p.Flag("passed") ?? false, p.Text("words"))),
            f.Children("burns", BurnNote.Read)
        )
        {
            Further = f.Names("further"),
            Bytes = f.Whole("bytes", 0, RomFile.Largest),
            Label = f.Has("label") ? f.Text("label") : null,
            Erasures = f.Whole("erasures", 0, 10_000) ?? 0,
            Erasing = f.Child("erasing", e => new Erasure(e.Name("at"), e.Require("seconds", e.Whole("seconds", 1, 1_000_000)))),
        };
    }

    /// <summary>Without blanks, which a file may hold and a database may not.</summary>
    static string Plain(string json) => new([.. json.Where(c => !char.IsWhiteSpace(c))]);

    /// <summary>The words that say what an operation does.</summary>
    public static string Words(RomOp op) =>
        op.Op switch
        {
            "swap16" => "swap the bytes of each 16-bit word",
            "swap32" => "reverse the bytes of each 32-bit word",
            "reverseWords" => $"reverse the order of {op.Bits}-bit words",
            "split" => $"split into {op.Lanes} lanes",
            "join" => "join the lanes",
            "double" => "double",
            "pad" => $"pad with 0x{op.Fill:x2} to {new Units.ByteSize(op.Size)}",
            "slice" => $"take {(op.Size == 0 ? "the rest" : new Units.ByteSize(op.Size).ToString())} from {op.From:#,0}",
            "concat" => "put one behind the other",
            "pick" => $"take number {op.Index + 1}",
            "patch" => $"put {op.Patch.Length / 2} {(op.Patch.Length == 2 ? "byte" : "bytes")} at 0x{op.At:x}",
            _ => $"fix the {op.Kind} at {op.At:#,0}",
        };
}
