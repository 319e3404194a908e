using System.Text.Encodings.Web;
using Microsoft.AspNetCore.Mvc.Rendering;
using Microsoft.AspNetCore.Mvc.ViewFeatures;
using Microsoft.AspNetCore.Razor.TagHelpers;

namespace RustCabin.Web.Stations;

/// <summary>
/// A press that the page offers: a plain form that posts to a handler of it, with the version of the job that is seen, what it
/// is about (<c>with-site="os"</c>), and the token that proves it comes from here. With script it is sent in the background and
/// the page is changed in place.
/// </summary>
[HtmlTargetElement("press")]
public sealed class Press : TagHelper
{
    /// <summary>The page's handler.</summary>
    public string Do { get; set; } = "";

    /// <summary>Files are sent with it: they are dropped on it or picked, and the page loads again.</summary>
    public bool Files { get; set; }

    /// <summary>The page loads again after it.</summary>
    public bool Again { get; set; }

    /// <summary>What it is about.</summary>
    [HtmlAttributeName(DictionaryAttributePrefix = "with-")]
    public IDictionary<string, string?> With { get; set; } = new Dictionary<string, string?>();

    [ViewContext, HtmlAttributeNotBound]
    public ViewContext ViewContext { get; set; } = null!;

    /// <inheritdoc/>
    public override async Task ProcessAsync(TagHelperContext context, TagHelperOutput output)
    {
        var page = ViewContext.ViewData["Page"] as IRefusing;
        Begin(page, output);
        // What was typed into it shows again where it was refused.
        if (page?.Refused(Do, With) is { } typed)
            output.Content.SetHtmlContent(typed.Into((await output.GetChildContentAsync()).GetContent()));
    }

    void Begin(IRefusing? page, TagHelperOutput output)
    {
        HttpRequest request = ViewContext.HttpContext.Request;
        output.TagName = "form";
        output.Attributes.SetAttribute("method", "post");
        output.Attributes.SetAttribute("action", page?.Post(Do) ?? request.Path + QueryString.Create("handler", Do).ToString());
        if (Files)
        {
            output.Attributes.SetAttribute("enctype", "multipart/form-data");
            output.Attributes.SetAttribute(new TagHelperAttribute("data-drop"));
        }
        else if (!Again)
            output.Attributes.SetAttribute(new TagHelperAttribute("data-swap"));
        output.PreContent.AppendHtml(Token.Of(ViewContext));
        if (page is StationPage { View: { } view })
            output.PreContent.AppendHtml(Hidden("version", $"{view.Stored.Version}"));
        foreach ((string name, string? value) in With)
            output.PreContent.AppendHtml(Hidden(name, value ?? ""));
    }

    static string Hidden(string name, string value) =>
        $"<input type=\"hidden\" name=\"{name}\" value=\"{HtmlEncoder.Default.Encode(value)}\">";
}
