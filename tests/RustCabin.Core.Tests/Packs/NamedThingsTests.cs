namespace RustCabin.Core.Tests.Packs;

/// <summary>Every name on a sheet leads somewhere, or is told with its path.</summary>
public class NamedThingsTests
{
    static string[] Errors(string model = "", string part = "", string claims = "") =>
        [
            .. Sample
                .Read(
                    $$"""
                    { "format": "rustcabin.pack/1",
                      "models": [ { "id": "m", "name": "M", "addressBits": 16, "dataBits": 8, "masters": ["cpu"],
                        "revisions": [ { "id": "r1", "name": "1" } ], "access": [ { "id": "shut" }, { "id": "off",
                            "from": "shut" } ],
                        "claims": [ { "id": "low", "kind": "ram", "base": "0", "size": "4K" } {{claims}} ],
                        "sites": [ { "id": "slot", "kind": "slot" } ], "rails": [ { "id": "+5", "volts": 5,
                            "amps": 1 } ] {{model}} } ],
                      "parts": [ { "id": "p", "name": "P", "kind": "memory",
                        "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "slot", "mode": "in" } ] } ] {{part}} } ] }
                    """
                )
                .Errors.Select(e => e.ToString()),
        ];

    [Fact]
    public void A_sheet_whose_names_all_lead_somewhere_reads() =>
        Assert.Empty(
            Errors(
                """, "limits": { "memory": { "cpu": "4K" } }, "paths": [ { "id": "plug", "rail": "+5", "amps": 1 } ]""",
                """, "claims": [ { "id": "own", "kind": "ram", "base": "0", "size": "4K", "overlays": ["low"], "masters": ["cpu"], "revisions": ["r1"] } ]"""
                    + """, "sets": [ { "claim": "model:low", "size": "8K" }, { "claim": "own", "off": true } ], "draws": [ { "rail": "+5", "typicalAmps": 0.1, "path": "plug" } ]"""
            )
        );

    [Theory]
    [InlineData(
        """, "sets": [ { "claim": "model:high", "size": "8K" } ]""",
        "parts[0].sets[0].claim: \"model:high\" is not a claim of the model"
    )]
    [InlineData(
        """, "sets": [ { "claim": "low", "size": "8K" } ]""",
        "parts[0].sets[0].claim: \"low\" is not a claim of this sheet"
    )]
    [InlineData(
        """, "sets": [ { "claim": "model:low", "masters": ["video"] } ]""",
        "parts[0].sets[0].masters: \"video\" is not a master of m"
    )]
    [InlineData(
        """, "claims": [ { "id": "c", "kind": "ram", "base": "0", "size": "4K", "revisions": ["r9"] } ]""",
        "parts[0].claims[0].revisions: \"r9\" is not a revision of m"
    )]
    [InlineData(
        """, "claims": [ { "id": "c", "kind": "rom", "base": "0", "size": "4K", "overlays": ["high"] } ]""",
        "parts[0].claims[0].overlays: \"high\" is not a claim of this sheet"
    )]
    [InlineData(
        """, "draws": [ { "rail": "+5", "typicalAmps": 0.1, "path": "hose" } ]""",
        "parts[0].draws[0].path: \"hose\" is not a path of this part, nor of m"
    )]
    [InlineData(
        """, "draws": [ { "rail": "+5", "typicalAmps": 0.1, "when": { "S": "on" } } ]""",
        "parts[0].draws[0].when.S: \"S\" is not a switch of this sheet"
    )]
    [InlineData(
        """, "switchTable": [ { "arrangement": [null], "positions": { "S": "on" } } ]""",
        "parts[0].switchTable[0].positions.S: \"S\" is not a switch here"
    )]
    [InlineData(
        """, "cables": [ { "what": "ribbon", "into": "hole", "widthMm": 1, "heightMm": 1 } ]""",
        "parts[0].cables[0].into: \"hole\" is not a site of m"
    )]
    public void A_name_on_a_part_that_leads_nowhere_is_told(string part, string error) =>
        Assert.Equal([error], Errors(part: part));

    [Theory]
    [InlineData(
        """, "limits": { "memory": { "video": "4K" } }""",
        "models[0].limits.memory.video: \"video\" is not a master of m"
    )]
    [InlineData(
        """, "firmware": [ { "id": "1", "basedOn": "0", "uses": { "video": "4K" } } ]""",
        "models[0].firmware[0].uses.video: \"video\" is not a master of m;"
            + "models[0].firmware[0].basedOn: \"0\" is not a firmware of this model"
    )]
    [InlineData(
        """, "paths": [ { "id": "plug", "rail": "+9", "amps": 1 } ]""",
        "models[0].paths[0].rail: \"+9\" is not a rail of this model"
    )]
    [InlineData(
        """, "clues": [ { "id": "c", "ask": "?", "access": "open", "trust": 0.9, "values": { "a": ["r1"] } } ]""",
        "models[0].clues[0].access: \"open\" is not an access level of this model"
    )]
    public void A_name_on_a_model_that_leads_nowhere_is_told(string model, string errors) =>
        Assert.Equal(errors.Split(';'), Errors(model));

    [Fact]
    public void A_model_claim_may_only_switch_off_its_own() =>
        Assert.Equal(
            ["models[0].claims[1].overlays: \"high\" is not a claim of this sheet"],
            Errors(claims: """, { "id": "os", "kind": "rom", "base": "0", "size": "1K", "overlays": ["high"] }""")
        );
}
