using Google.OrTools.Sat;
using RustCabin.Core.Choices;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Needs;

sealed record FirmwareRule(FirmwareNeed Need) : NeedRule
{
    public override string Words(PlannedUnit? unit) => $"firmware {Need.Version} or later";

    public override (bool? Met, string Text) Answer(PlannedUnit unit) =>
        (Has(unit.Model, unit.Firmware, Need.Version), $"{Words(unit)}; it has {unit.Firmware ?? "none stated"}");

    public override void Require(ChoiceModel choices, ILiteral on, bool strict) => Fixed(choices, on, strict);

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
}

sealed record CanRule(CanNeed Need) : NeedRule
{
    public override string Words(PlannedUnit? unit) => $"firmware that can {IdText.Plain(Need.What)}";

    public override (bool? Met, string Text) Answer(PlannedUnit unit) =>
        (
            NeedCheck.FirmwareOf(unit) is { } firmware ? Can(unit.Model, firmware).Contains(Need.What) : null,
            $"{Words(unit)}; it has {unit.Firmware ?? "none stated"}"
        );

    public override void Require(ChoiceModel choices, ILiteral on, bool strict) => Fixed(choices, on, strict);

    static IEnumerable<string> Can(Model model, Firmware firmware) =>
        firmware.Can.Concat(model.Firmware.FirstOrDefault(f => f.Id == firmware.BasedOn)?.Can ?? []);
}
