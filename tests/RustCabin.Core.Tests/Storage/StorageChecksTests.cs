using RustCabin.Core.Answers;
using RustCabin.Core.Build;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Storage;

namespace RustCabin.Core.Tests.Storage;

/// <summary>What Storage finds of a plan, each by a hair, and the work and record that cards bring.</summary>
public partial class StorageChecksTests
{
    const string Ata = """
        , "sites": [ { "id": "ata", "kind": "connector", "connector": "ata-40" }, { "id": "plug", "kind": "connector", "connector": "drive-4" } ],
          "region": ["50Hz"], "firmware": [ { "id": "1" }, { "id": "2", "can": ["start-from-drive"], "variant": "A" } ],
          "hosts": [ { "id": "ata", "bus": "ata", "site": "ata", "contacts": 40, "powersCable": true, "offsetBits": 32, "largestPartition": "2G",
            "startWithin": "3G", "fileSystems": ["fat16", "native"], "names": "8.3", "startNeeds": "start-from-drive", "liftedBy": "2" } ]
        """;

    static string Drive(string storage, string more = "") =>
        $$"""
            { "id": "d", "name": "Drive", "kind": "storage",
              "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "ata", "mode": "in" } ] } ],
              "storage": { "bus": "ata", {{storage}} } {{more}} }
            """;

    const string Card = "\"media\": \"cf\"";

