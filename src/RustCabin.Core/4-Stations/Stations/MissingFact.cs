using System.Text.Json;
using RustCabin.Core.Planning;

namespace RustCabin.Core.Stations;

/// <summary>Where a fact would stand.</summary>
public enum MissingOn
{
    /// <summary>It is noted at the station itself.</summary>
    Station,

    /// <summary>On the sheet of the model.</summary>
    Model,

    /// <summary>On the sheet of a part.</summary>
    Part,
}

/// <summary>
/// Something that a station of this job would still use, with what it would then tell; nothing else is asked. Source:
/// docs/handbook/build.md, Only what is missing.
/// </summary>
/// <param name="What">What is not known.</param>
/// <param name="Tells">What the station would tell then.</param>
/// <param name="On">Where it would stand.</param>
/// <param name="Of">The sheet, by its id; empty at the station.</param>
/// <param name="Field">The field of the sheet, as it is written there; empty at the station.</param>
public sealed record MissingFact(string What, string Tells, MissingOn On, string Of, string Field)
{
    /// <summary>A fact that is noted at the station.</summary>
    public static MissingFact Here(string what, string tells) => new(what, tells, MissingOn.Station, "", "");

    /// <summary>A fact of the model.</summary>
    /// <param name="unit">The unit.</param>
    /// <param name="property">The model's property.</param>
    /// <param name="what">What is not known.</param>
    /// <param name="tells">What would be told.</param>
    public static MissingFact OfModel(PlannedUnit unit, string property, string what, string tells) =>
        new(what, tells, MissingOn.Model, unit.Model.Id, JsonNamingPolicy.CamelCase.ConvertName(property));

    /// <summary>A fact of a part.</summary>
    /// <param name="part">The part.</param>
    /// <param name="property">The part's property.</param>
    /// <param name="what">What is not known.</param>
    /// <param name="tells">What would be told.</param>
    public static MissingFact OfPart(Instance part, string property, string what, string tells) =>
        new(what, tells, MissingOn.Part, part.Part.Id, JsonNamingPolicy.CamelCase.ConvertName(property));
}
