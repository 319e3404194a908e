using Microsoft.Extensions.Caching.Memory;

namespace RustCabin.Web.Pages.Rom;

/// <summary>
/// Files of a form that was refused, kept for half an hour, so that they need not be chosen again: a browser gives no chosen file
/// back to a page. At most 256 MiB of them are held.
/// </summary>
public sealed class HeldFiles : IDisposable
{
    readonly MemoryCache _files = new(new MemoryCacheOptions { SizeLimit = 256L << 20 });

    /// <summary>Holds files, in their order, under a name that nobody can guess.</summary>
    public string Hold(IReadOnlyList<(string Name, byte[] Bytes)> files)
    {
        string key = Guid.NewGuid().ToString("n");
        _files.Set(
            key,
            files,
            new MemoryCacheEntryOptions
            {
                Size = Math.Max(1, files.Sum(f => (long)f.Bytes.Length)),
                AbsoluteExpirationRelativeToNow = TimeSpan.FromMinutes(30),
            }
        );
        return key;
    }

    /// <summary>The files held under a name; none where they are gone.</summary>
    public IReadOnlyList<(string Name, byte[] Bytes)> Find(string? key) =>
        key is not null && _files.TryGetValue(key, out IReadOnlyList<(string, byte[])>? files) ? files! : [];

    /// <inheritdoc/>
    public void Dispose() => _files.Dispose();
}
