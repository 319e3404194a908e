using System.ComponentModel.DataAnnotations;
using System.Globalization;
using System.Text;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Cards;

/// <summary>A file of a listing.</summary>
public sealed record TreeFile
{
    /// <summary>Its path, parted by <c>/</c>.</summary>
    [Required, LongText, Display(Description = "Its path, parted by /.")]
    public string Path { get; init; } = "";

    /// <summary>Its size; null: the listing does not say.</summary>
    [OrNumber, Display(Description = "Its size in bytes; left out: the listing does not say.")]
    public ByteSize? Bytes { get; init; }
}

/// <summary>What <c>cards/tree</c> takes.</summary>
public sealed record TreeAsked : ICompleted<TreeAsked>
{
    /// <summary>So many files, and so many slots, at most.</summary>
    public const int Most = 100_000;

    /// <summary>How they must lie.</summary>
    [Required, Display(Description = "How the files must lie.")]
    public TreeRule Tree { get; init; } = new();

    /// <summary>The files.</summary>
    [Required, Display(Description = "The files, as a listing has them.")]
    public IReadOnlyList<TreeFile> Files { get; init; } = [];

    /// <inheritdoc/>
    public TreeAsked Completed(RecordReading read)
    {
        if (Files.Count > Most)
            read.Wrong("files", $"are {Files.Count:#,0}; {Most:#,0} are allowed");
        return this;
    }
}

/// <summary>Where a file goes.</summary>
public sealed record TreePlace(string From, string To);

/// <summary>A file that has no place, and why.</summary>
public sealed record TreeMisfit(string From, string Why);

/// <summary>
/// Where each file of a card goes. Source: docs/handbook/storage.md, Card trees.
/// </summary>
/// <param name="Places">Where each goes, in their order.</param>
/// <param name="Misfits">What has no place, in the same order.</param>
/// <param name="Missing">Slots that no file is for.</param>
public sealed record CardTree(IReadOnlyList<TreePlace> Places, IReadOnlyList<TreeMisfit> Misfits, IReadOnlyList<string> Missing)
{
    /// <summary>The tree of a card's files.</summary>
    public static CardTree Of(TreeAsked asked) => new TreeWalk(asked).Done();

    /// <summary>Files in the order in which they are placed, each with its number.</summary>
    sealed class TreeWalk(TreeAsked asked)
    {
        readonly TreeRule _rule = asked.Tree;
        readonly List<TreePlace> _places = [];
        readonly List<TreeMisfit> _misfits = [];
        readonly Dictionary<string, (HashSet<string> Taken, Dictionary<string, int> Next)> _folders = new(
            StringComparer.OrdinalIgnoreCase
        );
        readonly HashSet<long> _numbers = [];
        int _count;

        public CardTree Done()
        {
            var slots = _rule.Slots.Select(s => s.Path).ToHashSet(StringComparer.OrdinalIgnoreCase);
            // What the device itself wants is given to no other file.
            foreach (string slot in slots)
                FolderOf(slot).Taken.Add(NameOf(slot));
            foreach (TreeFile file in InOrder())
            {
                Budget.Spend();
                if (slots.Contains(file.Path))
                    _places.Add(new TreePlace(file.Path, file.Path));
                else if (Place(file.Path, out string to) is { } why)
                    _misfits.Add(new TreeMisfit(file.Path, why));
                else
                    _places.Add(new TreePlace(file.Path, to));
            }
            var there = asked.Files.Select(f => f.Path).ToHashSet(StringComparer.OrdinalIgnoreCase);
            return new CardTree(_places, _misfits, [.. _rule.Slots.Select(s => s.Path).Where(p => !there.Contains(p))]);
        }

