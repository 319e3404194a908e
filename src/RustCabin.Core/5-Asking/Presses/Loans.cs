using RustCabin.Core.Sheets;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>A thing of one unit that is at another.</summary>
/// <param name="What">The thing.</param>
/// <param name="From">The unit that it was taken from.</param>
/// <param name="To">The unit that has it now.</param>
public sealed record OnLoan(string What, Unit From, Unit To);

/// <summary>
/// Things that were taken from another unit: a loan is open until the thing returns or is made final, and is seen at both units.
/// Source: docs/handbook/passport.md, Loans.
/// </summary>
public static class Loans
{
    /// <summary>Every open loan of the cabin.</summary>
    public static IReadOnlyList<OnLoan> All(Pack sheets) =>
        [
            .. from to in sheets.Units
            where to.Borrowed.Count > 0
            from loan in to.Borrowed
            let lender = sheets.FindUnit(loan.From)
            where lender is not null
            select new OnLoan(loan.What, lender, to),
        ];

    /// <summary>The loans in which a unit is on either side.</summary>
    public static IEnumerable<OnLoan> Of(Pack sheets, Unit unit) =>
        All(sheets).Where(l => l.From.Id == unit.Id || l.To.Id == unit.Id);

    /// <summary>What a unit lacks because it is lent.</summary>
    public static IEnumerable<string> Missing(Pack sheets, Unit unit) =>
        All(sheets).Where(l => l.From.Id == unit.Id).Select(l => $"{l.What} (to {l.To.Name})");

    /// <summary>Something is taken from another unit.</summary>
    /// <param name="sheets">Every sheet of the cabin.</param>
    /// <param name="to">The unit that has it then.</param>
    /// <param name="what">The thing.</param>
    /// <param name="from">The unit that it is taken from.</param>
    public static Press<Unit> Borrow(Pack sheets, Unit to, string? what, string? from)
    {
        if (!Texts.TryNeeded<BorrowedThing>(nameof(BorrowedThing.What), what, out string thing))
            return Refuse("what", "Nothing was written: say what is borrowed.");
        if (sheets.FindUnit(from ?? "") is not { } lender || lender.Id == to.Id)
            return Refuse("from", "Nothing was written: say from which other unit.");
        if (All(sheets).Any(l => l.From.Id == lender.Id && l.What == thing))
            return Refuse("what", $"Nothing was written: {thing} of {lender.Name} is lent already.");
        return ChangeUnit(
            $"Borrowed from {lender.Name}: {thing}",
            u => u with { Borrowed = [.. u.Borrowed, new BorrowedThing { What = thing, From = lender.Id }] }
        );
    }

    /// <summary>A loan ends: the thing is back, or stays for good.</summary>
    /// <param name="to">The unit that has it.</param>
    /// <param name="index">The loan, by its place.</param>
    /// <param name="stays">It stays for good.</param>
    public static Press<Unit> End(Unit to, int index, bool stays) =>
        index < 0 || index >= to.Borrowed.Count
            ? Gone
            : ChangeUnit(
                stays ? $"{to.Borrowed[index].What} stays for good" : $"{to.Borrowed[index].What} is back",
                u => u with { Borrowed = [.. u.Borrowed.Where((_, i) => i != index)] }
            );
}
