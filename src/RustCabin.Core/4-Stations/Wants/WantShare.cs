using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wants;

/// <summary>How much of a want is given.</summary>
/// <param name="Need">The want.</param>
/// <param name="Met">Null: the sheets do not say.</param>
/// <param name="There">How much is there, in one measure with <paramref name="Wanted"/>; 0 or 1 where it is all or
/// nothing.</param>
/// <param name="Wanted">How much is wanted.</param>
/// <param name="Words">What is wanted, for a person.</param>
/// <param name="ThereWords">What is there, for a person.</param>
/// <param name="Full">Both in a sentence.</param>
public sealed record WantShare(Need Need, bool? Met, decimal There, decimal Wanted, string Words, string ThereWords, string Full)
{
    /// <summary>The shares of a job's wants, in their order.</summary>
    public static IReadOnlyList<WantShare> Of(PlannedUnit unit) => [.. (unit.Job?.Wants ?? []).Select(w => Of(unit, w))];

    static WantShare Of(PlannedUnit unit, Need need)
    {
        NeedAnswer? answer = NeedCheck.Of(unit, [need]).FirstOrDefault();
        bool? met = answer is null ? true : answer.Met;
        string words = NeedCheck.Words(need, unit),
            full = answer?.Text ?? words;
        if (NeedRules.Of(need).Share(unit) is var (there, wanted, told))
            return new WantShare(need, met, there, wanted, words, told, full);
        string thereWords =
            met == true ? "there"
            : met == false ? "not there"
            : "not known";
        return new WantShare(need, met, met == true ? 1 : 0, 1, words, thereWords, full);
    }
}
