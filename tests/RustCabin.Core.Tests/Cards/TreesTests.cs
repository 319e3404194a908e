using RustCabin.Core.Cards;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Cards;

/// <summary>Where files of a card go, and which file of a release is for a board; both against a plainer way to say it.</summary>
public class TreesTests
{
    static CardTree Tree(TreeRule rule, params string[] paths) =>
        CardTree.Of(new TreeAsked { Tree = rule, Files = [.. paths.Select(p => new TreeFile { Path = p })] });

    static readonly TreeRule Numbered = new()
    {
        Pattern = "{nn}/{title}.{ending}",
        Most = 99,
        Names = NameRule.Short,
        Formats = ["img"],
    };

    static string Told(CardTree tree) =>
        string.Join(" ", tree.Places.Select(p => p.To)) + " | " + string.Join(" ", tree.Misfits.Select(m => m.From));

    [Fact]
    public void The_worked_card_of_the_handbook() =>
        Assert.Equal(
            "01/HARBOU~1.IMG 02/B.IMG | read me.txt",
            Told(Tree(Numbered, "b.img", "read me.txt", "Harbour Lights.img"))
        );

    [Fact]
    public void A_slot_is_kept_not_counted_and_given_to_no_other_file()
    {
        TreeRule rule = Numbered with
        {
            Pattern = "{title}.{ending}",
            Most = 1,
            Slots = [new TreeSlot { Path = "MENU.IMG" }, new TreeSlot { Path = "00/help.img" }],
        };
        CardTree tree = Tree(rule, "menu.img", "x/menu.img", "z.img");
        Assert.Equal("menu.img MENU~1.IMG | z.img", Told(tree));
        Assert.Equal(["00/help.img"], tree.Missing);
        Assert.Equal("the card holds 1", Assert.Single(tree.Misfits).Why);
    }

    [Fact]
    public void By_number_each_is_placed_at_its_own()
    {
        TreeRule rule = Numbered with { Sort = TreeSort.Number, Most = 120, Names = NameRule.UpTo31 };
        CardTree tree = Tree(rule, "10 tide.img", "2 lamp.IMG", "2 again.img", "plain.img", "121 far.img", "b/120.img");
        Assert.Equal(["002/2 again.img", "010/10 tide.img", "120/120.img"], tree.Places.Select(p => p.To));
        Assert.Equal(
            ["there is a 2 already", "121 is above 120", "its name begins with no number"],
            tree.Misfits.Select(m => m.Why)
        );
    }

    /// <summary>Everything is placed or told, no two at one place, each name one that the host reads, by whatever rule.</summary>
    [Fact]
    public void A_thousand_random_listings_keep_every_promise()
    {
        var random = new Random(31);
        string[] words = ["tide", "Harbour Lights", "a", "b", "01", "7 lamps", "Größe", "long name of a boat"];
        string[] endings = [".img", ".IMG", ".txt", ""];
        for (int round = 0; round < 1000; round++)
        {
            TreeRule rule = new()
            {
                Pattern = new[] { "{nn}/{title}.{ending}", "{title}.{ending}", "games/{nn} {title}.{ending}" }[random.Next(3)],
                Most = random.Next(1, 12),
                Names = (NameRule)random.Next(3),
                Formats = random.Next(2) == 0 ? [] : ["img"],
                Sort = (TreeSort)random.Next(2),
                Slots = random.Next(2) == 0 ? [] : [new TreeSlot { Path = "A.IMG" }],
            };
            string[] paths =
            [
                .. Enumerable
                    .Range(0, random.Next(14))
                    .Select(i =>
                        $"{(random.Next(3) == 0 ? "" : $"d{random.Next(3)}/")}{words[random.Next(8)]}{endings[random.Next(4)]}"
                    )
                    .Distinct(),
            ];
            CardTree tree = Tree(rule, paths);
            Assert.Equal(paths.Order(), tree.Places.Select(p => p.From).Concat(tree.Misfits.Select(m => m.From)).Order());
            string[] given =
            [
                .. tree
                    .Places.Where(p => !p.From.Equals("a.img", StringComparison.OrdinalIgnoreCase) || rule.Slots.Count == 0)
                    .Select(p => p.To),
            ];
            Assert.True(given.Length <= rule.Most);
            Assert.Equal(given.Length, given.Distinct(StringComparer.OrdinalIgnoreCase).Count());
            if (rule.Slots.Count > 0)
                Assert.DoesNotContain("A.IMG", given);
            foreach (string place in given)
                Assert.All(
                    place.Split('/').Where(n => n != "games"),
                    n => Assert.True(ShortNames.IsLawful(rule.Names, n), place)
                );
        }
    }

    static Release Of(string? variant, string? part, string[] files, params ReleaseRule[] rules) =>
        Release.Of(
            new ReleasesAsked
            {
                Releases = rules,
                Variant = variant,
                Part = part,
                Files = files,
            }
        );

    static readonly ReleaseRule ByName = new() { File = "fw-{variant}-{version}.bin" };

    [Fact]
    public void The_highest_version_for_the_variant_is_taken_and_the_rest_say_why_not()
    {
        Release found = Of(
            "b",
            null,
            ["fw-B-1.9.bin", "fw-A-2.0.bin", "FW-b-1.10.BIN", "fw-B-1.10-rc2.bin", "notes.txt"],
            ByName
        );
        Assert.Equal("FW-b-1.10.BIN", found.File);
        Assert.Contains("variant b, version 1.10, the highest version of 3", found.Why);
        Assert.Equal(["fw-B-1.9.bin", "fw-A-2.0.bin", "fw-B-1.10-rc2.bin", "notes.txt"], found.Others.Select(o => o.File));
        Assert.Equal("it is for variant A", found.Others[1].Why);
        Assert.Equal("no release of this part is called so", found.Others[3].Why);
    }

    [Theory]
    [InlineData(null, null, "plain-3.bin")]
    [InlineData("B", null, "late-4.bin")]
    [InlineData("A", null, "plain-3.bin")]
    [InlineData("C", "egret", "plain-3.bin")]
    public void What_is_for_a_variant_is_taken_for_it_alone(string? variant, string? part, string file)
    {
        ReleaseRule late = new()
        {
            File = "late-{version}.bin",
            For = new() { ["variant"] = "B" },
        };
        Assert.Equal(
            file,
            Of(variant, part, ["plain-3.bin", "late-4.bin"], new ReleaseRule { File = "plain-{version}.bin" }, late).File
        );
    }

    [Fact]
    public void Nothing_is_guessed()
    {
        Release none = Of(null, null, ["fw-B-1.bin"], ByName);
        Assert.Null(none.File);
        Assert.Equal("it is for variant B", Assert.Single(none.Others).Why);
        Assert.Null(Of("B", null, [], ByName).File);
    }

    [Theory]
    [InlineData("1.9", "1.10", -1)]
    [InlineData("1.2-rc1", "1.2", -1)]
    [InlineData("1.2-alpha", "1.2-beta", -1)]
    [InlineData("1.2-beta9", "1.2-rc1", -1)]
    [InlineData("1.2", "1.2b", -1)]
    [InlineData("1.2b", "1.2.1", -1)]
    [InlineData("1.02", "1.2", 0)]
    [InlineData("1.2", "1_2", 0)]
    [InlineData("99999999999999999999", "100000000000000000000", -1)]
    public void Versions_go_run_by_run(string one, string other, int way)
    {
        Assert.Equal(way, Release.Compare(one, other));
        Assert.Equal(-way, Release.Compare(other, one));
    }
}
