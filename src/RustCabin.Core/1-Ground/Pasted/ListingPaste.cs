using System.Globalization;
using System.Text.RegularExpressions;

namespace RustCabin.Core.Pasted;

/// <summary>A file of a listing.</summary>
/// <param name="Path">From the first directory down, parted by <c>/</c>.</param>
/// <param name="Bytes">Its size; null: the listing does not say.</param>
public sealed record PastedFile(string Path, ulong? Bytes);

/// <summary>Directories as other programs print them. Source: docs/handbook/paste.md, Listings.</summary>
static class ListingPaste
{
    /// <summary>Reads a text as a directory.</summary>
    public static IReadOnlyList<PastedLine> Read(IReadOnlyList<TextLine> lines)
    {
        HashSet<string> folders = Folders(lines);
        string? root = null,
            now = "";
        var read = new List<PastedLine>(lines.Count);
        foreach (TextLine line in lines)
        {
            if (FolderOf(line.Trimmed) is { } folder)
            {
                folder = folder.Replace('\\', '/').TrimEnd('/');
                root ??= folder;
                now = Below(root, folder);
                read.Add(line.Heading);
            }
            else if (line.IsHeading || Other.IsMatch(line.Trimmed))
                read.Add(line.Heading);
            else
                read.Add(line.ReadBy(l => Of(l, now, folders)));
        }
        return read;
    }

    static PastedLine Of(TextLine line, string folder, HashSet<string> folders)
    {
        string text = line.Trimmed;
        foreach (Regex form in (Regex[])[Long, Zipped, Zip, Dir])
            if (form.Match(text) is { Success: true } m)
                return m.Groups["dir"].Success || m.Groups["name"].Value.EndsWith('/') ? line.Heading
                    : m.Groups["link"].Success ? line.Unread("it is a link to another file")
                    : File(line, folder, m.Groups["name"].Value, m.Groups["bytes"].Value);
        if (Old.Match(text) is { Success: true } old)
            return File(
                line,
                folder,
                old.Groups["ending"].Length > 0
                    ? $"{old.Groups["name"].Value}.{old.Groups["ending"].Value}"
                    : old.Groups["name"].Value,
                old.Groups["bytes"].Value
            );
        string path = text.Replace('\\', '/');
        return folders.Contains(path.TrimEnd('/')) || path is "." or "./" || path.EndsWith('/') ? line.Heading
            : Found.IsMatch(path) && folder.Length == 0 ? line.Reads([new PastedFile(FromRoot(path, folders), null)])
            : line.Unread("it is no line of a listing");
    }

    static PastedLine File(TextLine line, string folder, string name, string bytes) =>
        ulong.TryParse(bytes.Replace(",", "").Replace(".", ""), NumberStyles.None, CultureInfo.InvariantCulture, out ulong size)
            ? line.Reads([new PastedFile(folder.Length > 0 ? $"{folder}/{name}" : Plain(name), size)])
            : line.Unread("its size does not read");

    static string Plain(string path) => path.StartsWith("./", StringComparison.Ordinal) ? path[2..] : path;

    /// <summary>The directory that begins a part of a listing; null: the line is none.</summary>
    static string? FolderOf(string text) =>
        DirectoryOf.Match(text) is { Success: true } m ? m.Groups["path"].Value
        : text.Length > 1 && text.EndsWith(':') && !text.Contains("  ") && !Total.IsMatch(text) ? text[..^1]
        : null;

    static string Below(string root, string folder) =>
        folder.Length > root.Length && folder.StartsWith(root, StringComparison.OrdinalIgnoreCase) && folder[root.Length] == '/'
            ? folder[(root.Length + 1)..]
        : string.Equals(folder, root, StringComparison.OrdinalIgnoreCase) ? ""
        : Plain(folder);

    /// <summary>What other lines of the text lie in.</summary>
    static HashSet<string> Folders(IReadOnlyList<TextLine> lines)
    {
        var folders = new HashSet<string>();
        foreach (TextLine line in lines)
        {
            string path = line.Trimmed.Replace('\\', '/');
            if (Found.IsMatch(path))
                for (int at = path.LastIndexOf('/'); at > 0 && folders.Add(path[..at]); at = path.LastIndexOf('/', at - 1))
                    continue;
        }
        return folders;
    }

