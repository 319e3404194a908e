using Microsoft.Extensions.Caching.Memory;
using RustCabin.Core.Images;

namespace RustCabin.Web.Pages.Rom;

/// <summary>
/// Chains that were worked out, kept for a while: a chain is the same as long as its images (<see
/// cref="Data.RomImageLine.Key"/>, which holds their sums) and its operations are.
/// </summary>
public sealed class ChainDesk : IDisposable
{
    /// <summary>Bytes of images that are kept at most, over all chains.</summary>
    const long MostBytes = 256L << 20;

    static readonly TimeSpan Kept = TimeSpan.FromMinutes(10);

    readonly MemoryCache _chains = new(new MemoryCacheOptions { SizeLimit = MostBytes });

    /// <param name="make">Works it out; asked only where the chain is not known.</param>
    public RomChain Of(string unit, IReadOnlyList<string> images, string ops, Func<RomChain> make)
    {
        string key = $"{unit}|{string.Join(',', images)}|{ops}";
        if (_chains.TryGetValue(key, out RomChain? known))
            return known!;
        RomChain chain = make();
        _chains.Set(key, chain, new MemoryCacheEntryOptions { Size = Math.Max(1, chain.Bytes), SlidingExpiration = Kept });
        return chain;
    }

    public void Dispose() => _chains.Dispose();
}
