using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Html;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Pages.Tools;

/// <summary>A field of a tool, filled with an example of ours.</summary>
/// <param name="Name">Its name in the address.</param>
/// <param name="Label">What is typed.</param>
/// <param name="Example">What stands in it at first.</param>
public sealed record ToolField(string Name, string Label, string Example)
{
    /// <summary>It takes lines.</summary>
    public bool Lines { get; init; }

    /// <summary>What can be chosen; empty: it is typed.</summary>
    public IReadOnlyList<string> Choices { get; init; } = [];
}

/// <summary>What a tool answers: the drawing first, the figure as its heading, words last.</summary>
/// <param name="Headline">The answer in a few words.</param>
public sealed record ToolAnswer(string Headline)
{
    /// <summary>The drawing; null: the figure says all.</summary>
    public IHtmlContent? Drawing { get; init; }

    /// <summary>What else there is to say.</summary>
    public IReadOnlyList<string> Says { get; init; } = [];

    /// <summary>The steps, to be followed with a pocket calculator.</summary>
    public IReadOnlyList<string> Why { get; init; } = [];

    /// <summary>The pack with a sheet of what was typed, by the name that it gets. Null: no sheet can be made of it.</summary>
    public Func<string, JsonNode>? Sheet { get; init; }

    /// <summary>What is wrong with what was typed; then nothing else is said.</summary>
    public IReadOnlyList<SheetError> Wrong { get; init; } = [];
}

/// <summary>
/// A question that needs no sheet. A tool is declared once, here: its page, its link, and its test come from that.
/// </summary>
/// <param name="Slug">Its address under <c>/tools/</c>.</param>
/// <param name="Title">What it is called.</param>
/// <param name="Says">What it answers, in a few words.</param>
/// <param name="Handbook">Where it is told how that is reckoned.</param>
/// <param name="Press">The press: a verb and its object.</param>
/// <param name="Fields">Its fields, ten at most.</param>
/// <param name="Answer">The answer to what was typed, by the names of the fields.</param>
public sealed record Tool(
    string Slug,
    string Title,
    string Says,
    string Handbook,
    string Press,
    IReadOnlyList<ToolField> Fields,
    Func<Func<string, string>, ToolAnswer> Answer
)
{
    /// <summary>Reads what was typed as the call of the same question reads it, and answers.</summary>
    /// <typeparam name="T">What the call takes.</typeparam>
    /// <param name="typed">The same as the call takes it.</param>
    /// <param name="answer">The answer.</param>
    public static ToolAnswer Asked<T>(JsonObject typed, Func<T, ToolAnswer> answer)
        where T : class, new()
    {
        using JsonDocument json = JsonDocument.Parse(typed.ToJsonString());
        Reading<T> read = Nulls.Read<T>(json.RootElement);
        return read.Value is { } asked ? answer(asked) : new ToolAnswer("") { Wrong = read.Errors };
    }

    /// <summary>A pack with one part.</summary>
    /// <param name="name">What the part is called; its id is made of it.</param>
    /// <param name="part">The part without its name.</param>
    public static JsonNode PartOf(string name, Part part) => PackOf([part with { Id = IdText.Of(name), Name = name }]);

    /// <summary>A pack with parts.</summary>
    public static JsonNode PackOf(IReadOnlyList<Part> parts) =>
        Declaration<PackSheet>.Write(new PackSheet { Format = Pack.Format, Parts = parts });
}
