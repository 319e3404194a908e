using System.Net;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>
/// A pasted listing at Storage: where each file goes, the script, and which file of a release is for this device.
/// </summary>
public sealed class TreePageTests : OnACabin
{
    const string Job = "/jobs/boathouse-disc-cards/storage";

    static IHtmlFormElement Form(IHtmlDocument page, string handler) =>
        (IHtmlFormElement)page.QuerySelector($"form[action*='handler={handler}']")!;

    [Fact]
    public async Task A_listing_becomes_moves_misfits_and_what_is_missing()
    {
        IHtmlDocument page = await Cabin.Page(Job);
        (_, page) = await Cabin.Press(Form(page, "Tree"), ("listing", "./Far Islands.img\n./notes.txt\n./b/Regatta.img"));
        string told = Text(page, ".tree [role=status]");
        Assert.Contains("2 to move, 1 without a place, 1 missing", told);
        Assert.Contains("reels/01/Far Islands.img", told);
        Assert.Contains("notes.txt: .txt is not opened", told);
        Assert.Contains("arrows/first.words, how the list is shown", told);
        HttpResponseMessage script = await Cabin.Http.PostAsync(
            $"{Job}?handler=Tree",
            new FormUrlEncodedContent(
                Form(page, "Tree")
                    .Elements.OfType<IHtmlInputElement>()
                    .Select(i => KeyValuePair.Create(i.Name!, i.Value))
                    .Concat([KeyValuePair.Create("listing", "Far Islands.img"), KeyValuePair.Create("take", "script")])
            )
        );
        Assert.Contains("mv -- 'Far Islands.img' 'reels/01/Far Islands.img'", await script.Content.ReadAsStringAsync());
    }

    [Fact]
    public async Task A_path_that_a_listing_names_twice_is_one_file()
    {
        IHtmlDocument page = await Cabin.Page(Job);
        string[] lines = ["./b.img", "./reels/01/b.img", "./reels/01/b.img"];
        (_, IHtmlDocument shown) = await Cabin.Press(Form(page, "Tree"), ("listing", string.Join('\n', lines)));
        Assert.Contains("2 to move, 0 without a place", Text(shown, ".tree [role=status]"));
        (HttpStatusCode status, _) = await Cabin.Press(
            Form(page, "Tree"),
            ("listing", string.Join('\n', lines)),
            ("take", "script")
        );
        Assert.Equal(HttpStatusCode.OK, status);
    }

    [Fact]
    public async Task A_finished_card_is_said_to_be_right()
    {
        IHtmlDocument page = await Cabin.Page(Job);
        (_, page) = await Cabin.Press(Form(page, "Tree"), ("listing", "./reels/01/Far Islands.img\n./arrows/first.words"));
        Assert.Contains("All 2 files lie where the device looks for them", Text(page, ".tree [role=status]"));
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "Tree"), ("listing", " "));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("paste the card's listing", Text(page, "main"));
    }

    [Fact]
    public async Task The_file_of_a_release_is_named_and_stands_in_the_passport_with_its_sum()
    {
        string[] files = ["fletch-B-1.2.quill", "fletch-B-1.10.quill", "fletch-lamp-1.9.quill", "read me.txt"];
        string sum = new('a', 64);
        IHtmlDocument page = await Cabin.Page(Job);
        (_, page) = await Cabin.Press(Form(page, "Release"), ("listing", string.Join('\n', files)), ("variant", "B"));
        Assert.Contains("fletch-B-1.10.quill", Text(page, ".release .big"));
        (_, IHtmlDocument wrong) = await Cabin.Press(Form(page, "Taken"), ("sum", "12"));
        Assert.Contains("64 hexadecimal digits", Text(wrong, "main"));
        (_, page) = await Cabin.Press(Form(page, "Taken"), ("sum", sum));
        Assert.Contains("fletch-B-1.10.quill went in", Text(page, ".release"));
        string passport = Text(await Cabin.Page("/jobs/boathouse-disc-cards/passport"), "main");
        Assert.Contains("fletch-B-1.10.quill", passport);
        Assert.Contains(sum, passport);
    }
}
