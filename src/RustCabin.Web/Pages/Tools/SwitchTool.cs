using Microsoft.AspNetCore.Html;
using RustCabin.Core.Packs;
using RustCabin.Core.Pasted;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;
using RustCabin.Web.Drawings;

namespace RustCabin.Web.Pages.Tools;

/// <summary>The tool of printed tables of switches.</summary>
public static partial class AllTools
{
    static readonly Tool SwitchTable = new(
        "switches",
        "Settings of a table",
        "where the switches stand for what is wanted",
        "paste#switches",
        "Find setting",
        [
            new(
                "table",
                "the table as it is printed",
                "W2 W3 W4\nin in out  128K\nout in out  256K\nin out out  384K\nout out in  512K"
            )
            {
                Lines = true,
            },
            new("wanted", "wanted: a size, or a word of the table", "384K"),
        ],
        typed =>
        {
            if (Core.Pasted.Paste.TooMuch(typed("table")) is { } much)
                return Refused("table", much);
            Core.Pasted.Paste read = Core.Pasted.Paste.Of(new PasteAsked { Text = typed("table"), As = PasteKind.Switches });
            PastedSetting[] all = [.. read.All<PastedSetting>()];
            string wanted = typed("wanted").Trim();
            if (all.Length == 0)
                return Refused("table", "holds no setting of switches");
            if (wanted.Length == 0)
                return Refused("wanted", "must be there");
            PastedSetting[] found = [.. all.Where(s => Means(s, wanted))];
            Switch[] switches = [.. PastedPack.SwitchesOf(all)];
            return new ToolAnswer(found.Length == 0 ? $"No setting of the table gives {wanted}" : Said(found[0]))
            {
                Drawing = found.Length == 0 ? null : Faces(switches, found[0]),
                Says =
                [
                    .. found.Skip(1).Select(s => $"Or {Said(s)}."),
                    .. read.Lines.Where(l => l.Doubt is not null).Select(l => $"\"{l.Text.Trim()}\": {l.Doubt}."),
                ],
                Sheet = name => PastedPack.Of(read, name, null),
            };
        }
    );

    /// <summary>A setting gives a size where it says just that size, else what its words hold.</summary>
    static bool Means(PastedSetting setting, string wanted) =>
        ByteSize.TryTyped(wanted, out ByteSize size) && setting.Size is { } bytes
            ? bytes == size.Bytes
            : setting.Means?.Contains(wanted, StringComparison.OrdinalIgnoreCase) == true;

    static string Said(PastedSetting setting) => string.Join(", ", setting.Positions.Select(p => $"{p.Key} {p.Value}"));

    /// <summary>The faces of the switches in the order of the table.</summary>
    static IHtmlContent Faces(IReadOnlyList<Switch> switches, PastedSetting setting) =>
        new HtmlContentBuilder().AppendAll(
            setting.Positions.Select(p =>
                switches.FirstOrDefault(s => s.Label == p.Key) is { } known ? SwitchFace.Draw(known, p.Value) : HtmlString.Empty
            )
        );
}
