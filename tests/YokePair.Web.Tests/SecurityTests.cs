using System.Net;

namespace YokePair.Web.Tests;

public sealed class SecurityTests(App app) : IClassFixture<App>
{
    private readonly HttpClient client = app.CreateClient();

    private async Task<HttpResponseMessage> Send(HttpMethod method, string path, params (string Name, string Value)[] headers)
    {
        using var request = new HttpRequestMessage(method, path);
        if (method == HttpMethod.Post) request.Content = new StringContent("{}", System.Text.Encoding.UTF8, "application/json");
        foreach (var (name, value) in headers) request.Headers.TryAddWithoutValidation(name, value);
        return await client.SendAsync(request, TestContext.Current.CancellationToken);
    }

    [Theory]
    [InlineData("localhost", HttpStatusCode.OK)]
    [InlineData("127.0.0.1:5710", HttpStatusCode.OK)]
    [InlineData("photos.example", HttpStatusCode.BadRequest)]
    [InlineData("127.0.0.1.photos.example", HttpStatusCode.BadRequest)]
    public async Task Only_this_machine_s_own_names_are_answered(string host, HttpStatusCode expected) =>
        Assert.Equal(expected, (await Send(HttpMethod.Get, "/api/demos", ("Host", host))).StatusCode);

    [Theory]
    [InlineData("Sec-Fetch-Site", "cross-site", HttpStatusCode.Forbidden)]
    [InlineData("Sec-Fetch-Site", "same-site", HttpStatusCode.Forbidden)]
    [InlineData("Sec-Fetch-Site", "same-origin", HttpStatusCode.Created)]
    [InlineData("Origin", "http://photos.example", HttpStatusCode.Forbidden)]
    [InlineData("Origin", "null", HttpStatusCode.Forbidden)]
    [InlineData("Origin", "http://localhost", HttpStatusCode.Created)]
    public async Task Writes_asked_for_by_another_site_are_refused(string header, string value, HttpStatusCode expected) =>
        Assert.Equal(expected, (await Send(HttpMethod.Post, "/api/demos/track-night", (header, value))).StatusCode);

    [Fact]
    public async Task An_edit_that_does_not_say_what_it_is_is_refused_in_words()
    {
        using var body = new StringContent("""{"baseRevision":1,"edits":[{"part":"vows"}]}""", System.Text.Encoding.UTF8, "application/json");
        using var answer = await client.PostAsync("/api/assignments/any/edits", body, TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("type discriminator", await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Reading_is_not_hindered_by_where_one_comes_from() =>
        Assert.Equal(HttpStatusCode.OK, (await Send(HttpMethod.Get, "/api/assignments", ("Sec-Fetch-Site", "cross-site"))).StatusCode);

    [Fact]
    public async Task The_page_may_run_its_own_scripts_only()
    {
        var policy = Assert.Single((await Send(HttpMethod.Get, "/api/demos")).Headers.GetValues("Content-Security-Policy"));
        Assert.Contains("script-src 'self';", policy, StringComparison.Ordinal);
        Assert.Contains("style-src 'self';", policy, StringComparison.Ordinal);
        Assert.DoesNotContain("unsafe", policy, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("..%2F..%2Fsteamer-wedding")]
    [InlineData("steamer-wedding.yoke.json")]
    public async Task Demo_names_lead_nowhere_else(string name) =>
        Assert.NotEqual(HttpStatusCode.Created, (await Send(HttpMethod.Post, "/api/demos/" + name)).StatusCode);
}
