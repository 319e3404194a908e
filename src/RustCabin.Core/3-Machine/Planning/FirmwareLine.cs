using RustCabin.Core.Sheets;

namespace RustCabin.Core.Planning;

/// <summary>What a model's versions of firmware are to each other. Source: docs/handbook/wants.md, Needs.</summary>
static class FirmwareLine
{
    /// <summary>
    /// That firmware, a later one of the list, or one based on such; null: it is not stated which the unit has.
    /// </summary>
    public static bool? Has(Model model, string? has, string wanted)
    {
        if (has is null)
            return null;
        List<string> order = [.. model.Firmware.Where(f => f.BasedOn is null).Select(f => f.Id)];
        string? at = has;
        for (int steps = 0; at is not null && steps <= model.Firmware.Count; steps++)
        {
            if (at == wanted)
                return true;
            if (order.IndexOf(wanted) is >= 0 and var from && order.IndexOf(at) > from)
                return true;
            at = model.Firmware.FirstOrDefault(f => f.Id == at)?.BasedOn;
        }
        return false;
    }

    /// <summary>What a firmware can do, with what it is based on.</summary>
    public static IEnumerable<string> Can(Model model, Firmware firmware) =>
        firmware.Can.Concat(model.Firmware.FirstOrDefault(f => f.Id == firmware.BasedOn)?.Can ?? []);
}
