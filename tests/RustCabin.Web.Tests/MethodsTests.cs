using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace RustCabin.Web.Tests;

/// <summary>
/// What is read at one go fits a screen: methods under 60 lines, and no choice within a choice within a choice.
/// </summary>
public class MethodsTests
{
    const int Lines = 60,
        Levels = 3;

    static readonly Lazy<(string File, SyntaxNode Root)[]> Sources = new(() =>
    {
        string root = Repository.Root;
        return
        [
            .. from folder in (string[])["src", "tests"]
            from file in Directory.EnumerateFiles(Path.Combine(root, folder), "*.cs", SearchOption.AllDirectories)
            where !file.Split(Path.DirectorySeparatorChar).Any(f => f is "obj" or "bin")
            select (Path.GetRelativePath(root, file), CSharpSyntaxTree.ParseText(File.ReadAllText(file)).GetRoot()),
        ];
    });

    static int LinesOf(SyntaxNode node)
    {
        FileLinePositionSpan span = node.SyntaxTree.GetLineSpan(node.Span);
        return span.EndLinePosition.Line - span.StartLinePosition.Line + 1;
    }

    static int LevelsOf(ConditionalExpressionSyntax choice) =>
        1
        + ((ExpressionSyntax[])[choice.Condition, choice.WhenTrue, choice.WhenFalse])
            .Select(e => Bare(e) is ConditionalExpressionSyntax inner ? LevelsOf(inner) : 0)
            .Max();

    static ExpressionSyntax Bare(ExpressionSyntax expression) =>
        expression is ParenthesizedExpressionSyntax inner ? Bare(inner.Expression) : expression;

    static void AssertNone(IEnumerable<string> found) => Assert.Equal("", string.Join('\n', found));

    static string At(string file, SyntaxNode node) =>
        $"{file}:{node.SyntaxTree.GetLineSpan(node.Span).StartLinePosition.Line + 1}";

    [Fact]
    public void No_method_is_longer_than_sixty_lines() =>
        AssertNone(
            from source in Sources.Value
            where source.File.StartsWith("src", StringComparison.Ordinal)
            from method in source.Root.DescendantNodes()
            where method is BaseMethodDeclarationSyntax or LocalFunctionStatementSyntax or AccessorDeclarationSyntax
            where LinesOf(method) > Lines
            select $"{At(source.File, method)}: {LinesOf(method)} lines"
        );

    [Fact]
    public void No_choice_is_three_deep() =>
        AssertNone(
            from source in Sources.Value
            from choice in source.Root.DescendantNodes().OfType<ConditionalExpressionSyntax>()
            where choice.Parent is not ConditionalExpressionSyntax && LevelsOf(choice) >= Levels
            select At(source.File, choice)
        );

    [Fact]
    public void The_rules_find_what_they_look_for()
    {
        ConditionalExpressionSyntax three = CSharpSyntaxTree
            .ParseText("int x = a ? 1 : (b ? 2 : c ? 3 : 4);")
            .GetRoot()
            .DescendantNodes()
            .OfType<ConditionalExpressionSyntax>()
            .First();
        Assert.Equal(3, LevelsOf(three));
        Assert.Equal(4, LinesOf(CSharpSyntaxTree.ParseText("void A()\n{\n    return;\n}\n").GetRoot().ChildNodes().First()));
    }
}