    static Machine With(string storage, string cards = "", string more = "", string firmware = "", string parts = "") =>
        new()
        {
            More = Ata,
            Parts = Drive(storage, more) + parts,
            Job =
                $"\"add\": [ {{ \"part\": \"d\", \"way\": \"w\" }} ]{(cards.Length > 0 ? $", \"cards\": [{cards}]" : "")}"
                + (firmware.Length > 0 ? $", \"firmware\": \"{firmware}\"" : ""),
        };

    static string On(string label, params string[] partitions) =>
        $$"""{ "on": "d", "labelled": "{{label}}", "partitions": [{{string.Join(',', partitions)}}] }""";

    static string P(string size, string fs = "native", string more = "") =>
        $$"""{ "name": "P{{size}}", "size": "{{size}}", "fs": "{{fs}}" {{more}} }""";

    static string[] Storage(Machine machine) => [.. machine.Codes.Where(c => c.StartsWith("STO-") || c == "FW-VARIANT")];

    [Fact]
    public void Limits_of_the_host_hold_until_firmware_lifts_them()
    {
        string card = On("8 GB", P("2G"), P("2G"), P("1G"));
        Answer bound = With(Card, card, firmware: "1").Answer;
        Findings.Finding limit = bound.Findings.First(f => f.Code == "STO-LIMIT");
        Assert.Equal(Findings.Severity.Stop, limit.Severity);
        Assert.Contains("Firmware 2 lifts this limit", limit.Text);
        Assert.Empty(Storage(With(Card, card, firmware: "2")));
        Assert.Equal(["STO-LIMIT"], Storage(With(Card, On("8 GB", P("2G")), firmware: "1")));
    }

    [Fact]
    public void Partitions_by_a_hair()
    {
        Assert.Equal(["STO-PART"], Storage(With(Card, On("4 GB", P("2049M")), firmware: "1")));
        Assert.Empty(Storage(With(Card, On("4 GB", P("2048M")), firmware: "1")));
        Assert.Equal(["STO-PART"], Storage(With(Card, On("4 GB", P("1M"), P("1M"), P("1M"), P("1M"), P("1M")))));
    }

    [Fact]
    public void A_start_needs_its_place_and_its_firmware()
    {
        string start = ", \"start\": true";
        Assert.Equal(["STO-START"], Storage(With(Card, On("4 GB", P("64M", more: start)), firmware: "1")));
        Assert.Empty(Storage(With(Card, On("4 GB", P("64M", more: start)), firmware: "2")));
        Assert.Contains("STO-START", Storage(With(Card, On("4 GB", P("2G"), P("1200M", more: start)), firmware: "1")));
        Assert.Empty(Storage(With(Card, On("4 GB", P("2G"), P("1200M", more: start)), firmware: "2")));
    }

    static Machine WithTitle(string title, string partition, string storage = Card)
    {
        Machine machine = With(storage, On("4 GB", partition));
        return machine with { Titles = title };
    }

    [Theory]
    [InlineData("64M", true)]
    [InlineData("70M", false)]
    public void Titles_that_do_not_go_onto_their_partition_are_a_stop(string size, bool stop)
    {
        Machine machine = WithTitle(
            """{ "id": "t", "name": "T", "bytes": "65500K" }""",
            P(size, "fat16", ", \"holds\": [\"t\"]")
        );
        Assert.Equal(stop ? ["STO-ROOM"] : [], Storage(machine));
        Assert.Empty(
            Storage(WithTitle("""{ "id": "t", "name": "T", "bytes": "6K" }""", P("64M", "fat16", ", \"holds\": [\"t\"]")))
        );
    }

    [Fact]
    public void Names_and_regions_of_titles()
    {
        string title(string file, string region) =>
            $$"""{ "id": "t", "name": "T", "bytes": "10K", "file": "{{file}}", "region": "{{region}}" }""";
        string partition = P("64M", "fat16", ", \"holds\": [\"t\"]");
        Assert.Equal(["STO-NAME"], Storage(WithTitle(title("Harbour Lights.dsk", "50Hz"), partition)));
        Assert.Equal(["STO-REGION"], Storage(WithTitle(title("LIGHTS.DSK", "60Hz"), partition)));
        Assert.Empty(Storage(WithTitle(title("LIGHTS.DSK", "50Hz"), partition)));
    }

    [Theory]
    [InlineData("[\"m\"]", false)]
    [InlineData("[\"m\", \"n\"]", false)]
    [InlineData("[\"n\"]", true)]
    public void A_title_of_another_model_is_told(string models, bool told)
    {
        Machine machine = WithTitle(
            $$"""{ "id": "t", "name": "T", "bytes": "10K", "models": {{models}} }""",
            P("64M", "fat16", ", \"holds\": [\"t\"]")
        );
        Assert.Equal(told ? ["STO-TITLE"] : [], Storage(machine));
        Title title = machine.Pack.Titles[0];
        Assert.Equal(!told, Core.Wants.Titles.Run(machine.Planned, title).Runs);
        Assert.Equal(told ? 0 : 1, Core.Wants.Titles.Table([title], [machine.Planned]).Count);
        Assert.Equal(!told, Core.Wants.NeedCheck.Of(machine.Planned, [new TitleNeed("t")]).Single().Met);
    }

    [Fact]
    public void A_card_goes_into_what_takes_it()
    {
        string card = On("4 GB", P("64M"));
        Assert.Equal(["STO-CARD"], Storage(With(Card + ", \"largestCard\": \"2G\"", card)));
        Assert.Empty(Storage(With(Card + ", \"largestCard\": \"4G\"", card)));
        Assert.Equal(["STO-CARD"], Storage(With(Card, card.Instead("\"d\"", "\"nothing\""))));
        Assert.Equal(["STO-CARD"], Storage(With(Card, card.Instead("4 GB", "four"))));
    }

    [Fact]
    public void A_file_system_that_nobody_is_known_to_read_is_a_watch()
    {
        Assert.Equal(["STO-FS"], Storage(With(Card, On("4 GB", P("600M", "fat32")))));
        Assert.Empty(Storage(With(Card, On("4 GB", P("600M", "fat16")))));
        // A device that reads the card itself is asked, not the host; and the host's limits do not show.
        string own = Card + ", \"fileSystem\": \"fat32\"";
        Assert.Empty(Storage(With(own, On("64 GB", P("20G", "fat32")))));
        Assert.Equal(["STO-FS"], Storage(With(own, On("64 GB", P("600M", "fat16")))));
    }

    [Fact]
    public void Contacts_differ_until_an_adapter_stands_between()
    {
        string thin = Card + ", \"contacts\": 44, \"power\": \"cable\"";
        Assert.Equal(["STO-CONTACTS"], Storage(With(thin)));
        Assert.Empty(Storage(With(Card + ", \"contacts\": 40")));
        string adapter = $$"""
            , { "id": "a", "name": "Adapter", "kind": "adapter", "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "ata", "mode": "in" } ] } ],
                "sites": [ { "id": "out", "kind": "connector", "connector": "ata-44", "contacts": [{{string.Join(
                ',',
                Enumerable.Repeat("\"n\"", 44)
            )}}] } ] }
            """;
        Machine between = With(thin, parts: adapter) with
        {
            Parts = Drive(thin).Instead("\"site\": \"ata\"", "\"site\": \"a:out\"") + adapter,
            Job = Machine.Add("a", "d"),
        };
        Assert.Empty(Storage(between));
        Core.Cards.Attached at = Assert.Single(Core.Cards.Attached.Of(between.Planned));
        Assert.Equal(["a"], at.Through.Select(t => $"{t.Name}"));
        Assert.Equal("ata", at.Host!.Name);
    }

    [Fact]
    public void Power_comes_out_of_the_cable_or_a_free_plug()
    {
        Machine cable = With(Card + ", \"power\": \"cable\"");
        Assert.Empty(Storage(cable));
        Assert.Equal(["STO-POWER"], Storage(cable with { More = Ata.Instead("\"powersCable\": true,", "") }));
        Machine plug = With(Card + ", \"power\": \"plug\", \"plug\": \"drive-4\"");
        Assert.Empty(Storage(plug));
        string taken = $", {Machine.Part("other", "", site: "plug")}";
        Assert.Equal(["STO-POWER"], Storage(plug with { Parts = plug.Parts + taken, Job = Machine.Add("other", "d") }));
    }

    static string Device(string id, string bus, string storage) =>
        $$"""
            { "id": "{{id}}", "name": "{{id}}", "kind": "storage", "ways": [ { "id": "w", "model": "m" } ],
              "switches": [ { "id": "ID", "positions": ["0", "1", "2", "7", "first", "second"] }, { "id": "T", "positions": ["on", "off"] } ],
              "storage": { "bus": "{{bus}}", "media": "drive" {{storage}} } }
            """;

    static Machine Two(string bus, string one, string other, string host) =>
        new()
        {
            More = $$""", "hosts": [ { "id": "bus", "bus": "{{bus}}" {{host}} } ]""",
            Parts = $"{Device("a", bus, one)}, {Device("b", bus, other)}",
            Job = Machine.Add("a", "b"),
        };

    [Fact]
    public void Two_on_an_ATA_cable_are_one_first_one_second()
    {
        Machine two = Two("ata", ", \"idSwitch\": \"ID\"", ", \"idSwitch\": \"ID\"", "");
        Assert.Equal(["STO-PAIR"], Storage(two));
        string second = """
            "add": [ { "part": "a", "way": "w", "switches": { "ID": "first" } }, { "part": "b", "way": "w", "switches": { "ID": "second" } } ]
            """;
        Assert.Empty(Storage(two with { Job = second }));
        Assert.Equal(
            ["STO-PAIR"],
            Storage(two with { Job = second.Instead("second\" } }", "second\" } }, { \"part\": \"b\" }") })
        );
    }

    [Fact]
    public void Ids_and_terminators_of_a_SCSI_bus()
    {
        string host = ", \"hostId\": 7, \"ids\": 8, \"terminates\": true, \"terminatorPower\": true";
        string first = ", \"id\": 0, \"terminates\": false",
            last = ", \"idSwitch\": \"ID\", \"terminates\": { \"T\": \"on\" }";
        string set(string id, string t = "on") =>
            $$""" "add": [ { "part": "a", "way": "w" }, { "part": "b", "way": "w", "switches": { "ID": "{{id}}", "T": "{{t}}" } } ]""";
        Machine two = Two("scsi", first, last, host);
        Assert.Empty(Storage(two with { Job = set("2") }));
        Assert.Equal(["STO-ID"], Storage(two with { Job = set("0") }));
        Assert.Equal(["STO-ID"], Storage(two with { Job = set("7") }));
        Assert.Equal(["STO-TERM"], Storage(two with { Job = set("2", "off") }));
        Assert.Empty(Storage(Two("scsi", first, last.Instead("T\": \"on", "T\": \"off"), host) with { Job = set("2", "off") }));
        Assert.Equal(
            ["STO-TERM-POWER"],
            Storage(Two("scsi", first, last, host.Instead(", \"terminatorPower\": true", "")) with { Job = set("2") })
        );
        Assert.Empty(
            Storage(
                Two("scsi", first + ", \"terminatorPower\": true", last, host.Instead(", \"terminatorPower\": true", "")) with
                {
                    Job = set("2"),
                }
            )
        );
    }

    [Fact]
    public void The_device_that_is_started_from_gets_the_id_that_the_host_looks_for()
    {
        Machine two = Two("scsi", "", "", ", \"hostId\": 7, \"startId\": 4");
        string card = On("4 GB", P("1M", more: ", \"start\": true"));
        Machine starts = two with { Job = $"{Machine.Add("a", "b")}, \"cards\": [ {card.Instead("\"d\"", "\"b\"")} ]" };
        IReadOnlyList<Core.Cards.Attached> devices = Core.Cards.Attached.Of(starts.Planned);
        Core.Storage.ScsiBus bus = Core.Storage.ScsiBus.Of(
            Core.Storage.BusChecks.Asked(starts.Planned, devices[0].Host!, devices)
        );
        Assert.Equal(new Dictionary<string, int> { ["a"] = 0, ["b"] = 4 }, bus.Ids);
    }

    [Fact]
    public void Ids_differ_on_any_bus_that_has_ids_and_an_emulator_has_several()
    {
        Machine two = Two("serial", ", \"id\": 1", ", \"idSwitch\": \"ID\"", ", \"ids\": 4");
        string set(string id) =>
            $$""" "add": [ { "part": "a", "way": "w" }, { "part": "b", "way": "w", "switches": { "ID": "{{id}}" } } ]""";
        Assert.Equal(["STO-ID"], Storage(two with { Job = set("1") }));
        Assert.Empty(Storage(two with { Job = set("2") }));
        Assert.Equal(["STO-ID"], Storage(two with { Job = set("7") }));
        string images =
            set("2") + """, "cards": [ { "on": "b", "labelled": "4 GB", "ids": { "0": "one.img", "1": "two.img" } } ]""";
        Assert.Equal(["STO-ID"], Storage(two with { Job = images }));
        Assert.Empty(Storage(two with { Job = images.Instead("\"1\": \"two.img\"", "\"3\": \"two.img\"") }));
    }

    [Fact]
    public void An_interface_wants_firmware_of_its_variant()
    {
        string a = Card + ", \"variant\": \"A\"";
        Assert.Equal(["FW-VARIANT"], Storage(With(a, firmware: "1")));
        Assert.Empty(Storage(With(a, firmware: "2")));
        Assert.Equal(["FW-VARIANT"], Storage(With(a.Instead("\"A\"", "\"B\""), firmware: "2")));
        Machine burnt = With(a.Instead("\"A\"", "\"B\""), firmware: "2");
        Assert.Empty(
            Storage(
                burnt with
                {
                    More = Ata.Instead("\"sites\": [", "\"sites\": [ { \"id\": \"rom\", \"kind\": \"socket\" },"),
                    Job = burnt.Job + ", \"roms\": [ { \"site\": \"rom\", \"device\": \"27128\", \"variant\": \"B\" } ]",
                }
            )
        );
    }

    [Fact]
    public void A_clone_keeps_its_own_size_and_asks_for_this_machines_system()
    {
        Machine machine = With(Card, On("1 GB"), firmware: "2");
        Core.Sheets.Job job = machine.Pack.Jobs[0];
        var other = Edited.Read<Core.Sheets.JobCard>(
            """
            { "on": "x", "labelled": "4 GB", "partitions": [ { "name": "S", "size": "256M", "start": true, "fs": "native" },
              { "name": "W", "size": "2G", "fs": "native" } ] }
            """
        );
        Core.Sheets.Job cloned = Core.Storage.StorageEdits.Clone(job, InstanceName.Parse("d"), other, "4 GB of X")!;
        Assert.Equal("1 GB", cloned.Cards[0].Labelled);
        Assert.Equal((null, true), (cloned.Cards[0].Partitions[1].Size, cloned.Cards[0].Partitions[1].Rest));
        PlannedUnit plan = Plan.For(machine.Pack, cloned);
        Assert.DoesNotContain(
            Answer.For(Trail.Stations, plan).Findings,
            f => f.Code.StartsWith("STO-", StringComparison.Ordinal)
        );
        Step card = BuildSheet
            .For(Trail.Stations, Plan.For(machine.Pack, machine.Pack.Units[0]), plan)
            .Steps.First(s => $"{s.Id}" == "card-d");
        Assert.Contains("Then put this machine's own system onto S.", card.Details);
        Core.Sheets.Job larger = Core.Storage.StorageEdits.Put(job, InstanceName.Parse("d"), "8 GB");
        Assert.Equal(
            other.Partitions,
            Core.Storage.StorageEdits.Clone(larger, InstanceName.Parse("d"), other, "")!.Cards[0].Partitions
        );
    }

    [Fact]
    public void A_card_is_prepared_first_its_kit_copied_and_the_machine_started_from_it()
    {
        Machine machine = With(
            Card,
            On("4 GB", P("64M", more: ", \"start\": true")),
            ", \"cardKit\": { \"files\": [ { \"path\": \"a.cfg\", \"text\": \"\" } ] }",
            "2"
        );
        BuildSheet sheet = BuildSheet.For(Trail.Stations, Plan.For(machine.Pack, machine.Pack.Units[0]), machine.Planned);
        string[] steps = [.. sheet.Steps.Select(s => $"{s.Id}")];
        Assert.Equal(["untouched", "card-d", "kit-d", "firmware", "count-firmware", "fit-d", "count-d", "start-d"], steps);
        Step start = sheet.Steps[^1];
        Assert.Equal(StepKind.Gate, start.Kind);
        Assert.Contains("You must see: P64M.", start.Details);
        Assert.Equal(["card-d", "kit-d", "fit-d"], start.Needs.Select(n => $"{n}"));
        // The machine's own partitioner comes after the fitting, with figures to type.
        Machine own = machine with
        {
            More = Ata.Instead("\"bus\": \"ata\",", "\"bus\": \"ata\", \"table\": \"own\","),
        };
        BuildSheet typed = BuildSheet.For(Trail.Stations, Plan.For(own.Pack, own.Pack.Units[0]), own.Planned);
        Assert.Equal("card-d", $"{typed.Steps[5].Id}");
        Assert.Contains(typed.Steps[5].Details, d => d.Contains("P64M: from block 2048, 131072 blocks long"));
        PassportLine line = Assert.Single(
            Trail.Stations.Passport(new PassportAsked(Plan.For(own.Pack, own.Pack.Units[0]), own.Planned, _ => false))[
                Assert.Single(new StorageStation().PassportParts)
            ]
        );
        Assert.Equal("planned", line.State);
    }

    [Theory]
    [InlineData("""{ "name": "a" }""", "partitions[0].size")]
    [InlineData("""{ "name": "a", "rest": true }, { "name": "b", "rest": true }""", "partitions[1].rest")]
    [InlineData("""{ "name": "a", "size": "1M", "rest": true }""", "partitions[0].rest")]
    [InlineData("""{ "name": "a", "size": "1M", "type": "xx" }""", "partitions[0].type")]
    [InlineData("""{ "name": "a", "size": "0", "fs": "fat" }""", "partitions[0].size")]
    [InlineData("""{ "name": "a", "size": "1M", "holds": ["none"] }""", "partitions[0].holds")]
    public void What_is_wrong_with_a_card_is_told_by_its_field(string partitions, string path)
    {
        string pack = $$"""
            { "format": "rustcabin.pack/1",
              "models": [ { "id": "m", "name": "M", "addressBits": 16, "dataBits": 8, "masters": ["cpu"],
                "revisions": [ { "id": "r", "name": "R" } ] } ],
              "parts": [], "units": [ { "id": "u", "model": "m", "name": "U", "fitted": [] } ],
              "jobs": [ { "id": "j", "unit": "u", "name": "J", "add": [],
                "cards": [ { "on": "d", "labelled": "4 GB", "partitions": [{{partitions}}] } ] } ] }
            """;
        Assert.Contains(Sample.Read(pack).Errors, e => e.Path == $"jobs[0].cards[0].{path}");
    }
}
