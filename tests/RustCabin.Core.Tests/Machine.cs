using RustCabin.Core.Answers;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests;

/// <summary>
/// A small machine written for one test: 16-bit space, 8-bit words, one master unless the test says more. Pieces are JSON as on a
/// sheet.
/// </summary>
sealed record Machine
{
    public int AddressBits { get; init; } = 16;
    public int DataBits { get; init; } = 8;
    public string Masters { get; init; } = "\"cpu\"";
    public string Claims { get; init; } = "";
    public string PowerUp { get; init; } = "";
    public string More { get; init; } = "";
    public string Parts { get; init; } = "";
    public string Fitted { get; init; } = "";

    /// <summary>More fields of the unit, each with a comma before it.</summary>
    public string UnitMore { get; init; } = "";
    public string Job { get; init; } = "\"add\": []";
    public string Titles { get; init; } = "";

    public Pack Pack =>
        Sample.Pack(
            $$"""
            { "format": "rustcabin.pack/1",
              "models": [ { "id": "m", "name": "Test", "addressBits": {{AddressBits}}, "dataBits": {{DataBits}},
                  "masters": [{{Masters}}],
                "revisions": [ { "id": "r1", "name": "Board 1" }, { "id": "r2", "name": "Board 2" } ],
                "claims": [{{Claims}}], "powerUp": [{{PowerUp}}] {{More}} } ],
              "parts": [{{Parts}}],
              "units": [ { "id": "u", "model": "m", "name": "Unit", "revision": "r1", "fitted": [{{Fitted}}] {{UnitMore}} } ],
              "jobs": [ { "id": "j", "unit": "u", "name": "Job", {{Job}} } ], "titles": [{{Titles}}] }
            """
        );

    public PlannedUnit Planned => Plan.For(Pack, Pack.Jobs[0]);
    public Answer Answer => Evidence.Keep(Core.Answers.Answer.For(Trail.Stations, Planned));

    /// <summary>The codes of the findings, worst first.</summary>
    public string[] Codes => [.. Answer.Findings.Select(f => f.Code)];

    /// <summary>A part that goes into the site <c>slot</c> and has what is given.</summary>
    public static string Part(string id, string more, string mode = "in", string site = "slot") =>
        $$"""{ "id": "{{id}}", "name": "{{id}}", "kind": "memory", "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "{{site}}", "mode": "{{mode}}" } ] } ] {{more}} }""";

    public const string Slot = """, "sites": [ { "id": "slot", "kind": "slot" }, { "id": "slot-2", "kind": "slot" } ]""";

    public static string Add(params string[] parts) =>
        $"\"add\": [{string.Join(',', parts.Select(p => $$"""{ "part": "{{p}}", "way": "w" }"""))}]";
}
