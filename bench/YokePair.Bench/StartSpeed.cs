using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json;
using YokePair.Browser;

namespace YokePair.Bench;

/// <summary>
/// The pages that know every assignment, with five of them and with five hundred, in a real browser against a real server and file: from
/// going there to their words drawn, as the page itself times it.
/// </summary>
internal static class StartSpeed
{
    private const int Few = 5, Many = 500, Ahead = 3, Rounds = 15;

    private static readonly TimeSpan Settled = TimeSpan.FromSeconds(1);

    /// <summary>Milliseconds that the start page may take with many.</summary>
    private const double Asked = 150;

    public static int Measure()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site);
        using var client = new HttpClient { BaseAddress = site.Address };
        page.Driver.ExecuteCdpCommand("Page.addScriptToEvaluateOnNewDocument", new()
        {
            ["source"] = """
                const words = "main ul a[href$='/day'] .font-semibold, [data-testid=season], main h1 + a[href='/']";
                let watch, from = 0;
                window.look = () => {
                  from = document.readyState === "complete" ? performance.now() : 0;
                  window.drawn = undefined;
                  watch?.disconnect();
                  watch = new MutationObserver(() => {
                    if (!document.querySelector(words)) return;
                    watch.disconnect();
                    requestAnimationFrame(() => setTimeout(() => { window.drawn = performance.now() - from; }));
                  });
                  watch.observe(document, { childList: true, subtree: true });
                };
                look();
                """,
        });
        var (few, many) = (Of(Few), Of(Many));
        var floor = Time(page, "/nowhere/at/all", Many);
        Console.WriteLine(FormattableString.Invariant(
            $"start page with {Many}: from a day {many.Again:0} ms, {Asked:0} asked, {few.Again / many.Again:0.00} as fast as with {Few}"));
        Console.Write(FormattableString.Invariant($"in a fresh window: start page {many.Start:0} ms, {few.Start / many.Start:0.00} as fast as with {Few}; "));
        Console.WriteLine(FormattableString.Invariant(
            $"season {many.Season:0} ms, {few.Season / many.Season:0.00}; of each a page with nothing on it {floor:0} ms"));
        return many.Again <= Asked ? 0 : 1;

        (double Start, double Season, double Again) Of(int assignments)
        {
            Fill(client, assignments);
            return (Time(page, "/", assignments), Time(page, "/season", assignments), Time(page, "/", assignments, from: Page.Wedding));
        }
    }

    /// <summary>Copies of the wedding, a week apart, most of them over, until there are so many and each has its verdict.</summary>
    private static void Fill(HttpClient client, int assignments)
    {
        for (var n = List().GetArrayLength(); n < assignments; n++)
        {
            var day = DateOnly.FromDateTime(DateTime.Today).AddDays(7 * (n < Few ? n : Ahead - n));
            using var made = client.PostAsJsonAsync(new Uri($"/api/assignments/{Site.Wedding}/copies", UriKind.Relative),
                new { name = $"Wedding {n}", day }).GetAwaiter().GetResult();
            made.EnsureSuccessStatusCode();
        }
        while (List().EnumerateArray().Any(a => !a.TryGetProperty("verdict", out _))) Thread.Sleep(500);

        JsonElement List() => client.GetFromJsonAsync<JsonElement>(new Uri("/api/assignments", UriKind.Relative)).GetAwaiter().GetResult();
    }

    /// <summary>From going to a page to its words drawn: in a fresh window, or by the link on another page.</summary>
    private static double Time(Page page, string path, int assignments, string? from = null)
    {
        var all = new List<double>();
        for (var round = 0; round < Rounds; round++)
        {
            page.Open(from ?? path);
            Thread.Sleep(Settled);
            // The page goes there by itself and is asked once it is long there: being asked meanwhile would be timed along with the work.
            page.Driver.ExecuteScript(from is null ? "setTimeout((to) => location.assign(to), 300, arguments[0])"
                : "setTimeout((to) => { look(); document.querySelector(`a[href='${to}']`).click(); }, 300, arguments[0])", path);
            Thread.Sleep(Settled);
            all.Add(Convert.ToDouble(page.Driver.ExecuteScript("return window.drawn"), CultureInfo.InvariantCulture));
        }
        all.Sort();
        var way = from is null ? path : $"{path} from a day";
        Console.Write(FormattableString.Invariant($"{way} with {assignments} assignments, {Rounds} times to its words drawn: median {all[Rounds / 2]:0} ms, "));
        Console.WriteLine(FormattableString.Invariant($"90 % under {all[Rounds * 9 / 10]:0} ms, slowest {all[^1]:0} ms"));
        return all[Rounds / 2];
    }
}
