using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc.Rendering;
using Microsoft.AspNetCore.Mvc.ViewFeatures;
using Microsoft.AspNetCore.Razor.TagHelpers;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Tools;

/// <summary>What may be done with the answer of a tool.</summary>
/// <param name="Words">The tool and its answer, as they are noted in a job.</param>
/// <param name="Sheet">It can be kept as a sheet.</param>
public sealed record Answered(string Words, bool Sheet);

/// <summary>
/// The answer of a tool: its heading, the drawing and figures inside it, and a press that takes it into a job or keeps it as a
/// sheet. Every tool's answer is written with it.
/// </summary>
/// <param name="html">Renders what stands under the answer.</param>
[HtmlTargetElement("answer")]
public sealed class AnswerPanel(IHtmlHelper html) : TagHelper
{
    /// <summary>The answer in a few words.</summary>
    public string Says { get; set; } = "";

    /// <summary>What of it a note in a job tells beside that.</summary>
    public IEnumerable<string> More { get; set; } = [];

    /// <summary>It can be kept as a sheet.</summary>
    public bool Sheet { get; set; }

    [ViewContext, HtmlAttributeNotBound]
    public ViewContext ViewContext { get; set; } = null!;

    /// <inheritdoc/>
    public override async Task ProcessAsync(TagHelperContext context, TagHelperOutput output)
    {
        output.TagName = "section";
        output.Attributes.SetAttribute("class", "panel");
        output.Attributes.SetAttribute("role", "status");
        var heading = new TagBuilder("h2");
        heading.InnerHtml.Append(Says);
        output.PreContent.AppendHtml(heading);
        // On a page of a job the answer is in the job already.
        if (ViewContext.ViewData["Page"] is StationPage)
            return;
        ((IViewContextAware)html).Contextualize(ViewContext);
        IHtmlContent take = await html.PartialAsync(
            "/Pages/Tools/_Take.cshtml",
            new Answered($"{ViewContext.ViewData["Title"]}: {string.Join(" ", More.Prepend($"{Says.TrimEnd('.')}."))}", Sheet)
        );
        output.PostContent.AppendHtml(take);
    }
}
