using System.Text;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Cards;
using RustCabin.Core.Pasted;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Web.Pages.Storage;

/// <summary>What a pasted listing is for a device: where each file goes, and the lines that are no files.</summary>
public sealed record TreeShown(InstanceName On, CardTree Tree, IReadOnlyList<PastedLine> Doubts)
{
    /// <summary>Every file lies where the device looks for it, and none is missing.</summary>
    public bool IsRight => Tree.Misfits.Count + Tree.Missing.Count == 0 && Moves.Count == 0;

    public IReadOnlyList<TreePlace> Moves { get; } = [.. Tree.Places.Where(p => p.From != p.To)];
}

/// <summary>Which file of a release is for a device, with what was asked.</summary>
public sealed record ReleaseShown(InstanceName On, string? Variant, string? For, Release Found);

public sealed partial class StorageModel
{
    public TreeShown? Tree { get; private set; }

    public ReleaseShown? Release { get; private set; }

    /// <summary>The listing that was pasted, shown again.</summary>
    public string Pasted { get; private set; } = "";

    /// <summary>Where the files of a pasted listing go; nothing is kept.</summary>
    public IActionResult OnPostTree(string job, InstanceName on, string? listing, string? take)
    {
        if (!Load(job) || View.After.Find(on)?.Part.Tree is not { } rule)
            return NotFound();
        if (Carding.Listing(listing) is { } refused)
            return Refuse(refused);
        Pasted = listing!;
        Core.Pasted.Paste paste = AsListing(listing!);
        var asked = new TreeAsked
        {
            Tree = rule,
            Files =
            [
                .. paste
                    .All<PastedFile>()
                    .DistinctBy(f => f.Path)
                    .Select(f => new TreeFile { Path = f.Path, Bytes = f.Bytes is { } bytes ? new ByteSize(bytes) : null }),
            ],
        };
        Tree = new TreeShown(on, CardTree.Of(asked), [.. paste.Lines.Where(l => l.Doubt is not null)]);
        return take switch
        {
            "script" => File(Encoding.UTF8.GetBytes(TreeScript.Of(Tree.Tree)), "text/plain", $"move-{SafeName(on)}.sh"),
            "list" => File(Encoding.UTF8.GetBytes(TreeScript.List(Tree.Tree)), "text/plain", $"move-{SafeName(on)}.txt"),
            _ => Page(),
        };
    }

    /// <summary>Which file of a pasted listing is for this device; nothing is kept.</summary>
    public IActionResult OnPostRelease(string job, InstanceName on, string? listing, string? variant, string? piece)
    {
        if (!Load(job) || View.After.Find(on)?.Part is not { Releases.Count: > 0 } part)
            return NotFound();
        if (Carding.Listing(listing) is { } refused)
            return Refuse(refused);
        Pasted = listing!;
        string? asked(string? text) => string.IsNullOrWhiteSpace(text) ? null : text.Trim();
        Release = new ReleaseShown(
            on,
            asked(variant),
            asked(piece),
            Core.Cards.Release.Of(
                new ReleasesAsked
                {
                    Releases = part.Releases,
                    Variant = asked(variant),
                    Part = asked(piece),
                    Files = [.. NamesIn(listing!).Take(ReleasesAsked.MostFiles)],
                }
            )
        );
        return Page();
    }

    /// <summary>Notes which file went in.</summary>
    public IActionResult OnPostTaken(string job, long version, InstanceName on, string? file, string? sum) =>
        Press(job, version, at => Carding.Release(at, on, file ?? "", sum));

    static Core.Pasted.Paste AsListing(string text) =>
        Core.Pasted.Paste.Of(new PasteAsked { Text = text, As = PasteKind.Listing });

    /// <summary>The names of a listing's files; a line that is no line of a listing is a name by itself.</summary>
    static IEnumerable<string> NamesIn(string listing)
    {
        string[] files = [.. AsListing(listing).All<PastedFile>().Select(f => f.Path[(f.Path.LastIndexOf('/') + 1)..])];
        return files.Length > 0
            ? files
            : listing.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
    }
}
