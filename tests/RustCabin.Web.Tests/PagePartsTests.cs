using System.Reflection;
using Microsoft.AspNetCore.Mvc.Razor;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Tests;

/// <summary>A part of a page gets what it asks for, and nothing asks for what parts are not given.</summary>
public sealed class PagePartsTests
{
    static readonly string[] NotGiven = ["get_Url", "get_Json", "get_Component", "get_ModelExpressionProvider"];

    /// <summary>What a page does, with what the compiler made of its loops and forms.</summary>
    static IEnumerable<MemberInfo> Asked(Type page) =>
        page.GetNestedTypes(BindingFlags.NonPublic | BindingFlags.Public)
            .SelectMany(Asked)
            .Concat(
                page.GetMethods(Instructions.Declared)
                    .SelectMany(Instructions.Of)
                    .Where(i => i.Code.FlowControl == System.Reflection.Emit.FlowControl.Call)
                    .Select(i => i.Named)
                    .OfType<MemberInfo>()
            );

    [Fact]
    public void No_part_asks_for_a_helper_that_parts_are_not_given()
    {
        Type[] parts =
        [
            .. typeof(PageParts)
                .Assembly.GetTypes()
                .Where(t => t.IsSubclassOf(typeof(RazorPage)) && !t.IsSubclassOf(typeof(Page))),
        ];
        Assert.True(parts.Length > 60, $"{parts.Length} parts");
        string[] wrong =
        [
            .. parts.SelectMany(p =>
                Asked(p)
                    .Where(m =>
                        NotGiven.Contains(m.Name)
                        // Html is one for all parts of a kind: it can leave a text as it is, and knows nothing of the page.
                        || m.DeclaringType?.Name.StartsWith("IHtmlHelper", StringComparison.Ordinal) == true && m.Name != "Raw"
                    )
                    .Select(m => $"{p.Name} asks for {m.Name}")
            ),
        ];
        Assert.Empty(wrong);
    }

    [Fact]
    public void The_look_finds_what_a_page_asks_for() =>
        Assert.Contains(
            "Raw",
            typeof(PageParts)
                .Assembly.GetTypes()
                .Where(t => t.IsSubclassOf(typeof(RazorPage)))
                .SelectMany(Asked)
                .Select(m => m.Name)
        );
}
