using Google.OrTools.Sat;
using RustCabin.Core.Choices;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wants;

sealed record FirmwareRule(FirmwareNeed Need) : NeedRule
{
    public override string Words(PlannedUnit? unit) => $"firmware {Need.Version} or later";

    public override (bool? Met, string Text) Answer(PlannedUnit unit) =>
        (FirmwareLine.Has(unit.Model, unit.Firmware, Need.Version), $"{Words(unit)}; it has {unit.Firmware ?? "none stated"}");

    public override void Require(ChoiceModel choices, ILiteral on, bool strict) => Fixed(choices, on, strict);
}

sealed record CanRule(CanNeed Need) : NeedRule
{
    public override string Words(PlannedUnit? unit) => $"firmware that can {IdText.Plain(Need.What)}";

    public override (bool? Met, string Text) Answer(PlannedUnit unit) =>
        (
            NeedCheck.FirmwareOf(unit) is { } firmware ? FirmwareLine.Can(unit.Model, firmware).Contains(Need.What) : null,
            $"{Words(unit)}; it has {unit.Firmware ?? "none stated"}"
        );

    public override void Require(ChoiceModel choices, ILiteral on, bool strict) => Fixed(choices, on, strict);
}
