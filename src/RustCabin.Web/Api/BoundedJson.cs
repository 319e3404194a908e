using System.Buffers;
using System.Text.Json;
using RustCabin.Core.Units;

namespace RustCabin.Web.Api;

/// <summary>Answers as JSON of up to eight megabytes, written where the work is done and given whole.</summary>
static class BoundedJson
{
    /// <summary>No answer has more bytes; files are not bound by it.</summary>
    public const int MostBytes = 8_000_000;

    static readonly JsonSerializerOptions Options = Made();

    static JsonSerializerOptions Made()
    {
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web);
        AnswerJson.Shape(options);
        return options;
    }

    /// <summary>An answer; null is told as null, not as nothing.</summary>
    /// <exception cref="OverBudgetException">It is larger than is given at once.</exception>
    public static IResult Of<T>(T answer)
    {
        var bytes = new Bounded();
        // Not disposed of where it fails: it would write on what is full.
        var writer = new Utf8JsonWriter(bytes, new JsonWriterOptions { Encoder = Options.Encoder });
        JsonSerializer.Serialize(writer, answer, Options);
        writer.Flush();
        return TypedResults.Bytes(bytes.Written, "application/json; charset=utf-8");
    }

    /// <summary>A buffer that takes so much and no more.</summary>
    sealed class Bounded : IBufferWriter<byte>
    {
        readonly ArrayBufferWriter<byte> _inner = new(4096);

        public ReadOnlyMemory<byte> Written => _inner.WrittenMemory;

        public void Advance(int count)
        {
            Budget.Spend();
            _inner.Advance(count);
            if (_inner.WrittenCount > MostBytes)
                throw new OverBudgetException($"The answer would be larger than {MostBytes:#,0} bytes: ask for less.");
        }

        public Memory<byte> GetMemory(int sizeHint = 0) => _inner.GetMemory(sizeHint);

        public Span<byte> GetSpan(int sizeHint = 0) => _inner.GetSpan(sizeHint);
    }
}
