using System.Text.Json;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>Pins asked for on an outline, as seen from one side.</summary>
public sealed record AskedPins(ChipOutline Outline, IReadOnlyList<int> Pins, View View);

/// <summary>Reads what <c>POST /api/v1/pins</c> takes.</summary>
public static class PinsReader
{
    public static Reading<AskedPins> Read(JsonElement body)
    {
        var errors = new List<SheetError>();
        AskedPins? asked = Fields.Read(
            body,
            "",
            errors,
            f =>
            {
                string package = f.Name("package");
                if (!ChipOutline.TryParse(package, out ChipOutline outline) && package.Length > 0)
                    f.Wrong(
                        "package",
                        $"\"{package}\" is not an outline: DIP, SOIC, PLCC, QFP, HEADER or DSUB with its pins, such as QFP-64 or QFP-100(30,20)"
                    );
                View view = f.Word<View>("view") ?? View.Above;
                IReadOnlyList<decimal?> pins = f.List<decimal?>("pins", (e, p) => f.ReadNumber(e, p, 1, ChipOutline.MostPins));
                foreach ((int i, decimal? pin) in pins.Index())
                    if (pin != decimal.Truncate(pin!.Value) || (outline is not null && pin > outline.Pins))
                        errors.Add(new SheetError($"pins[{i}]", $"{package} has no pin {pin}"));
                return new AskedPins(outline!, [.. pins.Select(p => (int)p!.Value)], view);
            }
        );
        return Reading<AskedPins>.Of(asked, errors);
    }
}
