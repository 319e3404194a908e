using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core;
using RustCabin.Core.Answers;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>A sheet in the editor: what is wrong with it, and, where nothing is, what it would do.</summary>
/// <param name="Shown">For a model, a bare unit of one revision; for a part, such a unit with the part on it. Null while there
/// are errors, or a part names no model here.</param>
public sealed record DraftPreview(IReadOnlyList<SheetError> Errors, Pack? Pack, Answer? Shown)
{
    /// <summary>Reads a draft as the importer would, beside the sheets that are here.</summary>
    public static DraftPreview Of(string kind, JsonObject sheet, Pack here, string? revision)
    {
        // A sheet that has no name yet is drawn all the same.
        if (kind is not "title" && sheet["name"] is null or JsonValue && $"{sheet["name"]}".Trim().Length == 0)
        {
            JsonObject named = sheet.DeepClone().AsObject();
            named["name"] = "It";
            DraftPreview drawn = Of(kind, named, here, revision);
            return drawn with { Errors = [new SheetError("name", "is not said yet"), .. drawn.Errors] };
        }
        using JsonDocument document = PackReader.Parse(Encoding.UTF8.GetBytes(PackOf(kind, sheet, here.Currency)));
        Reading<Pack> reading = PackReader.Read(document.RootElement, here);
        if (reading.Value is not { } pack)
            return new DraftPreview([.. reading.Errors.Select(e => e with { Path = Cut(e.Path, kind) })], null, null);
        try
        {
            return new DraftPreview([], pack, Show(pack, here, revision));
        }
        catch (Core.Maps.MapTooDenseException dense)
        {
            return new DraftPreview([new SheetError("claims", dense.Message)], null, null);
        }
    }

    /// <summary>A pack that holds the sheet alone.</summary>
    public static string PackOf(string kind, JsonObject sheet, string currency) =>
        new JsonObject
        {
            ["format"] = Pack.Format,
            ["currency"] = currency,
            [$"{kind}s"] = new JsonArray(sheet.DeepClone()),
        }.ToJsonString();

    static string Cut(string path, string kind) =>
        path.StartsWith($"{kind}s[0].", StringComparison.Ordinal) ? path[(kind.Length + 5)..]
        : path == $"{kind}s[0]" ? ""
        : path;

    static Answer? Show(Pack pack, Pack here, string? revision)
    {
        Part? part = pack.Parts.Count > 0 ? pack.Parts[0] : null;
        Way? way = part?.Ways.FirstOrDefault(w => w.Model is not null && here.FindModel(w.Model) is not null);
        Model? model =
            pack.Models.Count > 0 ? pack.Models[0] : here.FindModel(way?.Model ?? pack.Units.FirstOrDefault()?.Model ?? "");
        if (model is null)
            return null;
        string board = model.FindRevision(revision)?.Id ?? way?.Revisions.FirstOrDefault() ?? model.Revisions[0].Id;
        FittedPart[] fitted = part is null ? [] : [new FittedPart { Part = part.Id, Way = way?.Id }];
        Unit unit =
            pack.Units.Count > 0
                ? pack.Units[0]
                : new Unit
                {
                    Id = "draft",
                    Model = model.Id,
                    Name = model.Name,
                    Revision = board,
                    Fitted = fitted,
                };
        Pack both = here with
        {
            Models = [model, .. here.Models.Where(m => m.Id != model.Id)],
            Parts = part is null ? here.Parts : [part, .. here.Parts.Where(p => p.Id != part.Id)],
        };
        return Answer.For(Trail.Stations, Plan.For(both, unit));
    }
}
