using System.Net;

namespace YokePair.Web.Tests;

/// <summary>Bags over the wire: whether things go in, and the list that travels with them.</summary>
public sealed class BagTests(App app) : IClassFixture<App>
{
    private static readonly int[] Inside = [500, 350, 80];

    private readonly HttpClient client = app.CreateClient();

    private async Task<string> NewDay() =>
        $"/api/assignments/{(await (await client.Post("/api/demos/steamer-wedding", new { })).Json()).GetProperty("key").GetString()}";

    [Fact]
    public async Task Whether_things_go_in_is_told_once_somebody_has_said_how_large_the_bag_is()
    {
        var day = await NewDay();
        var unsaid = await client.GetAsync(new Uri(day + "/bags/roller/fit", UriKind.Relative));
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "innerMm"),
            (unsaid.StatusCode, (await unsaid.Json()).GetProperty("errors")[0].GetProperty("field").GetString()));
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync(new Uri(day + "/bags/none/fit", UriKind.Relative))).StatusCode);
        var put = await client.Post(day + "/edits", new
        {
            baseRevision = (await client.Json(day + "/board")).GetProperty("revision").GetInt32(),
            edits = new[] { new { type = "putPlace", place = new { id = "roller", name = "Roller", reachSeconds = 60, innerMm = Inside } } },
        });
        Assert.Equal(HttpStatusCode.OK, put.StatusCode);
        var fit = await client.Json(day + "/bags/roller/fit");
        var layout = fit.GetProperty("layout");
        // The long zoom is thicker than 80 mm whichever way it lies.
        Assert.Contains("z70", layout.GetProperty("tooDeep").EnumerateArray().Select(t => t.GetProperty("item").GetString()));
        Assert.Equal(layout.GetProperty("room").GetProperty("things").GetArrayLength(),
            layout.GetProperty("laid").GetArrayLength() + layout.GetProperty("out").GetArrayLength() + layout.GetProperty("tooDeep").GetArrayLength());
    }

    [Fact]
    public async Task The_manifest_is_the_same_as_a_table_and_as_an_answer()
    {
        var day = await NewDay();
        var manifest = await client.Json(day + "/bags/manifest");
        var table = await client.GetAsync(new Uri(day + "/bags/manifest.csv", UriKind.Relative));
        Assert.Equal("text/csv", table.Content.Headers.ContentType!.MediaType);
        var lines = (await table.Content.ReadAsStringAsync()).TrimEnd().Split('\n');
        Assert.StartsWith("bag,kind,name,serial,value,grams,owner,back by", lines[0].TrimStart('\uFEFF'), StringComparison.Ordinal);
        Assert.Equal(manifest.GetProperty("lines").GetArrayLength(), lines.Length - 1);
        Assert.Contains(lines, l => l.StartsWith("Belt pouch,body,Halm 45 no. 1,", StringComparison.Ordinal));
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync(new Uri("/api/assignments/none/bags/manifest.csv", UriKind.Relative))).StatusCode);
    }
}
