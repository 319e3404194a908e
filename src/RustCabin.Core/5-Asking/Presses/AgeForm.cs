using RustCabin.Core.Sheets;

namespace RustCabin.Core.Presses;

/// <summary>Year, the two mains voltages and what was left half done, as they are typed; empty fields are taken back.</summary>
public sealed record AgeForm(string? Year, string? SuppliedFor, string? MainsHere, string? HalfDone)
{
    /// <summary>The survey with these four; false: <paramref name="wrong"/> says what is wrong with which field.</summary>
    public bool TryRead(out Survey age, out string wrong)
    {
        age = new Survey();
        wrong = $"\"{Year}\" is not a year";
        if (!TryTyped(Year, out decimal? year) || year is { } made && made != decimal.Truncate(made))
            return false;
        wrong = $"\"{SuppliedFor}\" is not a voltage";
        if (!TryTyped(SuppliedFor, out decimal? supplied))
            return false;
        wrong = $"\"{MainsHere}\" is not a voltage";
        if (!TryTyped(MainsHere, out decimal? here))
            return false;
        age = new Survey
        {
            Year = (int?)year,
            SuppliedForVolts = supplied,
            MainsHereVolts = here,
            HalfDone = (HalfDone ?? "").Trim(),
        };
        return true;
    }

    /// <summary>A number with or without its V; nothing typed is null.</summary>
    static bool TryTyped(string? text, out decimal? value)
    {
        string typed = (text ?? "").Trim().TrimEnd('V', ' ');
        value = null;
        if (typed.Length == 0)
            return true;
        bool read = TypedNumber.TryParse(typed, out decimal number, signed: true) && Math.Abs(number) < 1_000_000;
        value = read ? number : null;
        return read;
    }
}
