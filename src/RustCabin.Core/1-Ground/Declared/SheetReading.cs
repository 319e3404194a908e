using System.Text;

namespace RustCabin.Core.Declared;

/// <summary>
/// One reading of JSON under way: where it stands, and all that was found wrong so far. A path is spelt only when something is
/// wrong there.
/// </summary>
public sealed class SheetReading
{
    readonly List<SheetError> _errors = [];
    (string? Name, int Index)[] _steps = new (string?, int)[16];
    int _depth;
    readonly string _root;

    /// <summary>Begins a reading of a value at <paramref name="root"/> (empty: the whole).</summary>
    public SheetReading(string root = "") => _root = root;

    /// <summary>
    /// What is read is stored already. It stays readable where a rule came later than it; a finding says then what is wrong.
    /// </summary>
    public bool IsKept { get; init; }

    /// <summary>What is wrong, in the order in which it was found.</summary>
    public List<SheetError> Errors => _errors;

    /// <summary>Goes into a field.</summary>
    public void Into(string name) => Push((name, 0));

    /// <summary>Goes to a place of a list, from 0.</summary>
    public void Into(int index) => Push((null, index));

    /// <summary>Leaves the field or place that was gone into last.</summary>
    public void Out() => _depth--;

    /// <summary>So many errors are listed; reading stops at the last.</summary>
    public const int MostErrors = 200;

    /// <summary>Notes what is wrong where the reading stands.</summary>
    /// <exception cref="TooWrongException">It is the last that is listed.</exception>
    public void Wrong(string message) => Note(new SheetError(Path, message));

    void Note(SheetError error)
    {
        _errors.Add(error);
        if (_errors.Count >= MostErrors)
            throw new TooWrongException();
    }

    /// <summary>Notes what is wrong with a field (<c>types[2]</c>) of the object at which the reading stands.</summary>
    public void Wrong(string field, string message) =>
        Note(new SheetError(Path is { Length: > 0 } here ? $"{here}.{field}" : field, message));

    /// <summary>Where the reading stands, as errors tell it: <c>parts[2].claims[0].base</c>.</summary>
    public string Path
    {
        get
        {
            var path = new StringBuilder(_root);
            foreach ((string? name, int index) in _steps.AsSpan(0, _depth))
                if (name is null)
                    path.Append('[').Append(index).Append(']');
                else
                    (path.Length == 0 ? path : path.Append('.')).Append(name);
            return path.ToString();
        }
    }

    void Push((string?, int) step)
    {
        if (_depth == _steps.Length)
            Array.Resize(ref _steps, _depth * 2);
        _steps[_depth++] = step;
    }
}

/// <summary>More is wrong than is listed. Whoever began the reading catches it and gives what was found.</summary>
sealed class TooWrongException() : Exception($"{SheetReading.MostErrors} errors were found, and reading was ended");

/// <summary>What became of a field.</summary>
enum Given : byte
{
    No,
    Wrongly,
    Well,
}

/// <summary>One record just read: which of its fields were given, and where its errors go.</summary>
public readonly ref struct RecordReading
{
    readonly SheetReading _reading;
    readonly ReadOnlySpan<Given> _given;
    readonly IReadOnlyList<ShapeField> _fields;

    internal RecordReading(SheetReading reading, ReadOnlySpan<Given> given, IReadOnlyList<ShapeField> fields)
    {
        _reading = reading;
        _given = given;
        _fields = fields;
    }

    /// <summary>True if anything at all was found wrong so far.</summary>
    public bool AnyWrong => _reading.Errors.Count > 0;

    /// <summary>True if the sheet has the field, whatever stands in it.</summary>
    public bool Has(string field) => Of(field) != Given.No;

    /// <summary>True if the field was given and read well.</summary>
    public bool Read(string field) => Of(field) == Given.Well;

    Given Of(string field)
    {
        for (int i = 0; i < _fields.Count; i++)
            if (_fields[i].Name == field)
                return _given[i];
        throw new ArgumentException($"\"{field}\" is no field of this record", nameof(field));
    }

    /// <summary>Notes what is wrong with a field of the record.</summary>
    public void Wrong(string field, string message) => _reading.Wrong(field, message);

    /// <summary>Notes what is wrong with a field by a rule that came later than sheets that are stored already.</summary>
    public void WrongIfNew(string field, string message)
    {
        if (!_reading.IsKept)
            _reading.Wrong(field, message);
    }

    /// <summary>Notes what is wrong with the record as a whole.</summary>
    public void WrongHere(string message) => _reading.Wrong(message);
}
