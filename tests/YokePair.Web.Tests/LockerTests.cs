using System.Net;
using System.Text;
using System.Text.Json;

namespace YokePair.Web.Tests;

/// <summary>The locker over HTTP, on a real SQLite file of its own for each test.</summary>
public sealed class LockerTests : IDisposable
{
    private const string Kit = "body A K2 24MP iso6400 SD+SD LB7 #1\n24-70/2.8 K2 #1 820g\n70-200/2.8 K2 1400g\n4x battery LB7 14.7Wh #1\n4x card SD 128 #11";
    private readonly App app = new();
    private readonly HttpClient client;

    public LockerTests() => client = app.CreateClient();

    public void Dispose() => app.Dispose();

    [Fact]
    public async Task Lines_are_added_undone_and_made_again()
    {
        await Ok(client.Post("/api/locker/things", new { text = Kit }));
        Assert.Equal(11, await Count());
        await Ok(client.Post("/api/locker/undo", new { }));
        Assert.Equal(0, await Count());
        await Ok(client.Post("/api/locker/redo", new { }));
        Assert.Equal(11, await Count());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await client.Post("/api/locker/redo", new { })).StatusCode);
    }

    [Fact]
    public async Task An_incomplete_line_adds_nothing_and_says_what_is_missing()
    {
        var response = await client.Post("/api/locker/things", new { text = Kit + "\n35/1.4" });
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        var error = (await response.Json()).GetProperty("errors")[0];
        Assert.Equal(("mount", 6), (error.GetProperty("field").GetString(), error.GetProperty("line").GetInt32()));
        Assert.Equal(0, await Count());
    }

    [Fact]
    public async Task Two_tabs_never_overwrite_each_other()
    {
        await Ok(client.Post("/api/locker/things", new { text = Kit }));
        var seen = await Seen("lens-24-70-f-2-8-no-1");
        await Ok(Set(seen, "weightG", "805"));
        var late = await Set(seen, "weightG", "900");
        Assert.Equal(HttpStatusCode.Conflict, late.StatusCode);
        Assert.Contains("24–70 f/2.8 no. 1", (await late.Json()).GetProperty("detail").GetString()!, StringComparison.Ordinal);
        Assert.Equal("805", await Figure("lens-24-70-f-2-8-no-1", "weightG"));
        // Another thing is another matter.
        await Ok(Set(await Seen("battery-lb7-no-2"), "health", "0.7"));
    }

    [Fact]
    public async Task Nonsense_is_refused_by_name_and_nothing_changes()
    {
        await Ok(client.Post("/api/locker/things", new { text = Kit }));
        var response = await Set(await Seen("battery-lb7-no-2"), "health", "heavy");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        Assert.Equal("health", (await response.Json()).GetProperty("errors")[0].GetProperty("field").GetString());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await client.Post("/api/locker/copies", new { id = "battery-lb7-no-2", copies = 0 })).StatusCode);
    }

    [Fact]
    public async Task Copies_are_numbered_on()
    {
        await Ok(client.Post("/api/locker/things", new { text = Kit }));
        await Ok(client.Post("/api/locker/copies", new { id = "battery-lb7-no-1", copies = 2 }));
        var names = (await client.Json("/api/locker")).GetProperty("report").GetProperty("things").EnumerateArray()
            .Select(t => t.GetProperty("name").GetString()).ToList();
        Assert.Contains("LB7 no. 5", names);
        Assert.Contains("LB7 no. 6", names);
    }

    [Fact]
    public async Task A_planned_thing_is_not_deleted_unasked_and_one_that_is_away_is_a_gap_on_the_board()
    {
        await client.Import(App.Demo("steamer-wedding"));
        await Ok(client.Post("/api/locker/demo", new { }));
        var seen = await Seen("z70");
        var refused = await client.Post("/api/locker/removals", new { things = new[] { seen }, planned = "ask" });
        Assert.Equal(HttpStatusCode.Conflict, refused.StatusCode);
        Assert.Contains("Steamer and boathouse", (await refused.Json()).GetProperty("detail").GetString()!, StringComparison.Ordinal);

        await Ok(client.Post("/api/locker/figures", new
        {
            things = new[] { seen },
            set = new { status = "inRepair", from = "2027-06-01", to = "2027-06-20" }
        }));
        var board = await client.Json("/api/assignments/steamer-wedding/board");
        Assert.Contains(board.GetProperty("report").GetProperty("gaps").EnumerateArray(), g => g.GetProperty("why")
            .GetString() == "the 70–200 f/2.8 is in repair until Jun 20, 2027");
        await Ok(client.Post("/api/locker/undo", new { }));
        Assert.Equal(0, (await client.Json("/api/assignments/steamer-wedding/board")).GetProperty("report").GetProperty("away").GetArrayLength());
    }

    [Fact]
    public async Task What_the_owner_says_of_a_pair_counts_on_the_board()
    {
        await client.Import(App.Demo("steamer-wedding"));
        await Ok(client.Post("/api/locker/demo", new { }));
        await Ok(client.Post("/api/locker/pair", new { a = "ad1", b = "m100", fit = "no", note = "it jams" }));
        Assert.Equal("you say: it jams", (await client.Json("/api/locker/pair?a=m100&b=ad1")).GetProperty("reason").GetString());
        var board = await client.Json("/api/assignments/steamer-wedding/board");
        var ring = board.GetProperty("report").GetProperty("needs").EnumerateArray().First(n => n.GetProperty("need").GetString() == "ring");
        Assert.NotEqual("holds", ring.GetProperty("baseline").GetString());
    }

    [Fact]
    public async Task A_box_is_kept_taken_along_with_what_belongs_in_it_and_lent_as_one()
    {
        await client.Import(App.Demo("steamer-wedding"));
        await Ok(client.Post("/api/locker/demo", new { }));
        var box = new { id = "case-flash-box", name = "Flash box", contents = new[] { "l300", "f3", "not mine" } };
        await Ok(client.Post("/api/locker/boxes", box));
        var kept = (await client.Json("/api/assignments/steamer-wedding/bags")).GetProperty("atHome").EnumerateArray().Single();
        Assert.Equal(("Flash box", 2), (kept.GetProperty("name").GetString(), kept.GetProperty("things").GetInt32()));
        var packed = await client.Post("/api/assignments/steamer-wedding/edits",
            new { baseRevision = 1, edits = new[] { new { type = "pack", thing = "case-flash-box", place = "car" } } });
        // One of the two is along already, and stays where it is.
        var items = (await packed.Json()).GetProperty("plan").GetProperty("items").EnumerateArray()
            .ToDictionary(i => i.GetProperty("id").GetString()!, i => i.GetProperty("place").GetString());
        Assert.Equal(("car", "@case-flash-box", "roller"), (items["case-flash-box"], items["l300"], items["f3"]));
        // Lent, it has along what belongs in it, in the locker and on the day.
        var lent = new { status = "lent", from = "2027-06-01", to = "2027-06-20" };
        await Ok(client.Post("/api/locker/figures", new { things = new[] { await Seen("case-flash-box") }, set = lent }));
        var away = (await client.Json("/api/assignments/steamer-wedding/board")).GetProperty("report").GetProperty("away").EnumerateArray()
            .Select(a => a.GetProperty("item").GetString());
        Assert.Equal(["aa3", "case-flash-box", "f3", "l300"], away.Order());
        await Ok(client.Post("/api/locker/undo", new { }));
        Assert.Equal(0, (await client.Json("/api/assignments/steamer-wedding/board")).GetProperty("report").GetProperty("away").GetArrayLength());
        // Nothing of one's own in it, or another thing of that id: refused by its field.
        foreach (var (id, thing, field) in new[] { ("b1", "f3", "id"), ("case-x", "none", "contents") })
        {
            var refused = await client.Post("/api/locker/boxes", new { id, name = "Box", contents = new[] { thing } });
            Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
            Assert.Equal(field, (await refused.Json()).GetProperty("errors")[0].GetProperty("field").GetString());
        }
    }

    [Fact]
    public async Task A_thing_is_taken_along_from_the_locker_and_left_at_home_again()
    {
        var key = (await (await client.Import(App.Demo("steamer-wedding"))).Json()).GetProperty("key").GetString();
        await Ok(client.Post("/api/locker/demo", new { }));
        async Task<HttpResponseMessage> Edit(int revision, object edit) =>
            await client.Post($"/api/assignments/{key}/edits", new { baseRevision = revision, edits = new[] { edit } });
        var packed = await Edit(1, new { type = "pack", thing = "l300", place = "roller" });
        Assert.Equal(HttpStatusCode.OK, packed.StatusCode);
        Assert.Contains((await packed.Json()).GetProperty("plan").GetProperty("items").EnumerateArray(), i => i.GetProperty("id").GetString() == "l300");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Edit(2, new { type = "pack", thing = "l300", place = "roller" })).StatusCode);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Edit(2, new { type = "unpack", item = "b1" })).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await client.Post($"/api/assignments/{key}/undo", new { baseRevision = 2 })).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await client.Post($"/api/assignments/{key}/redo", new { baseRevision = 3 })).StatusCode);
        var home = await Edit(4, new { type = "unpack", item = "l300" });
        Assert.DoesNotContain((await home.Json()).GetProperty("plan").GetProperty("items").EnumerateArray(), i => i.GetProperty("id").GetString() == "l300");
    }

    [Theory]
    [InlineData("csv")]
    [InlineData("json")]
    public async Task An_export_gives_the_same_back(string form)
    {
        await Ok(client.Post("/api/locker/demo", new { }));
        var file = await client.GetByteArrayAsync(new Uri($"/api/locker/export.{form}", UriKind.Relative));
        var here = await Import(file, keep: false);
        Assert.Equal((129, 0), (here.GetProperty("same").GetInt32(), here.GetProperty("rows").GetArrayLength() - here.GetProperty("same").GetInt32()));

        using var elsewhere = new App();
        var other = elsewhere.CreateClient();
        var taken = await (await Send(other, file, keep: true)).Json();
        Assert.Equal(129, taken.GetProperty("added").GetInt32());
        var before = await client.Json("/api/locker?day=2027-06-12");
        var after = await other.Json("/api/locker?day=2027-06-12");
        Assert.Equal(before.GetProperty("report").GetProperty("things").GetRawText(), after.GetProperty("report").GetProperty("things").GetRawText());
    }

    public static TheoryData<string, string> Tables => new()
    {
        { "semicolon, decimal comma", "kind;name;mount;focal;aperture;weightG\nlens;Zoom;K2;24-70;2,8;820,5\n" },
        { "comma", "Kind,Name,Mount,Focal,Aperture,Weight\nlens,Zoom,K2,24-70,2.8,820.5\n" },
        { "tab, other order, spaces", "weight g\tkind\tmount\taperture\tfocal\tname\n820.5 g\tlens\tK2\t2.8\t24–70\tZoom\n" },
        { "quoted, unknown column",
            "\"kind\";\"colour\";\"name\";\"mount\";\"focal\";\"aperture\";\"weightG\"\r\n\"lens\";\"red\";\"Zoom\";\"K2\";\"24-70\";\"2.8\";\"820.5\"\r\n" },
    };

    [Theory]
    [MemberData(nameof(Tables))]
    public async Task Tables_are_read_however_the_spreadsheet_wrote_them(string _, string table)
    {
        foreach (var bytes in new[] { Encoding.UTF8.GetBytes(table), [.. Encoding.UTF8.Preamble, .. Encoding.UTF8.GetBytes(table)],
            [.. Encoding.Unicode.Preamble, .. Encoding.Unicode.GetBytes(table)], Encoding.Latin1.GetBytes(table.Replace('–', '-')) })
            Assert.Equal(1, (await Import(bytes, keep: false)).GetProperty("added").GetInt32());
        await Import(Encoding.UTF8.GetBytes(table), keep: true);
        Assert.Equal("820.5", await Figure("lens-zoom", "weightG"));
    }

    [Fact]
    public async Task An_import_is_shown_row_by_row_and_taken_whole_or_not_at_all()
    {
        await Ok(client.Post("/api/locker/things", new { text = Kit }));
        const string table = "kind;name;number;mount;focal;aperture;weightG;type\nlens;24–70 f/2.8 no. 1;1;K2;24-70;2.8;805;\nlens;35 "
            + "f/1.4;;K2;35;1.4;;\nbattery;LB7 no. 1;1;;;;;LB7\nlens;Bad;;K2;;2.8;heavy;\nbattery;Odd;;K2;;;;LB7\ngizmo;What;;;;;;\n";
        var weighed = await Import(Encoding.UTF8.GetBytes(table), keep: true);
        var rows = weighed.GetProperty("rows").EnumerateArray()
            .Select(r => (r.GetProperty("line").GetInt32(), r.GetProperty("action").GetString(),
            string.Join(' ', r.GetProperty("problems").EnumerateArray().Select(p => p.GetProperty("field").GetString())))).ToArray();
        Assert.Equal([(2, "changed", ""), (3, "added", ""), (4, "same", ""), (5, "refused", "weightG"), (6, "refused", "mount"), (7, "refused", "kind")], rows);
        Assert.Equal("weight 820 → 805", weighed.GetProperty("rows")[0].GetProperty("what")[0].GetString());
        Assert.False(weighed.GetProperty("kept").GetBoolean());
        Assert.Equal("820", await Figure("lens-24-70-f-2-8-no-1", "weightG"));
        Assert.True((await Import(Encoding.UTF8.GetBytes(string.Join('\n', table.Split('\n')[..4])), keep: true)).GetProperty("kept").GetBoolean());
        Assert.Equal("805", await Figure("lens-24-70-f-2-8-no-1", "weightG"));
        await Ok(client.Post("/api/locker/undo", new { }));
        Assert.Equal("820", await Figure("lens-24-70-f-2-8-no-1", "weightG"));
    }

    [Fact]
    public async Task No_damaged_file_breaks_the_server_or_changes_anything()
    {
        await Ok(client.Post("/api/locker/demo", new { }));
        var random = new Random(7);
        foreach (var form in new[] { "csv", "json" })
        {
            var file = await client.GetByteArrayAsync(new Uri($"/api/locker/export.{form}", UriKind.Relative));
            for (var i = 0; i < 60; i++)
            {
                var damaged = file[..random.Next(file.Length)].ToArray();
                for (var k = random.Next(6); k > 0 && damaged.Length > 0; k--) damaged[random.Next(damaged.Length)] = (byte)random.Next(256);
                var response = await Send(client, damaged, keep: false);
                Assert.True(response.StatusCode is HttpStatusCode.OK or HttpStatusCode.UnprocessableEntity, $"{form} {i}: {response.StatusCode}");
            }
        }
        foreach (var hostile in new[] { "", "{", "{\"format\":\"yoke-pair/locker\",\"things\":" + new string('[', 5000), "\0\0\0", "kind;kind\nlens;lens" })
            Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Send(client, Encoding.UTF8.GetBytes(hostile), keep: true)).StatusCode);
        Assert.False((await Import(Encoding.UTF8.GetBytes("kind\n" + new string('"', 9999)), keep: true)).GetProperty("kept").GetBoolean());
        Assert.Equal(129, await Count());
    }

    [Fact]
    public async Task A_tag_and_a_template_are_there_to_print_and_fill_in()
    {
        await Ok(client.Post("/api/locker/demo", new { }));
        Assert.Contains("<svg", await client.GetStringAsync(new Uri("/api/locker/things/ad1/tag.svg", UriKind.Relative)), StringComparison.Ordinal);
        var template = await client.GetStringAsync(new Uri("/api/locker/template.csv?kind=lens", UriKind.Relative));
        Assert.Contains(";focal;", template, StringComparison.Ordinal);
        Assert.DoesNotContain("batteryType", template, StringComparison.Ordinal);
    }

    private async Task<JsonElement> Import(byte[] file, bool keep) => await (await Send(client, file, keep)).Json();

    private static Task<HttpResponseMessage> Send(HttpClient to, byte[] file, bool keep) =>
        to.PostAsync(new Uri($"/api/locker/import?keep={(keep ? "true" : "false")}", UriKind.Relative),
            new ByteArrayContent(file) { Headers = { ContentType = new("application/octet-stream") } });

    private async Task<int> Count() => (await client.Json("/api/locker")).GetProperty("report").GetProperty("things").GetArrayLength();

    private async Task<object> Seen(string id) => new { id, revision = (await client.Json("/api/locker")).GetProperty("revisions").GetProperty(id).GetInt32() };

    private Task<HttpResponseMessage> Set(object seen, string figure, string text) =>
        client.Post("/api/locker/figures", new { things = new[] { seen }, set = new Dictionary<string, string> { [figure] = text } });

    private async Task<string?> Figure(string id, string name) =>
        (await client.Json($"/api/locker/things/{id}")).GetProperty("figures").EnumerateArray().First(f => f.GetProperty("name").GetString() == name)
            .GetProperty("text").GetString();

    private static async Task Ok(Task<HttpResponseMessage> asked)
    {
        var response = await asked;
        Assert.True(response.IsSuccessStatusCode, await response.Content.ReadAsStringAsync());
    }
}
