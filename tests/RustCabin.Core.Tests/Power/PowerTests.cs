using RustCabin.Core.Power;

namespace RustCabin.Core.Tests.Power;

/// <summary>Worked numbers of docs/handbook/fit.md, Power, and each finding by a hair.</summary>
public sealed class PowerTests
{
    static Machine Fed(
        string part,
        string rails = """{ "id": "+5", "volts": 5, "amps": 10 }""",
        string more = "",
        string site = "",
        params string[] others
    ) =>
        new()
        {
            More =
                $$""", "sites": [ { "id": "slot", "kind": "slot" {{site}} }, { "id": "slot-2", "kind": "slot" } ], "rails": [{{rails}}] {{more}}""",
            Parts = string.Join(
                ',',
                [
                    Machine.Part("p", part),
                    .. others.Select(
                        (o, i) =>
                            $$"""{ "id": "o{{i}}", "name": "O{{i}}", "kind": "power", "ways": [ { "id": "w", "model": "m" } ] {{o}} }"""
                    ),
                ]
            ),
            Job = Machine.Add(["p", .. others.Select((_, i) => $"o{i}")]),
        };

    static string? Of(Machine machine, string code) =>
        machine.Answer.Findings.FirstOrDefault(f => f.Code == code)?.Severity.ToString().ToLowerInvariant();

    [Fact]
    public void Thirty_centimetres_of_24_awg_there_and_back_at_1_2_amps_lose_61_millivolts()
    {
        Assert.Equal(0.0842, Wire.OhmsPerMetre(24), 4);
        Assert.Equal(0.061, Wire.DropVolts(0.30, 24, 1.2), 3);
        Assert.Throws<ArgumentOutOfRangeException>(() => Wire.OhmsPerMetre(41));
    }

    [Fact]
    public void Twelve_watts_at_nine_degrees_want_2_35_cfm() => Assert.Equal(2.35m, Math.Round(CaseHeat.Airflow(12, 9), 2));

    [Theory]
    [InlineData("1.35", null)]
    [InlineData("1.36", "watch")]
    [InlineData("1.5", "watch")]
    [InlineData("1.51", "stop")]
    public void POWER_PATH_by_its_own_limit(string amps, string? severity) =>
        Assert.Equal(
            severity,
            Of(
                Fed(
                    $$""", "draws": [ { "rail": "+5", "peakAmps": {{amps}}, "path": "drive-plug" } ]""",
                    more: """, "paths": [ { "id": "drive-plug", "rail": "+5", "amps": 1.5, "ohms": 0.03 } ]"""
                ),
                "POWER-PATH"
            )
        );

    [Theory]
    [InlineData("0.225", null)]
    [InlineData("0.23", "watch")]
    [InlineData("0.26", "stop")]
    public void POWER_DROP_by_the_rails_tolerance(string ohms, string? severity) =>
        Assert.Equal(
            severity,
            Of(
                Fed(
                    """, "draws": [ { "rail": "+5", "peakAmps": 1, "path": "splitter" } ]""",
                    more: $$""", "paths": [ { "id": "splitter", "rail": "+5", "amps": 9, "ohms": {{ohms}} } ]"""
                ),
                "POWER-DROP"
            )
        );

    [Fact]
    public void POWER_PATH_of_a_splitter_that_is_a_part() =>
        Assert.Equal(
            "stop",
            Of(
                Fed(
                    """, "draws": [ { "rail": "+5", "peakAmps": 1, "path": "o0:tail" } ]""",
                    others: """, "paths": [ { "id": "tail", "rail": "+5", "amps": 0.9 } ]"""
                ),
                "POWER-PATH"
            )
        );

    [Theory]
    [InlineData(5, 3.3, "", "stop")]
    [InlineData(5, 3.3, ", \"toleratesVolts\": 5", null)]
    [InlineData(3.3, 3.3, "", null)]
    [InlineData(3.3, 5, "", "stop")]
    public void LEVEL_of_pins_that_meet(decimal site, decimal part, string tolerant, string? severity) =>
        Assert.Equal(severity, Of(Fed($", \"logicVolts\": {part} {tolerant}", site: $", \"logicVolts\": {site}"), "LEVEL"));

    [Theory]
    [InlineData("4.5", "5.5", null)]
    [InlineData("5", "5", null)]
    [InlineData("5.01", "9", "stop")]
    [InlineData("3", "4.99", "stop")]
    public void FEED_RANGE_of_the_feed_pin(string least, string most, string? severity) =>
        Assert.Equal(
            severity,
            Of(Fed($$""", "feed": { "rail": "+5", "minVolts": {{least}}, "maxVolts": {{most}} }"""), "FEED-RANGE")
        );

    [Theory]
    [InlineData(
        12,
        1.5,
        """, "profiles": [ { "volts": 5, "amps": 3 }, { "volts": 9, "amps": 3 }, { "volts": 15, "amps": 3 } ]""",
        "stop"
    )]
    [InlineData(12, 1.5, """, "profiles": [ { "volts": 12, "amps": 1.5 } ]""", null)]
    [InlineData(12, 1.51, """, "profiles": [ { "volts": 12, "amps": 1.5 } ]""", "stop")]
    [InlineData(20, 3.0, """, "profiles": [ { "volts": 20, "amps": 5 } ]""", null)]
    [InlineData(20, 3.1, """, "profiles": [ { "volts": 20, "amps": 5 } ]""", "stop")]
    [InlineData(20, 3.1, """, "profiles": [ { "volts": 20, "amps": 5 } ], "markedCable": true""", null)]
    [InlineData(12, 1, "", "watch")]
    public void USB_PROFILE_exactly_and_never_upward(decimal volts, decimal amps, string supply, string? severity) =>
        Assert.Equal(
            severity,
            Of(Fed($$""", "trigger": { "volts": {{volts}}, "amps": {{amps}} }""", others: supply), "USB-PROFILE")
        );

