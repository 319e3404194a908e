using Microsoft.AspNetCore.Razor.TagHelpers;
using Microsoft.Extensions.Primitives;

namespace RustCabin.Web.Stations;

/// <summary>What was typed into a form that was refused, so that its fields show it again: nothing typed is lost.</summary>
/// <param name="form">The form as it was sent.</param>
public sealed class TypedForm(IFormCollection form)
{
    readonly Dictionary<string, int> _taken = [];

    /// <summary>Every value that was sent under a name.</summary>
    public StringValues All(string name) => form[name];

    /// <summary>The next value of a name that several fields may bear, in their order; null: none was sent.</summary>
    public string? Next(string name)
    {
        int at = _taken.GetValueOrDefault(name);
        _taken[name] = at + 1;
        return form[name] is { } values && at < values.Count ? values[at] : null;
    }

    internal static TypedForm? Of(TagHelperContext context) =>
        context.Items.TryGetValue(typeof(TypedForm), out object? form) ? form as TypedForm : null;
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

/// <summary>A field of a <c>press</c> that was refused shows what was typed into it.</summary>
[HtmlTargetElement("input", Attributes = "name", TagStructure = TagStructure.WithoutEndTag)]
public sealed class TypedInput : TagHelper
{
    /// <summary>The field's name.</summary>
    public string Name { get; set; } = "";

    /// <summary>What stands in it while nothing was refused.</summary>
    public string? Value { get; set; }

    /// <summary>Its kind; a hidden field and a file are not typed.</summary>
    public string? Type { get; set; }

    /// <inheritdoc/>
    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        output.Attributes.SetAttribute("name", Name);
        if (Type is not null)
            output.Attributes.SetAttribute("type", Type);
        TypedForm? typed = Type is "hidden" or "file" or "submit" ? null : TypedForm.Of(context);
        if (typed is not null && Type is "checkbox" or "radio")
        {
            output.Attributes.RemoveAll("checked");
            if (typed!.All(Name).Contains(Value ?? "on"))
                output.Attributes.SetAttribute("checked", "checked");
        }
        else if (typed is not null)
            Value = typed.Next(Name) ?? Value;
        if (Value is not null)
            output.Attributes.SetAttribute("value", Value);
    }
}

/// <summary>A text area of a <c>press</c> that was refused shows what was typed into it.</summary>
[HtmlTargetElement("textarea", Attributes = "name")]
public sealed class TypedText : TagHelper
{
    /// <summary>The field's name.</summary>
    public string Name { get; set; } = "";

    /// <inheritdoc/>
    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        output.Attributes.SetAttribute("name", Name);
        if (TypedForm.Of(context)?.Next(Name) is { } text)
            output.Content.SetContent(text);
    }
}

/// <summary>A chooser of a <c>press</c> that was refused stands at what was chosen.</summary>
[HtmlTargetElement("select", Attributes = "name")]
public sealed class TypedChoice : TagHelper
{
    /// <summary>The field's name.</summary>
    public string Name { get; set; } = "";

    /// <inheritdoc/>
    public override void Init(TagHelperContext context)
    {
        if (TypedForm.Of(context)?.Next(Name) is { } chosen)
            context.Items[typeof(TypedChoice)] = chosen;
    }

    /// <inheritdoc/>
    public override void Process(TagHelperContext context, TagHelperOutput output) =>
        output.Attributes.SetAttribute("name", Name);
}

/// <summary>One choice of such a chooser.</summary>
[HtmlTargetElement("option", Attributes = "value")]
public sealed class TypedOption : TagHelper
{
    /// <summary>What choosing it sends.</summary>
    public string? Value { get; set; }

    /// <inheritdoc/>
    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        output.Attributes.SetAttribute("value", Value ?? "");
        if (!context.Items.TryGetValue(typeof(TypedChoice), out object? held) || held is not string chosen)
            return;
        output.Attributes.RemoveAll("selected");
        if (chosen == (Value ?? ""))
            output.Attributes.SetAttribute("selected", "selected");
    }
}
