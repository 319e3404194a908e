using System.Security.Cryptography;
using System.Text;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Rom;

/// <summary>A simulated read-back through the socket: when, of which plan (<see cref="RomPlan.Key"/>), and what it showed.</summary>
public sealed record ProofNote(string At, string Of, bool Passed, string Words);

/// <summary>A device burnt at the (simulated or a real) programmer, as the user's log has it.</summary>
public sealed record BurnNote(string At, bool Passed, string Words);

/// <summary>
/// The device that a job puts into a ROM socket: its type, access time in nanoseconds (null: not known), the image by its number in the unit's data, ties of lines that the
/// socket lacks, and the operations that make the file for the programmer of it.
/// </summary>
public sealed record RomPlan(
    string Site, string Device, int? Ns, string? Image, IReadOnlyDictionary<string, string> Ties, IReadOnlyList<RomOp> Ops, string OpsText, ProofNote? Proof, IReadOnlyList<BurnNote> Burns)
{
    /// <summary>Stands for everything that a proof rests on; another key, another proof.</summary>
    public string Key => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes($"{Site}|{Device}|{Image}|{string.Join(',', Ties.OrderBy(t => t.Key, StringComparer.Ordinal).Select(t => $"{t.Key}={t.Value}"))}|{OpsText}")))[..16];

    public bool Proved => Proof is { Passed: true } && Proof.Of == Key;

    public static RomPlan Read(Fields f)
    {
        string device = f.Name("device");
        if (device.Length > 0 && RomDevice.Find(device) is null) f.Wrong("device", $"\"{device}\" is not a device of the table");
        var ties = f.NameMap("ties");
        foreach ((string net, string to) in ties)
            if (to is not (Nets.Ground or Nets.Supply or "switch")) f.Wrong($"ties.{net}", $"\"{to}\" is not GND, VCC or switch");
        string text = "";
        IReadOnlyList<RomOp> ops = f.List<RomOp>("ops", (e, p) =>
        {
            text += e.GetRawText();
            return f.ReadChild(e, p, RomOp.ReadOne);
        });
        return new RomPlan(
            f.Id("site"), device, f.Whole("ns", 1, 10_000), f.NameOrNull("image"), ties, ops, Plain(text),
            f.Child("proof", p => new ProofNote(p.Name("at"), p.Name("of"), p.Flag("passed") ?? false, p.Text("words"))),
            f.Children("burns", b => new BurnNote(b.Name("at"), b.Flag("passed") ?? false, b.Text("words"))));
    }

    /// <summary>Without blanks, which a file may hold and a database may not.</summary>
    static string Plain(string json) => new([.. json.Where(c => !char.IsWhiteSpace(c))]);

    /// <summary>The words that say what an operation does.</summary>
    public static string Words(RomOp op) => op.Op switch
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
        _ => $"fix the {op.Kind} at {op.At:#,0}",
    };
}
