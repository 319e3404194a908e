using AngleSharp;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using AngleSharp.Html.Parser;
using Microsoft.AspNetCore.Html;
using Microsoft.Extensions.Primitives;

namespace RustCabin.Web.Stations;

/// <summary>What was typed into a form that was refused, so that its fields show it again: nothing typed is lost.</summary>
/// <param name="form">The form as it was sent.</param>
public sealed class TypedForm(IFormCollection form)
{
    readonly Dictionary<string, int> _taken = [];

    /// <summary>
    /// What stands in a form, with what was typed in its fields. Fields that bear one name take its values in their order; a
    /// hidden field and a file are not typed.
    /// </summary>
    /// <param name="content">What stands in the form as it is drawn without that.</param>
    public IHtmlContent Into(string content)
    {
        var parser = new HtmlParser();
        IElement around = parser.ParseDocument("<form></form>").QuerySelector("form")!;
        INodeList nodes = parser.ParseFragment(content, around);
        foreach (IElement field in nodes.OfType<IElement>().SelectMany(n => n.DescendantsAndSelf<IElement>()))
            if (field.GetAttribute("name") is { } name)
                Fill(field, name);
        return new HtmlString(string.Concat(nodes.Select(n => n.ToHtml())));
    }

    void Fill(IElement field, string name)
    {
        switch (field)
        {
            case IHtmlInputElement { Type: "hidden" or "file" or "submit" }:
                break;
            case IHtmlInputElement { Type: "checkbox" or "radio" } tick:
                Set(tick, "checked", form[name].Contains(tick.GetAttribute("value") ?? "on"));
                break;
            case IHtmlInputElement when Next(name) is { } typed:
                field.SetAttribute("value", typed);
                break;
            case IHtmlTextAreaElement when Next(name) is { } text:
                field.TextContent = text;
                break;
            case IHtmlSelectElement choice when Next(name) is { } chosen:
                foreach (IHtmlOptionElement option in choice.Options)
                    Set(option, "selected", option.Value == chosen);
                break;
        }
    }

    static void Set(IElement element, string attribute, bool stands)
    {
        if (stands)
            element.SetAttribute(attribute, attribute);
        else
            element.RemoveAttribute(attribute);
    }

    /// <summary>The next value of a name that several fields may bear, in their order; null: no more were sent.</summary>
    string? Next(string name)
    {
        int at = _taken.GetValueOrDefault(name);
        _taken[name] = at + 1;
        StringValues values = form[name];
        return at < values.Count ? values[at] : null;
    }
}

/// <summary>A page that may refuse what was pressed on it.</summary>
public interface IRefusing
{
    /// <summary>What became of a press that could not be carried out; null when all is well.</summary>
    string? Notice { get; }

    /// <summary>The request that was answered.</summary>
    HttpRequest Request { get; }

    /// <summary>Why a press was not carried out on a thing that was written to meanwhile.</summary>
    /// <param name="what">The thing, as a sentence begins: <c>This job</c>.</param>
    static string ChangedElsewhere(string what) =>
        $"{what} was changed in another tab. You see it as it stands now; your press was not carried out.";

    /// <summary>Where a form of this page posts to.</summary>
    string Post(string handler) => Request.Path + QueryString.Create("handler", handler);

    /// <summary>What was typed into a form, if it is the one that was refused; null: it was not.</summary>
    /// <param name="handler">The handler to which the form posts.</param>
    /// <param name="with">What the form is about, which parts it from others of the same handler.</param>
    TypedForm? Refused(string handler, IDictionary<string, string?>? with = null) =>
        Notice is not null
        && Request.HasFormContentType
        && Request.Query["handler"] == handler
        && (with is null || with.All(w => Request.Form[w.Key] == (w.Value ?? "")))
            ? new TypedForm(Request.Form)
            : null;
}
