using System.Globalization;
using System.Text.Json;

namespace YokePair.Browser.Tests;

/// <summary>What goes over the wire for a click: requests to the program, and their bytes as sent.</summary>
public sealed class WireStories
{
    [Fact]
    public void An_edit_an_undo_and_a_pull_are_one_request_and_an_open_panel_is_one_more()
    {
        var site = Site.Shared;
        using var page = new Page(site).Open(Page.Wedding);
        page.VerdictBecomes("Two needs");

        // With nothing open. Twice, as what a page remembers of an earlier pull must not cost later edits anything.
        for (var round = 0; round < 2; round++)
        {
            var edit = Wire(page, () => page.Drag(page.Thing("m60"), page.Hand("details", "lead", "right")), atLeast: 1);
            Assert.Equal(["edits"], edit.Paths);
            Assert.InRange(edit.Bytes, 1000, 12_000);
            var undo = Wire(page, () => page.Button("Undo").Click(), atLeast: 1);
            Assert.Equal(["undo"], undo.Paths);
            Assert.InRange(undo.Bytes, 1000, 12_000);
            page.Button("Pull test").Click();
            var pull = Wire(page, () => page.Thing("ad1").Click(), atLeast: 1);
            Assert.Equal(["board"], pull.Paths);
            // The plan is on the page already, and stays out of it.
            Assert.InRange(pull.Bytes, 500, 9_000);
            Assert.Equal(["board"], Wire(page, () => page.Press(OpenQA.Selenium.Keys.Escape), atLeast: 1).Paths);
        }

        // With the panel of a need open.
        page.Open(Page.Wedding + "?part=vows&need=kiss");
        page.Until(() => page.Text("section[aria-label=Inspector]").Contains("survives any two failures", StringComparison.Ordinal), "the need");
        Assert.Equal(["edits", "kiss"], Wire(page, () => page.Drag(page.Thing("m60"), page.Hand("details", "lead", "right")), atLeast: 2).Paths);
        Assert.Equal(["kiss", "undo"], Wire(page, () => page.Button("Undo").Click(), atLeast: 2).Paths);
        page.Button("Pull test").Click();
        Assert.Equal(["board", "kiss"], Wire(page, () => page.Thing("ad1").Click(), atLeast: 2).Paths);
    }

    /// <summary>What the page asked for because of something, until it asks for nothing more.</summary>
    private static (IReadOnlyList<string> Paths, int Bytes) Wire(Page page, Action act, int atLeast = 0)
    {
        Quiet(page);
        page.Driver.ExecuteScript("performance.clearResourceTimings()");
        act();
        var asked = Quiet(page, atLeast);
        return ([.. asked.Select(a => a.Path).Order(StringComparer.Ordinal)], asked.Sum(a => a.Bytes));
    }

    /// <summary>Waits until nothing has been asked for a second.</summary>
    private static List<(string Path, int Bytes)> Quiet(Page page, int atLeast = 0)
    {
        var all = $"/api/assignments/{page.Key}/";
        // What comes line by line is seen only when it has ended, which on a busy machine may take longer.
        var patience = DateTime.UtcNow.AddSeconds(20);
        for (var before = -1; ; Thread.Sleep(1000))
        {
            var json = (string)page.Driver.ExecuteScript(
                "return JSON.stringify(performance.getEntriesByType('resource').map((r) => [new URL(r.name).pathname, r.encodedBodySize]))")!;
            var asked = JsonSerializer.Deserialize<JsonElement[][]>(json)!.Select(r => (Path: r[0].GetString()!, Bytes: r[1].GetInt32()))
                .Where(r => r.Path.StartsWith(all, StringComparison.Ordinal)).ToList();
            if (asked.Count == before && (asked.Count >= atLeast || DateTime.UtcNow > patience)) return [
                .. asked.Select(a => (a.Path[all.Length..].Split('/')[^1].ToLower(CultureInfo.InvariantCulture), a.Bytes))];
            before = asked.Count;
        }
    }
}
