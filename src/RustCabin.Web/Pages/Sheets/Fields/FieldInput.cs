using System.Text.Json.Nodes;
using RustCabin.Core.Chips;
using RustCabin.Core.Declared;

namespace RustCabin.Web.Pages.Sheets.Fields;

/// <summary>
/// What a plain field is filled with: words and flags are chosen, things that stand on a sheet are chosen or ticked, switches
/// are set by their positions, legs are pressed on the outline of their chip, the rest is typed.
/// </summary>
/// <param name="At">The field at its place.</param>
/// <param name="Wrong">What is wrong with it; null: nothing.</param>
public abstract record FieldInput(FieldAt At, string? Wrong)
{
    /// <summary>True for what fits into one input.</summary>
    public static bool IsPlain(Shape shape) =>
        shape.Kind is not (ShapeKind.Object or ShapeKind.Any)
        && !(shape.Kind == ShapeKind.List && !IsPlain(shape.Items!))
        && !(shape is { Kind: ShapeKind.Map, Items.Kind: ShapeKind.Map });

    /// <summary>Where it stands on the page.</summary>
    public string Id => $"f-{At.Path}";

    /// <summary>What it is called in the form that is sent.</summary>
    public string Name => $"f:{At.Path}";

    /// <summary>False: nothing was filled in yet, so what is wrong is asked for and not wrong.</summary>
    protected virtual bool IsSaid => true;

    /// <summary>What is told under it; null: nothing.</summary>
    public Complaint? Complaint => Wrong is { } wrong ? new(wrong, IsSaid) : null;

    /// <summary>What fills a field, by its shape and by what may stand in it.</summary>
    public static FieldInput Of(FieldAt at, IReadOnlyList<SheetError> errors, ThingsAtHand things)
    {
        (string path, ShapeField field, Shape shape) = (at.Path, at.Field, at.Field.Shape);
        string? wrong = WrongAt(path, shape, errors);
        IReadOnlyList<Thing> choices = field.Things is { } named ? things.At(path, named) : [];
        if (
            shape is { Kind: ShapeKind.Map, Items.Kind: ShapeKind.NameOrNames }
            && choices.Count > 0
            && field.Things == Things.Revisions
        )
            return new ClueValuesInput(at, wrong, choices);
        if (
            shape.Kind == ShapeKind.Map
            && field.Things == Things.Switches
            && things.Switches(path).ToArray() is { Length: > 0 } switches
        )
            return new SwitchesInput(at, wrong, switches);
        if (field.Things == Things.Legs && things.OutlineAt(path) is var (outline, nets))
            return new LegsInput(at, wrong, outline, nets);
        if (field.Things == Things.LegNets && things.PackageAt(path) is { } package)
            return new LegNetsInput(at, wrong, package, things.At(path, Things.Nets));
        if (field.Things is Things.ContactNets or Things.Pinouts)
            return new ContactsInput(at, wrong, things.At(path, Things.Nets));
        if (field.Things == Things.Places)
            return new PlacesInput(at, wrong, choices);
        if (shape is { Kind: ShapeKind.List, Items.Kind: not ShapeKind.NameOrNull } && choices.Count > 0)
            return new TicksInput(at, wrong, choices);
        return new OneInput(at, wrong, choices);
    }

    static string? WrongAt(string path, Shape shape, IReadOnlyList<SheetError> errors) =>
        errors
            .FirstOrDefault(e =>
                e.Path == path
                || e.Path.StartsWith($"{path}[", StringComparison.Ordinal)
                || (shape.Kind == ShapeKind.Map && e.Path.StartsWith($"{path}.", StringComparison.Ordinal))
            )
            ?.Message;

    /// <summary>What stands in it, as the texts of a list; a single text is a list of one.</summary>
    protected IReadOnlyList<string> Stands =>
        At.Value is JsonArray list ? [.. list.Select(v => v?.ToString() ?? "")]
        : At.Value is null ? []
        : [At.Value.ToString()];
}

/// <summary>One value: chosen where the sheet knows what there is, else typed.</summary>
/// <param name="Choices">What sheets offer.</param>
public sealed record OneInput(FieldAt At, string? Wrong, IReadOnlyList<Thing> Choices) : FieldInput(At, Wrong)
{
    Shape Shape => At.Field.Shape;

