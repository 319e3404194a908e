using System.Net;
using System.Net.Http.Headers;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json.Nodes;

namespace RustCabin.Web.Tests;

/// <summary>Images that are sent as a form arrive as they were, however they are sent; what is no form is told.</summary>
public sealed class RomFormTests(CabinServer cabin) : IClassFixture<CabinServer>
{
    /// <summary>A content whose length is not known before it ends.</summary>
    sealed class Unannounced(HttpContent form) : HttpContent
    {
        protected override Task SerializeToStreamAsync(Stream stream, TransportContext? context) => form.CopyToAsync(stream);

        protected override bool TryComputeLength(out long length)
        {
            length = 0;
            return false;
        }
    }

    async Task<HttpResponseMessage> Send(string call, HttpContent form, bool announced = true)
    {
        if (announced)
            return await cabin.Http.PostAsync($"/api/v1/rom/{call}", form);
        var open = new Unannounced(form);
        open.Headers.ContentType = form.Headers.ContentType;
        return await cabin.Http.PostAsync($"/api/v1/rom/{call}", open);
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public async Task An_image_arrives_whole_at_every_size_around_a_growth(bool announced)
    {
        var random = new Random(11);
        int[] sizes =
        [
            1,
            (1 << 16) - 1,
            1 << 16,
            (1 << 20) - 200,
            (1 << 20) - 1,
            1 << 20,
            (1 << 20) + 1,
            (4 << 20) + 3,
            5_000_001,
        ];
        foreach (int size in sizes)
        {
            byte[] image = new byte[size];
            random.NextBytes(image);
            // Line ends and dashes are what a form is divided by.
            ReadOnlySpan<byte> divider = "\r\n--\r\n--cut"u8;
            divider[..Math.Min(divider.Length, size)].CopyTo(image.AsSpan(size / 3));
            using var form = new MultipartFormDataContent { { new ByteArrayContent(image), "image", "a.bin" } };
            JsonNode seen = JsonNode.Parse(await (await Send("inspect", form, announced)).Content.ReadAsStringAsync())!;
            Assert.Equal((size, Convert.ToHexStringLower(SHA256.HashData(image))), ((int)seen["size"]!, (string)seen["sha256"]!));
        }
    }

    [Fact]
    public async Task Images_keep_their_order_between_fields_and_files_of_other_names()
    {
        using var form = new MultipartFormDataContent
        {
            { new ByteArrayContent([9, 9, 9]), "other", "x.bin" },
            { new ByteArrayContent([1, 2]), "image", "first.bin" },
            { new StringContent("""{"op":"concat"}"""), "ops" },
            { new ByteArrayContent([8]), "other", "y.bin" },
            { new ByteArrayContent([3]), "image", "second.bin" },
            { new StringContent("bin"), "formatOut" },
        };
        HttpResponseMessage answer = await Send("transform", form);
        string said = await answer.Content.ReadAsStringAsync();
        Assert.True(answer.IsSuccessStatusCode, said);
        Assert.Equal([1, 2, 3], await answer.Content.ReadAsByteArrayAsync());
    }

    [Theory]
    [InlineData("multipart/form-data", "no boundary", HttpStatusCode.BadRequest)]
    [InlineData(
        "multipart/form-data; boundary=cut",
        "--cut\r\nContent-Type: a/b\r\n\r\nx\r\n--cut--\r\n",
        HttpStatusCode.BadRequest
    )]
    [InlineData("multipart/form-data; boundary=cut", "--cut\r\n\r\nx\r\n--cut--\r\n", HttpStatusCode.BadRequest)]
    [InlineData("multipart/form-data; boundary=cut", "nothing of it", HttpStatusCode.BadRequest)]
    [InlineData("multipart/form-data; boundary=cut", "--cut--\r\n", HttpStatusCode.UnprocessableEntity)]
    [InlineData("application/x-www-form-urlencoded", "formatIn=bin&image=1", HttpStatusCode.UnprocessableEntity)]
    [InlineData("text/plain", "image", HttpStatusCode.UnsupportedMediaType)]
    public async Task What_is_no_form_with_an_image_is_told(string type, string body, HttpStatusCode status)
    {
        var content = new ByteArrayContent(Encoding.Latin1.GetBytes(body));
        content.Headers.ContentType = MediaTypeHeaderValue.Parse(type);
        HttpResponseMessage answer = await Send("inspect", content);
        Assert.Equal(status, answer.StatusCode);
        Assert.Contains("errors", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }
}
