namespace RustCabin.Core.Chips;

/// <summary>Which types a board lets its banks mix. Bank 0 is always filled first.</summary>
public enum MixRule
{
    /// <summary>Every bank may hold any type.</summary>
    Any,

    /// <summary>All filled banks hold the same.</summary>
    Alike,

    /// <summary>No bank holds more than the one before it.</summary>
    LargerFirst,

    /// <summary>Banks 0 and 1, 2 and 3 and so on are filled together and alike.</summary>
    Pairs,
}

/// <summary>The words in which sheets say which mixes a board allows.</summary>
static class MixRules
{
    /// <summary>The words, for a person.</summary>
    public const string All = "any, alike, larger-first, pairs";

    /// <summary>The rule that a word of a sheet stands for; null for another word.</summary>
    public static MixRule? Of(string word) =>
        word.Trim().ToLowerInvariant().Replace(' ', '-') switch
        {
            "any" or "free" or "bank-0-first" => MixRule.Any,
            "alike" or "all-alike" or "all-banks-alike" or "same" => MixRule.Alike,
            "larger-first" => MixRule.LargerFirst,
            "pairs" => MixRule.Pairs,
            _ => null,
        };
}
