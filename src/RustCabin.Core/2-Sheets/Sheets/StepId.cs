using System.Diagnostics.CodeAnalysis;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>
/// A step of a build by what is done (<see cref="Act"/>) and to what (<see cref="About"/>), written <c>fit-fathom</c>. It is
/// the same for the same change, so that a tick stays on its step when others come and go. Source: docs/handbook/build.md,
/// Steps.
/// </summary>
/// <param name="Act">What is done, one word of <see cref="Acts"/>.</param>
/// <param name="About">What it is done to; empty where the act says all.</param>
public sealed record StepId(string Act, string About) : IOwnForm<StepId>, IParsable<StepId>
{
    /// <summary>No step.</summary>
    public static readonly StepId None = new("", "");

    /// <summary>
    /// Reads a step as sheets write it. Any text is one: a step of another version of the program is kept as it stands.
    /// </summary>
    public static StepId Parse(string text) =>
        text.IndexOf('-') is > 0 and var dash ? new StepId(text[..dash], text[(dash + 1)..]) : new StepId(text, "");

    /// <inheritdoc/>
    public static StepId Parse(string s, IFormatProvider? provider) => Parse(s);

    /// <inheritdoc/>
    public static bool TryParse(
        [NotNullWhen(true)] string? s,
        IFormatProvider? provider,
        [MaybeNullWhen(false)] out StepId result
    ) => (result = s is null ? null : Parse(s)) is not null;

    /// <summary>As sheets write it.</summary>
    public override string ToString() => About.Length == 0 ? Act : $"{Act}-{About}";

    /// <summary>How an earlier version wrote this step; null: as now. What was ticked under it counts.</summary>
    public StepId? Was =>
        Act == Acts.ProveAct && About.Contains('.') ? this with { About = About.Replace('.', '-') } : Acts.WrittenPlain(this);

    /// <summary>A job that writes this means this step, whichever version wrote it.</summary>
    public bool Is(StepId written) => written == this || written == Was;

    /// <summary>The step stands on a list, as it is written now or as it was.</summary>
    public bool IsIn(IReadOnlyList<StepId> list) => list.Any(Is);

    /// <inheritdoc/>
    public static Shape Shape => Shape.Name;

    /// <inheritdoc/>
    public static StepId? Read(JsonElement element, SheetReading reading) =>
        new TextCodec(ShapeKind.Name).TryRead(element, reading, out string text) ? Parse(text) : null;

    /// <inheritdoc/>
    public static JsonNode? Write(StepId value) => JsonValue.Create(value.ToString());
}

/// <summary>
/// What is done in the steps of a build, as far as the plan itself knows of it: an instance comes, goes, is set; the case
/// opens and closes; a mend is made. What a station alone does, its own folder names.
/// </summary>
public static class Acts
{
    /// <summary>The machine is tested before anything is touched.</summary>
    public static readonly StepId Untouched = new("untouched", "");

    /// <summary>The case is closed.</summary>
    public static readonly StepId CloseUp = new("close", "");

    /// <summary>The firmware is changed as a whole.</summary>
    public static readonly StepId Firmware = new("firmware", "");

    /// <summary>The machine is powered up with the new firmware.</summary>
    public static readonly StepId CountFirmware = new("count", FirmwareWord);

    /// <summary>A level is closed on the way out, while the build goes on.</summary>
    public static StepId Close(string level) => new("close", level);

    /// <summary>The machine is switched off and unplugged after it ran for a step.</summary>
    public static StepId Off(StepId ran) => new("off", $"{ran}");

    /// <summary>What came with the unit is read without the parts that were taken out.</summary>
    public static readonly StepId CountRemoved = new("count", RemovedWord);

    /// <summary>An access level is opened.</summary>
    public static StepId Open(string level) => new("open", level);

    /// <summary>
    /// An instance as steps name it: its own name, but for one that is a word of the steps themselves, which is written
    /// <c>part:firmware</c>. No identifier has a colon, so that no two things share a step.
    /// </summary>
    static string Named(InstanceName instance) =>
        instance.Part is FirmwareWord or RemovedWord || instance.Part.StartsWith(RomWord, StringComparison.Ordinal)
            ? $"{Subject.Part(instance)}"
            : instance;

    /// <summary>
    /// How the step of an instance was written before words of the steps themselves were told apart; null: as now, or what was
    /// written is also the step of a ROM socket or of the firmware, and nobody can say which was meant.
    /// </summary>
    internal static StepId? WrittenPlain(StepId step) =>
        Subject.Parse(step.About).InPart is { } instance
        && (step.Act is "set" or "remove" || (step.Act == "fit" && !instance.StartsWith(RomWord, StringComparison.Ordinal)))
            ? step with
            {
                About = instance,
            }
            : null;

