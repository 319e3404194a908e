using System.Text;
using System.Text.Json.Nodes;
using RustCabin.Core.Wiring;

namespace RustCabin.Web.Pages.Evidence;

/// <summary>A line that garbles, as it is typed: what was sent and how, and what came.</summary>
/// <param name="Sent">What was sent.</param>
/// <param name="Speed">In bits a second.</param>
/// <param name="Bits">Data bits.</param>
/// <param name="Parity">The parity bit.</param>
/// <param name="Got">What came: the rubbish itself, or bytes in hexadecimal.</param>
public sealed record LineQuestion(string? Sent, string? Speed, string? Bits, string? Parity, string? Got)
{
    /// <summary>As the call takes it: every usual setting of the receiver is tried.</summary>
    public JsonObject Typed =>
        new()
        {
            ["sent"] = Sent ?? "",
            ["from"] = new JsonObject
            {
                ["speed"] = AskedPage<GarbledAsked>.Number(Speed),
                ["bits"] = AskedPage<GarbledAsked>.Number(Bits),
                ["parity"] = Parity,
            },
            ["got"] = Hex(Got ?? ""),
            ["tried"] = new JsonObject
            {
                ["speeds"] = new JsonArray([.. LineSpeeds.Usual.Select(s => (JsonNode)s)]),
                ["bits"] = new JsonArray(7, 8),
                ["parities"] = new JsonArray("none", "even", "odd"),
                ["inverted"] = new JsonArray(false, true),
            },
        };

    static string Hex(string got)
    {
        string plain = got.Replace(" ", "");
        return plain.Length % 2 == 0 && plain.All(char.IsAsciiHexDigit)
            ? plain
            : Convert.ToHexString(Encoding.Latin1.GetBytes(got));
    }
}
