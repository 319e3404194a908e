using System.Text;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Images;
using RustCabin.Core.Units;

namespace RustCabin.Web.Pages.Rom;

/// <summary>The image bench: files read in, practice images made, dumps compared.</summary>
public sealed partial class RomModel
{
    public Compared? Compared { get; private set; }
    public string ComparedName { get; private set; } = "";

    public async Task<IActionResult> OnPostUpload(string job, long version, string site, List<IFormFile> file, ImageForm form)
    {
        if (!Load(job))
            return NotFound();
        (string name, string origin, string right, string paste) = form.Trimmed;
        var given = new List<(string Name, byte[] Bytes)>();
        foreach (IFormFile one in file.Where(f => f.Length > 0))
        {
            var bytes = new MemoryStream();
            await one.CopyToAsync(bytes, HttpContext.RequestAborted);
            given.Add((one.FileName, bytes.ToArray()));
        }
        if (given.Count == 0)
            given.AddRange(held.Find(form.Held));
        if (given.Count > 0)
            (Held, HeldNames) = (held.Hold(given), string.Join(", ", given.Select(g => g.Name)));
        if (origin.Length is 0 or > 500 || right.Length is 0 or > 500)
            return Unfit(
                "Nothing was kept: say where the image comes from and on what right it is used. Images belong to their owners."
            );
        try
        {
            List<byte[]> parts = [.. given.Select(g => Read(g.Bytes))];
            if (parts.Count == 0 && paste.Length > 0)
                if (FormatOf(Encoding.ASCII.GetBytes(paste)) == RomFormat.Bin)
                    return Unfit(
                        "Nothing was kept: what was pasted is no record. HEX lines begin with a colon, S-records with S."
                    );
                else
                    parts.Add(Read(Encoding.ASCII.GetBytes(paste + "\n")));
            if (parts.Count == 0)
                return Unfit("Nothing was kept: choose a file, or paste its records.");
            // Files of a split set come as lanes, in order.
            using var join = System.Text.Json.JsonDocument.Parse("""[{"op":"join"}]""");
            byte[] image = parts.Count == 1 ? parts[0] : RomOp.Run(parts, RomOp.Read(join.RootElement).Ops)[0];
            return Keep(
                job,
                version,
                site,
                name.Length > 0 ? name : given.Select(g => g.Name).FirstOrDefault("pasted"),
                origin,
                right,
                image
            );
        }
        catch (FormatException broken)
        {
            return Unfit($"Nothing was kept: {broken.Message}.");
        }
        catch (RomOpException wrong)
        {
            return Unfit($"Nothing was kept: {wrong.Message}.");
        }
    }

    /// <summary>Files of an upload that was refused, under which they are held; null: none.</summary>
    public string? Held { get; private set; }

    /// <summary>Their names.</summary>
    public string HeldNames { get; private set; } = "";

    static byte[] Read(byte[] file) => RomFile.Read(FormatOf(file), file).Bytes;

    /// <summary>HEX and S-records are known by their first character; everything else is raw.</summary>
    static RomFormat FormatOf(byte[] file) =>
        file.Length > 10 && file[0] == ':' && char.IsAsciiHexDigit((char)file[1]) ? RomFormat.Ihex
        : file.Length > 4 && file[0] == 'S' && char.IsAsciiDigit((char)file[1]) && char.IsAsciiHexDigit((char)file[2])
            ? RomFormat.Srec
        : RomFormat.Bin;

    public IActionResult OnPostPractice(string job, long version, string site, string? size)
    {
        if (!Load(job))
            return NotFound();
        return ByteSize.TryTyped(size ?? "", out ByteSize bytes) && bytes.Bytes is >= 64 and <= 16 << 20
            ? Keep(
                job,
                version,
                site,
                $"practice image, {bytes}",
                "made by the cabin's generator",
                "invented; anyone may use it",
                PracticeImage.Make((int)bytes.Bytes)
            )
            : Unfit($"Nothing was made: \"{size}\" is not a size from 64 bytes to 16 MiB; type 256K.");
    }

    IActionResult Keep(string job, long version, string site, string name, string origin, string right, byte[] bytes)
    {
        if (images.Add(View.Unit.Id, name.Length > 120 ? name[..120] : name, origin, right, bytes) is not { } kept)
            return Unfit($"Nothing was kept: {View.Unit.Name} has {Data.RomImageRepository.MostOfUnit} images already.");
        // A planned image is not replaced unasked: the new one lies in the list, to be chosen there.
        if (Plan is null || Planned.Count > 0)
            return LocalRedirect(Request.Path + AsShown().Add("kept", kept.Name));
        return Hold(job, version, site, $"Image: {name}", [kept, .. Planned.Skip(1)]);
    }

    public IActionResult OnPostHide(string job, long image, bool hidden)
    {
        if (!Load(job))
            return NotFound();
        images.Hide(View.Unit.Id, image, hidden);
        return LocalRedirect(Request.Path + AsShown());
    }

    /// <summary>Holds a dump against the file that was planned, and shows what makes them differ.</summary>
    public async Task<IActionResult> OnPostCompare(string job, IFormFile? dump)
    {
        if (!Load(job))
            return NotFound();
        if (dump is null || dump.Length == 0 || ToBurn is null)
            return Unfit(ToBurn is null ? "Nothing to compare with: choose an image first." : "Choose the dump's file.");
        var bytes = new MemoryStream();
        await dump.CopyToAsync(bytes, HttpContext.RequestAborted);
        try
        {
            (Compared, ComparedName) = (RomCompare.Of(ToBurn, Read(bytes.ToArray())), dump.FileName);
            return Page();
        }
        catch (FormatException broken)
        {
            return Unfit($"The dump does not read: {broken.Message}.");
        }
    }
}
