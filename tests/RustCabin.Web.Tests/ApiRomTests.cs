using System.Net;
using System.Text.Json.Nodes;

namespace RustCabin.Web.Tests;

/// <content>The calls of ROM.</content>
public sealed partial class ApiTests
{
    [Fact]
    public async Task A_device_is_wired_into_the_socket_of_the_sample_sheet()
    {
        string socket = JsonNode.Parse(CabinServer.Sample("slipway.json"))!["models"]![0]!["sites"]![1]![
            "pinout"
        ]!.ToJsonString();
        (HttpStatusCode status, JsonNode answer) = await cabin.Post(
            "/api/v1/rom/wiring",
            $$"""{ "device": "27C400", "socket": {{socket}}, "ties": { "A17": "GND" } }"""
        );
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(
            """{"fits":true,"lift":[31,34],"links":[{"net":"A14","socketPin":31,"devicePin":34}],"ties":[{"pin":1,"to":"GND"},{"pin":31,"to":"VCC"}],"empty":[],"findings":[]}""",
            answer.ToJsonString()
        );
        (status, answer) = await cabin.Post(
            "/api/v1/rom/wiring",
            """{ "device": "27C999", "socket": ["A0"], "ties": { "A1": "up" } }"""
        );
        Assert.Equal(
            (HttpStatusCode.UnprocessableEntity, "device socket ties.A1"),
            (status, string.Join(' ', answer["errors"]!.AsArray().Select(e => (string)e!["path"]!)))
        );
    }

    async Task<HttpResponseMessage> Form(string call, byte[][] images, params (string Name, string Value)[] fields)
    {
        var form = new MultipartFormDataContent();
        foreach (byte[] image in images)
            form.Add(new ByteArrayContent(image), "image", "image.bin");
        foreach ((string name, string value) in fields)
            form.Add(new StringContent(value), name);
        return await cabin.Http.PostAsync($"/api/v1/rom/{call}", form);
    }

    [Fact]
    public async Task Images_are_transformed_and_inspected()
    {
        HttpResponseMessage answer = await Form(
            "transform",
            [
                [1, 2, 3, 4],
            ],
            ("ops", """[{"op":"swap16"},{"op":"double"}]"""),
            ("formatOut", "bin")
        );
        Assert.Equal([2, 1, 4, 3, 2, 1, 4, 3], await answer.Content.ReadAsByteArrayAsync());
        answer = await Form(
            "transform",
            [
                [1, 3],
                [2, 4],
            ],
            ("ops", """[{"op":"join"}]"""),
            ("formatOut", "ihex")
        );
        Assert.Equal(":0400000001020304F2\n:00000001FF\n", await answer.Content.ReadAsStringAsync());
        answer = await Form(
            "transform",
            [
                [1, 2, 3, 4],
            ],
            ("ops", """[{"op":"split","lanes":2}]""")
        );
        using var zip = new System.IO.Compression.ZipArchive(await answer.Content.ReadAsStreamAsync());
        Assert.Equal(["image-0.bin", "image-1.bin"], zip.Entries.Select(e => e.Name));
        answer = await Form("inspect", ["123456789"u8.ToArray()], ("formatIn", "bin"));
        Assert.Contains("\"size\":9,\"crc32\":\"cbf43926\"", await answer.Content.ReadAsStringAsync());
        Assert.Contains("\"byteOrder\":\"unknown\"", await answer.Content.ReadAsStringAsync());
        byte[] large = new byte[16 << 20];
        Assert.Equal(
            large.Length * 2,
            (await (await Form("transform", [large], ("ops", """[{"op":"double"}]"""))).Content.ReadAsByteArrayAsync()).Length
        );
    }

    [Theory]
    [InlineData("transform", "[{\"op\":\"swap32\"}]", "bin", "ops[0]")]
    [InlineData("transform", "[{\"op\":\"melt\"}]", "bin", "ops[0].op")]
    [InlineData("transform", "{not json", "bin", "ops")]
    [InlineData("transform", "[]", "tape", "formatIn")]
    [InlineData("transform", "[]", "ihex", "image")]
    [InlineData("inspect", "[]", "srec", "image")]
    public async Task A_form_that_does_not_validate_is_422(string call, string ops, string format, string path)
    {
        HttpResponseMessage answer = await Form(
            call,
            [
                [1, 2, 3],
            ],
            ("ops", ops),
            ("formatIn", format)
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        Assert.Equal(path, (string)JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["errors"]![0]!["path"]!);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Form(call, [], ("formatIn", "bin"))).StatusCode);
        Assert.Equal(HttpStatusCode.UnsupportedMediaType, (await cabin.Post($"/api/v1/rom/{call}", "{}")).Status);
    }
}
