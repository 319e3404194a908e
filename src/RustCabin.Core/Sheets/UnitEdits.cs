using System.Text.Json.Nodes;

namespace RustCabin.Core.Sheets;

/// <summary>The smallest changes to a unit, made on its JSON; each gives a new object and leaves the old one alone.</summary>
public static class UnitEdits
{
    /// <summary>What is written for a clue that was looked at in vain. Neither says anything for any revision, and neither is asked for again.</summary>
    public const string CannotRead = "cannot read",
        NotThere = "not there";

    /// <summary>Notes what a clue showed; null forgets it.</summary>
    public static JsonObject See(JsonObject unit, string clue, string? value)
    {
        JsonObject edited = unit.DeepClone().AsObject();
        if (edited["seen"] is not JsonObject seen)
            edited["seen"] = seen = [];
        if (value is null)
            seen.Remove(clue);
        else
            seen[clue] = value;
        return edited;
    }

    /// <summary>Vouches for a revision; null leaves it to the clues.</summary>
    public static JsonObject Confirm(JsonObject unit, string? revision)
    {
        JsonObject edited = unit.DeepClone().AsObject();
        if (revision is null)
            edited.Remove("revision");
        else
            edited["revision"] = revision;
        return edited;
    }
}
