using System.Text;

namespace RustCabin.Core.Cards;

/// <summary>
/// Moves files to where a card tree wants them: a script for any POSIX shell, and a plain list to read. Source:
/// docs/handbook/storage.md, Card trees.
/// </summary>
public static class TreeScript
{
    /// <summary>Where a file waits while another still lies in its place.</summary>
    const string Waiting = ".cabin-moves";

    /// <summary>
    /// A script that is run at the top of the card. A file that lies where another goes waits aside until all are out of the
    /// way, so the order never matters; nothing is written over. Empty where every file lies right.
    /// </summary>
    public static string Of(CardTree tree)
    {
        TreePlace[] moves = [.. tree.Places.Where(p => p.From != p.To)];
        if (moves.Length == 0)
            return "";
        // A card may not tell capitals from small letters.
        var wanted = moves.Select(m => m.To).ToHashSet(StringComparer.OrdinalIgnoreCase);
        var script = new StringBuilder("#!/bin/sh\nset -eu\n");
        (TreePlace Move, int Number)[] aside =
        [
            .. moves.Index().Where(m => wanted.Contains(m.Item.From)).Select(m => (m.Item, m.Index)),
        ];
        if (aside.Length > 0)
            script.Append($"mkdir {Waiting}\n");
        foreach ((TreePlace move, int number) in aside)
            script.Append($"mv -- {Quoted(move.From)} {Waiting}/{number}\n");
        foreach (string folder in moves.Select(m => Folder(m.To)).Where(f => f.Length > 0).Distinct())
            script.Append($"mkdir -p -- {Quoted(folder)}\n");
        var waits = aside.ToDictionary(a => a.Move.From, a => a.Number);
        foreach (TreePlace move in moves)
        {
            string from = waits.TryGetValue(move.From, out int number) ? $"{Waiting}/{number}" : Quoted(move.From);
            string to = Quoted(move.To);
            script.Append($"[ ! -e {to} ] || {{ echo {to} is taken >&2; exit 1; }}\nmv -- {from} {to}\n");
        }
        if (aside.Length > 0)
            script.Append($"rmdir {Waiting}\n");
        return script.ToString();
    }

    /// <summary>Each move on a line: from, a tabulator, to.</summary>
    public static string List(CardTree tree) =>
        string.Concat(tree.Places.Where(p => p.From != p.To).Select(p => $"{p.From}\t{p.To}\n"));

    static string Folder(string path) => path.LastIndexOf('/') is > 0 and var slash ? path[..slash] : "";

    /// <summary>One word of a shell, whatever stands in it; a path that begins with a hyphen is no option.</summary>
    static string Quoted(string path) => $"'{path.Replace("'", "'\\''", StringComparison.Ordinal)}'";
}
