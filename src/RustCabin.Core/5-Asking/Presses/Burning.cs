using System.Globalization;
using System.Text.Json;
using RustCabin.Core.Chips;
using RustCabin.Core.Declared;
using RustCabin.Core.Images;
using RustCabin.Core.Rom;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>What is to be burnt: the images of a plan, what is made of them, and what they are called.</summary>
/// <param name="Chain">The images and the file that is made of them.</param>
/// <param name="Names">The names of the images.</param>
public sealed record ToBurn(RomChain Chain, IReadOnlyList<string> Names)
{
    /// <summary>The bytes that go to the programmer; null: the chain makes no one file.</summary>
    public byte[]? Bytes => Chain.File?.Bytes;
}

/// <summary>A ROM device is planned, proved, erased, burnt, labelled and covered. Source: docs/handbook/rom.md.</summary>
public static class Burning
{
    /// <summary>Images that one device holds at the most.</summary>
    public const int MostImages = 64;

    static RomPlan? PlanOf(AtHand at, string site) => at.Job.Roms.FirstOrDefault(r => r.Site == site);

    /// <summary>Plans a device for a socket; its access time in ns as typed, empty: not said.</summary>
    public static Press<Job> Plan(string? site, string? device, string? ns)
    {
        string typed = Texts.Of(ns);
        int? time = null;
        if (typed.Length > 0)
            if (int.TryParse(typed, NumberStyles.None, CultureInfo.InvariantCulture, out int read) && read is >= 1 and <= 10_000)
                time = read;
            else
                return Refuse("ns", $"Nothing was changed: \"{typed}\" is not an access time in ns; type 120.");
        return site is null || device is null || RomDevice.Find(device) is null
            ? Gone
            : Change($"{device} planned for {IdText.Plain(site)}", j => RomEdits.Device(j, site, device, time));
    }

    /// <summary>Plans no device for a socket any more.</summary>
    public static Press<Job> Drop(string site) =>
        Change($"No device planned for {IdText.Plain(site)}", j => RomEdits.Drop(j, site));

    /// <summary>Ties a leg of the device.</summary>
    public static Press<Job> Tie(string site, string net, string to) =>
        Change($"{net} tied to {to}", j => RomEdits.Tie(j, site, net, to));

    /// <summary>Takes images as those of the plan, in their order.</summary>
    /// <param name="site">The socket.</param>
    /// <param name="what">What is done, as the log says it.</param>
    /// <param name="images">The images by their keys, with their sizes in bytes.</param>
    public static Press<Job> Images(string site, string what, IReadOnlyList<(string Key, long Size)> images) =>
        Change(
            what,
            j => RomEdits.Images(j, site, [.. images.Select(i => i.Key)], (int)Math.Min(RomFile.Largest, images.Sum(i => i.Size)))
        );

    /// <summary>Takes an image as the plan's own, or puts it behind those that are there.</summary>
    /// <param name="site">The socket.</param>
    /// <param name="taken">The image; null: it does not lie in this cabin.</param>
    /// <param name="planned">The images of the plan.</param>
    /// <param name="further">It is put behind them.</param>
    public static Press<Job> Image(
        string site,
        (string Key, long Size, string Name)? taken,
        IReadOnlyList<(string Key, long Size)> planned,
        bool further
    )
    {
        if (taken is not var (key, size, name))
            return Refuse("image", "Nothing was changed: that image does not lie in this cabin.");
        if (further && planned.Count >= MostImages)
            return Refuse("image", $"Nothing was changed: {MostImages} images in one device are the most.");
        return Images(
            site,
            further ? $"{name} put in too" : $"Image: {name}",
            further ? [.. planned, (key, size)] : [(key, size), .. planned.Skip(1)]
        );
    }

    /// <summary>Adds an operation to the chain.</summary>
    /// <param name="site">The socket.</param>
    /// <param name="op">The operation; null: it does not read.</param>
    /// <param name="wrong">What is wrong with it.</param>
    public static Press<Job> Op(string site, RomOp? op, string wrong) =>
        op is null
            ? Refuse("op", $"Nothing was changed: {wrong}")
            : Change(IdText.Capital(op.Words), j => RomEdits.AddOp(j, site, op));

