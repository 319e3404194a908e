using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
using RustCabin.Core.Pasted;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Packs;

/// <summary>
/// A sheet made of what was read of a pasted text, as a pack that is looked at before it is brought in. Each keeps the pasted
/// lines as its source. Source: docs/handbook/paste.md, Kept as a sheet.
/// </summary>
public static class PastedPack
{
    /// <summary>The kinds of text that a sheet can be made of.</summary>
    public static bool Makes(PasteKind kind) => kind is not (PasteKind.Acts or PasteKind.Listing);

    /// <summary>The pack.</summary>
    /// <param name="paste">What was read; lines that are not to be taken left out.</param>
    /// <param name="name">What the sheet is called.</param>
    /// <param name="bits">The address lines of a model; null: as many as its map needs.</param>
    public static JsonNode Of(Paste paste, string name, int? bits)
    {
        string id = IdOf(name, []);
        PackSheet pack = new() { Format = Pack.Format };
        pack = paste.As switch
        {
            PasteKind.Map => pack with { Models = [ModelOf(paste.All<PastedRange>(), id, name, bits)] },
            PasteKind.Titles => pack with { Titles = [.. TitlesOf(paste.All<PastedTitle>())] },
            _ => pack with { Parts = [PartOf(paste) with { Id = id, Name = name }] },
        };
        JsonNode node = Declaration<PackSheet>.Write(pack);
        foreach (string list in (string[])["models", "parts", "titles"])
            if (node[list] is JsonArray { Count: > 0 } sheets)
                sheets[0]!["x"] = new JsonObject
                {
                    ["pasted"] = new JsonArray([
                        .. paste.Lines.Where(l => l.Read.Count > 0).Select(l => JsonValue.Create(l.Text)),
                    ]),
                };
        return node;
    }

    /// <summary>The part that a text tells of, without its name.</summary>
    static Part PartOf(Paste paste) =>
        paste.As switch
        {
            PasteKind.Switches => new Part { Switches = [.. SwitchesOf(paste.All<PastedSetting>())] },
            PasteKind.Pinout => new Part { Chips = [ChipOf(paste.All<PastedLeg>())] },
            PasteKind.Contacts => new Part { Kind = PartKind.Adapter, Contacts = ContactsOf(paste.All<PastedContact>()) },
            _ => new Part { Bom = [.. BomOf(paste.All<PastedPart>())] },
        };

    /// <summary>An id made of a name, different from those that are there.</summary>
    static string IdOf(string name, HashSet<string> taken)
    {
        string id = IdText.Of(name) is { Length: > 0 } made ? made : "pasted";
        string free = IdText.Free(id, taken.Contains);
        taken.Add(free);
        return free;
    }

    static Model ModelOf(IEnumerable<PastedRange> ranges, string id, string name, int? bits)
    {
        PastedRange[] all = [.. ranges];
        HashSet<string> taken = [];
        int needed = all.Length == 0 ? 16 : Math.Max(8, 64 - System.Numerics.BitOperations.LeadingZeroCount(all.Max(r => r.To)));
        return new Model
        {
            Id = id,
            Name = name,
            AddressBits = Math.Min(40, bits ?? needed),
            // What no table of addresses says, to be put right on the sheet.
            DataBits = 8,
            Masters = ["cpu"],
            Revisions = [new Revision { Id = "board", Name = "the board" }],
            Claims = [.. ClaimsOf(all, taken)],
        };
    }

    /// <summary>The claims of a map that was read; what is free makes none.</summary>
    /// <param name="ranges">The ranges, in their order.</param>
    /// <param name="taken">The ids that are taken; those that are given are added.</param>
    public static IEnumerable<Claim> ClaimsOf(IEnumerable<PastedRange> ranges, HashSet<string> taken) =>
        ranges
            .Where(r => r.Kind is "ram" or "rom" or "io" or "window")
            .Select(r => new Claim
            {
                Id = IdOf(r.Name.Length > 0 ? r.Name : r.Kind!, taken),
                Kind = r.Kind switch
                {
                    "rom" => ClaimKind.Rom,
                    "io" => ClaimKind.Io,
                    _ => ClaimKind.Ram,
                },
                Base = new Address(r.From),
                Size = new ByteSize((ulong)r.Size),
                Access = r.Kind == "rom" ? BusAccess.Read : BusAccess.Both,
                // How many banks lie behind it no map says; one is what is seen.
                Window = r.Kind == "window" ? new Window() : null,
            });

    /// <summary>The switches of settings that were read, each with the positions that were named.</summary>
    public static IEnumerable<Switch> SwitchesOf(IEnumerable<PastedSetting> settings)
    {
        HashSet<string> taken = [];
        foreach (var positions in settings.SelectMany(s => s.Positions).GroupBy(p => p.Key, p => p.Value))
        {
            string[] seen = [.. positions.Distinct()];
            // A jumper that is said to be closed can be open as well.
            if (seen.All(p => p is "open" or "closed"))
                seen = ["open", "closed"];
            else if (seen.Length == 1)
                seen = [.. seen, $"not {seen[0]}"];
            yield return new Switch
            {
                Id = IdOf(positions.Key, taken),
                Kind = positions.Key.Contains('-') ? SwitchKind.Dip : SwitchKind.Jumper,
                Label = positions.Key,
                Positions = seen,
                Factory = seen[0],
            };
        }
    }

    /// <summary>A chip with the nets of the legs that were read.</summary>
    public static BoardChip ChipOf(IEnumerable<PastedLeg> legs)
    {
        var nets = new OrderedDictionary<string, string>();
        foreach (PastedLeg leg in legs.OrderBy(l => l.Leg))
            nets[$"{leg.Leg}"] = leg.Net;
        int most = legs.Max(l => l.Leg);
        return new BoardChip
        {
            Id = "u1",
            Package = $"DIP-{most + most % 2}",
            Nets = nets,
        };
    }

    /// <summary>No list of contacts is longer.</summary>
    const int MostContacts = 500;

    /// <summary>The nets of contacts that were read, from the first on; one that nothing was said of takes any.</summary>
    public static IReadOnlyList<string> ContactsOf(IEnumerable<PastedContact> contacts)
    {
        ILookup<int, string> nets = contacts.ToLookup(c => c.Contact, c => c.Net);
        return
        [
            .. Enumerable
                .Range(1, Math.Min(MostContacts, nets.Select(n => n.Key).DefaultIfEmpty(0).Max()))
                .Select(n => nets[n].FirstOrDefault("n")),
        ];
    }

    /// <summary>The lines of a bill of materials that was read.</summary>
    public static IEnumerable<BomLine> BomOf(IEnumerable<PastedPart> parts) =>
        parts.Select(p => new BomLine
        {
            What = p.What,
            Refs = p.Refs,
            Count = p.Count == Math.Max(1, p.Refs.Count) || p.Refs.Count > 0 ? null : Math.Clamp(p.Count, 1, 10_000),
            Price = p.Price,
        });

    static IEnumerable<Title> TitlesOf(IEnumerable<PastedTitle> titles)
    {
        HashSet<string> taken = [];
        return titles.Select(t => new Title
        {
            Id = IdOf(t.Name, taken),
            Name = t.Name,
            Bytes = t.Bytes is { } bytes ? new ByteSize(bytes) : null,
            Discs = t.Discs ?? 1,
            Region = t.Region,
        });
    }
}
