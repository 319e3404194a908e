using System.Text.Json;

namespace RustCabin.Core.Chips;

/// <summary>
/// A chip beside memory, by the number that every maker prints on it: what it is, and the signal of each leg. The table ships as
/// data (logic-chips.json). Source: docs/handbook/memory.md, Other chips.
/// </summary>
/// <param name="Number">The number, without family and letters: <c>138</c> of <c>74LS138</c>, <c>4040</c>, <c>16V8</c>.</param>
/// <param name="What">What it does.</param>
/// <param name="Block">What kind of block it is: decoder, latch, buffer.</param>
/// <param name="Legs">The signal of each leg, leg 1 first; n is not connected, / active low.</param>
public sealed record LogicChip(string Number, string What, string Block, IReadOnlyList<string> Legs)
{
    static readonly Lazy<IReadOnlyDictionary<string, LogicChip>> Loaded = new(Load);

    /// <summary>Every chip of the table.</summary>
    public static IEnumerable<LogicChip> All => Loaded.Value.Values;

    /// <summary>The chip of a number; null: the table does not have it.</summary>
    public static LogicChip? Find(string number) => Loaded.Value.GetValueOrDefault(number);

    sealed record Row(string Number, string What, string Block, string Legs);

    sealed record Table(Row[] Rows);

    static IReadOnlyDictionary<string, LogicChip> Load()
    {
        using Stream data =
            typeof(LogicChip).Assembly.GetManifestResourceStream("logic-chips.json")
            ?? throw new InvalidOperationException("The table of other chips is missing.");
        return JsonSerializer
            .Deserialize<Table>(data, JsonSerializerOptions.Web)!
            .Rows.ToDictionary(r => r.Number, r => new LogicChip(r.Number, r.What, r.Block, r.Legs.Split(' ')));
    }
}

/// <summary>How a chip beside memory reads.</summary>
/// <param name="Number">The number as people say it: <c>74LS138</c>, <c>4040</c>, <c>16V8</c>.</param>
/// <param name="Family">The family, with its levels; empty: it has none.</param>
/// <param name="What">What it does.</param>
/// <param name="Block">What kind of block it is.</param>
/// <param name="Legs">The signal of each leg, leg 1 first.</param>
/// <param name="Why">What the reading rests on.</param>
public sealed record OtherChip(string Number, string Family, string What, string Block, IReadOnlyList<string> Legs, string Why)
{
    /// <summary>How many legs it has; 2 of a crystal.</summary>
    public int Pins => Legs.Count;
}
