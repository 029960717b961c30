namespace YokePair.Browser.Tests;

public sealed class Accessibility
{
    [Theory]
    [InlineData("table")]
    [InlineData("hall")]
    public void No_view_has_serious_findings(string theme)
    {
        var site = Site.Shared;
        using var page = new Page(site, theme: theme);
        foreach (var path in new[]
                 {
                     "/", Page.Wedding, Page.Wedding + "?pull=ad1%40details", Page.Wedding + "?part=details&need=ring", Page.Wedding + "?part=vows",
                     Page.Wedding + "?part=vows&hand=lead%3Aright", Page.Wedding + "?item=ad1", Page.Wedding + "?part=floor", Page.Wedding + "?show=setups",
                         Page.Wedding + "?show=team",
                     Page.Wedding + "?part=vows&need=rings&bench=framing", Page.Wedding + "?part=floor&need=throw&bench=light",
                     "/locker", "/locker?day=2027-06-12&body=b4&thing=ad1", "/locker/import", "/locker/labels", "/steamer-wedding/what-if",
                 })
        {
            page.Open(path);
            page.Find(path == "/" ? "main li" : path.StartsWith("/locker", StringComparison.Ordinal) || path.EndsWith("what-if", StringComparison.Ordinal)
                ? "[data-testid=verdict]" : "[data-need]");
            Thread.Sleep(400);
            var findings = page.AccessibilityFindings();
            Assert.True(findings.Count == 0, $"{path}\n{string.Join('\n', findings)}");
        }
    }

    [Fact]
    public void Nor_has_the_phone()
    {
        var site = Site.Shared;
        using var page = new Page(site, 390, 844, touch: true, theme: "hall");
        foreach (var path in new[] { "/", Page.Wedding, Page.Wedding + "?part=details&need=ring", Page.Wedding + "?part=floor&need=throw&bench=light",
            Page.Wedding + "?part=floor", "/locker?thing=z70" })
        {
            page.Open(path);
            page.Find(path == "/" ? "main li" : path.StartsWith("/locker", StringComparison.Ordinal) || path.EndsWith("what-if", StringComparison.Ordinal)
                ? "[data-testid=verdict]" : "[data-need]");
            Thread.Sleep(400);
            var findings = page.AccessibilityFindings();
            Assert.True(findings.Count == 0, $"{path}\n{string.Join('\n', findings)}");
        }
    }
}