    const string FirmwareWord = "firmware",
        RemovedWord = "removed",
        RomWord = "rom-";

    /// <summary>The ROM site whose device a step fits; null: it fits something else.</summary>
    public static string? RomSite(StepId step) =>
        step.Act == "fit" && step.About.StartsWith(RomWord, StringComparison.Ordinal) ? step.About[RomWord.Length..] : null;

    /// <summary>An instance is taken out.</summary>
    public static StepId Remove(InstanceName instance) => new("remove", Named(instance));

    /// <summary>The switches and banks of an instance are set.</summary>
    public static StepId Set(InstanceName instance) => new("set", Named(instance));

    /// <summary>An instance is fitted.</summary>
    public static StepId Fit(InstanceName instance) => new("fit", Named(instance));

    /// <summary>The machine is powered up with an instance.</summary>
    public static StepId Count(InstanceName instance) => new("count", Named(instance));

    /// <summary>A step that the way of an instance lists is done, by its name.</summary>
    public static StepId WayStep(InstanceName instance, string step) => new("way", $"{Named(instance)}.{step}");

    /// <summary>A step is done to an instance or with it: it goes when the instance goes.</summary>
    public static bool IsOf(StepId step, InstanceName instance)
    {
        string named = Named(instance);
        return step.Act switch
        {
            "set" or "fit" => step.About == named,
            "way" => step.About.StartsWith($"{named}.", StringComparison.Ordinal),
            "change" or "driver" => step.About.StartsWith($"{instance}-", StringComparison.Ordinal)
                && int.TryParse(step.About[($"{instance}".Length + 1)..], out _),
            _ => false,
        };
    }

    /// <summary>Stands where an instance would, for the acts of wiring that are a job's or a unit's own.</summary>
    public static readonly InstanceName Own = new("@job", 1);

    /// <summary>A change of an instance's way is made, by its number from 1.</summary>
    public static StepId Change(InstanceName instance, int number) => new("change", $"{instance}-{number}");

    /// <summary>A driver of an instance is put on, by its number from 1.</summary>
    public static StepId Driver(InstanceName instance, int number) => new("driver", $"{instance}-{number}");

    /// <summary>A mend is made by hand.</summary>
    public static StepId Mend(HandMend mend) => new("mend", $"{mend.Finding}-{mend.Subject}");

    /// <summary>
    /// A step of inherited work is proved. Where the instance has a hyphen in its name a point parts the two, so that a step
    /// <c>b-c</c> of <c>a</c> and a step <c>c</c> of <c>a-b</c> are two; <see cref="StepId.Was"/> is how that was written before.
    /// </summary>
    public static StepId Prove(InstanceName instance, string step) =>
        new(ProveAct, instance.Part.Contains('-') ? $"{instance}.{step}" : $"{instance}-{step}");

    /// <summary>The act of proving inherited work.</summary>
    internal const string ProveAct = "prove";

    /// <summary>The device goes into a ROM site.</summary>
    public static StepId FitRom(string site) => new("fit", $"{RomWord}{site}");

    /// <summary>The machine is powered up with the new device in a ROM site.</summary>
    public static StepId CountRom(string site) => new("count", $"{RomWord}{site}");
}

/// <summary>A caution of a step that was read, written <c>fit-fathom:static</c>.</summary>
/// <param name="Step">The step.</param>
/// <param name="Caution">The caution's word.</param>
public sealed record HeededCaution(StepId Step, string Caution) : IOwnForm<HeededCaution>
{
    /// <summary>It stands on a list, with its step as it is written now or as it was.</summary>
    public bool IsIn(IReadOnlyList<HeededCaution> list) => list.Any(h => h.Caution == Caution && Step.Is(h.Step));

    /// <inheritdoc/>
    public static Shape Shape => Shape.Name;

    /// <inheritdoc/>
    public static HeededCaution? Read(JsonElement element, SheetReading reading)
    {
        if (!new TextCodec(ShapeKind.Name).TryRead(element, reading, out string text))
            return null;
        int colon = text.LastIndexOf(':');
        return colon < 0
            ? new HeededCaution(StepId.Parse(text), "")
            : new HeededCaution(StepId.Parse(text[..colon]), text[(colon + 1)..]);
    }

    /// <inheritdoc/>
    public static JsonNode? Write(HeededCaution value) =>
        JsonValue.Create(value.Caution.Length == 0 ? $"{value.Step}" : $"{value.Step}:{value.Caution}");
}
