using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>Takes the pictures of docs/screenshots from the demo days; run by <c>./yoke shots</c> only.</summary>
public sealed class Shots
{
    private static readonly string Folder = Path.Combine(Site.Root, "docs/screenshots");

    [Theory(Explicit = true)]
    [InlineData("board-table", "table", "")]
    [InlineData("board-hall", "hall", "")]
    [InlineData("board-hall-pull", "hall", "?pull=ad1%40details")]
    [InlineData("inspector-need", "table", "?part=details&need=ring")]
    [InlineData("inspector-hand", "table", "?part=details&hand=lead%3Aright")]
    [InlineData("inspector-part", "table", "?part=vows")]
    [InlineData("inspector-item", "hall", "?item=ad1")]
    public void Of_the_board(string name, string theme, string query)
    {
        using var site = new Site(seed: true);
        using var page = new Page(site, theme: theme).Open(Page.Wedding + query);
        Take(page, name);
    }

    [Theory(Explicit = true)]
    [InlineData("phone-day", "")]
    [InlineData("phone-need", "?part=dinner&need=speaker")]
    public void Of_the_phone(string name, string query)
    {
        using var site = new Site(seed: true);
        using var page = new Page(site, 390, 844, touch: true, theme: "hall").Open(Page.Wedding + query);
        Take(page, name);
    }

    [Fact(Explicit = true)]
    public void Of_the_other_views()
    {
        using var site = new Site(seed: true);
        using var page = new Page(site).Open("/");
        page.Find("main li");
        page.Picture(Path.Combine(Folder, "assignments.png"));
        Take(page.Open("/track-night/day"), "board-sport");
    }

    private static void Take(Page page, string name)
    {
        page.Find("[data-need]");
        // Explanations and mends follow the board by a moment.
        Thread.Sleep(2500);
        page.Driver.ExecuteScript("document.activeElement?.blur()");
        page.Hands.MoveToLocation(5, 5).Perform();
        page.Picture(Path.Combine(Folder, name + ".png"));
        Assert.DoesNotContain(page.Driver.FindElements(By.CssSelector("[role=alert]")), a => a.Displayed);
    }
}
