using System.Text.Json.Nodes;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Rom;

/// <summary>The smallest changes to the ROM plans of a job, made on its JSON. A plan is named by its site.</summary>
public static class RomEdits
{
    /// <summary>Puts a device into a socket; one that is planned there keeps its image and operations, and loses its ties.</summary>
    public static JsonObject Device(JsonObject job, string site, string device, int? ns) => With(job, site, plan =>
    {
        if ((string?)plan["device"] != device) plan.Remove("ties");
        plan["device"] = device;
        if (ns is { } time) plan["ns"] = time;
        else plan.Remove("ns");
    }, device);

    public static JsonObject Drop(JsonObject job, string site)
    {
        JsonObject edited = job.DeepClone().AsObject();
        if (edited["roms"] is JsonArray roms)
            foreach (JsonNode? plan in roms.Where(r => (string?)r?["site"] == site).ToList()) roms.Remove(plan);
        return edited;
    }

    public static JsonObject Image(JsonObject job, string site, string? image) => With(job, site, plan => plan["image"] = image);
    public static JsonObject Tie(JsonObject job, string site, string net, string to) => With(job, site, plan => JsonPath.Put(plan, $"ties[\"{net}\"]", to));

    public static JsonObject AddOp(JsonObject job, string site, JsonObject op) => With(job, site, plan =>
    {
        if (plan["ops"] is not JsonArray ops) plan["ops"] = ops = [];
        ops.Add(op.DeepClone());
    });

    public static JsonObject DropOp(JsonObject job, string site, int index) => With(job, site, plan =>
    {
        if (plan["ops"] is JsonArray ops && index >= 0 && index < ops.Count) ops.RemoveAt(index);
    });

    /// <summary>Moves an operation one place forward in the chain.</summary>
    public static JsonObject RaiseOp(JsonObject job, string site, int index) => With(job, site, plan =>
    {
        if (plan["ops"] is not JsonArray ops || index < 1 || index >= ops.Count) return;
        JsonNode? op = ops[index];
        ops.RemoveAt(index);
        ops.Insert(index - 1, op);
    });

    public static JsonObject Proved(JsonObject job, string site, ProofNote proof) => With(job, site, plan =>
        plan["proof"] = new JsonObject { ["at"] = proof.At, ["of"] = proof.Of, ["passed"] = proof.Passed, ["words"] = proof.Words });

    public static JsonObject Burnt(JsonObject job, string site, BurnNote burn) => With(job, site, plan =>
    {
        if (plan["burns"] is not JsonArray burns) plan["burns"] = burns = [];
        burns.Add(new JsonObject { ["at"] = burn.At, ["passed"] = burn.Passed, ["words"] = burn.Words });
    });

    static JsonObject With(JsonObject job, string site, Action<JsonObject> edit, string? device = null)
    {
        JsonObject edited = job.DeepClone().AsObject();
        if (edited["roms"] is not JsonArray roms) edited["roms"] = roms = [];
        if (roms.FirstOrDefault(r => (string?)r?["site"] == site) is not JsonObject plan)
        {
            if (device is null) throw new ArgumentException($"no device is planned for {site}");
            roms.Add(plan = new JsonObject { ["site"] = site, ["device"] = device });
        }
        edit(plan);
        return edited;
    }
}
