#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>Two devices that a job joins by cables. Source: docs/handbook/wiring.md, Cables.</summary>
public sealed record CableRun
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, Display(Description = "What it joins, such as console to Exchange.")]
    public string What { get; init; } = "";

    [Required, Display(Description = "The one device's own connector.")]
    public DeviceEnd From { get; init; } = new();

    [Required, Display(Description = "The other device's own connector.")]
    public DeviceEnd To { get; init; } = new();
}

/// <summary>An end of a cable.</summary>
public sealed record CableEnd
{
    /// <summary>The connector's family.</summary>
    [Required, Display(Description = "The connector's family, such as DB-25.")]
    public string Family { get; init; } = "";

    /// <summary>Pins or holes.</summary>
    [Required, Display(Description = "Whether it has pins or holes.")]
    public Gender Gender { get; init; }

    /// <summary>As it is typed: <c>DB-25 f</c>.</summary>
    public string Text => $"{Family} {Words<Gender>.Of(Gender)}";

    /// <summary>Reads an end as it is typed; false: it does not read as one.</summary>
    public static bool TryParse(string text, out CableEnd end)
    {
        end = new CableEnd();
        if (
            text.Split(' ', StringSplitOptions.RemoveEmptyEntries) is not [var family, var gender]
            || !Words<Gender>.TryParse(gender.ToLowerInvariant(), out Gender of)
        )
            return false;
        end = new CableEnd { Family = family, Gender = of };
        return true;
    }
}

/// <summary>The connector of a device.</summary>
public sealed record DeviceEnd : ICompleted<DeviceEnd>
{
    static readonly string[] Roles = ["DTE", "DCE"];

    /// <summary>The connector's family.</summary>
    [Required, Display(Description = "The connector's family, such as DB-25.")]
    public string Family { get; init; } = "";

    /// <summary>Pins or holes.</summary>
    [Required, Display(Description = "Whether it has pins or holes.")]
    public Gender Gender { get; init; }

    /// <summary>Its role.</summary>
    [Required, Display(Description = "Its role on the line: DTE, a terminal or a computer; DCE, a modem or what plays one.")]
    public string Role { get; init; } = "";

    /// <summary>Its level.</summary>
    [Required, Display(Description = "Its level, such as rs232 or ttl.")]
    public string Level { get; init; } = "";

    /// <summary>As it is typed: <c>DB-25 m DTE rs232</c>.</summary>
    public string Text => $"{Family} {Words<Gender>.Of(Gender)} {Role} {Level}";

    /// <summary>Reads a device's connector as it is typed; false: it does not read as one.</summary>
    public static bool TryParse(string text, out DeviceEnd device)
    {
        device = new DeviceEnd();
        if (
            text.Split(' ', StringSplitOptions.RemoveEmptyEntries) is not [var family, var gender, var role, var level]
            || !CableEnd.TryParse($"{family} {gender}", out CableEnd end)
            || !Roles.Contains(role.ToUpperInvariant())
        )
            return false;
        device = new DeviceEnd
        {
            Family = family,
            Gender = end.Gender,
            Role = role.ToUpperInvariant(),
            Level = level,
        };
        return true;
    }

    /// <inheritdoc/>
    public DeviceEnd Completed(RecordReading read)
    {
        if (read.Read("role") && !Roles.Contains(Role))
            read.Wrong("role", $"\"{Role}\" is not one of {string.Join(", ", Roles)}");
        return this;
    }
}
