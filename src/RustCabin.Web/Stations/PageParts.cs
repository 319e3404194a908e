using System.Collections.Concurrent;
using System.Linq.Expressions;
using System.Reflection;
using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc.Razor;
using Microsoft.AspNetCore.Mvc.Razor.Internal;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.Rendering;
using Microsoft.AspNetCore.Mvc.ViewEngines;
using Microsoft.AspNetCore.Mvc.ViewFeatures;

namespace RustCabin.Web.Stations;

/// <summary>
/// Parts of a page, each a <c>.cshtml</c> file of its own: <c>@await this.Part("_Boards", Model)</c>. A page shows dozens of
/// them, so that each is looked for once and written where it is asked for, without a buffer between.
/// </summary>
public static class PageParts
{
    static readonly ConcurrentDictionary<(string Page, string? From, string Name), Func<IRazorPage>> Found = new();

    /// <summary>Writes a part at the place where it is asked for.</summary>
    /// <param name="page">The page or part that it stands in.</param>
    /// <param name="name">As for a partial view: <c>_Boards</c> in the page's folder or in Shared, or a whole path.</param>
    /// <param name="model">What it shows.</param>
    /// <returns>Nothing more to write.</returns>
    /// <exception cref="InvalidOperationException">There is no such part.</exception>
    public static async Task<IHtmlContent> Part<T>(this RazorPageBase page, string name, T model)
    {
        ViewContext here = page.ViewContext;
        IRazorPage part = Find(here, page.Path, name);
        part.ViewContext = new ViewContext(here, here.View, new ViewDataDictionary<T>(here.ViewData, model), here.Writer)
        {
            ExecutingFilePath = part.Path,
        };
        here.HttpContext.RequestServices.GetRequiredService<IRazorPageActivator>().Activate(part, part.ViewContext);
        await part.ExecuteAsync();
        return HtmlString.Empty;
    }

    /// <summary>A part or a frame, new made.</summary>
    /// <param name="here">The page that is answered with.</param>
    /// <param name="from">The path of the page or part that asks for it.</param>
    /// <param name="name">Its name, as for a partial view.</param>
    /// <exception cref="InvalidOperationException">There is none.</exception>
    internal static IRazorPage Find(ViewContext here, string? from, string name) =>
        Found.GetOrAdd((PathOf(here), from, name), static (of, view) => Look(view, of.From, of.Name), here)();

    /// <summary>Of the page that is answered with: its folder is looked in first.</summary>
    static string PathOf(ViewContext here) => ((PageActionDescriptor)here.ActionDescriptor).RelativePath;

    static Func<IRazorPage> Look(ViewContext here, string? from, string name)
    {
        IServiceProvider services = here.HttpContext.RequestServices;
        ICompositeViewEngine engine = services.GetRequiredService<ICompositeViewEngine>();
        ViewEngineResult found = engine.GetView(from, name, isMainPage: false);
        if (!found.Success)
            found = engine.FindView(here, name, isMainPage: false);
        string path = ((RazorView)found.EnsureSuccessful(null).View!).RazorPage.Path;
        return services.GetRequiredService<IRazorPageFactoryProvider>().CreateFactory(path).RazorPageFactory!;
    }
}

/// <summary>
/// Gives a part what it declares with <c>@inject</c>. Of the helpers that the framework makes for each part besides, it gets
/// <c>Html</c> alone, one for all of its kind: what the compiler writes for a <c>data-</c> attribute asks it to leave a text as
/// it is. <c>Url</c>, <c>Json</c> and <c>Component</c> are not given: nothing of the cabin asks for them.
/// </summary>
/// <param name="encoder">Encodes what a page writes.</param>
/// <param name="services">Makes the framework's own, for the page that stands round all parts.</param>
sealed class PageActivator(System.Text.Encodings.Web.HtmlEncoder encoder, IServiceProvider services) : IRazorPageActivator
{
    readonly ConcurrentDictionary<Type, Needed> _known = new();
    readonly RazorPageActivator _framework = ActivatorUtilities.CreateInstance<RazorPageActivator>(services);

    /// <summary>What is not given: no page of the cabin asks for it.</summary>
    static readonly string[] Without = ["Url", "Json", "Component", "ModelExpressionProvider", "DiagnosticSource"];

    /// <summary>What a kind of page needs: its data by the type of its model, and its services.</summary>
    sealed record Needed(
        Type Data,
        Func<ViewDataDictionary, ViewDataDictionary> Nest,
        Action<object, object>? TakeData,
        Action<object>? TakeHtml,
        IReadOnlyList<(Type Service, Action<object, object> Take)> Services
    );

    public void Activate(IRazorPage page, ViewContext context)
    {
        if (page is not RazorPageBase part)
        {
            _framework.Activate(page, context);
            return;
        }
        Needed needed = _known.GetOrAdd(page.GetType(), Look);
        if (context.ViewData.GetType() != needed.Data)
            context.ViewData = needed.Nest(context.ViewData);
        needed.TakeData?.Invoke(page, context.ViewData);
        needed.TakeHtml?.Invoke(page);
        part.HtmlEncoder = encoder;
        foreach ((Type service, Action<object, object> take) in needed.Services)
            take(page, context.HttpContext.RequestServices.GetRequiredService(service));
    }

    Needed Look(Type page)
    {
        // What only says which frame a page has shows nothing itself.
        Type model = page.GetRuntimeProperties().FirstOrDefault(p => p.Name == "Model")?.PropertyType ?? typeof(object);
        Type data = typeof(ViewDataDictionary<>).MakeGenericType(model);
        PropertyInfo[] given =
        [
            .. page.GetRuntimeProperties()
                .Where(p => p.IsDefined(typeof(RazorInjectAttribute)) && p.CanWrite && !Without.Contains(p.Name)),
        ];
        ParameterExpression outer = Expression.Parameter(typeof(ViewDataDictionary));
        ConstructorInfo nest = data.GetConstructor([typeof(ViewDataDictionary)])!;
        return new Needed(
            data,
            Expression.Lambda<Func<ViewDataDictionary, ViewDataDictionary>>(Expression.New(nest, outer), outer).Compile(),
            given.Where(p => p.PropertyType == data).Select(Setter).FirstOrDefault(),
            given.Where(p => p.Name == "Html").Select(Html).FirstOrDefault(),
            [
                .. given
                    .Where(p => p.PropertyType != data && p.Name is not ("Html" or nameof(RazorPageBase.HtmlEncoder)))
                    .Select(p => (p.PropertyType, Setter(p))),
            ]
        );
    }

    Action<object> Html(PropertyInfo property)
    {
        using IServiceScope scope = services.CreateScope();
        object html = scope.ServiceProvider.GetRequiredService(property.PropertyType);
        Action<object, object> take = Setter(property);
        return page => take(page, html);
    }

    static Action<object, object> Setter(PropertyInfo property)
    {
        ParameterExpression page = Expression.Parameter(typeof(object)),
            value = Expression.Parameter(typeof(object));
        BinaryExpression set = Expression.Assign(
            Expression.Property(Expression.Convert(page, property.DeclaringType!), property),
            Expression.Convert(value, property.PropertyType)
        );
        return Expression.Lambda<Action<object, object>>(set, page, value).Compile();
    }
}
