namespace RustCabin.Tests.Shared;

/// <summary>What a file asks for says what it leans on: it asks for nothing in vain.</summary>
public class UsingsTests
{
    [Fact]
    public void No_namespace_is_asked_for_in_vain() =>
        Assert.Empty(
            Repository
                .MySources.Concat(Repository.Files("tests/Shared", "*.cs"))
                .SelectMany(f => Usings.InVain(File.ReadAllText(f)).Select(name => $"{f}: using {name}"))
        );

    [Theory]
    [InlineData("using System.Text;\nclass A { StringBuilder b; }", "")]
    [InlineData("using System.Text;\nclass A { string b; }", "System.Text")]
    [InlineData("using System.Linq;\nclass A { int B(int[] c) => c.Sum(); }", "")]
    [InlineData("using System.Diagnostics.CodeAnalysis;\nclass A { [NotNull] string b; }", "")]
    [InlineData("using System.Xml;\nusing System.IO;\nclass A { Stream b; }", "System.Xml")]
    public void What_is_asked_for_in_vain(string text, string vain) =>
        Assert.Equal(vain.Split(' ', StringSplitOptions.RemoveEmptyEntries), Usings.InVain(text));
}