    /// <summary>The identifier of a thing of a list is shown and typed as its name.</summary>
    bool IsName => Shape.Kind == ShapeKind.Id && At.Path.EndsWith("].id", StringComparison.Ordinal);

    /// <summary>What stands in it.</summary>
    public string Text
    {
        get
        {
            string text = FormEdit.Text(Shape, At.Value);
            return IsName && IdText.Is(text) ? IdText.Plain(text) : text;
        }
    }

    /// <summary>Only what was typed can be wrong; what was not said yet is asked for.</summary>
    protected override bool IsSaid => FormEdit.Text(Shape, At.Value).Trim().Length > 0;

    /// <summary>Its label with its unit, and a star where it must be filled.</summary>
    public string Caption
    {
        get
        {
            string label = IsName ? "name" : At.Field.Label;
            bool told = label.Contains(',') || label.EndsWith(At.Field.Unit, StringComparison.Ordinal);
            return $"{label}{(told ? "" : $", {At.Field.Unit}")}{(At.Field.Required ? " *" : "")}";
        }
    }

    /// <summary>What is offered to choose from, and what stands there though it is not offered; empty: it is typed.</summary>
    public IReadOnlyList<Thing> Offered
    {
        get
        {
            IReadOnlyList<Thing> offered = Shape.Kind switch
            {
                ShapeKind.Flag => [new("yes", "yes"), new("no", "no")],
                ShapeKind.Word => [.. Shape.Words!.Select(w => new Thing(w, w))],
                ShapeKind.Id or ShapeKind.Name => Choices,
                _ => [],
            };
            string text = Text;
            return offered.Count > 0 && text.Length > 0 && offered.All(t => t.Value != text)
                ? [.. offered, new Thing(text, text)]
                : offered;
        }
    }

    /// <summary>
    /// The choice that says nothing; null: there is none. What must be answered and is not has no silent first choice: nothing
    /// is said until a person says it.
    /// </summary>
    public string? Nothing =>
        At.Field switch
        {
            { Required: true } => Text.Length == 0 ? "choose" : null,
            { Otherwise: { Length: > 0 } otherwise } => otherwise,
            { Things: null } => "as usual",
            _ => "none",
        };

    /// <summary>The lines of a text field; 0: one line, an input.</summary>
    public int Rows =>
        Shape.Kind == ShapeKind.Map || (Shape.Kind == ShapeKind.Text && Text.Contains('\n'))
            ? Math.Clamp(Text.Count(c => c == '\n') + 1, 1, 8)
            : 0;

    /// <summary>How it is typed.</summary>
    public string Example =>
        Shape switch
        {
            { OrFlag: true, Kind: ShapeKind.Map or ShapeKind.Text } when Rows > 0 => "yes, no, or switch = position",
            { Kind: ShapeKind.Map } => "name = value",
            { Kind: ShapeKind.Size or ShapeKind.SizeOrNumber } => "64K",
            { Kind: ShapeKind.Address } => "0x0000",
            { Kind: ShapeKind.List or ShapeKind.NameOrNames } => "one, two",
            _ => "",
        };

    public bool IsMono => Shape.Kind is not (ShapeKind.Name or ShapeKind.Text or ShapeKind.NameOrNames);

    /// <summary>How wide it lies in the form.</summary>
    public string Width =>
        Shape.Kind switch
        {
            ShapeKind.Text => "wide",
            ShapeKind.Map or ShapeKind.List or ShapeKind.NameOrNames => "half",
            _ => "",
        };
}

/// <summary>Any of some things.</summary>
/// <param name="Choices">What sheets offer.</param>
public sealed record TicksInput(FieldAt At, string? Wrong, IReadOnlyList<Thing> Choices) : FieldInput(At, Wrong)
{
    /// <summary>True where none is ticked since the field says of itself that it then means all.</summary>
    public bool MeansAll => At.Value is null && At.Field.Help.Contains("left out: all", StringComparison.Ordinal);

    /// <summary>Each thing, and whether it is ticked; what stands there though no sheet offers it is the last.</summary>
    public IEnumerable<(Thing Thing, bool On)> Ticks
    {
        get
        {
            IReadOnlyList<string> ticked = At.Value is JsonArray ? Stands : [];
            return Choices
                .Concat(ticked.Where(t => Choices.All(c => c.Value != t)).Select(t => new Thing(t, t)))
                .Select(t => (t, ticked.Contains(t.Value)));
        }
    }
}

