using System.IO.Compression;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Microsoft.AspNetCore.Mvc.Testing;
using YokePair.Core.Plans;
using YokePair.Core.Taken;
using YokePair.Data.Pictures;

namespace YokePair.Web.Tests;

/// <summary>Afterwards and between assignments over the wire, on pictures made by code.</summary>
public sealed class AfterTests : IDisposable
{
    private readonly string pictures = Directory.CreateTempSubdirectory("yoke-after").FullName;
    private readonly App app = new();
    private readonly WebApplicationFactory<Program> program;
    private readonly HttpClient client;

    public AfterTests()
    {
        program = app.WithWebHostBuilder(b => b.UseSetting("roots", pictures));
        client = program.CreateClient();
    }

    private async Task<string> Day(string name, DateOnly day, string style = "two-primes") => (await (await client.Post("/api/assignments",
        new { name, day, template = (string?)null, timetable = Timetable, style, second = false, habits = await Habits() })).Json()).GetProperty("key")
            .GetString()!;

    private static readonly string[] Idle = ["lens-14-24-f-2-8", "lens-135-f-1-8", "lens-50-f-1-8", "lens-55-f-2", "lens-40-f-2"];

    private const string Timetable = "13:00 ceremony, the chapel\n15:00 dinner, the old mill 2 h\n17:00 dance floor, the old mill 2 h";

    /// <summary>As the page does it: with the glass that the lead is known for.</summary>
    private async Task<object?> Habits()
    {
        return !(await client.Json("/api/starting")).TryGetProperty("lead", out var lead) || lead.ValueKind == JsonValueKind.Null ? null
            : new { glass = lead.GetProperty("glass") };
    }

    private async Task Own() => Assert.Equal(HttpStatusCode.OK, (await client.Post("/api/locker/things", new
    {
        text = """
            2x body Halm 45 M1 24MP iso6400 SD+SD LB7 10fps
            35/1.4 M1 600g
            85/1.4 M1 900g
            14-24/2.8 M1 1100g
            135/1.8 M1 950g
            50/1.8 M1 300g
            55/2 M1 350g
            40/2 M1 300g
            4x battery LB7
            8x card SD 64GB
            """,
    })).StatusCode);

    private async Task<Plan> PlanOf(string key) => PlanFile.Read(await client.GetByteArrayAsync(new Uri($"/api/assignments/{key}/plan", UriKind.Relative)))
        .Plan!;

    private async Task<JsonElement> Read(string key, IReadOnlyList<PictureTold> all, IReadOnlyList<PictureTold>? delivered = null)
    {
        var folder = Path.Combine(pictures, key);
        StandInDay.Write(folder, all);
        if (delivered is not null) StandInDay.Write(folder + "-out", delivered);
        var begun = await client.Post($"/api/assignments/{key}/after/pictures", new { folder, delivered = delivered is null ? null : folder + "-out" });
        Assert.Equal(HttpStatusCode.Accepted, begun.StatusCode);
        for (var n = 0; n < 400; n++)
        {
            var page = await client.Json($"/api/assignments/{key}/after");
            if (page.GetProperty("reading").TryGetProperty("problem", out var problem)
                && problem.ValueKind != JsonValueKind.Null) Assert.Fail(problem.GetString());
            if (!page.GetProperty("reading").GetProperty("running").GetBoolean()) return page;
            await Task.Delay(50);
        }
        throw new TimeoutException("The pictures are read still.");
    }

    /// <summary>Five lenses come along on every assignment, as they have for years.</summary>
    private async Task Carry(string key)
    {
        var packed = (await PlanOf(key)).Items.Select(i => i.Id).ToHashSet(StringComparer.Ordinal);
        var things = (await client.Json("/api/locker")).GetProperty("report").GetRawText();
        foreach (var lens in Idle.Where(l => !packed.Contains(l)))
        {
            Assert.Contains($"\"{lens}\"", things, StringComparison.Ordinal);
            var revision = (await client.Json($"/api/assignments/{key}/board")).GetProperty("revision").GetInt32();
            var edit = await client.Post($"/api/assignments/{key}/edits",
                new { baseRevision = revision, pull = Array.Empty<string>(), edits = new[] { new { type = "pack", thing = lens, place = "roller" } } });
            Assert.True(edit.IsSuccessStatusCode, await edit.Content.ReadAsStringAsync());
        }
    }

