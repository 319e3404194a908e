using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>What a new sheet is begun from: nothing, a pattern, a copy.</summary>
public sealed partial class EditorModel
{
    /// <summary>
    /// A new sheet is begun from a pattern or a copy that the address names. Nothing is stored by looking: the first change
    /// keeps it as a draft.
    /// </summary>
    public bool Begun => IsNew && Beginning.Length > 0;

    /// <summary>There is a draft, and the page shows it.</summary>
    public bool IsDraft => Seq > 0 && !Begun;

    /// <summary>What the address says to begin from, to be sent with every press; empty: nothing.</summary>
    string Beginning =>
        ((string[])["pattern", "from", "model"])
            .Where(name => Request.Query.ContainsKey(name))
            .Select(name => $"&{name}={Uri.EscapeDataString(Request.Query[name].FirstOrDefault() ?? "")}")
            .Aggregate("", (all, one) => all + one);

    /// <summary>A copy of a sheet under another name.</summary>
    JsonObject? Copied()
    {
        string? from = Request.Query["from"].FirstOrDefault();
        if (from is null || Stored(from) is not { } copied)
            return null;
        copied["id"] = Free($"{from}-copy");
        copied["name"] = $"{copied["name"]}, a copy";
        return copied;
    }

    /// <summary>A sheet to begin with: what every one of its kind must have, as far as it can be guessed.</summary>
    JsonObject Begin(string kind)
    {
        IReadOnlyList<Model> models = sheets.All().Models;
        string asked = Request.Query["model"].FirstOrDefault() ?? models.FirstOrDefault()?.Id ?? "";
        return kind switch
        {
            "model" or "part" when Pattern.Of(kind, Request.Query["pattern"].FirstOrDefault()) is { } pattern => BeginFrom(
                kind,
                pattern,
                asked
            ),
            "model" => Declaration<Model>.Write(
                new Model
                {
                    Id = Free("model"),
                    AddressBits = 16,
                    DataBits = 8,
                    Masters = ["cpu"],
                    Revisions = [new Revision { Id = "r1", Name = "Board 1" }],
                }
            ),
            "unit" => Declaration<Unit>.Write(new Unit { Id = Free("unit"), Model = asked }),
            "part" => Declaration<Part>.Write(
                new Part { Id = Free("part"), Ways = [new Way { Id = "fit", Model = models.LastOrDefault()?.Id ?? "" }] }
            ),
            _ => Declaration<Title>.Write(new Title { Id = Free("title") }),
        };
    }

    /// <summary>A part goes by one way into the machine that is asked for, or the first that there is.</summary>
    JsonObject BeginFrom(string kind, Pattern pattern, string model)
    {
        var begun = new JsonObject { ["id"] = Free(kind), ["name"] = "" };
        foreach ((string field, JsonNode? value) in pattern.Sheet)
            begun[field] = value?.DeepClone();
        if (kind == "part")
            begun["ways"] = new JsonArray(new JsonObject { ["id"] = "fit", ["model"] = model });
        return begun;
    }
}
