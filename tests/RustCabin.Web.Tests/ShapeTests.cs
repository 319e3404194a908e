using System.Reflection;
using NetArchTest.Rules;
using RustCabin.Core.Planning;
using RustCabin.Data;
using RustCabin.Web.SignIn;

namespace RustCabin.Web.Tests;

/// <summary>Dependencies point one way: Web to Data to Core. The core knows no interface, no database, no files.</summary>
public class ShapeTests
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
}
