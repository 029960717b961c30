using System.Globalization;
using System.Net;

namespace YokePair.Web.Tests;

/// <summary>
/// Whatever is sent, the program answers in words and goes on: no fault of its own, and every page opens afterwards. A long run is
/// <c>./yoke fuzz [REQUESTS] [SEED]</c>.
/// </summary>
public sealed class ContractTests
{
    private static readonly int Requests = Number("YOKE_FUZZ_REQUESTS", 1000), Seed = Number("YOKE_FUZZ_SEED", 1);

    [Fact]
    public async Task No_request_is_answered_with_a_fault_and_all_opens_afterwards()
    {
        await using var app = new App();
        using var client = app.CreateClient();
        foreach (var name in (string[])["steamer-wedding", "track-night"]) (await client.Import(App.Demo(name))).EnsureSuccessStatusCode();
        (await client.Post("/api/locker/demo", new { })).EnsureSuccessStatusCode();
        var requests = new RandomRequests(await client.Json("/openapi/v1.json"), await KnownAsync(client), Seed);
        var counts = new SortedDictionary<int, int>();
        var faults = new List<string>();
        for (var n = 0; n < Requests; n++)
        {
            using var request = requests.Next();
            var sent = request.Content is null ? "" : System.Text.Encoding.UTF8.GetString(await request.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken));
            // Searches and what is slow by itself are left as a client leaves them.
            using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(request.RequestUri!.ToString().Contains("proposal", StringComparison.Ordinal) || request.RequestUri.ToString().Contains("dead-weight", StringComparison.Ordinal) ? 0.2 : 20));
            try
            {
                using var answer = await client.SendAsync(request, patience.Token);
                var status = (int)answer.StatusCode;
                counts[status] = counts.GetValueOrDefault(status) + 1;
                if (status >= 500 || (status >= 400 && answer.Content.Headers.ContentType?.MediaType != "application/problem+json"))
                    faults.Add($"{n}: {status} {request.Method} {request.RequestUri} {sent[..Math.Min(400, sent.Length)]} => {(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))[..120]}");
            }
            catch (Exception e) when (e is OperationCanceledException or IOException)
            {
                counts[0] = counts.GetValueOrDefault(0) + 1;
                if (patience.IsCancellationRequested && !request.RequestUri!.ToString().Contains("proposal", StringComparison.Ordinal) && !request.RequestUri.ToString().Contains("dead-weight", StringComparison.Ordinal))
                    faults.Add($"{n}: not answered in time: {request.Method} {request.RequestUri} {sent[..Math.Min(400, sent.Length)]}");
            }
            catch (Exception e)
            {
                faults.Add($"{n}: {e.GetType().Name} {e.Message} {request.Method} {request.RequestUri} {sent[..Math.Min(400, sent.Length)]}");
            }
        }
        TestContext.Current.TestOutputHelper!.WriteLine($"{Requests} requests to {requests.Calls} addresses, seed {Seed}: {string.Join(", ", counts.Select(c => $"{c.Value} x {(c.Key == 0 ? "left" : c.Key)}"))}");
        Assert.True(faults.Count == 0, $"{faults.Count} faults\n{string.Join('\n', faults.Take(15))}");
        foreach (var path in await PagesAsync(client)) Assert.Equal(HttpStatusCode.OK, (await client.GetAsync(new Uri(path, UriKind.Relative), TestContext.Current.CancellationToken)).StatusCode);
    }

    private static async Task<IReadOnlyList<string>> PagesAsync(HttpClient client) =>
        ["/api/assignments", "/api/locker", "/api/starting", .. (await client.Json("/api/assignments")).EnumerateArray().Where(a => a.GetProperty("shelf").GetString() != "deleted").Select(a => $"/api/assignments/{a.GetProperty("key").GetString()}/board")];

    private static async Task<Dictionary<string, string[]>> KnownAsync(HttpClient client)
    {
        var plan = (await client.Json("/api/assignments/steamer-wedding/board")).GetProperty("plan");
        var things = (await client.Json("/api/locker")).GetProperty("revisions").EnumerateObject().ToList();
        string[] Ids(string list) => [.. plan.GetProperty(list).EnumerateArray().Select(x => x.GetProperty("id").GetString()!)];
        string[] needs = [.. plan.GetProperty("parts").EnumerateArray().SelectMany(p => p.GetProperty("needs").EnumerateArray()).Select(n => n.GetProperty("id").GetString()!)];
        string[] items = [.. Ids("items"), .. things.Select(t => t.Name)];
        string[] revisions = [.. Enumerable.Range(1, 12).Select(r => r.ToString(CultureInfo.InvariantCulture))];
        return new Dictionary<string, string[]>(StringComparer.Ordinal)
        {
            ["key"] = ["steamer-wedding", "track-night"],
            ["part"] = Ids("parts"),
            ["need"] = needs,
            ["id"] = items,
            ["item"] = items,
            ["thing"] = items,
            ["body"] = items,
            ["lens"] = items,
            ["a"] = items,
            ["b"] = items,
            ["person"] = Ids("people"),
            ["place"] = Ids("places"),
            ["position"] = ["left", "right", "harness"],
            ["kind"] = ["item", "rig", "place", "person", "radio", "body", "lens"],
            ["name"] = ["steamer-wedding", "A day"],
            ["type"] = ["mount", "setPart", "moveItem", "putNeed", "addPart"],
            ["baseRevision"] = revisions,
            ["revision"] = revisions,
            ["pull"] = ["b1", "rig:b1@vows", "person:second", "place:roller"],
            ["day"] = ["2027-06-12"],
            ["text"] = ["14:00 ceremony, chapel 40 min\n15:00 speeches", "24-70/2.8 K2 #3 820g", "f/2.8"],
            ["start"] = ["2027-06-12T14:00", "20270612T140000"],
            ["end"] = ["2027-06-12T15:00"],
            ["survives"] = ["item"],
            ["goal"] = ["weight", "count"],
        };
    }

    private static int Number(string variable, int usual) => int.TryParse(Environment.GetEnvironmentVariable(variable), CultureInfo.InvariantCulture, out var set) ? set : usual;
}
