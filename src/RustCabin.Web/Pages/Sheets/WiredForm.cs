using System.Text.Json.Nodes;
using RustCabin.Core.Chips;
using RustCabin.Core.Declared;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>Reads what a form says of legs and contacts into the sheet.</summary>
static class WiredForm
{
    /// <summary>Before the path of a field that a standard pinout fills.</summary>
    public const string StandardKey = "std:";

    /// <summary>
    /// Puts what was typed at the legs of a chip, and at the contacts of a connector, into its sheet. An empty field is a leg of
    /// which nothing is said; between contacts it is one that takes any net, behind them none.
    /// </summary>
    public static void Apply(JsonObject sheet, IFormCollection form)
    {
        foreach (string key in form.Keys.Where(k => k.StartsWith("c:", StringComparison.Ordinal)))
        {
            string[] nets = [.. form[key].Select(n => (n ?? "").Trim())];
            nets = [.. nets[..(Array.FindLastIndex(nets, n => n.Length > 0) + 1)].Select(n => n.Length > 0 ? n : "n")];
            JsonNode? stands = JsonPath.Get(sheet, key[2..]);
            if (!nets.SequenceEqual((stands as JsonArray ?? []).Select(n => n?.ToString() ?? "")))
                JsonPath.Put(sheet, key[2..], nets.Length > 0 ? new JsonArray([.. nets.Select(n => (JsonNode)n)]) : null);
        }
        foreach (
            IGrouping<string, string> chip in form
                .Keys.Where(k => k.StartsWith("n:", StringComparison.Ordinal) && k.LastIndexOf(':') > 2)
                .GroupBy(k => k[2..k.LastIndexOf(':')])
        )
        {
            var nets = new JsonObject();
            foreach (string key in chip)
                if (form[key].ToString().Trim() is { Length: > 0 } net)
                    nets[key[(key.LastIndexOf(':') + 1)..]] = net;
            JsonNode? here = JsonPath.Get(sheet, chip.Key);
            // The order in which they stand on the sheet is kept where nothing else changes.
            bool same =
                here is JsonObject stands
                && stands.Count == nets.Count
                && nets.All(n => stands[n.Key]?.ToString() == n.Value!.ToString());
            if (!same && (here is not null || nets.Count > 0))
                JsonPath.Put(sheet, chip.Key, nets.Count > 0 ? nets : null);
        }
        TakeStandard(sheet, form);
    }

    /// <summary>Puts the pinouts of the chips that were named at the legs of their fields.</summary>
    /// <exception cref="ArgumentException">No pinout is known by that number.</exception>
    static void TakeStandard(JsonObject sheet, IFormCollection form)
    {
        foreach (string key in form.Keys.Where(k => k.StartsWith(StandardKey, StringComparison.Ordinal)))
            if (form[key].ToString().Trim() is { Length: > 0 } number)
            {
                StandardPinout pinout =
                    StandardPinout.Find(number) ?? throw new ArgumentException($"no pinout is known of \"{number}\"");
                string path = key[StandardKey.Length..];
                // The legs of a chip are a map, the pins of a socket a list.
                JsonPath.Put(
                    sheet,
                    path,
                    path.EndsWith("nets", StringComparison.Ordinal)
                        ? new JsonObject(
                            pinout
                                .Legs.Index()
                                .Where(l => l.Item != "n")
                                .Select(l => KeyValuePair.Create($"{l.Index + 1}", (JsonNode?)l.Item))
                        )
                        : new JsonArray([.. pinout.Legs.Select(l => (JsonNode)l)])
                );
            }
    }
}
