using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Presses;

/// <summary>A want put together by hand: memory of a master, speed, storage, or something by its name.</summary>
/// <param name="Kind"><c>memory:cpu</c>, <c>storage</c>, <c>speed</c>, or a kind of need.</param>
/// <param name="Amount">A size, or how many times as fast.</param>
/// <param name="What">The name of what it should give.</param>
/// <param name="Free">Of memory: what the firmware takes does not count.</param>
public sealed record AskForm(string? Kind, string? Amount, string? What, bool Free)
{
    /// <summary>The want; false: <paramref name="wrong"/> says what is wrong with which field.</summary>
    public bool TryRead(out Need want, out string wrong)
    {
        (string kind, string amount, string what) = (Kind ?? "", (Amount ?? "").Trim(), (What ?? "").Trim());
        want = new ProvidesNeed(what);
        wrong = "say what is wanted";
        if (kind.Length == 0)
            return false;
        bool memory = kind.StartsWith("memory:", StringComparison.Ordinal);
        if (memory || kind == "storage")
        {
            wrong = $"\"{amount}\" is not a size; type 512K or 4M";
            if (!ByteSize.TryTyped(amount, out ByteSize size) || size.Bytes == 0)
                return false;
            want = memory ? new MemoryNeed(kind["memory:".Length..], size, Free) : new StorageNeed(size);
            return true;
        }
        if (kind == "speed")
        {
            wrong = $"\"{amount}\" is not how many times as fast; type 3 or 2.5";
            if (!TypedNumber.TryParse(amount, out decimal factor) || factor is <= 0 or > 100_000)
                return false;
            want = new SpeedNeed(factor);
            return true;
        }
        wrong = "say what it should give, such as start-from-card";
        if (what.Length is 0 or > 100)
            return false;
        want = kind switch
        {
            "region" => new RegionNeed(what),
            "rail" => new RailNeed(what),
            "can" => new CanNeed(what),
            "signal" => new SignalNeed(what),
            "free" => new FreeNeed(what),
            _ => want,
        };
        return true;
    }
}

/// <summary>The limits of a job as they are typed and ticked.</summary>
public sealed record LimitsForm(string? Budget, int? Skill, bool Reversible, bool FromStock, IReadOnlyList<string>? Keep)
{
    /// <summary>Functions and ports that must not be given up.</summary>
    public IReadOnlyList<string>? KeepFunctions { get; init; }

    /// <summary>Nothing may hang out of the case.</summary>
    public bool NothingOut { get; init; }

    /// <summary>No part may emulate the processor.</summary>
    public bool NoEmulation { get; init; }

    /// <summary>The limits; false: <paramref name="wrong"/> says what is wrong with the budget.</summary>
    /// <param name="known">True for the id of a part that there is.</param>
    /// <param name="limits">The limits.</param>
    /// <param name="wrong">What is wrong.</param>
    public bool TryRead(Func<string, bool> known, out JobLimits limits, out string wrong)
    {
        string budget = (Budget ?? "").Trim();
        limits = new JobLimits
        {
            Skill = Skill is >= 1 and <= 5 ? Skill : null,
            Reversible = Reversible,
            FromStock = FromStock,
            Keep = [.. (Keep ?? []).Where(known).Distinct()],
            KeepFunctions =
            [
                .. (KeepFunctions ?? []).Select(Texts.Of).Where(k => k.Length is > 0 and <= 100).Distinct().Take(50),
            ],
            Outside = !NothingOut,
            Emulated = !NoEmulation,
        };
        wrong = $"\"{budget}\" is not an amount; type 90 or 90.50";
        if (budget.Length == 0)
            return true;
        if (!TypedNumber.TryParse(budget, out decimal most) || most > 100_000_000)
            return false;
        limits = limits with { Budget = most };
        return true;
    }
}
