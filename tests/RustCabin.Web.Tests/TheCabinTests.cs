using System.Net;
using AngleSharp.Html.Dom;
using Microsoft.Data.Sqlite;
using RustCabin.Data;

namespace RustCabin.Web.Tests;

/// <summary>The page <i>The cabin</i>: what is kept, a backup to take away, photos erased for good.</summary>
public sealed class TheCabinTests : OnACabin
{
    static IHtmlFormElement Form(IHtmlDocument page, string handler) =>
        (IHtmlFormElement)page.QuerySelector($"form[action$='handler={handler}']")!;

    [Fact]
    public async Task It_says_what_is_kept_and_that_the_file_is_sound()
    {
        IHtmlDocument page = await Cabin.Page("/cabin");
        string text = page.Body!.TextContent;
        Assert.Contains("none yet", text);
        Assert.Contains("sound", text);
        Assert.Contains("cabin.db", text);
        Assert.Contains("images of ROM devices", text);
        Assert.Null(page.QuerySelector("#off-photos"));
        Assert.NotNull((await Cabin.Page("/")).QuerySelector("a[href='/cabin']"));
    }

    [Fact]
    public async Task A_backup_is_taken_away_as_one_sound_file_and_then_said()
    {
        IHtmlFormElement form = Form(await Cabin.Page("/cabin"), "Backup");
        HttpResponseMessage answer = await Cabin.Http.PostAsync(
            form.GetAttribute("action"),
            new FormUrlEncodedContent(
                form.Elements.OfType<IHtmlInputElement>().Select(i => KeyValuePair.Create(i.Name!, i.Value))
            )
        );
        Assert.Equal("application/vnd.sqlite3", answer.Content.Headers.ContentType!.MediaType);
        string copy = Path.Combine(Directory.CreateTempSubdirectory("copy").FullName, "b.db");
        await File.WriteAllBytesAsync(copy, await answer.Content.ReadAsByteArrayAsync());
        using (var backup = new SqliteConnection($"Data Source={copy};Pooling=False"))
        {
            backup.Open();
            using SqliteCommand ask = backup.CreateCommand();
            ask.CommandText = "select (select count(*) from sheet) || ' ' || (select * from pragma_integrity_check)";
            Assert.Matches("^[1-9][0-9]* ok$", (string)ask.ExecuteScalar()!);
        }
        Directory.Delete(Path.GetDirectoryName(copy)!, recursive: true);
        string after = (await Cabin.Page("/cabin")).Body!.TextContent;
        Assert.Contains("0 changes", after);
        Assert.DoesNotContain("none yet", after);
    }

    [Fact]
    public async Task A_photo_that_was_not_taken_off_is_not_erased()
    {
        IHtmlFormElement form = Form(await Cabin.Page("/cabin"), "Backup");
        HttpResponseMessage answer = await Cabin.Http.PostAsync(
            "/cabin?handler=Erase",
            new FormUrlEncodedContent(
                form.Elements.OfType<IHtmlInputElement>()
                    .Select(i => KeyValuePair.Create(i.Name!, i.Value))
                    .Append(new("unit", "slip-7"))
                    .Append(new("photo", "1"))
            )
        );
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
    }

    [Fact]
    public async Task An_empty_key_file_is_set_aside_and_pages_open()
    {
        await Cabin.Page("/");
        await Cabin.Stop();
        string keys = Path.Combine(Cabin.Data, "keys");
        foreach (string key in Directory.GetFiles(keys, "*.xml"))
            await File.WriteAllTextAsync(key, "");
        await Cabin.Start();
        await Cabin.Page("/");
        Assert.NotEmpty(Directory.GetFiles(keys, "*.unreadable"));
        Assert.NotEmpty(Directory.GetFiles(keys, "*.xml"));
    }

    [Fact]
    public async Task A_second_application_on_the_folder_refuses_and_the_first_goes_on()
    {
        CabinFileException refused = await Assert.ThrowsAsync<CabinFileException>(() =>
            Task.Run(() => RustCabin.Web.Cabin.Build(["--data", Cabin.Data, "--urls", "http://127.0.0.1:0"]))
        );
        Assert.Contains("open in another", refused.Message);
        Assert.Equal(HttpStatusCode.OK, (await Cabin.Http.GetAsync("/health")).StatusCode);
    }

