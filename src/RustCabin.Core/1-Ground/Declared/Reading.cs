namespace RustCabin.Core.Declared;

/// <summary>What a call took, read: the value, or every error in it; never both.</summary>
public sealed record Reading<T>(T? Value, IReadOnlyList<SheetError> Errors)
    where T : class
{
    /// <summary>The value where there are no errors, else the errors.</summary>
    public static Reading<T> Of(T? value, IReadOnlyList<SheetError> errors) =>
        errors.Count == 0 ? new(value, errors) : new(null, errors);
}
