using System.Net;
using System.Text.Json.Nodes;

namespace RustCabin.Web.Tests;

/// <summary>The calls of card trees and releases to the letter.</summary>
public sealed class CardCallsTests : OnACabin
{
    [Fact]
    public async Task Trees_and_releases_answer_to_the_letter()
    {
        (_, JsonNode tree) = await Cabin.Post(
            "/api/v1/cards/tree",
            """
            { "tree": { "pattern": "{nn}/{title}.{ending}", "most": 99, "names": "8.3", "formats": ["img"],
                "slots": [ { "path": "00/menu.bin", "what": "menu" } ], "sort": "name" },
              "files": [ { "path": "b.img", "bytes": 9000 }, { "path": "notes.txt", "bytes": 12 } ] }
            """
        );
        Assert.Equal(
            """{"places":[{"from":"b.img","to":"01/B.IMG"}],"misfits":[{"from":"notes.txt","why":".txt is not opened"}],"missing":["00/menu.bin"]}""",
            tree.ToJsonString()
        );
        (_, JsonNode release) = await Cabin.Post(
            "/api/v1/releases",
            """
            { "releases": [ { "file": "fw-{variant}-{version}.bin", "for": {} } ], "variant": "B", "part": null, "files": ["fw-B-1.2.bin", "fw-A-1.2.bin"] }
            """
        );
        Assert.Equal(
            """{"file":"fw-B-1.2.bin","why":"It is called as fw-{variant}-{version}.bin: variant B, version 1.2","others":[{"file":"fw-A-1.2.bin","why":"it is for variant A"}]}""",
            release.ToJsonString()
        );
    }

    [Theory]
    [InlineData("cards/tree", """{ "tree": { "pattern": "{x}", "most": 9, "names": "8.3" }, "files": [] }""", "tree.pattern")]
    [InlineData("cards/tree", """{ "tree": { "pattern": "{nn}", "most": 0, "names": "8.3" }, "files": [] }""", "tree.most")]
    [InlineData("releases", """{ "releases": [ { "file": "a-{b}" } ], "files": [] }""", "releases[0].file")]
    [InlineData("releases", """{ "releases": [ { "file": "a", "for": { "b": "c" } } ], "files": [] }""", "releases[0].for.b")]
    public async Task What_is_wrong_is_told_with_its_path(string call, string body, string path)
    {
        (HttpStatusCode status, JsonNode told) = await Cabin.Post($"/api/v1/{call}", body);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains($"\"{path}\"", told.ToJsonString());
    }
}