    [Fact]
    public async Task A_tab_that_saw_another_last_change_does_not_undo_in_the_cupboard()
    {
        IHtmlDocument old = await Cabin.Page("/cupboard");
        await Cabin.Press(Form(old, "Count"), ("by", "1"));
        IHtmlDocument seen = await Cabin.Page("/cupboard");
        await Cabin.Press(Form(seen, "Count"), ("by", "1"));
        (HttpStatusCode status, IHtmlDocument page) = await Cabin.Press(Form(seen, "Undo"));
        Assert.Equal(HttpStatusCode.Conflict, status);
        (status, _) = await Cabin.Press(Form(page, "Undo"));
        Assert.Equal(HttpStatusCode.OK, status);
    }

    [Theory]
    [InlineData("pragma query_only = 1", HttpStatusCode.ServiceUnavailable, "read-only")]
    [InlineData("pragma max_page_count = 1", HttpStatusCode.InsufficientStorage, "The disk is full")]
    public async Task A_file_that_takes_nothing_is_told_in_words(string pragma, HttpStatusCode status, string cause)
    {
        IHtmlDocument page = await Cabin.Page("/cupboard");
        try
        {
            HttpStatusCode last = HttpStatusCode.OK;
            // A full disk is met when the pages at hand are used up.
            for (int n = 0; n < 30 && last != status; n++)
            {
                // Each time: another test may have emptied the pools since.
                Every(pragma);
                (last, IHtmlDocument told) = await Cabin.Press(
                    Form(page, "Save"),
                    ("Form.Kind", "other"),
                    ("Form.Name", "A thing"),
                    ("Form.Count", "1"),
                    ("Form.Note", new string('n', 1500)),
                    (Pages.SignIn.SignInModel.PhraseField, "oak and anchor")
                );
                if (last == status)
                {
                    Assert.Contains(cause, told.Body!.TextContent);
                    // Without script the page is another one; what was typed is on it, and no token with it.
                    Assert.Contains("A thing", told.QuerySelector("dl.typed")!.TextContent);
                    Assert.DoesNotContain("Token", told.QuerySelector("dl.typed")!.TextContent);
                    Assert.DoesNotContain("oak and anchor", told.Body.TextContent);
                }
                else
                    Assert.Equal(HttpStatusCode.OK, last);
            }
            Assert.Equal(status, last);
        }
        finally
        {
            SqliteConnection.ClearAllPools();
        }
        (HttpStatusCode after, _) = await Cabin.Press(
            Form(page, "Save"),
            ("Form.Kind", "other"),
            ("Form.Name", "A thing after"),
            ("Form.Count", "1")
        );
        Assert.Equal(HttpStatusCode.OK, after);
    }

    /// <summary>Sets something on the connections that the application has at hand: they share its pool.</summary>
    void Every(string pragma)
    {
        CabinFile file = CabinFile.Open(Path.Combine(Cabin.Data, "cabin.db"));
        SqliteConnection[] some = [.. Enumerable.Range(0, 6).Select(_ => file.Connect())];
        foreach (SqliteConnection connection in some)
        {
            using SqliteCommand set = connection.CreateCommand();
            set.CommandText = pragma;
            set.ExecuteNonQuery();
        }
        foreach (SqliteConnection connection in some)
            connection.Dispose();
    }

