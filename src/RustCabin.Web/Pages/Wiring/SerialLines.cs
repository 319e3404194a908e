using System.Text.Json;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Declared;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;
using RustCabin.Web.Pages.Evidence;

namespace RustCabin.Web.Pages.Wiring;

/// <summary>The ends of serial lines of the unit: the speeds that both make, and a line that garbles, explained.</summary>
public sealed partial class WiringModel
{
    /// <summary>The end of the unit that is looked at, by its name.</summary>
    [BindProperty(SupportsGet = true)]
    public string? EndA { get; set; }

    /// <summary>What is joined to it, by its name.</summary>
    [BindProperty(SupportsGet = true)]
    public string? EndB { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? Sent { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? Got { get; set; }

    /// <summary>The ends on the unit as it is planned.</summary>
    public IReadOnlyList<NamedEnd> Ends => field ??= SerialEnds.Of(View.After);

    /// <summary>What may be joined to an end: the others, then a terminal.</summary>
    public IEnumerable<NamedEnd> Others => Ends.Where(e => e.Name != One.Name).Append(SerialEnds.Terminal);

    /// <summary>The end that is looked at.</summary>
    public NamedEnd One => Ends.FirstOrDefault(e => e.Name == (EndA ?? Kept?.A)) ?? Ends[0];

    /// <summary>What is joined to it.</summary>
    public NamedEnd Other => Others.FirstOrDefault(e => e.Name == (EndB ?? Kept?.B)) ?? Others.Last();

    /// <summary>The line that is looked at where none is asked for: the first that is set.</summary>
    SerialSetting? Kept => View.Job.Lines.FirstOrDefault();

    /// <summary>What both make of the usual speeds.</summary>
    public IReadOnlyList<LineSpeed> Speeds =>
        LineSpeeds
            .Of(
                new SpeedsAsked
                {
                    A = One.End,
                    B = Other.End,
                    Wants = LineSpeeds.Usual,
                }
            )
            .Speeds;

    /// <summary>How this line is set; null: not kept.</summary>
    public SerialSetting? Set => View.Job.Lines.FirstOrDefault(l => l.A == One.Name && l.B == Other.Name);

    /// <summary>What was sent over it and what came; null: nothing was typed.</summary>
    public Reading<GarbledAsked>? Garbled
    {
        get
        {
            if (string.IsNullOrEmpty(Sent) || string.IsNullOrEmpty(Got))
                return null;
            SerialSetting from = Set ?? new SerialSetting { Speed = Speeds.LastOrDefault(s => s.Works)?.Wanted ?? 9600 };
            using JsonDocument json = JsonDocument.Parse(
                new LineQuestion(Sent, $"{from.Speed}", $"{from.Bits}", Words<Parity>.Of(from.Parity), Got).Typed.ToJsonString()
            );
            return Nulls.Read<GarbledAsked>(json.RootElement);
        }
    }

    /// <summary>Keeps how the line is set.</summary>
    public IActionResult OnPostSerial(string job, long version, string a, string b, string? speed, int bits, string? parity) =>
        Press(job, version, at => SerialPresses.Set(at, a, b, speed, bits, parity));

    /// <summary>Forgets how the line is set.</summary>
    public IActionResult OnPostUnset(string job, long version, string a, string b) =>
        Press(job, version, at => SerialPresses.Unset(at, a, b));
}
