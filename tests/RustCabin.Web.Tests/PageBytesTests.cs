using System.Text;
using System.Text.Encodings.Web;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Tests;

/// <summary>What is written of a page is its text in UTF-8, however it is cut into pieces.</summary>
public sealed class PageBytesTests
{
    static readonly string[] Pieces = ["", "x", "µ", "Ω 4,7 k", "\u20ac", "\U0001F527", "<b>", "a\U0001D11Eb", new('y', 300)];

    static string Text(PageBytes bytes) => Encoding.UTF8.GetString(bytes.Written.Span);

    [Fact]
    public void Pieces_and_single_characters_come_to_the_same()
    {
        var random = new Random(5);
        for (int i = 0; i < 200; i++)
        {
            string first = string.Concat(random.GetItems(Pieces, random.Next(40))),
                second = string.Concat(random.GetItems(Pieces, random.Next(40)));
            using PageBytes bytes = new();
            bytes.Write(first);
            foreach (char one in second)
                bytes.Write(one);
            bytes.Write(first.ToCharArray(), 0, first.Length);
            Assert.Equal(first + second + first, Text(bytes));
        }
    }

    [Fact]
    public void What_is_longer_than_the_room_goes_on_in_more()
    {
        using PageBytes bytes = new();
        string long1 = new('x', 70_000),
            long2 = string.Concat(Enumerable.Repeat("µ€\U0001F527", 40_000));
        bytes.Write(long1);
        bytes.Write(long2);
        Assert.Equal(long1 + long2, Text(bytes));
    }

    [Fact]
    public void A_page_goes_into_its_frame_and_into_any_other_writer()
    {
        using PageBytes inside = new(),
            frame = new();
        inside.Write("<p>4,7 kΩ</p>");
        frame.Write("<main>");
        inside.WriteTo(frame, HtmlEncoder.Default);
        frame.Write("</main>");
        Assert.Equal("<main><p>4,7 kΩ</p></main>", Text(frame));
        using var other = new StringWriter();
        inside.WriteTo(other, HtmlEncoder.Default);
        Assert.Equal("<p>4,7 kΩ</p>", other.ToString());
    }

    [Fact]
    public void What_was_given_back_is_empty()
    {
        PageBytes bytes = new();
        bytes.Write("once");
        bytes.Dispose();
        bytes.Dispose();
        Assert.Equal(0, bytes.Written.Length);
    }
}
