using System.Net;
using System.Text;
using Microsoft.AspNetCore.Http.Timeouts;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Options;

namespace YokePair.Web.Tests;

/// <summary>Work that one request may cause is bounded, and every answer is protected like any other.</summary>
public sealed class BoundsTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_third_search_waits_and_says_so_and_begins_when_another_is_left()
    {
        await using var app = new App();
        using var client = app.CreateClient();
        (await client.Import(App.Demo("steamer-wedding"))).EnsureSuccessStatusCode();
        using var first = await BeginAsync(client);
        using var second = await BeginAsync(client);
        Assert.DoesNotContain("waits", await LineAsync(first), StringComparison.Ordinal);
        Assert.DoesNotContain("waits", await LineAsync(second), StringComparison.Ordinal);
        using var third = await BeginAsync(client);
        Assert.Contains("\"waits\":true", await LineAsync(third), StringComparison.Ordinal);
        first.Dispose();
        Assert.DoesNotContain("waits", await LineAsync(third).WaitAsync(TimeSpan.FromSeconds(60), Stop), StringComparison.Ordinal);
    }

    [Fact]
    public async Task An_answer_that_takes_too_long_is_given_up_and_never_half_told()
    {
        await using var app = new App();
        using var client = app.CreateClient();
        (await client.Import(App.Demo("steamer-wedding"))).EnsureSuccessStatusCode();
        var timeouts = app.Services.GetRequiredService<IOptionsMonitor<RequestTimeoutOptions>>().CurrentValue;
        var givenUp = 0;
        for (var tenths = 5; tenths < 120; tenths++)
        {
            timeouts.DefaultPolicy = new RequestTimeoutPolicy
            {
                Timeout = TimeSpan.FromMilliseconds(tenths / 10.0),
                TimeoutStatusCode = timeouts.DefaultPolicy!.TimeoutStatusCode,
                WriteTimeoutResponse = timeouts.DefaultPolicy.WriteTimeoutResponse,
            };
            try
            {
                using var answer = await client.GetAsync(new Uri("/api/assignments/steamer-wedding/board", UriKind.Relative), Stop);
                var told = await answer.Json();
                if (answer.IsSuccessStatusCode) Assert.Equal(1, told.GetProperty("revision").GetInt32());
                else Assert.Equal((HttpStatusCode.ServiceUnavailable, true), (answer.StatusCode, ++givenUp > 0));
            }
            catch (Exception e) when (e is HttpRequestException or IOException or OperationCanceledException)
            {
                // Cut off in the middle, as who asked sees.
                givenUp++;
            }
        }
        Assert.InRange(givenUp, 5, 200);
    }

    [Theory]
    [InlineData("GET", "/api/assignments", "evil.example", null, HttpStatusCode.BadRequest)]
    [InlineData("POST", "/api/typed", null, "application/json; charset=utf-7", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("POST", "/api/typed", null, "text/plain", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("POST", "/api/kinds", null, "application/json", HttpStatusCode.BadRequest)]
    [InlineData("GET", "/api/nothing", null, null, HttpStatusCode.NotFound)]
    [InlineData("GET", "/api/assignments/none/kit-proposal", null, null, HttpStatusCode.NotFound)]
    public async Task Whatever_goes_wrong_is_answered_with_the_protection_of_all_answers(string method, string path, string? host, string? type,
        HttpStatusCode status)
    {
        await using var app = new App();
        using var client = app.CreateClient();
        using var request = new HttpRequestMessage(new HttpMethod(method), new Uri(path, UriKind.Relative));
        if (host is not null) request.Headers.Host = host;
        if (type is not null)
        {
            request.Content = new ByteArrayContent(Encoding.UTF8.GetBytes("[null,"));
            request.Content.Headers.TryAddWithoutValidation("Content-Type", type);
        }
        using var answer = await client.SendAsync(request, Stop);
        Assert.Equal(status, answer.StatusCode);
        Assert.Contains("default-src 'none'", answer.Headers.GetValues("Content-Security-Policy").Single(), StringComparison.Ordinal);
        Assert.Equal("nosniff", answer.Headers.GetValues("X-Content-Type-Options").Single());
        Assert.True(answer.Headers.CacheControl?.NoStore);
    }

    /// <summary>Sixty thousand characters once held a core for half a minute.</summary>
    [Theory]
    [InlineData("/api/starting/timetable", ", ", 30_000)]
    [InlineData("/api/starting/timetable", ",\\n", 20_000)]
    [InlineData("/api/locker/read", "x ", 30_000)]
    [InlineData("/api/locker/read", "1 \\n", 15_000)]
    public async Task A_text_that_nobody_writes_is_answered_at_once(string path, string piece, int times)
    {
        await using var app = new App();
        using var client = app.CreateClient();
        var text = string.Concat(Enumerable.Repeat(piece, times));
        using var body = new StringContent($"{{\"text\":\"{text}\"{(path.Contains("timetable", StringComparison.Ordinal) ? ",\"day\":\"2027-06-12\"" : "")}}}",
            Encoding.UTF8, "application/json");
        using var answer = await client.PostAsync(new Uri(path, UriKind.Relative), body, Stop).WaitAsync(TimeSpan.FromSeconds(20), Stop);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
    }

    private static async Task<HttpResponseMessage> BeginAsync(HttpClient client)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post,
            new Uri("/api/assignments/steamer-wedding/kit-proposal?survives=item&goal=weight&move=true&free=true", UriKind.Relative));
        return await client.SendAsync(request, HttpCompletionOption.ResponseHeadersRead, Stop);
    }

    private readonly Dictionary<HttpResponseMessage, StreamReader> readers = [];

    private async Task<string> LineAsync(HttpResponseMessage answer)
    {
        if (!readers.TryGetValue(answer, out var reader)) readers.Add(answer, reader = new StreamReader(await answer.Content.ReadAsStreamAsync(Stop)));
        return await reader.ReadLineAsync(Stop) ?? "";
    }
}
