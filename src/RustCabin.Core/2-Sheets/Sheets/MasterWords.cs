using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>
/// What drives the bus, as a person says it; on a sheet a master is an id. Source: docs/handbook/memory.md, Claims.
/// </summary>
public static class MasterWords
{
    /// <summary>The heading of a column: <c>processor</c>, <c>video</c>.</summary>
    public static string Of(string master) => master == "dma" ? "DMA" : IdText.Plain(master);

    /// <summary>Within a sentence: <c>the processor</c>, <c>video</c>.</summary>
    public static string The(string master) => master == "cpu" ? "the processor" : Of(master);
}