/// <summary>What a clue may show, a row each, with a tick for every revision that it speaks for.</summary>
public sealed record ClueValuesInput(FieldAt At, string? Wrong, IReadOnlyList<Thing> Revisions) : FieldInput(At, Wrong)
{
    /// <summary>The values and the revisions of each, with an empty row behind them.</summary>
    public IEnumerable<(string Shows, IReadOnlyList<string> For)> Rows =>
        ((At.Value as JsonObject)?.Select(v => (v.Key, For(v.Value))) ?? []).Append(("", []));

    static IReadOnlyList<string> For(JsonNode? said) =>
        said is JsonArray list ? [.. list.Select(s => $"{s}")]
        : said is null ? []
        : [$"{said}"];
}

/// <summary>A chooser for each switch; positions that stand there together stay together.</summary>
public sealed record SwitchesInput(
    FieldAt At,
    string? Wrong,
    IReadOnlyList<(string Id, IReadOnlyList<string> Positions)> Switches
) : FieldInput(At, Wrong)
{
    /// <summary>Each switch with what may be chosen and what stands.</summary>
    public IEnumerable<(string Id, IEnumerable<string> Positions, string Stands)> Rows =>
        Switches.Select(s =>
        {
            string stands = FormEdit.Text(Shape.NameOrNames, (At.Value as JsonObject)?[s.Id]);
            return (s.Id, stands.Length > 0 && !s.Positions.Contains(stands) ? s.Positions.Append(stands) : s.Positions, stands);
        });
}

/// <summary>What stands at the legs of a chip, on its outline.</summary>
public abstract record OutlinedInput(FieldAt At, string? Wrong, ChipOutline Outline) : FieldInput(At, Wrong)
{
    /// <summary>
    /// The four sides as they stand. Legs are written by rising numbers, as they are listed, and shown as they stand: a side on
    /// which they fall is turned by its style.
    /// </summary>
    public IEnumerable<(string Look, IEnumerable<int> Legs)> Sides =>
        from side in (PinSide[])[PinSide.Left, PinSide.Bottom, PinSide.Right, PinSide.Top]
        let legs = Outline.Side(side, View.Above)
        where legs.Count > 0
        let falls = legs[0] > legs[^1]
        select ($"legs-{side.ToString().ToLowerInvariant()}{(falls ? " falls" : "")}", falls ? legs.Reverse() : legs);
}

/// <summary>Legs that are ticked on the outline of their chip.</summary>
/// <param name="Nets">The net of each leg by its number; null: no sheet says.</param>
public sealed record LegsInput(FieldAt At, string? Wrong, ChipOutline Outline, JsonObject? Nets)
    : OutlinedInput(At, Wrong, Outline)
{
    public string NetOf(int leg) => Nets?[$"{leg}"]?.ToString() ?? "";

    public bool IsOn(int leg) => At.Value is JsonArray && Stands.Contains($"{leg}");
}

/// <summary>The net at each leg of a chip; <c>n:path:leg</c> is the name of each.</summary>
/// <param name="Known">The nets that there are.</param>
public sealed record LegNetsInput(FieldAt At, string? Wrong, ChipOutline Outline, IReadOnlyList<Thing> Known)
    : OutlinedInput(At, Wrong, Outline)
{
    public string NetOf(int leg) => (At.Value as JsonObject)?[$"{leg}"]?.ToString() ?? "";
}

/// <summary>A connector's contacts in a row as they are numbered, and some more behind them; <c>c:path</c> is the name of
/// all.</summary>
/// <param name="Known">The nets that there are.</param>
public sealed record ContactsInput(FieldAt At, string? Wrong, IReadOnlyList<Thing> Known) : FieldInput(At, Wrong)
{
    const int More = 4;

    public IEnumerable<(int Number, string Net)> Contacts =>
        (At.Value is JsonArray ? Stands : []).Concat(Enumerable.Repeat("", More)).Index().Select(c => (c.Index + 1, c.Item));
}

/// <summary>Places on a board and one more, chosen from those of the sheets or pressed on the board beside the fields.</summary>
public sealed record PlacesInput(FieldAt At, string? Wrong, IReadOnlyList<Thing> Choices) : FieldInput(At, Wrong)
{
    public IEnumerable<(int Number, string Place)> Places => Stands.Append("").Index().Select(p => (p.Index + 1, p.Item));
}