    /// <summary>A chain as the transform call takes it; null: it does not read as one.</summary>
    public static IReadOnlyList<RomOp>? ReadOps(string ops)
    {
        try
        {
            using var json = JsonDocument.Parse(ops);
            (IReadOnlyList<RomOp> read, IReadOnlyList<SheetError> errors) = RomOp.Read(json.RootElement);
            return errors.Count == 0 ? read : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    /// <summary>Takes an operation out, by its place.</summary>
    public static Press<Job> DropOp(string site, int index) =>
        Change("Operation taken out", j => RomEdits.DropOp(j, site, index));

    /// <summary>Moves an operation forward, by its place.</summary>
    public static Press<Job> RaiseOp(string site, int index) =>
        Change("Operation moved forward", j => RomEdits.RaiseOp(j, site, index));

    /// <summary>Takes the chain of a recipe; null: there is no such recipe.</summary>
    public static Press<Job> Recipe(string site, (string Name, string Ops)? recipe) =>
        recipe is var (name, ops) && ReadOps(ops) is { } chain
            ? Change($"Recipe: {name}", j => RomEdits.Ops(j, site, chain))
            : Gone;

    /// <summary>Reads the planned device through its socket on the simulated bus, and notes what came of it.</summary>
    public static Press<Job> Prove(AtHand at, string site, ToBurn burn)
    {
        if (PlanOf(at, site) is not { } plan || burn.Names.Count == 0)
            return Refuse("image", "Nothing was proved: choose a device and an image first.");
        if (burn.Bytes is not { } bytes)
            return Refuse(
                "op",
                burn.Chain.Wrong is null
                    ? "Nothing was proved: the chain ends in several images; join them, or burn each lane's device on its own."
                    : $"Nothing was proved: {burn.Chain.Wrong}."
            );
        Proof proof = RomProof.Of(at.After, plan, [.. burn.Chain.Steps[0].Select(i => i.Bytes)], bytes);
        var note = new ProofNote
        {
            At = at.Moment,
            Of = RomProof.KeyOf(at.After, plan),
            Passed = proof.Passed,
            Words = WordsOf(at, proof),
        };
        return Change(
            proof.Passed
                ? $"{plan.Device} proved for {IdText.Plain(site)}"
                : $"Proof of {plan.Device} for {IdText.Plain(site)} failed",
            j => RomEdits.Proved(j, site, note)
        );
    }

    static string WordsOf(AtHand at, Proof proof) =>
        proof.Passed
            ? proof.Words
            : $"{proof.Words} The first wrong byte is 0x{proof.FirstWrong:x} of the "
                + $"image{(proof.At is { } place ? $", at {place.ToScreen(at.After.Map.AddressBits)} of the machine" : "")}.";

    /// <summary>Puts the eraser's lamp on.</summary>
    public static Press<Job> LampOn(AtHand at, string site, LampForm form) =>
        form.TryRead(out int seconds, out string wrong)
            ? Change(
                $"Eraser on for {seconds} s",
                j => RomEdits.LampOn(j, site, new Erasure { At = at.Moment, Seconds = seconds })
            )
            : Refuse("dose", $"Nothing was begun: {wrong}.");

    /// <summary>When the lamp of a plan may go off; null: it is off.</summary>
    public static DateTimeOffset? LampUntil(RomPlan? plan) =>
        plan?.Erasing is { } erasing && Moments.Of(erasing.At) is { } on ? on.AddSeconds(erasing.Seconds) : null;

    /// <summary>The lamp is off: an erasure that ran its time counts, one that was broken off does not.</summary>
    /// <param name="at">The job.</param>
    /// <param name="site">The socket.</param>
    /// <param name="now">The time.</param>
    public static Press<Job> LampOff(AtHand at, string site, DateTimeOffset now)
    {
        bool through = LampUntil(PlanOf(at, site)) <= now;
        return Change(through ? "Erased" : "Erasing broken off", j => RomEdits.LampOff(j, site, through));
    }

    /// <summary>Runs the simulated programmer, and notes in the log what it showed.</summary>
    /// <param name="at">The job.</param>
    /// <param name="site">The socket.</param>
    /// <param name="burn">What is burnt.</param>
    /// <param name="fault">The fault that the programmer is given, for practice; empty: none.</param>
    /// <param name="batch">The batch on the device's package.</param>
    public static Press<Job> Burn(AtHand at, string site, ToBurn burn, string? fault, string? batch)
    {
        if (PlanOf(at, site) is not { } plan || RomDevice.Find(plan.Device) is not { } device || burn.Bytes is not { } bytes)
            return Refuse("image", "Nothing was burnt: choose a device and an image first.");
        if (!RomProof.Holds(at.After, plan))
            return Refuse("site", "Nothing was burnt: prove it first. What the processor would fetch is held against the image.");
        if (!Texts.TryOptional<BurnNote>(nameof(BurnNote.Batch), batch, out string typed))
            return Refuse(
                "batch",
                $"Nothing was burnt: a batch has up to {Texts.Most<BurnNote>(nameof(BurnNote.Batch)):#,0} letters."
            );
        ProgrammerFault with = Enum.TryParse(fault, out ProgrammerFault chosen) ? chosen : ProgrammerFault.None;
        BurnResult last = new Programmer(device, with).Run(bytes)[^1];
        uint sum = System.IO.Hashing.Crc32.HashToUInt32(bytes);
        var note = new BurnNote
        {
            At = at.Moment,
            Passed = last.Passed,
            Step = last.Step,
            Words = last.Words,
            Device = plan.Device,
            Image = $"{string.Join(", ", burn.Names)}, CRC-32 {sum:x8}",
            Batch = typed,
            Setting =
                $"{device.Name}, {(device.DataLines == 16 ? "low byte first, " : "")}{new ByteSize((ulong)bytes.Length)} from 0",
            Label = string.Join(" / ", RomLabel.Lines(at.After, plan, burn.Chain.File?.Seen.Crc32)),
            Erasures = plan.Erasures,
        };
        return Change(
            $"Simulated programmer, {plan.Device}: {(last.Passed ? "burnt and verified" : last.Words)}",
            j => RomEdits.Burnt(j, site, note)
        );
    }

    /// <summary>Says that the window of what was burnt is covered, or that it is not.</summary>
    public static Press<Job> Cover(string site, bool covered) =>
        Change(covered ? "Window covered, label on" : "Window not covered after all", j => RomEdits.Covered(j, site, covered));

    /// <summary>Writes the label, a line each; none: the usual words.</summary>
    public static Press<Job> Label(string site, string? label)
    {
        string[] lines = [.. (label ?? "").ReplaceLineEndings("\n").Split('\n').Select(l => l.Trim()).Where(l => l.Length > 0)];
        return RomLabel.Wrong(lines) is { } wrong
            ? Refuse("label", $"The label was not kept: {wrong}.")
            : Change(
                lines.Length == 0 ? "Label: the usual words" : "Label written",
                j => RomEdits.Label(j, site, lines.Length == 0 ? null : string.Join('\n', lines))
            );
    }
}
