using System.Globalization;
using System.Text.RegularExpressions;
using RustCabin.Core.Declared;
using RustCabin.Core.Pasted;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Packs;

/// <summary>
/// A guide taken into a way: its acts become changes, its pads pads of the part, and what it names of the board and the model's
/// sheet does not have is named there. Source: docs/handbook/paste.md, Acts taken.
/// </summary>
/// <param name="Changes">The changes, in the order of the guide.</param>
/// <param name="Pads">Pads of the part's own board.</param>
/// <param name="Chips">Chips of the machine that its sheet does not have, with an outline that has legs enough.</param>
/// <param name="Points">Points of the machine that its sheet does not have.</param>
public sealed record PastedWiring(
    IReadOnlyList<WireChange> Changes,
    IReadOnlyList<Pad> Pads,
    IReadOnlyList<BoardChip> Chips,
    IReadOnlyList<BoardPoint> Points
)
{
    /// <summary>What is new on the machine's sheet, by its names.</summary>
    public IReadOnlyList<string> New => [.. Chips.Select(c => c.Id), .. Points.Select(p => p.Id)];

    /// <summary>Of the acts of a guide.</summary>
    /// <param name="acts">The acts that are taken.</param>
    /// <param name="model">The machine that they are done to.</param>
    public static PastedWiring Of(IEnumerable<GuideAct> acts, Model model)
    {
        GuideAct[] all = [.. acts];
        var named = all.SelectMany(Places).Select(Place).Distinct().ToList();
        Pad[] pads =
        [
            .. named.Where(p => p.StartsWith(OnPart, StringComparison.Ordinal)).Select(p => new Pad { Id = p[OnPart.Length..] }),
        ];
        BoardChip[] chips =
        [
            .. all.SelectMany(Chipped)
                .Concat(
                    named
                        .Select(p => Leg.Match(p))
                        .Where(m => m.Success)
                        .Select(m => (m.Groups[1].Value, Number(m.Groups[2].Value)))
                )
                .GroupBy(c => c.Item1, c => c.Item2)
                .Where(c => IsChip(c.Key) && model.Chips.All(m => m.Id != c.Key))
                .Select(c => new BoardChip
                {
                    Id = c.Key,
                    What = "named by a guide; look at its outline",
                    Package = Outline(c.Max()),
                }),
        ];
        return new PastedWiring(
            [.. all.SelectMany(a => Change(a, model, chips))],
            pads,
            chips,
            [
                .. named
                    .Select(p => p.Split('.')[0])
                    .Distinct()
                    .Where(p => !p.Contains(':') && !IsChip(p) && model.Points.All(m => m.Id != p) && model.FindSite(p) is null)
                    .Select(Point),
            ]
        );
    }

    const string OnPart = "part:";

    static IEnumerable<string> Places(GuideAct act) =>
        act switch
        {
            WireAct w => [w.From, w.To],
            CutAct c => c.Between,
            PointAct { Do: "link" } p => [$"{p.Point}.1", $"{p.Point}.2"],
            PointAct p => [p.Point],
            _ => [],
        };

    static IEnumerable<(string Chip, int Leg)> Chipped(GuideAct act) =>
        act switch
        {
            LiftAct l => l.Pins.Select(p => (l.Chip, p)),
            SocketAct s => [(s.Chip, 8)],
            _ => [],
        };

    static IEnumerable<WireChange> Change(GuideAct act, Model model, IReadOnlyList<BoardChip> chips)
    {
        switch (act)
        {
            case LiftAct lift:
                yield return new WireChange
                {
                    Do = ChangeAct.Lift,
                    Chip = lift.Chip,
                    Pins = lift.Pins,
                };
                break;
            case WireAct wire:
                yield return new WireChange
                {
                    Do = ChangeAct.Wire,
                    From = [Place(wire.From)],
                    To = [Place(wire.To)],
                    Mm = wire.Mm is { } mm ? Math.Clamp(Math.Round(mm, 1), 1, 10_000) : null,
                    Colour = wire.Colour,
                };
                break;
            case CutAct cut:
                yield return new WireChange
                {
                    Do = ChangeAct.Cut,
                    Net = NetOf(Place(cut.Between[0]), model) ?? NetOf(Place(cut.Between[1]), model) ?? Place(cut.Between[0]),
                    Off = [Place(cut.Between[1])],
                };
                break;
            case PointAct { Do: "link" } link:
                yield return new WireChange
                {
                    Do = ChangeAct.Link,
                    From = [$"{link.Point}.1"],
                    To = [$"{link.Point}.2"],
                };
                break;
            case PointAct point:
                yield return new WireChange
                {
                    Do = point.Do == "scrape" ? ChangeAct.Scrape : ChangeAct.Remove,
                    Point = Place(point.Point),
                };
                break;
            case SocketAct socket:
                yield return new WireChange { Do = ChangeAct.Socket, Chip = socket.Chip };
                break;
            case PlainAct plain when Words<ChangeAct>.TryParse(plain.Do, out ChangeAct done) && done >= ChangeAct.Insulate:
                yield return new WireChange { Do = done, Where = plain.Where };
                break;
            default:
                break;
        }
    }

    /// <summary>The net of a place, as the machine's sheet names it; null: it does not say.</summary>
    static string? NetOf(string place, Model model) =>
        Leg.Match(place) is { Success: true } leg
            ? model.Chips.FirstOrDefault(c => c.Id == leg.Groups[1].Value)?.Nets.GetValueOrDefault(leg.Groups[2].Value)
            : model.Points.FirstOrDefault(p => p.Id == place)?.Net;

    /// <summary>A place as sheets write it: a pad of the part's own board, the left or right end of what lies between two
    /// nets.</summary>
    static string Place(string place)
    {
        string[] words = place.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return words switch
        {
            ["pad" or "Pad", var name] => OnPart + name,
            [var what, "left" or "upper" or "end" or "1"] => $"{what}.1",
            [var what, "right" or "lower" or "2"] => $"{what}.2",
            _ => string.Concat(words),
        };
    }

    static bool IsChip(string name) =>
        name.Length > 1 && name[0] is 'U' or 'I' && char.IsDigit(name[^1]) || name.StartsWith("CN", StringComparison.Ordinal);

    static BoardPoint Point(string name)
    {
        PointKind kind = name.TrimEnd("0123456789".ToCharArray()).ToUpperInvariant() switch
        {
            "TP" => PointKind.TestPoint,
            "V" => PointKind.Via,
            "R" or "RN" => PointKind.Resistor,
            "C" => PointKind.Capacitor,
            "D" => PointKind.Diode,
            "X" or "Y" => PointKind.Crystal,
            "L" or "LK" or "J" or "JP" or "W" or "SJ" => PointKind.OpenLink,
            _ => PointKind.Pad,
        };
        string net = IdText.Of(name) is { Length: > 0 } id ? id : "point";
        return kind >= PointKind.Resistor
            ? new BoardPoint
            {
                Id = name,
                Kind = kind,
                Nets = [$"{net}-1", $"{net}-2"],
            }
            : new BoardPoint
            {
                Id = name,
                Kind = kind,
                Net = net,
            };
    }

    /// <summary>The smallest usual outline that has so many legs.</summary>
    static string Outline(int leg)
    {
        int dip = ((int[])[8, 14, 16, 18, 20, 24, 28, 32, 40]).FirstOrDefault(n => n >= leg);
        return dip > 0 ? $"DIP-{dip}" : $"QFP-{Math.Max(44, (leg + 3) / 4 * 4)}";
    }

    static int Number(string text) => int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out int n) ? n : 1;

    static Regex Leg => field ??= new(@"^([A-Z]+[0-9]+)\.([0-9]{1,4})$");
}
