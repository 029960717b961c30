using System.Globalization;
using YokePair.Browser;

namespace YokePair.Bench;

/// <summary>
/// From an edit to the new verdict drawn, in a real browser against a real server and file: the page itself takes the
/// time of the pointer's release, or of a choice made, and of the frame after the board's revision changed.
/// </summary>
internal static class PageLatency
{
    private const int Edits = 40;

    public static int Measure()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open(Page.Wedding);
        page.VerdictBecomes("Two needs");
        page.Driver.ExecuteScript("""
            let made = 0;
            const edited = () => { made = performance.now(); };
            addEventListener("pointerup", edited, true);
            addEventListener("change", edited, true);
            new MutationObserver(() => requestAnimationFrame(() => setTimeout(() => {
              if (!made) return;
              const sent = performance.getEntriesByType("resource").findLast((r) => r.name.endsWith("/edits"));
              window.taken.push([performance.now() - made, sent.duration]);
              made = 0;
            }))).observe(document.querySelector("[data-revision]"), { attributeFilter: ["data-revision"] });
            """);
        // As on a server that has been at work for a while: its compiler makes what is asked often faster, the first edits pay for that.
        Time(page, "to warm up, drags", DragOne);
        var drags = Time(page, "glass into a hand (one part changes)", DragOne);
        page.Thing("m60").Click();
        Time(page, "to warm up, packing", PackOne);
        var moves = Time(page, "a thing packed elsewhere (every part changes)", PackOne);
        return Math.Max(drags, moves) < 100 ? 0 : 1;

        void PackOne(int edit) => page.Choose("[aria-label=Inspector] select:has(option[value=car])", edit % 2 == 0 ? "car" : "roller");

        void DragOne(int edit) => page.Drag(page.Thing(edit % 2 == 0 ? "m60" : "m100"), page.Hand("details", "lead", "right"));
    }

    private static double Time(Page page, string what, Action<int> edit)
    {
        page.Driver.ExecuteScript("window.taken = []");
        for (var i = 0; i < Edits; i++)
        {
            edit(i);
            // Waits inside the page: asking it again and again would be timed along with the work.
            page.Driver.ExecuteAsyncScript($$"""
                const done = arguments[0];
                const look = () => (window.taken.length > {{i}} ? done() : setTimeout(look, 300));
                setTimeout(look, 300);
                """);
        }
        var all = Column(0);
        var median = all[Edits / 2];
        Console.Write(FormattableString.Invariant(
            $"{what}, {Edits} edits to the verdict drawn: median {median:0} ms (of it the answer {Column(1)[Edits / 2]:0}), "));
        Console.WriteLine(FormattableString.Invariant($"90 % under {all[Edits * 9 / 10]:0} ms, slowest {all[^1]:0} ms"));
        return median;

        double[] Column(int at) =>
            [.. ((IEnumerable<object>)page.Driver.ExecuteScript($"return window.taken.map((t) => t[{at}])")!)
                .Select(t => Convert.ToDouble(t, CultureInfo.InvariantCulture)).Order()];
    }
}
