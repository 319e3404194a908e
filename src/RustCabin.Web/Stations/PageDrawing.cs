using System.Buffers;
using System.Diagnostics;
using System.Text;
using System.Text.Encodings.Web;
using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc.Infrastructure;
using Microsoft.AspNetCore.Mvc.Razor;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.RazorPages.Infrastructure;
using Microsoft.AspNetCore.Mvc.Rendering;
using Microsoft.AspNetCore.Mvc.ViewEngines;

namespace RustCabin.Web.Stations;

/// <summary>
/// Draws a page: what stands in it, then its frame round that, and sends it in one piece. The framework's own way keeps each word
/// of a page as a thing of its own until all of them are sent; here they are bytes as soon as they are written.
/// </summary>
sealed class PageDrawing(
    IHttpResponseStreamWriterFactory writers,
    ICompositeViewEngine views,
    IRazorViewEngine engine,
    IRazorPageActivator activator,
    DiagnosticListener diagnostics,
    HtmlEncoder encoder
) : PageResultExecutor(writers, views, engine, activator, diagnostics, encoder)
{
    readonly IRazorPageActivator _activator = activator;

    /// <inheritdoc/>
    public override async Task ExecuteAsync(PageContext pageContext, PageResult result)
    {
        HttpResponse response = pageContext.HttpContext.Response;
        response.ContentType = result.ContentType ?? "text/html; charset=utf-8";
        response.StatusCode = result.StatusCode ?? response.StatusCode;
        PageBase page = result.Page;
        ViewContext view = page.ViewContext;
        using PageBytes inside = new(),
            whole = new();
        foreach (Func<IRazorPage> start in pageContext.ViewStartFactories)
            page.Layout = await Begun(start(), view, page.Layout);
        view.Writer = inside;
        view.ExecutingFilePath = page.Path;
        await page.ExecuteAsync();
        if (page.Layout is { } layout)
        {
            view.Writer = whole;
            IRazorPage frame = PageParts.Find(view, page.Path, layout);
            frame.BodyContent = inside;
            await Drawn(frame, view);
        }
        await Send(response, page.Layout is null ? inside : whole);
    }

    /// <summary>The layout that a page has by what stands before it in its folders.</summary>
    async Task<string?> Begun(IRazorPage start, ViewContext view, string? layout)
    {
        start.Layout = layout;
        await Drawn(start, view);
        return start.Layout;
    }

    Task Drawn(IRazorPage page, ViewContext view)
    {
        page.ViewContext = view;
        _activator.Activate(page, view);
        return page.ExecuteAsync();
    }

    static async Task Send(HttpResponse response, PageBytes bytes)
    {
        response.ContentLength = bytes.Written.Length;
        if (!HttpMethods.IsHead(response.HttpContext.Request.Method))
            await response.Body.WriteAsync(bytes.Written);
    }
}

/// <summary>What is written of a page, in UTF-8.</summary>
public sealed class PageBytes : TextWriter, IHtmlContent
{
    byte[] _bytes = ArrayPool<byte>.Shared.Rent(1 << 16);
    int _length;
    char _half;

    /// <inheritdoc/>
    public override Encoding Encoding => Encoding.UTF8;

    /// <summary>The bytes so far; good until more is written.</summary>
    public ReadOnlyMemory<byte> Written => _bytes.AsMemory(0, _length);

    /// <inheritdoc/>
    public override void Write(ReadOnlySpan<char> buffer) => _length += Encoding.UTF8.GetBytes(buffer, Room(3 * buffer.Length));

    /// <inheritdoc/>
    public override void Write(char value)
    {
        // The halves of a character come one after the other.
        if (char.IsHighSurrogate(value))
            _half = value;
        else if (char.IsLowSurrogate(value))
            Write([_half, value]);
        else
            Write([value]);
    }

    /// <inheritdoc/>
    public override void Write(string? value) => Write(value.AsSpan());

    /// <inheritdoc/>
    public override void Write(char[] buffer, int index, int count) => Write(buffer.AsSpan(index, count));

    /// <inheritdoc/>
    public override Task WriteAsync(char value)
    {
        Write(value);
        return Task.CompletedTask;
    }

    /// <inheritdoc/>
    public override Task WriteAsync(string? value)
    {
        Write(value.AsSpan());
        return Task.CompletedTask;
    }

    /// <inheritdoc/>
    public override Task WriteAsync(char[] buffer, int index, int count)
    {
        Write(buffer.AsSpan(index, count));
        return Task.CompletedTask;
    }

    /// <inheritdoc/>
    public override Task FlushAsync() => Task.CompletedTask;

    /// <summary>What stands in a page goes into its frame as it is.</summary>
    public void WriteTo(TextWriter writer, HtmlEncoder encoder)
    {
        if (writer is PageBytes frame)
        {
            _bytes.AsSpan(0, _length).CopyTo(frame.Room(_length));
            frame._length += _length;
        }
        else
            writer.Write(Encoding.UTF8.GetString(_bytes, 0, _length));
    }

    Span<byte> Room(int wanted)
    {
        if (_bytes.Length - _length < wanted)
        {
            byte[] larger = ArrayPool<byte>.Shared.Rent(Math.Max(_length + wanted, 2 * _bytes.Length));
            _bytes.AsSpan(0, _length).CopyTo(larger);
            ArrayPool<byte>.Shared.Return(_bytes);
            _bytes = larger;
        }
        return _bytes.AsSpan(_length);
    }

    /// <inheritdoc/>
    protected override void Dispose(bool disposing)
    {
        if (_bytes.Length > 0)
            ArrayPool<byte>.Shared.Return(_bytes);
        _bytes = [];
        _length = 0;
        base.Dispose(disposing);
    }
}
