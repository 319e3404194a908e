using System.Reflection;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Sheets;

public class InstanceNameTests
{
    [Theory]
    [InlineData("fathom", "fathom", 1)]
    [InlineData("fathom#2", "fathom", 2)]
    [InlineData("fathom#1", "fathom#1", 1)]
    [InlineData("fathom#02", "fathom#02", 1)]
    [InlineData("fathom#x", "fathom#x", 1)]
    [InlineData("#2", "#2", 1)]
    [InlineData("", "", 1)]
    public void It_reads_what_it_writes_and_takes_no_other_text_for_a_number(string text, string part, int number)
    {
        var name = InstanceName.Parse(text);
        Assert.Equal((part, number), (name.Part, name.Number));
        Assert.Equal(text, $"{name}");
    }

    /// <summary>An instance, a way and a subject travel as themselves: a text of that name in a signature is a slip.</summary>
    [Fact]
    public void No_signature_of_Core_takes_one_as_a_plain_text()
    {
        string[] names = ["instance", "way", "subject"];
        var slips =
            from type in typeof(Subject).Assembly.GetTypes()
            from method in type.GetMethods(All).Cast<MethodBase>().Concat(type.GetConstructors(All))
            where method.DeclaringType == type && !type.Name.Contains('<') && !method.Name.Contains('<')
            from parameter in method.GetParameters()
            where parameter.ParameterType == typeof(string) && names.Contains(parameter.Name?.ToLowerInvariant())
            select $"{type.Name}.{method.Name}({parameter.Name})";
        // A fault of the simulated bus is put into an instance, a claim or a rail: what it names depends on its kind.
        Assert.Empty(slips.Except(["BusFault..ctor(Subject)"]));
    }

    const BindingFlags All = BindingFlags.Public | BindingFlags.NonPublic | BindingFlags.Static | BindingFlags.Instance;
}
