using System.Reflection;
using NetArchTest.Rules;
using RustCabin.Core.Planning;
using RustCabin.Data;
using RustCabin.Web.SignIn;

namespace RustCabin.Web.Tests;

/// <summary>Dependencies point one way: Web to Data to Core. The core knows no interface, no database, no files.</summary>
public partial class ShapeTests
{
    static readonly Assembly Core = typeof(PlannedUnit).Assembly,
        Data = typeof(CabinFile).Assembly;

    static void AssertHolds(NetArchTest.Rules.TestResult result) =>
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));

    [Fact]
    public void Core_depends_on_nothing_of_ours_and_no_outside_thing() =>
        AssertHolds(
            Types
                .InAssembly(Core)
                .ShouldNot()
                .HaveDependencyOnAny(
                    "RustCabin.Data",
                    "RustCabin.Web",
                    "Microsoft.AspNetCore",
                    "Microsoft.Data",
                    "Dapper",
                    "System.IO.File",
                    "System.IO.Directory",
                    "System.Net"
                )
                .GetResult()
        );

    [Fact]
    public void Data_knows_no_web() =>
        AssertHolds(Types.InAssembly(Data).ShouldNot().HaveDependencyOnAny("RustCabin.Web", "Microsoft.AspNetCore").GetResult());

    [Fact]
    public void Nothing_is_called_a_service_a_manager_a_helper_or_utils() =>
        Assert.DoesNotContain(
            Core.GetTypes()
                .Concat(Data.GetTypes())
                .Concat(typeof(Cabin).Assembly.GetTypes())
                .Where(t => t.DeclaringType is null && !t.Name.StartsWith('<'))
                .Select(t => t.Name),
            name =>
                name.EndsWith("Service", StringComparison.Ordinal)
                || name.EndsWith("Manager", StringComparison.Ordinal)
                || name.Contains("Helper", StringComparison.Ordinal)
                || name.Contains("Util", StringComparison.Ordinal)
        );

    [Theory]
    [InlineData("http://0.0.0.0:5080")]
    [InlineData("http://*:5080")]
    [InlineData("http://127.0.0.1:5080;http://192.168.1.2:5080")]
    public void It_does_not_open_to_other_machines(string urls) =>
        Assert.Throws<ListeningException>(() => Cabin.Build(["--urls", urls]));

    /// <summary>
    /// What may be pressed is a rule of the job: a handler reads the form, calls, and shows. Neither the state of the steps nor
    /// a change of a record is named in one.
    /// </summary>
    [Fact]
    public void No_handler_of_a_press_names_what_a_rule_is_made_of()
    {
        string pages = Path.Combine(Repository.Root, "src", "RustCabin.Web", "Pages");
        string[] named =
        [
            .. Directory
                .EnumerateFiles(pages, "*.cs", SearchOption.AllDirectories)
                .SelectMany(f => Handlers().Matches(File.ReadAllText(f)).Select(m => (File: Path.GetFileName(f), m.Value)))
                .Where(h => Rules().IsMatch(h.Value))
                .Select(h => $"{h.File}: {Rules().Match(h.Value).Value} in {h.Value.TrimStart()[..60]}"),
        ];
        Assert.Empty(named);
        Assert.True(
            Directory.EnumerateFiles(pages, "*.cs", SearchOption.AllDirectories).Sum(f => Handlers().Count(File.ReadAllText(f)))
                > 100
        );
    }

    /// <summary>A handler, from its name to the blank line behind it.</summary>
    [System.Text.RegularExpressions.GeneratedRegex(
        @"^    public [^\n]*OnPost.*?(?=\n\n    (public|protected|static|///|IAction)|\n}\n)",
        System.Text.RegularExpressions.RegexOptions.Singleline | System.Text.RegularExpressions.RegexOptions.Multiline
    )]
    private static partial System.Text.RegularExpressions.Regex Handlers();

    [System.Text.RegularExpressions.GeneratedRegex(
        @"\b(StepState|AllHeeded|Waits|Originals|StepProof|HeededCaution|Progress|(Job|Unit|Build|Storage|Wiring|Faults|Speed|"
            + @"Want|Baseline|PictureSound|Rom)Edits)\b|\.Proved\b|Ledger\."
    )]
    private static partial System.Text.RegularExpressions.Regex Rules();
}
