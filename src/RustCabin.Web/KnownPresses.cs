using System.Collections.Concurrent;
using System.Reflection;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.RazorPages.Infrastructure;

namespace RustCabin.Web;

/// <summary>
/// Refuses a press that the page does not know, which the framework would answer with a page that was not loaded; and what
/// leaves out, or leaves blank, what its handler says it must have.
/// </summary>
sealed class KnownPresses : IPageFilter
{
    readonly ConcurrentDictionary<HandlerMethodDescriptor, string[]> _musts = new();

    /// <inheritdoc/>
    public void OnPageHandlerSelected(PageHandlerSelectedContext context) { }

    /// <inheritdoc/>
    public void OnPageHandlerExecuting(PageHandlerExecutingContext context)
    {
        bool looks =
            HttpMethods.IsGet(context.HttpContext.Request.Method) || HttpMethods.IsHead(context.HttpContext.Request.Method);
        if (context.HandlerMethod is not { } handler)
        {
            if (!looks)
                context.Result = new BadRequestResult();
            return;
        }
        string? left = _musts
            .GetOrAdd(handler, Musts)
            .FirstOrDefault(name => !context.HandlerArguments.TryGetValue(name, out object? value) || value is null);
        if (left is null)
            return;
        // A name in the address that is blank, "/units/%20", is the name of nothing.
        context.Result = looks && context.RouteData.Values.ContainsKey(left) ? new NotFoundResult() : new BadRequestResult();
    }

    /// <inheritdoc/>
    public void OnPageHandlerExecuted(PageHandlerExecutedContext context) { }

    /// <summary>The parameters that are declared as never null.</summary>
    static string[] Musts(HandlerMethodDescriptor handler)
    {
        var nullability = new NullabilityInfoContext();
        return
        [
            .. handler
                .Parameters.Where(p =>
                    !p.ParameterInfo.ParameterType.IsValueType
                    && nullability.Create(p.ParameterInfo).ReadState == NullabilityState.NotNull
                )
                .Select(p => p.ParameterInfo.Name!),
        ];
    }
}
