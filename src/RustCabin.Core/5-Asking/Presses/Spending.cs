using RustCabin.Core.Build;
using RustCabin.Core.Declared;
using RustCabin.Core.Identify;
using RustCabin.Core.Sheets;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>What was spent on a job, and what its unit was worth.</summary>
public static class Spending
{
    /// <summary>No amount is larger.</summary>
    public const decimal Most = 1_000_000;

    /// <summary>Says what the unit was worth before anything was touched; nothing typed: nobody says.</summary>
    public static Press<Unit> Worth(string? worth)
    {
        decimal amount = 0;
        bool none = string.IsNullOrWhiteSpace(worth);
        if (!none && (!TypedNumber.TryParse(worth, out amount) || amount > Most))
            return Refuse("worth", $"Nothing was noted: \"{worth}\" is no amount.");
        return ChangeUnit(
            none ? "Nobody says what it was worth" : $"Untouched it was worth {amount:0.00}",
            unit => UnitEdits.Value(unit, none ? null : amount)
        );
    }

    /// <summary>Notes a batch line by line: boards, parts, post, and what the spares brought.</summary>
    /// <param name="at">The job.</param>
    /// <param name="batch">The batch; null: it is not whole.</param>
    public static Press<Job> Batch(AtHand at, BoardBatch? batch)
    {
        if (batch is null)
            return Refuse("boards", "Nothing was noted: the batch is not whole.");
        string boards = IdText.Counted(batch.Boards, "bare board");
        string spares = IdText.Counted(Math.Max(0, batch.Boards - batch.Kept), "spare board");
        (string What, SpentKind Kind, decimal Amount)[] amounts =
        [
            (boards, SpentKind.Bought, batch.Boards * batch.BoardPrice),
            ($"Parts for {boards}", SpentKind.Bought, batch.Parts),
            ($"Post for {boards}", SpentKind.Postage, batch.Postage),
            ($"{spares} sold on", SpentKind.Shared, -batch.Sold),
        ];
        IEnumerable<Spent> lines = amounts
            .Where(l => l.Amount != 0)
            .Select(l => new Spent
            {
                What = l.What,
                Kind = l.Kind,
                Amount = l.Amount,
                At = at.Day,
            });
        return Change($"A batch of {boards}, {batch.Each:0.00} each", j => lines.Aggregate(j, BuildEdits.Spend));
    }

    /// <summary>Notes an amount.</summary>
    /// <param name="at">The job.</param>
    /// <param name="what">What it was spent on.</param>
    /// <param name="kind">What it went into.</param>
    /// <param name="amount">The amount, as typed; below 0 it came back.</param>
    /// <param name="day">The day; empty: today.</param>
    public static Press<Job> Spend(AtHand at, string? what, string? kind, string? amount, string? day)
    {
        if (!Texts.TryNeeded<Spent>(nameof(Spent.What), what, out string on))
            return Refuse(
                "what",
                $"Nothing was noted: say in up to {Texts.Most<Spent>(nameof(Spent.What)):#,0} letters what it was spent on."
            );
        if (!TypedNumber.TryParse(amount, out decimal money, signed: true) || Math.Abs(money) > Most)
            return Refuse("amount", $"Nothing was noted: \"{amount}\" is no amount.");
        if (!Words<SpentKind>.TryParse(kind ?? "", out SpentKind into))
            return Refuse("kind", "Nothing was noted: say what it went into.");
        string date = Texts.Of(day) is { Length: > 0 } typed ? typed : at.Day;
        if (Moments.Day(date) is null)
            return Refuse("at", $"Nothing was noted: \"{day}\" is no day such as 2026-11-26.");
        var spent = new Spent
        {
            What = on,
            Kind = into,
            Amount = money,
            At = date,
        };
        return Change($"Spent {money:0.00} on {on}", j => BuildEdits.Spend(j, spent));
    }

    /// <summary>Takes an amount back, by its place.</summary>
    public static Press<Job> Unspend(AtHand at, int amount) =>
        amount >= 0 && amount < at.Build.Spent.Count
            ? Change($"Not spent after all: {at.Build.Spent[amount].What}", j => BuildEdits.Unspend(j, amount))
            : Gone;
}
