using Microsoft.AspNetCore.WebUtilities;
using Microsoft.Net.Http.Headers;

namespace RustCabin.Web.Pages.Rom;

/// <summary>
/// A form with images, read as it comes in: what an image is made of goes once into memory and is read from there. The usual
/// reader of forms puts each file on the disk first and takes it from there, which costs more than all work on the image.
/// </summary>
/// <param name="Fields">The text fields; one that is given more than once has its texts with commas between them.</param>
/// <param name="Images">The files called <c>image</c>, in the order in which they came, each with the name of its file.</param>
sealed record RomForm(IReadOnlyDictionary<string, string> Fields, IReadOnlyList<(string File, ReadOnlyMemory<byte> Bytes)> Images)
{
    const int MostParts = 1024,
        LongestText = 4 << 20,
        LongestBoundary = 128,
        FirstBytes = 1 << 20,
        ReadAtOnce = 1 << 16;

    /// <summary>A text field; empty: it is not there.</summary>
    public string this[string field] => Fields.GetValueOrDefault(field, "");

    /// <summary>Reads the body of a request.</summary>
    /// <param name="request">Its content type is that of a form.</param>
    /// <param name="largest">No larger body is read, in bytes.</param>
    /// <param name="cancel">Ends the reading.</param>
    /// <exception cref="InvalidDataException">The body is no form, or goes beyond what is read.</exception>
    /// <exception cref="IOException">The body ends before the form does.</exception>
    public static async Task<RomForm> ReadAsync(HttpRequest request, long largest, CancellationToken cancel)
    {
        var fields = new Dictionary<string, string>(StringComparer.OrdinalIgnoreCase);
        if (!MediaTypeHeaderValue.TryParse(request.ContentType, out MediaTypeHeaderValue? type) || !IsMultipart(type))
        {
            foreach ((string name, Microsoft.Extensions.Primitives.StringValues texts) in await request.ReadFormAsync(cancel))
                fields[name] = texts.ToString();
            return new RomForm(fields, []);
        }
        string boundary = HeaderUtilities.RemoveQuotes(type.Boundary).ToString();
        if (boundary.Length is 0 or > LongestBoundary)
            throw new InvalidDataException("the content type names no boundary that is used");
        var reader = new MultipartReader(boundary, request.Body, ReadAtOnce) { BodyLengthLimit = largest };
        var body = new Body((int)Math.Min(request.ContentLength ?? ReadAtOnce, largest));
        var images = new List<(string File, int From, int To)>();
        for (int parts = 0; await reader.ReadNextSectionAsync(cancel) is { } section; parts++)
        {
            if (
                parts >= MostParts
                || !ContentDispositionHeaderValue.TryParse(section.ContentDisposition, out ContentDispositionHeaderValue? says)
            )
                throw new InvalidDataException("a part of the form does not say what it is");
            string name = HeaderUtilities.RemoveQuotes(says.Name).ToString();
            int from = body.Length;
            if (says.IsFileDisposition())
            {
                await body.TakeAsync(section.Body, largest, cancel);
                if (name == "image")
                    images.Add((FileName(says), from, body.Length));
                else
                    body.Length = from;
            }
            else
            {
                await body.TakeAsync(section.Body, LongestText, cancel);
                string text = System.Text.Encoding.UTF8.GetString(body.Bytes.Span[from..]);
                body.Length = from;
                fields[name] = fields.TryGetValue(name, out string? before) ? $"{before},{text}" : text;
            }
        }
        return new RomForm(fields, [.. images.Select(i => (i.File, body.Bytes[i.From..i.To]))]);
    }

    static bool IsMultipart(MediaTypeHeaderValue type) =>
        type.MediaType.Equals("multipart/form-data", StringComparison.OrdinalIgnoreCase);

    static string FileName(ContentDispositionHeaderValue says) =>
        HeaderUtilities.RemoveQuotes(says.FileNameStar.HasValue ? says.FileNameStar : says.FileName).ToString();

    /// <summary>The bytes of all files, one behind the other. It grows with what has come, not with what is announced.</summary>
    sealed class Body(int announced)
    {
        byte[] _bytes = GC.AllocateUninitializedArray<byte>(Math.Min(announced, FirstBytes));

        public int Length { get; set; }

        public ReadOnlyMemory<byte> Bytes => _bytes.AsMemory(0, Length);

        /// <summary>Takes all that a part holds.</summary>
        /// <exception cref="InvalidDataException">It holds more than <paramref name="most"/> bytes.</exception>
        public async Task TakeAsync(Stream part, long most, CancellationToken cancel)
        {
            int from = Length;
            while (true)
            {
                if (_bytes.Length - Length < ReadAtOnce)
                    Grow();
                int read = await part.ReadAsync(_bytes.AsMemory(Length), cancel);
                if (read == 0)
                    return;
                Length += read;
                if (Length - from > most)
                    throw new InvalidDataException("a part of the form is too large");
            }
        }

        void Grow()
        {
            long larger = _bytes.Length < announced ? Math.Min(_bytes.Length * 4L, announced + ReadAtOnce) : _bytes.Length * 2L;
            byte[] next = GC.AllocateUninitializedArray<byte>((int)Math.Max(larger, Length + ReadAtOnce));
            Bytes.CopyTo(next);
            _bytes = next;
        }
    }
}