    private Task<HttpResponseMessage> Put(string path, object body) => client.PutAsJsonAsync(path, body);

    private static IReadOnlyList<PictureTold> Pictures(Plan plan, int seed = 1) => StandInDay.Of(plan, seed);

    [Fact]
    public async Task Only_what_was_allowed_is_read_and_what_is_faulty_is_listed()
    {
        await Own();
        var key = await Day("One", new DateOnly(2027, 6, 5));
        foreach (var (folder, why) in new[] { ("/etc", "is in none of the folders"), ("pictures", "is no full path"),
            (Path.Combine(pictures, "gone"), "is not there") })
        {
            var refused = await client.Post($"/api/assignments/{key}/after/pictures", new { folder });
            Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
            Assert.Contains(why, (await refused.Json()).GetProperty("errors")[0].GetProperty("message").GetString(), StringComparison.Ordinal);
        }
        Directory.CreateDirectory(Path.Combine(pictures, key));
        await File.WriteAllTextAsync(Path.Combine(pictures, key, "broken.jpg"), "no picture");
        var plan = await PlanOf(key);
        var page = await Read(key, Pictures(plan));
        var used = page.GetProperty("used");
        Assert.Equal("broken.jpg", Assert.Single(used.GetProperty("faulty").EnumerateArray()).GetProperty("name").GetString());
        Assert.Equal(Pictures(plan).Count, used.GetProperty("day").GetProperty("frames").GetInt32());
        Assert.StartsWith("You carried ", used.GetProperty("headline")[0].GetProperty("text").GetString(), StringComparison.Ordinal);
        // None is copied, moved or written over.
        Assert.Equal(Pictures(plan).Count + 1, Directory.GetFiles(Path.Combine(pictures, key), "*", SearchOption.AllDirectories).Length);
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync(new Uri("/api/assignments/none/after", UriKind.Relative))).StatusCode);
    }

    [Fact]
    public async Task What_is_answered_once_is_known_on_the_next_job_and_what_is_no_answer_is_refused()
    {
        await Own();
        var first = await Day("First", new DateOnly(2027, 6, 5));
        var page = await Read(first, Pictures(await PlanOf(first)));
        var asked = page.GetProperty("used").GetProperty("asked").EnumerateArray().ToList();
        Assert.Equal(2, asked.Count);
        var (key, thing) = (asked[0].GetProperty("key").GetString()!, asked[0].GetProperty("candidates")[1].GetString()!);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Put($"/api/assignments/{first}/after/thing", new { key = "camera|x|y", thing })).StatusCode);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Put($"/api/assignments/{first}/after/thing", new { key, thing = "no such" })).StatusCode);
        var answered = await (await Put($"/api/assignments/{first}/after/thing", new { key, thing })).Json();
        Assert.Empty(answered.GetProperty("used").GetProperty("asked").EnumerateArray());
        Assert.Contains(answered.GetProperty("used").GetProperty("day").GetProperty("bodies").EnumerateArray(), b => b.TryGetProperty("body", out var body)
            && body.GetString() == thing);
        var next = await Day("Next", new DateOnly(2027, 6, 12));
        Assert.Empty((await Read(next, Pictures(await PlanOf(next), 2))).GetProperty("used").GetProperty("asked").EnumerateArray());
    }

    [Fact]
    // Long: six assignments and the seventh, in the order they happen.
    public async Task After_a_season_the_next_job_starts_with_what_it_taught()
    {
        await Own();
        var start = new DateOnly(2027, 4, 3);
        for (var assignment = 0; assignment < 6; assignment++)
        {
            var key = await Day($"Assignment {assignment + 1}", start.AddDays(7 * assignment));
            await Carry(key);
            var plan = await PlanOf(key);
            // Darker than the kinds have it, and the lead lives on the 35.
            var lens = plan.Items.OfType<Lens>().First(l => l.Focal.High == 35).Id;
            double Usual(Part p) => p.Taught?.FirstOrDefault(t => t.Figure == TaughtKind.Ev)?.Usual ?? p.Ev;
            var dark = plan with
            {
                Parts = [.. plan.Parts.Select(p =>
                p with { Ev = Usual(p) - 1.4, Setups = [.. p.Setups.Select(s => s with { Lens = lens })] })]
            };
            var all = StandInDay.Of(dark, assignment + 1);
            var page = await Read(key, all, StandInDay.Delivered(all, assignment));
            foreach (var ask in page.GetProperty("used").GetProperty("asked").EnumerateArray().ToList())
                await Put($"/api/assignments/{key}/after/thing",
                    new { key = ask.GetProperty("key").GetString(), thing = ask.GetProperty("candidates")[0].GetString() });
            var told = await (await Put($"/api/assignments/{key}/after/batteries", new { type = "LB7", changed = 1, left = 0.4 })).Json();
            Assert.Equal(1, told.GetProperty("used").GetProperty("batteries")[0].GetProperty("answer").GetProperty("changed").GetInt32());
        }
        await Carry(await Day("Seventh", start.AddDays(42)));
        var seventh = await PlanOf("seventh");
        var (ceremony, dinner) = (seventh.Parts[0], seventh.Parts[1]);
        // Light of the place, from six assignments.
        Assert.Equal((TaughtKind.Ev, 6), (ceremony.Taught![0].Figure, ceremony.Taught[0].Assignments));
        Assert.Equal(dinner.Taught![0].Usual - 1.4, dinner.Ev, 0.3);
        // As many pictures as such parts had.
        Assert.NotNull(ceremony.FramesPerMinute);
        // This person's hands.
        Assert.Contains(ceremony.Setups, s => ((Lens)seventh.ItemOf(s.Lens)!).Focal.High == 35);
        // So does a day that is like a past one.
        var like = (await (await client.Post("/api/assignments/assignment-1/copies", new { name = "Like the first", day = "2027-05-22" })).Json())
            .GetProperty("key").GetString()!;
        Assert.Equal(ceremony.Taught[0], (await PlanOf(like)).Parts[0].Taught![0]);
        // What a charge gives stands in the locker, and with it in the plan.
        var season = await client.Json("/api/season");
        var learnt = season.GetProperty("learnt").EnumerateArray().ToList();
        var charge = learnt.Single(l => l.GetProperty("figure").GetProperty("kind").GetString() == "framesPerCharge");
        Assert.Equal(6, charge.GetProperty("figure").GetProperty("assignments").GetInt32());
        var body = (Body)seventh.ItemOf(charge.GetProperty("figure").GetProperty("thing").GetString())!;
        Assert.Equal(charge.GetProperty("figure").GetProperty("value").GetDouble(), body.FramesPerCharge);
        // Two things that may stay at home, with how often they came out.
        var seldom = (await client.Json("/api/assignments/seventh/seldom")).GetProperty("lately").EnumerateArray()
            .Where(l => l.GetProperty("seldom").GetProperty("mayStay").GetBoolean()).ToList();
        Assert.True(seldom.Count >= 2, (await client.Json("/api/assignments/seventh/seldom")).GetRawText());
        Assert.All(seldom, s => Assert.Equal((0, 5), (s.GetProperty("seldom").GetProperty("taken").GetInt32(), s.GetProperty("seldom")
            .GetProperty("assignments").GetInt32())));
        // Which cards are not free.
        var card = seventh.Items.OfType<Card>().First(c => c.Place!.StartsWith('@'));
        foreach (var kind in new[] { "put", "taken" })
            Assert.True((await client.Post("/api/cards/facts", new { kind, card = card.Id, day = "assignment-6", where = "the camera", who = "Lead" }))
                .IsSuccessStatusCode);
        var lines = (await client.Json("/api/season")).GetProperty("between").EnumerateArray().SelectMany(g => g.GetProperty("lines").EnumerateArray())
            .ToList();
        Assert.Contains(lines, l => l.GetProperty("kind").GetString() == "cards" && l.GetProperty("things")[0].GetString() == card.Id
            && l.GetProperty("isTrouble").GetBoolean());
        // What is refused is not used.
        var light = learnt.First(l => l.GetProperty("figure").GetProperty("kind").GetString() == "light").GetProperty("figure").GetProperty("id").GetString();
        Assert.Equal(HttpStatusCode.OK, (await Put("/api/learnt", new { id = light, use = false })).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Put("/api/learnt", new { id = "nothing", use = false })).StatusCode);
        await Put("/api/learnt", new { id = charge.GetProperty("figure").GetProperty("id").GetString(), use = false });
        var eighth = await PlanOf(await Day("Eighth", start.AddDays(49)));
        Assert.DoesNotContain(eighth.Parts.SelectMany(p => p.Taught ?? []), t => t.Figure == TaughtKind.Ev
            && light!.Contains(eighth.Parts[0].Kind!, StringComparison.Ordinal) && t.Usual == eighth.Parts[0].Ev);
        Assert.NotEqual(body.FramesPerCharge, ((Body)eighth.ItemOf(body.Id)!).FramesPerCharge);
    }

    [Fact]
    public async Task What_two_jobs_take_at_once_is_a_gap_of_the_later_and_a_new_day_leaves_it_alone()
    {
        await Own();
        var first = await Day("Morning", new DateOnly(2027, 6, 5));
        var copy = (await (await client.Post($"/api/assignments/{first}/copies", new { name = "Same hours", day = "2027-06-05" })).Json()).GetProperty("key")
            .GetString()!;
        var board = (await client.Json($"/api/assignments/{copy}/board")).GetProperty("report");
        Assert.Contains("promised to Morning", board.GetProperty("away")[0].GetProperty("why").GetString(), StringComparison.Ordinal);
        Assert.Equal(0, (await client.Json($"/api/assignments/{first}/board")).GetProperty("report").GetProperty("away").GetArrayLength());
        // However far ahead it is.
        for (var n = 1; n <= 8; n++)
            await client.Post($"/api/assignments/{first}/copies", new { name = $"Early {n}", day = $"2027-05-0{n}" });
        Assert.Equal(10, (await client.Json("/api/season")).GetProperty("assignments").GetArrayLength());
        var gap = (await client.Json("/api/season")).GetProperty("between").EnumerateArray().Single(g => g.GetProperty("assignment").GetString() == copy);
        Assert.Equal(first, gap.GetProperty("lines")[0].GetProperty("other").GetString());
        // Archived, the other no longer holds it.
        await Put($"/api/assignments/{first}/shelf", new { shelf = "archived" });
        Assert.Equal(0, (await client.Json($"/api/assignments/{copy}/board")).GetProperty("report").GetProperty("away").GetArrayLength());
    }

    [Fact]
    public async Task A_job_is_archived_with_its_figures_and_keeps_them_without_its_pictures()
    {
        await Own();
        var key = await Day("One", new DateOnly(2027, 6, 5));
        await Read(key, Pictures(await PlanOf(key)));
        using (var zip = new ZipArchive(await client.GetStreamAsync(new Uri($"/api/assignments/{key}/archive.zip", UriKind.Relative))))
            Assert.Equal(["plan.yoke.json", "record.json", "used.json", "verdict.txt"], zip.Entries.Select(e => e.FullName));
        Assert.NotEqual(0, (await Verdict()).GetProperty("details").GetArrayLength());
        await Put($"/api/assignments/{key}/shelf", new { shelf = "archived" });
        Assert.Equal(0, (await Verdict()).GetProperty("details").GetArrayLength());
        var used = (await client.Json($"/api/assignments/{key}/after")).GetProperty("used");
        Assert.True(used.GetProperty("light").GetBoolean());
        Assert.NotEqual(0, used.GetProperty("day").GetProperty("frames").GetInt32());
        Assert.NotEmpty((await client.Json("/api/season")).GetProperty("learnt").EnumerateArray());
        var was = (await client.Json($"/api/assignments/{key}/was")).GetProperty("parts");
        Assert.Equal(3, was.GetArrayLength());
        var table = await client.GetStringAsync(new Uri("/api/locker/insurance.csv", UriKind.Relative));
        Assert.StartsWith("kind,name,serial,value", table.TrimStart('\uFEFF'), StringComparison.Ordinal);
        Assert.Equal(9, (await client.Json("/api/locker/insurance")).GetProperty("lines").GetArrayLength());

        async Task<JsonElement> Verdict()
        {
            // It is worked out beside the list.
            for (; ; await Task.Delay(100))
                if ((await client.Json("/api/assignments"))[0] is var line && line.TryGetProperty("verdict", out var verdict)) return verdict;
        }
    }

    public void Dispose()
    {
        program.Dispose();
        app.Dispose();
        Directory.Delete(pictures, recursive: true);
    }
}
