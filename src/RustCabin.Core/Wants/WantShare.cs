using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Speed;
using RustCabin.Core.Units;

namespace RustCabin.Core.Wants;

/// <summary>How much of a want is given: <paramref name="There"/> and <paramref name="Wanted"/> in one measure, 0 to 1 where it is all or nothing; texts for a person.</summary>
public sealed record WantShare(Need Need, bool? Met, decimal There, decimal Wanted, string Words, string ThereWords, string Full)
{
    public static IReadOnlyList<WantShare> Of(PlannedUnit unit) => [.. (unit.Job?.Wants ?? []).Select(w => Of(unit, w))];

    static WantShare Of(PlannedUnit unit, Need need)
    {
        NeedAnswer? answer = NeedCheck.Of(unit, [need]).FirstOrDefault();
        bool? met = answer is null ? true : answer.Met;
        string words = NeedWords.Of(need, unit),
            full = answer?.Text ?? words;
        switch (need.Kind)
        {
            case NeedKind.Memory when unit.Model.Masters.ToList().IndexOf(need.What) is >= 0 and var master:
                ByteSize reach = need.FreeAfterLoad ? NeedCheck.Free(unit, need.What) : unit.Map.Reach[master];
                return new WantShare(need, met, reach.Bytes, need.AtLeast.Bytes, words, reach.ToString(), full);
            case NeedKind.Speed:
                decimal factor = SpeedForecast.FactorOf(unit, "processor");
                return new WantShare(need, met, factor, need.Factor, words, $"x {factor:0.##}", full);
            case NeedKind.Storage:
                ByteSize held = new(unit.Instances.Aggregate(0ul, (sum, i) => sum + (i.Part.Capacity?.Bytes ?? 0)));
                return new WantShare(need, met, held.Bytes, need.AtLeast.Bytes, words, held.ToString(), full);
            default:
                return new WantShare(
                    need,
                    met,
                    met == true ? 1 : 0,
                    1,
                    words,
                    met switch
                    {
                        true => "there",
                        false => "not there",
                        _ => "not known",
                    },
                    full
                );
        }
    }
}
