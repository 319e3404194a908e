using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Rom;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Web.Pages.Rom;

/// <summary>The proof on the simulated bus, the eraser's lamp, the simulated programmer, and the label.</summary>
public sealed partial class RomModel
{
    /// <summary>When the lamp may go off; null: it is off.</summary>
    public DateTimeOffset? LampUntil =>
        Plan?.Erasing is { } erasing
        && DateTimeOffset.TryParse(
            erasing.At,
            CultureInfo.InvariantCulture,
            DateTimeStyles.AssumeUniversal,
            out DateTimeOffset on
        )
            ? on.AddSeconds(erasing.Seconds)
            : null;
    public TimeSpan LampLeft => LampUntil - clock.GetUtcNow() is { } left && left > TimeSpan.Zero ? left : TimeSpan.Zero;
    public bool LampDone => LampUntil <= clock.GetUtcNow();

    public IReadOnlyList<string> LabelLines => RomLabel.Lines(View.After, Plan!, Chain.File?.Seen.Crc32);

    /// <summary>Reads the planned device through the socket on the simulated bus, and notes what came of it.</summary>
    public IActionResult OnPostProve(string job, long version, string site)
    {
        if (!Load(job))
            return NotFound();
        if (Plan is null || Planned.Count == 0)
            return Unfit("Nothing was proved: choose a device and an image first.");
        if (ToBurn is null)
            return Unfit(
                ChainWrong is null
                    ? "Nothing was proved: the chain ends in several images; join them, or burn each lane's device on its own."
                    : $"Nothing was proved: {ChainWrong}."
            );
        Proof proof = RomProof.Of(View.After, Plan, [.. Chain.Steps[0].Select(i => i.Bytes)], ToBurn);
        string words = proof.Passed
            ? proof.Words
            : $"{proof.Words} The first wrong byte is 0x{proof.FirstWrong:x} of the "
                + $"image{(proof.At is { } at ? $", at {at.ToScreen(View.After.Map.AddressBits)} of the machine" : "")}.";
        var note = new ProofNote
        {
            At = Moment(),
            Of = RomProof.KeyOf(View.After, Plan),
            Passed = proof.Passed,
            Words = words,
        };
        return Change(
            job,
            version,
            _ =>
                (
                    proof.Passed ? $"{Plan.Device} proved for {site}" : $"Proof of {Plan.Device} for {site} failed",
                    json => RomEdits.Proved(json, site, note)
                )
        );
    }

    public IActionResult OnPostLampOn(string job, long version, string site, LampForm form)
    {
        if (!Load(job))
            return NotFound();
        return form.TryRead(out int seconds, out string wrong)
            ? Change(
                job,
                version,
                _ =>
                    (
                        $"Eraser on for {seconds} s",
                        json => RomEdits.LampOn(json, site, new Erasure { At = Moment(), Seconds = seconds })
                    )
            )
            : Unfit($"Nothing was begun: {wrong}.");
    }

    /// <summary>The lamp is off: an erasure that ran its time counts, one that was broken off does not.</summary>
    public IActionResult OnPostLampOff(string job, long version, string site)
    {
        if (!Load(job))
            return NotFound();
        bool through = LampDone;
        return Change(
            job,
            version,
            _ => (through ? "Erased" : "Erasing broken off", json => RomEdits.LampOff(json, site, through))
        );
    }

    /// <summary>Runs the simulated programmer, and notes in the log what it showed.</summary>
    public IActionResult OnPostBurn(string job, long version, string site, string? fault, string? batch)
    {
        if (!Load(job))
            return NotFound();
        string typed = (batch ?? "").Trim();
        if (Plan is null || Device is null || ToBurn is null)
            return Unfit("Nothing was burnt: choose a device and an image first.");
        if (!RomProof.Holds(View.After, Plan))
            return Unfit("Nothing was burnt: prove it first. What the processor would fetch is held against the image.");
        if (typed.Length > 60)
            return Unfit("Nothing was burnt: a batch has up to 60 letters.");
        ProgrammerFault with = Enum.TryParse(fault, out ProgrammerFault chosen) ? chosen : ProgrammerFault.None;
        BurnResult last = new Programmer(Device, with).Run(ToBurn)[^1];
        var note = new BurnNote
        {
            At = Moment(),
            Passed = last.Passed,
            Step = last.Step,
            Words = last.Words,
            Device = Plan.Device,
            Image =
                string.Join(", ", Planned.Select(i => i.Name))
                + $", CRC-32 "
                + $"{System.IO.Hashing.Crc32.HashToUInt32(ToBurn):x8}",
            Batch = typed,
            Setting =
                $"{Device.Name}, {(Device.DataLines == 16 ? "low byte first, " : "")}{new ByteSize((ulong)ToBurn.Length)} from 0",
            Label = string.Join(" / ", LabelLines),
            Erasures = Plan.Erasures,
        };
        return Change(
            job,
            version,
            _ =>
                (
                    $"Simulated programmer, {Plan.Device}: {(last.Passed ? "burnt and verified" : last.Words)}",
                    json => RomEdits.Burnt(json, site, note)
                )
        );
    }

    /// <summary>The window of what was burnt last is covered: the step of the build sheet says so, or an older note of the
    /// burn.</summary>
    public bool IsCovered =>
        Plan is { } plan && (View.Job.Done.Contains(Acts.Cover(plan.Site)) || plan.Burns.LastOrDefault() is { Covered: true });

    public IActionResult OnPostCover(string job, long version, string site, bool covered) =>
        Change(
            job,
            version,
            _ =>
                (
                    covered ? "Window covered, label on" : "Window not covered after all",
                    json => RomEdits.Covered(json, site, covered)
                )
        );

    public IActionResult OnPostLabel(string job, long version, string site, string? label)
    {
        if (!Load(job))
            return NotFound();
        string[] lines = [.. (label ?? "").ReplaceLineEndings("\n").Split('\n').Select(l => l.Trim()).Where(l => l.Length > 0)];
        if (RomLabel.Wrong(lines) is { } wrong)
            return Unfit($"The label was not kept: {wrong}.");
        return Change(
            job,
            version,
            _ =>
                (
                    lines.Length == 0 ? "Label: the usual words" : "Label written",
                    json => RomEdits.Label(json, site, lines.Length == 0 ? null : string.Join('\n', lines))
                )
        );
    }
}
