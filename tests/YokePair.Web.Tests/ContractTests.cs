using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Text;

namespace YokePair.Web.Tests;

/// <summary>
/// Whatever is sent, the program answers in words and goes on: no fault of its own, and every page opens afterwards. A long run is
/// <c>./yoke fuzz [REQUESTS] [SEED]</c>.
/// </summary>
public sealed class ContractTests
{
    private static readonly int Requests = Number("YOKE_FUZZ_REQUESTS", 1000), Seed = Number("YOKE_FUZZ_SEED", 1);

    private static readonly string[] LeftEarly = ["proposal", "dead-weight"];

    /// <summary>So many to one data folder; a long run goes on with a new one, in which what is known is there to be met again.</summary>
    private const int Round = 2000;

    [Fact]
    public async Task No_request_is_answered_with_a_fault_and_all_opens_afterwards()
    {
        var counts = new SortedDictionary<int, int>();
        var faults = new List<string>();
        var watch = Stopwatch.StartNew();
        for (var from = 0; from < Requests; from += Round)
        {
            var calls = await RoundAsync(from, Math.Min(Round, Requests - from), counts, faults);
            var told = string.Join(", ", counts.Select(c => $"{c.Value} x {(c.Key == 0 ? "left" : c.Key)}"));
            TestContext.Current.TestOutputHelper!.WriteLine(
                $"{counts.Values.Sum()} requests to {calls} addresses, seed {Seed}, {watch.Elapsed.TotalSeconds:0} s, {faults.Count} faults: {told}");
        }
        Assert.True(faults.Count == 0, $"{faults.Count} faults\n{string.Join('\n', faults.Take(15))}");
    }

    private static async Task<int> RoundAsync(int from, int count, SortedDictionary<int, int> counts, List<string> faults)
    {
        await using var app = new App();
        using var client = app.CreateClient();
        foreach (var name in (string[])["steamer-wedding", "track-night"]) (await client.Import(App.Demo(name))).EnsureSuccessStatusCode();
        (await client.Post("/api/locker/demo", new { })).EnsureSuccessStatusCode();
        var requests = new RandomRequests(await client.Json("/openapi/v1.json"), await KnownAsync(client), Seed + (from / Round));
        for (var n = from; n < from + count; n++)
        {
            using var request = requests.Next();
            var sent = request.Content is null ? "" : Start(Encoding.UTF8.GetString(
                await request.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken)), 400);
            var asked = $"{n}: {request.Method} {request.RequestUri} {sent}";
            var (status, fault) = await AskAsync(client, request);
            counts[status] = counts.GetValueOrDefault(status) + 1;
            if (fault is not null) faults.Add($"{asked} => {fault}");
        }
        foreach (var path in await PagesAsync(client))
        {
            using var page = await client.GetAsync(new Uri(path, UriKind.Relative), TestContext.Current.CancellationToken);
            if (page.StatusCode != HttpStatusCode.OK) faults.Add($"after {from + count}: {path} => {(int)page.StatusCode}");
        }
        return requests.Calls;
    }

    /// <summary>The status, 0 where it was not waited for, and what is wrong with the answer.</summary>
    private static async Task<(int Status, string? Fault)> AskAsync(HttpClient client, HttpRequestMessage request)
    {
        // Searches and what is slow by itself are left as a client leaves them.
        var isSlow = LeftEarly.Any(l => request.RequestUri!.ToString().Contains(l, StringComparison.Ordinal));
        using var patience = new CancellationTokenSource(TimeSpan.FromSeconds(isSlow ? 0.2 : 20));
        try
        {
            using var answer = await client.SendAsync(request, patience.Token);
            var status = (int)answer.StatusCode;
            var isFault = status >= 500 || (status >= 400 && answer.Content.Headers.ContentType?.MediaType != "application/problem+json");
            return (status, isFault ? $"{status} {Start(await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken), 120)}" : null);
        }
        catch (Exception e) when (e is OperationCanceledException or IOException)
        {
            return (0, patience.IsCancellationRequested && !isSlow ? "not answered in time" : null);
        }
        catch (Exception e)
        {
            return (0, $"{e.GetType().Name} {e.Message}");
        }
    }

    private static string Start(string text, int letters) => text[..Math.Min(letters, text.Length)];

    private static async Task<IReadOnlyList<string>> PagesAsync(HttpClient client) =>
        ["/api/assignments", "/api/locker", "/api/starting", .. (await client.Json("/api/assignments")).EnumerateArray()
            .Where(a => a.GetProperty("shelf").GetString() != "deleted").Select(a => $"/api/assignments/{a.GetProperty("key").GetString()}/board")];

    private static async Task<Dictionary<string, string[]>> KnownAsync(HttpClient client)
    {
        var plan = (await client.Json("/api/assignments/steamer-wedding/board")).GetProperty("plan");
        var things = (await client.Json("/api/locker")).GetProperty("revisions").EnumerateObject().ToList();
        string[] Ids(string list) => [.. plan.GetProperty(list).EnumerateArray().Select(x => x.GetProperty("id").GetString()!)];
        string[] needs = [.. plan.GetProperty("parts").EnumerateArray().SelectMany(p => p.GetProperty("needs").EnumerateArray())
            .Select(n => n.GetProperty("id").GetString()!)];
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

    private static int Number(string variable, int usual) => int.TryParse(Environment.GetEnvironmentVariable(variable), CultureInfo.InvariantCulture,
        out var set) ? set : usual;
}
