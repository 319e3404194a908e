using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Presses;

/// <summary>Why a press is not carried out.</summary>
/// <param name="Field">The field that is wrong, as the form names it; empty: the press as a whole.</param>
/// <param name="Why">What is wrong, in words for the person who pressed.</param>
public sealed record Refusal(string Field, string Why)
{
    /// <summary>Where several lines were typed, what is wrong with each, by its place from 0.</summary>
    public IReadOnlyDictionary<int, string> Lines { get; init; } = new Dictionary<int, string>();

    /// <summary>The press can be made again with this said; empty: with nothing more.</summary>
    public string Offer { get; init; } = "";
}

/// <summary>
/// What a press comes to: a change of a record, a refusal, or nothing, because what was pressed is not there any more. Source:
/// docs/handbook/build.md, Presses.
/// </summary>
/// <typeparam name="T">The record that is changed: a job, or its unit.</typeparam>
public sealed record Press<T>
    where T : class
{
    /// <summary>What is done, as the log says it; empty unless something changes.</summary>
    public string What { get; init; } = "";

    /// <summary>The change; null: none. It gives null itself where the record is not what it was when it was pressed.</summary>
    public Func<T, T?>? Edit { get; init; }

    /// <summary>Why it is not carried out; null: nothing is wrong with it.</summary>
    public Refusal? Refused { get; init; }

    /// <summary>The changed record; null: it was refused, or what was pressed is not there any more.</summary>
    public T? On(T record) => Edit?.Invoke(record);

    /// <summary>A refusal is a press that was refused.</summary>
    public static implicit operator Press<T>(Refusal refused) => new() { Refused = refused };

    /// <summary>What is gone is a press that changes nothing.</summary>
    public static implicit operator Press<T>(Press.Nothing gone) => new();
}

/// <summary>The outcomes of presses, as the files beside this one write them.</summary>
public static class Press
{
    /// <summary>What was pressed is not there any more.</summary>
    public sealed record Nothing;

    /// <summary>What was pressed is not there any more.</summary>
    public static readonly Nothing Gone = new();

    /// <summary>A change of the job.</summary>
    /// <param name="what">What is done, as the log says it.</param>
    /// <param name="edit">The change.</param>
    public static Press<Job> Change(string what, Func<Job, Job?> edit) =>
        new() { What = what, Edit = job => edit(job) is { } changed ? Grounds.Kept(job, changed) : null };

    /// <summary>A change of the job's unit.</summary>
    /// <param name="what">What is done, as the log says it.</param>
    /// <param name="edit">The change.</param>
    public static Press<Unit> ChangeUnit(string what, Func<Unit, Unit?> edit) => new() { What = what, Edit = edit };

    /// <summary>A press that is not carried out.</summary>
    /// <param name="field">The field that is wrong, as the form names it; empty: the press as a whole.</param>
    /// <param name="why">What is wrong with it.</param>
    public static Refusal Refuse(string field, string why) => new(field, why);
}
