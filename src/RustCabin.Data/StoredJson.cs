using System.Text.Encodings.Web;
using System.Text.Json;

namespace RustCabin.Data;

/// <summary>How JSON lies in the file: compact, and with the letters that were typed.</summary>
static class StoredJson
{
    public static readonly JsonSerializerOptions AsTyped = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };
}
