using System.Text.Json.Nodes;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Rom;

/// <summary>The smallest changes to the ROM plans of a job, made on its JSON. A plan is named by its site.</summary>
public static class RomEdits
{
    /// <summary>Puts a device into a socket; one that is planned there keeps its image and operations, and loses its ties.</summary>
    public static JsonObject Device(JsonObject job, string site, string device, int? ns) =>
        With(
            job,
            site,
            plan =>
            {
                if ((string?)plan["device"] != device)
                {
                    plan.Remove("ties");
                    plan.Remove("erasures");
                }
                plan["device"] = device;
                if (ns is { } time)
                    plan["ns"] = time;
                else
                    plan.Remove("ns");
            },
            device
        );

    public static JsonObject Drop(JsonObject job, string site)
    {
        JsonObject edited = job.DeepClone().AsObject();
        if (edited["roms"] is JsonArray roms)
            foreach (JsonNode? plan in roms.Where(r => (string?)r?["site"] == site).ToList())
                roms.Remove(plan);
        return edited;
    }

    /// <summary>Takes images by their numbers, the plan's own first. Several are put one behind the other by the last operation, unless one joins them already.</summary>
    /// <param name="bytes">Of all of them together.</param>
    public static JsonObject Images(JsonObject job, string site, IReadOnlyList<string> images, int bytes) =>
        With(
            job,
            site,
            plan =>
            {
                plan["image"] = images[0];
                plan["bytes"] = bytes;
                plan.Remove("further");
                if (images.Count > 1)
                    plan["further"] = new JsonArray([.. images.Skip(1).Select(i => JsonValue.Create(i))]);
                if (plan["ops"] is not JsonArray ops)
                    plan["ops"] = ops = [];
                JsonNode? concat = ops.LastOrDefault(o => (string?)o?["op"] == "concat");
                if (images.Count > 1 && concat is null && ops.All(o => (string?)o?["op"] != "join"))
                    ops.Add(new JsonObject { ["op"] = "concat" });
                else if (images.Count == 1 && concat is not null)
                    ops.Remove(concat);
            }
        );

    /// <summary>Puts a whole chain in the place of the one that is there.</summary>
    public static JsonObject Ops(JsonObject job, string site, JsonArray ops) =>
        With(job, site, plan => plan["ops"] = ops.DeepClone());

    /// <summary>The words of the label; null: the usual ones.</summary>
    public static JsonObject Label(JsonObject job, string site, string? label) =>
        With(
            job,
            site,
            plan =>
            {
                if (label is null)
                    plan.Remove("label");
                else
                    plan["label"] = label;
            }
        );

    /// <summary>The eraser's lamp is on.</summary>
    public static JsonObject LampOn(JsonObject job, string site, Erasure erasure) =>
        With(job, site, plan => plan["erasing"] = new JsonObject { ["at"] = erasure.At, ["seconds"] = erasure.Seconds });

    /// <summary>The lamp is off; an erasure that was gone through with counts.</summary>
    public static JsonObject LampOff(JsonObject job, string site, bool through) =>
        With(
            job,
            site,
            plan =>
            {
                plan.Remove("erasing");
                if (through)
                    plan["erasures"] = ((int?)plan["erasures"] ?? 0) + 1;
            }
        );

    /// <summary>The window of the device that was burnt last is covered and labelled, or is not after all.</summary>
    public static JsonObject Covered(JsonObject job, string site, bool covered) =>
        With(
            job,
            site,
            plan =>
            {
                if (plan["burns"] is JsonArray { Count: > 0 } burns)
                    burns[^1]!["covered"] = covered;
            }
        );

    public static JsonObject Tie(JsonObject job, string site, string net, string to) =>
        With(job, site, plan => JsonPath.Put(plan, $"ties[\"{net}\"]", to));

    public static JsonObject AddOp(JsonObject job, string site, JsonObject op) =>
        With(
            job,
            site,
            plan =>
            {
                if (plan["ops"] is not JsonArray ops)
                    plan["ops"] = ops = [];
                ops.Add(op.DeepClone());
            }
        );

    public static JsonObject DropOp(JsonObject job, string site, int index) =>
        With(
            job,
            site,
            plan =>
            {
                if (plan["ops"] is JsonArray ops && index >= 0 && index < ops.Count)
                    ops.RemoveAt(index);
            }
        );

    /// <summary>Moves an operation one place forward in the chain.</summary>
    public static JsonObject RaiseOp(JsonObject job, string site, int index) =>
        With(
            job,
            site,
            plan =>
            {
                if (plan["ops"] is not JsonArray ops || index < 1 || index >= ops.Count)
                    return;
                JsonNode? op = ops[index];
                ops.RemoveAt(index);
                ops.Insert(index - 1, op);
            }
        );

    public static JsonObject Proved(JsonObject job, string site, ProofNote proof) =>
        With(
            job,
            site,
            plan =>
                plan["proof"] = new JsonObject
                {
                    ["at"] = proof.At,
                    ["of"] = proof.Of,
                    ["passed"] = proof.Passed,
                    ["words"] = proof.Words,
                }
        );

    public static JsonObject Burnt(JsonObject job, string site, BurnNote burn) =>
        With(
            job,
            site,
            plan =>
            {
                if (plan["burns"] is not JsonArray burns)
                    plan["burns"] = burns = [];
                var note = new JsonObject
                {
                    ["at"] = burn.At,
                    ["passed"] = burn.Passed,
                    ["words"] = burn.Words,
                    ["erasures"] = burn.Erasures,
                    ["covered"] = burn.Covered,
                };
                foreach (
                    (string name, string text) in new[]
                    {
                        ("device", burn.Device),
                        ("batch", burn.Batch),
                        ("setting", burn.Setting),
                        ("label", burn.Label),
                    }
                )
                    if (text.Length > 0)
                        note[name] = text;
                burns.Add(note);
            }
        );

    static JsonObject With(JsonObject job, string site, Action<JsonObject> edit, string? device = null)
    {
        JsonObject edited = job.DeepClone().AsObject();
        if (edited["roms"] is not JsonArray roms)
            edited["roms"] = roms = [];
        if (roms.FirstOrDefault(r => (string?)r?["site"] == site) is not JsonObject plan)
        {
            if (device is null)
                throw new ArgumentException($"no device is planned for {site}");
            roms.Add(plan = new JsonObject { ["site"] = site, ["device"] = device });
        }
        edit(plan);
        return edited;
    }
}
