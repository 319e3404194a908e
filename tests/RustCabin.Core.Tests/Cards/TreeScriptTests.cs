using System.Diagnostics;
using RustCabin.Core.Cards;

namespace RustCabin.Core.Tests.Cards;

/// <summary>A script of moves does just what the tree says, whatever the files are called and wherever they lie.</summary>
public sealed class TreeScriptTests
{
    static readonly string[] Names = ["a.reel", "b c.reel", "it's.reel", "-n.reel", "$HOME.reel", "ü.reel", "`x`.reel"];

    [Fact]
    public void Nothing_to_move_is_no_script()
    {
        var tree = new CardTree([new TreePlace("a", "a")], [], []);
        Assert.Equal("", TreeScript.Of(tree));
        Assert.Equal("", TreeScript.List(tree));
    }

    [Fact]
    public void The_list_has_a_move_on_each_line() =>
        Assert.Equal("b\t01/b\n", TreeScript.List(new CardTree([new TreePlace("a", "a"), new TreePlace("b", "01/b")], [], [])));

    [Fact]
    public void Files_that_change_places_are_moved_aside()
    {
        var tree = new CardTree(
            [new TreePlace("one", "two"), new TreePlace("two", "three"), new TreePlace("three", "one")],
            [],
            []
        );
        Assert.Equal(
            new()
            {
                ["one"] = "three",
                ["two"] = "one",
                ["three"] = "two",
            },
            Run(TreeScript.Of(tree), ["one", "two", "three"])
        );
    }

    /// <summary>Random trees are run by a real shell: each file lies where the tree has it, and holds what it held.</summary>
    [Fact]
    public void Forty_random_trees_are_moved_by_a_shell()
    {
        var random = new Random(1);
        for (int n = 0; n < 40; n++)
        {
            string[] folders = ["", "01/", "reels/", "reels/02/"];
            string[] files =
            [
                .. Enumerable.Range(0, 9).Select(_ => folders[random.Next(4)] + Names[random.Next(Names.Length)]).Distinct(),
            ];
            string[] places = [.. files.Concat(folders.Select(f => f + "new.reel")).Distinct()];
            random.Shuffle(places);
            var tree = new CardTree([.. files.Zip(places, (from, to) => new TreePlace(from, to))], [], []);
            Dictionary<string, string> after = Run(TreeScript.Of(tree), files);
            Assert.Equal(
                tree.Places.OrderBy(p => p.To, StringComparer.Ordinal).Select(p => (p.To, p.From)),
                after.OrderBy(f => f.Key, StringComparer.Ordinal).Select(f => (f.Key, f.Value))
            );
        }
    }

    /// <summary>Runs a script in a folder whose files each hold their own path; the answer is what lies where then.</summary>
    static Dictionary<string, string> Run(string script, IReadOnlyList<string> files)
    {
        string folder = Directory.CreateTempSubdirectory("tree").FullName;
        try
        {
            foreach (string file in files)
            {
                string path = Path.Combine(folder, file);
                Directory.CreateDirectory(Path.GetDirectoryName(path)!);
                File.WriteAllText(path, file);
            }
            using Process shell = Process.Start(
                new ProcessStartInfo("/bin/sh")
                {
                    WorkingDirectory = folder,
                    RedirectStandardInput = true,
                    RedirectStandardError = true,
                }
            )!;
            shell.StandardInput.Write(script);
            shell.StandardInput.Close();
            string said = shell.StandardError.ReadToEnd();
            shell.WaitForExit();
            Assert.True(shell.ExitCode == 0, $"{said}\n{script}");
            return Directory
                .EnumerateFiles(folder, "*", SearchOption.AllDirectories)
                .ToDictionary(f => Path.GetRelativePath(folder, f), File.ReadAllText);
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }
}