    /// <summary>Without the directory in which all lie.</summary>
    static string FromRoot(string path, HashSet<string> folders)
    {
        string? root = folders.Where(f => path.StartsWith(f + "/", StringComparison.Ordinal)).MinBy(f => f.Length);
        return root is not null && folders.All(f => f == root || f.StartsWith(root + "/", StringComparison.Ordinal))
            ? path[(root.Length + 1)..]
            : Plain(path);
    }

    static Regex Long =>
        field ??= new(
            @"^(?:(?<dir>d)|(?<link>l)|[-bcps])[-rwxsStT]{9}[.+@]?\s+\d+\s+\S+\s+\S+\s+(?<bytes>\d[\d,]*)"
                + @"\s+(?:[A-Za-z]{3}\s+\d{1,2}|\d{1,2}\s+[A-Za-z]{3}|\d{4}-\d\d-\d\d)\s+(?:\d{1,2}:\d\d(?::\d\d(?:\.\d+)"
                + @"?(?:\s+[+-]\d{4})?)?|\d{4})\s(?<name>.+)$"
        );

    static Regex Zipped =>
        field ??= new(
            @"^(?:(?<dir>d)|(?<link>l)|-)[-rwxsStT]{6,9}\s+\d+\.\d+\s+\S+\s+(?<bytes>\d+)\s+\S+\s+(?:\d+\s+)"
                + @"?\S+\s+\S+\s+\d\d:\d\d\s(?<name>.+)$"
        );

    static Regex Zip =>
        field ??= new(
            @"^(?<bytes>\d+)\s+(?:\S+\s+\d+\s+-?\d+%\s+)?(?:\d{4}-\d\d-\d\d|\d\d-\d\d-\d{2,4}|\d\d/\d\d/\d{2,4})"
                + @"\s+\d{1,2}:\d\d(?::\d\d)?\s+(?:[0-9a-f]{8}\s+)?(?<name>.+)$"
        );

    static Regex Dir =>
        field ??= new(
            @"^(?:\d{1,4}[-/.]\d{1,2}[-/.]\d{1,4})\s+\d{1,2}:\d\d(?::\d\d)?(?:\s?[AaPp]\.?[Mm]?\.?)?\s+(?:(?<dir><DIR>|"
                + @"<JUNCTION>)|(?<bytes>\d[\d,.]*))\s+(?<name>.+)$"
        );

    static Regex Old =>
        field ??= new(
            @"^(?<name>[A-Z0-9_~!#$%&'()@^{}`-]{1,8})(?:\s+(?<ending>[A-Z0-9_~]{1,3}))?\s+(?<bytes>\d[\d,.]*)"
                + @"\s+\d\d[-./]\d\d[-./]\d{2,4}\s+\d{1,2}:\d\d\s?[aApP]?[mM]?$"
        );

    static Regex DirectoryOf =>
        field ??= new(@"^(?:Directory of|Verzeichnis von)\s+(?:[A-Za-z]:)?(?<path>.*)$", RegexOptions.IgnoreCase);

    static Regex Total => field ??= new(@"^(?:total|archive|volume)\b", RegexOptions.IgnoreCase);

    // Totals, volumes, what an archive's list says of itself, directories of old listings.
    static Regex Other =>
        field ??= new(
            @"^(?:total\s+[\d.,]+[KMG]?|[\d,.]+\s+(?:file|dir)\S*\b.*|[\d,.]+\s+(?:[\d,.]+\s+\d+%\s+)?[\d,.]+\s+files?|"
                + @"volume\b.*|archive:.*|zip file size:.*|length\s+.*name|[\d,.]+ bytes .*free|(?:\S+\s+)?<DIR>.*|"
                + @"[A-Z0-9_.~-]+\s+<DIR>.*)$",
            RegexOptions.IgnoreCase
        );

    static Regex Found =>
        field ??= new(@"^(?:[^\s/:|<>""]+(?: [^\s/:|<>""]+)*/)+[^/:|<>""\t]+$|^[^\s/:|<>""=,;]+\.[A-Za-z][A-Za-z0-9]{0,4}$");
}