    [Fact]
    public async Task What_does_not_read_takes_only_itself_and_the_shelf_says_so()
    {
        Spoil("update sheet set json = '{' where kind = 'part' and id = 'fathom'");
        Spoil(
            "update job_change set json = 'rust' where job = 'slip-7-picture' and seq = (select max(seq) from job_change "
                + "where job = 'slip-7-picture')"
        );
        await Cabin.Stop();
        await Cabin.Start();
        IHtmlDocument shelf = await Cabin.Page("/");
        string aside = shelf.QuerySelector("#aside")!.TextContent;
        Assert.Contains("part fathom: it is not JSON any more", aside.Replace("  ", " "));
        Assert.Contains("job slip-7-picture", aside);
        Assert.NotNull(shelf.QuerySelector("#unit-slip-7"));
        foreach (
            string page in (string[])
                ["/cupboard", "/sheets", "/tools", "/cabin", "/search?q=board", "/jobs/chalk-primer-slots/memory"]
        )
            Assert.Equal(HttpStatusCode.OK, (await Cabin.Http.GetAsync(page)).StatusCode);
        IHtmlDocument told = await Cabin.Page("/jobs/slip-7-picture/memory", HttpStatusCode.Conflict);
        Assert.Contains("does not read any more", told.QuerySelector("main .empty p")!.TextContent);
        Assert.Equal("/", told.QuerySelector("main .empty a")!.GetAttribute("href"));
        using HttpResponseMessage refused = await Cabin.Http.GetAsync("/jobs/slip-7-picture/reminders.ics");
        Assert.Equal(HttpStatusCode.Conflict, refused.StatusCode);
    }

    [Fact]
    public async Task An_image_that_was_taken_off_can_be_erased_for_good()
    {
        var file = CabinFile.Open(Path.Combine(Cabin.Data, "cabin.db"));
        var images = new RomImageRepository(file, TimeProvider.System);
        RomImageLine kept = images.Add("slip-7", "old.bin", "read", "mine", [.. Enumerable.Repeat((byte)0xA7, 4096)])!;
        images.Hide("slip-7", kept.Id, hidden: true);
        IHtmlDocument page = await Cabin.Page("/cabin");
        var form = (IHtmlFormElement)
            page.QuerySelectorAll("#off-images form").Single(f => f.QuerySelector($"[value='{kept.Id}']") is not null);
        (HttpStatusCode status, page) = await Cabin.Press(form);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.DoesNotContain("old.bin", page.Body!.TextContent);
        Assert.Null(images.Bytes("slip-7", kept.Id));
        Assert.Equal(-1, File.ReadAllBytes(file.Path).AsSpan().IndexOf([.. Enumerable.Repeat((byte)0xA7, 64)]));
    }

    [Theory]
    [InlineData("text/html")]
    [InlineData("image/svg+xml")]
    [InlineData("image/png; x")]
    public async Task A_row_that_somebody_made_up_is_sent_as_nothing_that_runs(string kind)
    {
        var file = CabinFile.Open(Path.Combine(Cabin.Data, "cabin.db"));
        using SqliteConnection connection = file.Connect();
        using SqliteCommand insert = connection.CreateCommand();
        insert.CommandText =
            "pragma ignore_check_constraints = on; insert into photo (unit, at, kind, note, bytes) values ('slip-7', "
            + "'2026-01-01T00:00:00Z', @kind, '', "
            + "cast('<script>alert(1)</script>' as blob)) returning id";
        insert.Parameters.AddWithValue("@kind", kind);
        HttpResponseMessage sent = await Cabin.Http.GetAsync($"/units/slip-7/photos/{insert.ExecuteScalar()}");
        Assert.Equal("application/octet-stream", sent.Content.Headers.ContentType!.ToString());
        Assert.Equal("nosniff", Assert.Single(sent.Headers.GetValues("X-Content-Type-Options")));
    }

    void Spoil(string sql)
    {
        using var spoilt = new SqliteConnection($"Data Source={Path.Combine(Cabin.Data, "cabin.db")};Pooling=False");
        spoilt.Open();
        using SqliteCommand command = spoilt.CreateCommand();
        // Without the triggers that would keep the search up to date with it; they come back, since a file without is not opened.
        command.CommandText = "select group_concat('drop trigger ' || name, ';') from sqlite_master where type = 'trigger'";
        string drop = (string)command.ExecuteScalar()!;
        command.CommandText = "select group_concat(sql, ';') from sqlite_master where type = 'trigger'";
        string again = (string)command.ExecuteScalar()!;
        command.CommandText = $"{drop};{sql};{again}";
        command.ExecuteNonQuery();
    }
}