        IEnumerable<TreeFile> InOrder()
        {
            IOrderedEnumerable<(TreeFile File, byte[] Key)> files = asked
                .Files.Select(f => (File: f, Key: Encoding.UTF8.GetBytes(f.Path)))
                .OrderBy(f => _rule.Sort == TreeSort.Number ? Number(f.File.Path) ?? long.MaxValue : 0);
            // Bytes of UTF-8 stand in the order of the code points.
            return files
                .ThenBy(f => f.Key, Comparer<byte[]>.Create((a, b) => a.AsSpan().SequenceCompareTo(b)))
                .Select(f => f.File);
        }

        /// <summary>Gives a file its place; the answer is why it has none.</summary>
        string? Place(string path, out string to)
        {
            to = "";
            string name = NameOf(path);
            int dot = name.LastIndexOf('.');
            (string title, string ending) = dot < 0 ? (name, "") : (name[..dot], name[(dot + 1)..]);
            if (_rule.Formats.Count > 0 && !_rule.Formats.Contains(ending, StringComparer.OrdinalIgnoreCase))
                return ending.Length == 0 ? "it has no ending" : $".{ending} is not opened";
            long number;
            if (_rule.Sort == TreeSort.Number)
            {
                if (Number(path) is not { } begins)
                    return "its name begins with no number";
                if (begins > _rule.Most)
                    return $"{begins} is above {_rule.Most}";
                if (_numbers.Contains(begins))
                    return $"there is a {begins} already";
                number = begins;
            }
            else
                number = _count + 1;
            if (_count >= _rule.Most)
                return $"the card holds {_rule.Most}";
            if (Laid(number, title, ending) is not { } laid)
                return "its place is taken";
            _numbers.Add(number);
            _count++;
            to = laid;
            return null;
        }

        /// <summary>The path of the pattern, part by part, each a name that the host reads; null: it is taken.</summary>
        string? Laid(long number, string title, string ending)
        {
            int digits = Math.Max(2, _rule.Most.ToString(CultureInfo.InvariantCulture).Length);
            string nn = number.ToString(CultureInfo.InvariantCulture).PadLeft(digits, '0');
            string[] parts = _rule.Pattern.Split('/');
            string folder = "";
            for (int i = 0; i < parts.Length; i++)
            {
                bool last = i == parts.Length - 1,
                    titled = parts[i].Contains(TreeRule.TitleWord, StringComparison.Ordinal);
                string name = parts[i]
                    .Replace(TreeRule.NumberWord, nn, StringComparison.Ordinal)
                    .Replace(TreeRule.EndingWord, ending.ToLowerInvariant(), StringComparison.Ordinal)
                    .Replace(TreeRule.TitleWord, title, StringComparison.Ordinal);
                if (_rule.Names == NameRule.Short && name != parts[i])
                    name = name.ToUpperInvariant();
                if (titled)
                {
                    (HashSet<string> taken, Dictionary<string, int> next) = FolderAt(folder);
                    name = ShortNames.Next(_rule.Names, name, taken, next);
                }
                else if (last && !FolderAt(folder).Taken.Add(name))
                    return null;
                folder = folder.Length == 0 ? name : $"{folder}/{name}";
            }
            return folder;
        }

        (HashSet<string> Taken, Dictionary<string, int> Next) FolderOf(string path) =>
            FolderAt(path.LastIndexOf('/') is >= 0 and var slash ? path[..slash] : "");

        (HashSet<string> Taken, Dictionary<string, int> Next) FolderAt(string folder)
        {
            if (!_folders.TryGetValue(folder, out (HashSet<string>, Dictionary<string, int>) known))
                _folders[folder] = known = (new(StringComparer.OrdinalIgnoreCase), new(StringComparer.OrdinalIgnoreCase));
            return known;
        }

        static string NameOf(string path) => path[(path.LastIndexOf('/') + 1)..];

        static long? Number(string path)
        {
            string digits = new([.. NameOf(path).TakeWhile(char.IsAsciiDigit)]);
            return digits.Length is > 0 and <= 12 ? long.Parse(digits, CultureInfo.InvariantCulture)
                : digits.Length > 12 ? long.MaxValue - 1
                : null;
        }
    }
}
