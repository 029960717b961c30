using System.Globalization;
using YokePair.Browser;

namespace YokePair.Bench;

/// <summary>
/// From letting go of a drag to the new verdict drawn, in a real browser against a real server and file: the page itself
/// takes the time of the pointer's release and of the frame after the board's revision changed.
/// </summary>
internal static class PageLatency
{
    private const int Drags = 40;

    public static int Measure()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open(Page.Wedding);
        page.VerdictBecomes("Two needs");
        page.Driver.ExecuteScript("""
            window.taken = [];
            let released = 0;
            addEventListener("pointerup", () => { released = performance.now(); }, true);
            new MutationObserver(() => requestAnimationFrame(() => setTimeout(() => {
              if (released) window.taken.push(performance.now() - released);
              released = 0;
            }))).observe(document.querySelector("[data-revision]"), { attributeFilter: ["data-revision"] });
            """);
        for (var i = 0; i < Drags; i++)
        {
            page.Drag(page.Thing(i % 2 == 0 ? "m60" : "m100"), page.Hand("details", "lead", "right"));
            page.Until(() => Taken(page) > i, "a verdict");
        }
        var all = ((IEnumerable<object>)page.Driver.ExecuteScript("return window.taken")!).Select(t => Convert.ToDouble(t, CultureInfo.InvariantCulture)).Order().ToArray();
        Console.WriteLine(FormattableString.Invariant(
            $"release to verdict drawn, {all.Length} drags: median {all[all.Length / 2]:0} ms, 90 % under {all[all.Length * 9 / 10]:0} ms, slowest {all[^1]:0} ms"));
        return all[all.Length / 2] < 100 ? 0 : 1;
    }

    private static long Taken(Page page) => (long)page.Driver.ExecuteScript("return window.taken.length")!;
}
