using OpenQA.Selenium;

namespace YokePair.Browser.Tests;

/// <summary>What is typed is what is meant, or it is asked about; nothing that was typed is lost.</summary>
public sealed class TypedStories
{
    [Fact]
    public void A_need_s_form_keeps_all_of_it_until_what_cannot_be_read_is_mended()
    {
        using var page = new Page(Site.Shared).Open(Page.Wedding);
        page.Need("vows/rings").Click();
        page.Button("Change what it asks").Click();
        Type(page, "From, m", "5,6");
        Type(page, "to, m", "fast");
        Type(page, "Shutter", "250");
        page.Button("Change it").Click();
        page.Until(() => page.Text(Form).Contains("\"fast\" is not understood; write it as 5 m", StringComparison.Ordinal), "what would do, at its field");
        Assert.Contains("\"250\" may be 1/250 or 250 s", page.Text(Form), StringComparison.Ordinal);
        Assert.Equal("5,6", Field(page, "From, m").GetAttribute("value"));
        Assert.Equal("true", Field(page, "to, m").GetAttribute("aria-invalid"));

        Type(page, "to, m", "700 cm");
        Type(page, "Shutter", "1/250");
        Type(page, "f/", "-5", after: "or ");
        page.Button("Change it").Click();
        // The server, too, says it at the field.
        page.Until(() => page.Text(Form).Contains("a distance alone frames nothing", StringComparison.Ordinal), "what is missing, at the distance");
        page.Choose(Form + " select:has(option[value=halfLength])", "halfLength");
        page.Button("Change it").Click();
        page.Until(() => Field(page, "or f/").GetAttribute("aria-invalid") == "true", "the f-number refused where it was typed");
        Type(page, "or f/", "");
        page.Button("Change it").Click();
        page.Until(() => !page.Has(Form), "the form closed once the change was made");
        page.Button("Change what it asks").Click();
        page.Until(() => Field(page, "From, m").GetAttribute("value") == "5.6" && Field(page, "to, m").GetAttribute("value") == "7",
            "metres, as they were meant");
    }

    [Fact]
    public void Lines_of_a_notebook_are_read_guesses_shown_and_refused_ones_survive_a_reload()
    {
        using var site = new Site(seed: false);
        using var page = new Page(site).Open("/locker");
        page.Find("#quick").SendKeys("Halm 45 45MP dual SD ISO 12 800 battery LB7 mount K2" + Keys.Shift + Keys.Enter + Keys.Null
            + "body Orrin 20MP K2 SD ISO 12.800 LB2");
        page.Until(() => page.Driver.FindElements(By.CssSelector("[aria-label=Understood] li")).Count == 2, "two lines read");
        Assert.Contains("taken for, by its megapixels", page.Text("[data-line='1']"), StringComparison.Ordinal);
        Assert.Contains("may be 12800 or 12.8", page.Text("[data-line='2']"), StringComparison.Ordinal);
        // One touch puts the cursor on what was guessed.
        page.Find("[data-line='1'] button").Click();
        Assert.Equal("45", page.Driver.ExecuteScript("const q = document.querySelector('#quick'); return q.value.slice(q.selectionStart, q.selectionEnd)"));
        page.Find("#quick").SendKeys(Keys.Enter);
        page.Until(() => page.Find("#quick").GetAttribute("value") == "body Orrin 20MP K2 SD ISO 12.800 LB2", "the refused line left");
        page.Driver.Navigate().Refresh();
        Assert.Equal("body Orrin 20MP K2 SD ISO 12.800 LB2", page.Find("#quick").GetAttribute("value"));
    }

    [Fact]
    public void A_spreadsheet_is_matched_column_by_column_and_its_good_rows_go_in()
    {
        using var site = new Site(seed: false);
        using var page = new Page(site).Open("/locker/import");
        var file = Path.Combine(Path.GetTempPath(), $"yoke-{Guid.NewGuid():N}.csv");
        File.WriteAllText(file, "Category,Item,Thread,Weight (kg),Qty\nLens,24-70/2.8,K2,0.82,\nLens,something wide,K2,,\nBattery,LB7,,,6\n");
        page.Find("label:has(input[type=file])");
        page.Driver.FindElement(By.CssSelector("input[type=file]")).SendKeys(file);
        page.VerdictBecomes("6 new, 2 refused.");
        page.Choose("[aria-label=Columns] li:nth-child(3) select", "mount");
        page.VerdictBecomes("7 new, 1 refused.");
        Assert.Contains("weight 820 g", page.Text("section[aria-label=Rows]"), StringComparison.Ordinal);
        page.Button("Keep the 7 good ones").Click();
        page.VerdictBecomes("7 added, 0 changed.");
        // The same headings are matched as they were chosen.
        page.Driver.FindElement(By.CssSelector("input[type=file]")).SendKeys(file);
        page.Until(() => page.Text("main").Contains("matched as you did before", StringComparison.Ordinal), "the columns remembered");
        page.VerdictBecomes("7 unchanged, 1 refused.");
        File.Delete(file);
    }

    private const string Form = "form[aria-label='Change the need']";

    private static IWebElement Field(Page page, string label) =>
        page.Driver.FindElement(By.XPath($"//form[@aria-label='Change the need']//label[normalize-space(text())='{label}']/input"));

    internal static void Type(Page page, string label, string text, string after = "")
    {
        var input = Field(page, after + label);
        input.SendKeys(Keys.Control + "a");
        input.SendKeys(text.Length == 0 ? Keys.Delete : text);
    }
}
