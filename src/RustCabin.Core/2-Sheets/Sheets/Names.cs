using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>
/// A claim by whose it is, written <c>model:ram</c> for the machine's own and <c>part:fathom:ram</c> for one that a part
/// brings. A map that is asked for alone has neither machine nor parts, and its claims are written plain. Source:
/// docs/handbook/memory.md, Claims.
/// </summary>
/// <param name="Of">The instance that brings it; empty: the machine's own; null: no owner was said.</param>
/// <param name="Id">Its id on the sheet.</param>
public readonly record struct ClaimName(string? Of, string Id)
{
    /// <summary>The machine's own.</summary>
    public static ClaimName Model(string id) => new("", id);

    /// <summary>One that an instance brings.</summary>
    public static ClaimName Part(InstanceName instance, string id) => new(instance, id);

    /// <summary>Reads a claim as sheets and answers write it; any text is one.</summary>
    public static ClaimName Parse(string text) =>
        text.Split(':', 3) switch
        {
            ["model", var id] => Model(id),
            ["part", var instance, var id] => Part(InstanceName.Parse(instance), id),
            _ => new(null, text),
        };

    /// <summary>As a sheet names it that has claims of its own: plain for one of them, or with its owner.</summary>
    public static ClaimName On(string? sheet, string text) => Parse(text) is { Of: not null } whole ? whole : new(sheet, text);

    /// <summary>The instance that brings it; null where it is the machine's, or nobody's.</summary>
    public InstanceName? Instance => Of is { Length: > 0 } ? InstanceName.Parse(Of) : null;

    /// <summary>What findings are about: the part as a whole, or the one thing of the machine.</summary>
    public Subject Subject => Instance is { } part ? Subject.Part(part) : Subject.Parse(ToString());

    /// <summary>
    /// In words, where no plan is at hand that knows the titles: <c>shared of the machine</c>, <c>ram of fathom</c>.
    /// </summary>
    public string Plain =>
        Of switch
        {
            null => IdText.Plain(Id),
            "" => $"{IdText.Plain(Id)} of the machine",
            _ => $"{IdText.Plain(Id)} of {IdText.Plain(Of)}",
        };

    /// <inheritdoc/>
    public override string ToString() =>
        Of switch
        {
            null => Id,
            "" => $"{Subject.Model(Id)}",
            _ => $"{Subject.Part(InstanceName.Parse(Of))}:{Id}",
        };
}

/// <summary>
/// A site, a net or another thing by where it is: <c>panel</c> is the machine's own, <c>fathom:panel</c> lies on a part that is
/// fitted. Source: docs/handbook/fit.md, Ways.
/// </summary>
/// <param name="Owner">The part that it lies on; empty: the machine.</param>
/// <param name="Id">Its id there.</param>
public readonly record struct LocalName(string Owner, string Id)
{
    /// <summary>Reads a name; any text is one.</summary>
    public static LocalName Parse(string text) =>
        text.IndexOf(':') is > 0 and var colon ? new(text[..colon], text[(colon + 1)..]) : new("", text);

    /// <summary>In words, where no plan is at hand that knows the titles: <c>panel</c>, <c>panel of fathom</c>.</summary>
    public string Plain => OnPart ? $"{IdText.Plain(Id)} of {IdText.Plain(Owner)}" : IdText.Plain(Id);

    /// <summary>It lies on a part.</summary>
    public bool OnPart => Owner.Length > 0;

    /// <inheritdoc/>
    public override string ToString() => OnPart ? $"{Owner}:{Id}" : Id;
}
