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
    public override void Init(TagHelperContext context)
    {
        if (ViewContext.ViewData["Page"] is IRefusing page && page.Refused(Do, With) is { } typed)
            context.Items[typeof(TypedForm)] = typed;
    }

    /// <inheritdoc/>
    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        var page = ViewContext.ViewData["Page"] as IRefusing;
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
            Hide(output, "version", $"{view.Stored.Version}");
        foreach ((string name, string? value) in With)
            Hide(output, name, value ?? "");
    }

    static void Hide(TagHelperOutput output, string name, string value) =>
        output.PreContent.AppendHtml($"<input type=\"hidden\" name=\"{name}\" value=\"{HtmlEncoder.Default.Encode(value)}\">");
}
