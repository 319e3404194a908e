#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>Anything that a part occupies: socket, slot, pad, bay. Source: docs/sheets.md, Site.</summary>
public sealed record Site
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    /// <summary>What a person calls it: its kind and its name, one of them where the name says the kind.</summary>
    public string Called =>
        IdText.Plain(Id) is var name && name.Contains(Kind, StringComparison.Ordinal) ? name : $"{Kind} {name}";

    [Required, Display(Description = "What it is: socket, slot, header, pad, bay.")]
    public string Kind { get; init; } = "";

    [Usual, Display(Description = "The outline of the chip that sits there, such as DIP-40.")]
    public string? Package { get; init; }

    [Usual, Display(Description = "Whether the chip is socketed or soldered.")]
    public string? Mount { get; init; }

    [Display(Description = "Where the orientation mark (pin 1, notch) lies, such as top-left.")]
    public string? Mark { get; init; }

    [OnSheet(Things.Connectors), Display(Description = "The connector's family, such as ata-40.")]
    public string? Connector { get; init; }

    [Display(Description = "Whether the connector has pins or holes.")]
    public Gender? Gender { get; init; }

    [OnSheet(Things.ContactNets), Display(Description = "The net of each contact, in order; n is open.")]
    public IReadOnlyList<string> Contacts { get; init; } = [];

    [Display(Description = "Which way its contacts face, for a flat cable.")]
    public Facing? ContactsFace { get; init; }

    [Display(Description = "Contacts lie bare under or beside it.")]
    public bool BareContacts { get; init; }

    [Range(0, 10_000), UnitOf("mm"), Display(Name = "height", Description = "Its free height.")]
    public decimal? HeightMm { get; init; }

    [Range(0, 10_000), UnitOf("mm"), Display(Name = "width", Description = "The room beside it.")]
    public decimal? WidthMm { get; init; }

    [Range(0, 10_000), UnitOf("mm"), Display(Name = "depth", Description = "The room behind it.")]
    public decimal? DepthMm { get; init; }

    [Id, Usual, OnSheet(Things.Access), Display(Description = "How far the case must be open to reach it.")]
    public string? Access { get; init; }

    [Range(0.1, 1000), UnitOf("V"), Display(Description = "The volts that its pins speak.")]
    public decimal? LogicVolts { get; init; }

    [Display(Description = "What its inputs take for high: TTL from 2.0 V, plain CMOS from 0.7 of its volts.")]
    public SiteInputs Inputs { get; init; }

    [Range(0, 1_000_000), UnitOf("ns"), Display(Name = "ROM budget", Description = "The time that a ROM there has to answer.")]
    public decimal? RomBudgetNs { get; init; }

    [Id, Usual, OnSheet(Things.Revisions), Display(Description = "The revisions that have it; left out: all.")]
    public IReadOnlyList<string> Revisions { get; init; } = [];

    [Display(Name = "where", Description = "Where it lies on a board; left out: it is listed and not drawn.")]
    public Spot? At { get; init; }

    [OnSheet(Things.Pinouts), Display(Description = "The signal of each pin, pin 1 first; n is not connected, / active low.")]
    public IReadOnlyList<string> Pinout { get; init; } = [];
}

/// <summary>Which way contacts face.</summary>
public enum Facing
{
    Up,
    Down,
}

/// <summary>A signal that upgrades tap.</summary>
public sealed record Signal
{
    [Required, Usual, Display(Description = "Its net.")]
    public string Net { get; init; } = "";

    [Display(Name = "where", ShortName = "place", Description = "The places where it lies.")]
    public IReadOnlyList<SignalPoint> At { get; init; } = [];

    [Id, Usual, OnSheet(Things.Revisions), Display(Description = "The revisions that have it; left out: all.")]
    public IReadOnlyList<string> Revisions { get; init; } = [];
}

/// <summary>One place where a signal lies.</summary>
public sealed record SignalPoint
{
    [Required, Display(Description = "The chip or connector.")]
    public string Chip { get; init; } = "";

    [Range(1, 10_000), Display(Description = "Its pin.")]
    public int? Pin { get; init; }

    [Display(Description = "How it is best tapped: clip, leg, pad.")]
    public string? Tap { get; init; }

    [Id, Usual, OnSheet(Things.Revisions), Display(Description = "The revisions where it lies there; left out: all.")]
    public IReadOnlyList<string> Revisions { get; init; } = [];
}

/// <summary>A hole in the case that a cable or a plug passes.</summary>
public sealed record Opening
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, Range(0, 10_000), UnitOf("mm"), Display(Name = "width", Description = "How wide it is.")]
    public decimal WidthMm { get; init; }

    [Required, Range(0, 10_000), UnitOf("mm"), Display(Name = "height", Description = "How high it is.")]
    public decimal HeightMm { get; init; }

    [Display(Description = "Which way air goes through it by itself or by the machine's fan; left out: either.")]
    public AirWay? Air { get; init; }
}

/// <summary>Which way air goes through an opening.</summary>
public enum AirWay
{
    In,
    Out,
}

/// <summary>A fan of a part. Source: docs/handbook/fit.md, Heat.</summary>
public sealed record PartFan
{
    [Required, Id, OnSheet(Things.Openings), Display(Description = "The opening that it blows through.")]
    public string Through { get; init; } = "";

    [Required, Display(Description = "Which way it blows.")]
    public AirWay Blows { get; init; }
}

/// <summary>What the inputs of a site take for high.</summary>
public enum SiteInputs
{
    Ttl,
    Cmos,
}