    [Theory]
    [InlineData("1.8", null)]
    [InlineData("1.81", "watch")]
    [InlineData("2.01", "stop")]
    public void HEAT_REGULATOR_by_volts_lost_times_amps(string amps, string? severity) =>
        Assert.Equal(
            severity,
            Of(
                Fed(
                    $$""", "draws": [ { "rail": "+5", "peakAmps": {{amps}} } ]""",
                    """{ "id": "+5", "volts": 5, "amps": 10, "regulator": { "fromVolts": 9, "maxWatts": 8 } }"""
                ),
                "HEAT-REGULATOR"
            )
        );

    [Theory]
    [InlineData("\"degreesPerWatt\": 2", "4", null)]
    [InlineData("\"degreesPerWatt\": 2", "4.1", "watch")]
    [InlineData("\"degreesPerWatt\": 2", "5.1", "stop")]
    [InlineData("\"cfm\": 2.35", "12.1", "stop")]
    public void HEAT_CASE_with_and_without_a_fan(string cooling, string watts, string? severity)
    {
        // 5 W of its own without a fan: 18 of 20 degrees at 9 W. With one: 12 W and 9 degrees.
        string own = cooling.Contains("cfm") ? "\"maxRise\": 9" : "\"maxRise\": 20, \"ownWatts\": 5";
        Assert.Equal(
            severity,
            Of(Fed($", \"heatW\": {watts}", more: $$""", "cooling": { {{cooling}}, {{own}} }"""), "HEAT-CASE")
        );
    }

    [Fact]
    public void POWER_NO_RAIL_asks_only_for_what_the_switches_draw()
    {
        const string Part =
            """, "switches": [ { "id": "S", "positions": ["off", "on"] } ], "draws": [ { "rail": "+12", "peakAmps": 1, "when": { "S": "on" } } ]""";
        Assert.Null(Of(Fed(Part), "POWER-NO-RAIL"));
        Assert.Equal(
            "stop",
            Of(Fed(Part) with { Job = """ "add": [ { "part": "p", "way": "w", "switches": { "S": "on" } } ]""" }, "POWER-NO-RAIL")
        );
    }

    const string Supply = """, "supplies": [ { "rail": "+5", "amps": 2 MORE } ]""";

    static string Adds(string more) => Supply.Instead("MORE", more);

    [Fact]
    public void POWER_PARALLEL()
    {
        Assert.Equal("stop", Of(Fed("", others: Adds("")), "POWER-PARALLEL"));
        Assert.Null(Of(Fed("", others: Adds(", \"replaces\": true")), "POWER-PARALLEL"));
        Assert.Null(Of(Fed("", others: Adds(", \"isolated\": true")), "POWER-PARALLEL"));
        Assert.Equal("stop", Of(Fed("", others: [Adds(", \"replaces\": true"), Adds(", \"replaces\": true")]), "POWER-PARALLEL"));
        Assert.Equal("stop", Of(Fed("", others: [Adds(", \"replaces\": true"), Adds("")]), "POWER-PARALLEL"));
    }

    [Fact]
    public void A_supply_in_the_place_of_another_has_its_own_age_and_an_isolated_one_feeds_its_own_part()
    {
        const string Draw = """, "draws": [ { "rail": "+5", "typicalAmps": 1.9 } ]""";
        RailLoad Rail(Machine machine, string rail) => RailLoad.Of(machine.Planned).Single(r => r.Rail == rail);
        Assert.Equal(1.6m, Rail(Fed(Draw, others: Adds(", \"replaces\": true")), "+5").CapacityAmps);
        Assert.Equal(2.0m, Rail(Fed(Draw, others: Adds(", \"replaces\": true, \"derate\": 1")), "+5").CapacityAmps);
        Machine own = Fed(Draw + Adds(", \"isolated\": true, \"derate\": 1"));
        Assert.Equal([0m, 1.9m], [Rail(own, "+5").PeakAmps, Rail(own, "p:+5").PeakAmps]);
    }

    [Theory]
    [InlineData("3.3", "ttl", null)]
    [InlineData("3.3", "cmos", "stop")]
    [InlineData("3.5", "cmos", null)]
    [InlineData("1.9", "ttl", "stop")]
    [InlineData("2.0", "ttl", null)]
    public void What_a_part_drives_must_be_high_enough_for_the_inputs_there(string speaks, string inputs, string? severity) =>
        Assert.Equal(
            severity,
            Of(
                Fed(
                    $$""", "logicVolts": {{speaks}}, "toleratesVolts": 5""",
                    site: $$""", "logicVolts": 5, "inputs": "{{inputs}}" """
                ),
                "LEVEL"
            )
        );

    [Theory]
    [InlineData("in", "in", null)]
    [InlineData("out", "in", "watch")]
    [InlineData("in", "out", "watch")]
    [InlineData(null, "out", null)]
    public void A_fan_blows_with_the_air_of_its_opening_or_is_told(string? air, string blows, string? told)
    {
        string opening = air is null ? "" : $$""", "air": "{{air}}" """;
        Machine machine = Fed(
            $$""", "fans": [ { "through": "grille", "blows": "{{blows}}" } ]""",
            more: $$""", "openings": [ { "id": "grille", "widthMm": 60, "heightMm": 60 {{opening}} } ]"""
        );
        Assert.Equal(
            told,
            Evidence
                .Keep(machine.Answer)
                .Findings.FirstOrDefault(f => f.Code == "FAN-AGAINST")
                ?.Severity.ToString()
                .ToLowerInvariant()
        );
    }
}
