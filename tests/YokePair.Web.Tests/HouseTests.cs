using Microsoft.Extensions.Configuration;
using YokePair.Data;
using YokePair.Web.House;

namespace YokePair.Web.Tests;

/// <summary>What the house may be opened with; all else is refused with what to say instead.</summary>
public sealed class HouseTests
{
    private static HouseSettings? Of(params (string Key, string Value)[] said) => HouseSettings.From(
        new ConfigurationBuilder().AddInMemoryCollection(said.ToDictionary(s => s.Key, s => (string?)s.Value)).Build());

    [Fact]
    public void Nothing_of_it_is_there_unasked()
    {
        Assert.Null(Of());
        Assert.Null(Of(("plain", "true")));
    }

    [Fact]
    public void Plain_or_behind_a_proxy_it_answers_to_its_own_names_alone()
    {
        var plain = Of(("house", "http://127.0.0.1:5711"), ("plain", "true"))!;
        Assert.Equal((true, "127.0.0.1:5711"), (plain.IsPlain, Assert.Single(plain.Hosts)));
        Assert.Contains("anyone on that network can read along", plain.Said, StringComparison.Ordinal);
        var behind = Of(("house", "http://127.0.0.1:5711"), ("behind", "https://lists.example"))!;
        Assert.Equal((false, "lists.example", "https://lists.example/"), (behind.IsPlain, Assert.Single(behind.Hosts), behind.Address.ToString()));
        // On every address it answers to each of this machine's, and never to any name.
        Assert.All(Of(("house", "http://0.0.0.0:5711"), ("plain", "true"))!.Hosts, h => Assert.EndsWith(":5711", h, StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("lists", null, null, "no address to listen at")]
    [InlineData("ftp://0.0.0.0:5711", null, null, "no address to listen at")]
    [InlineData("http://0.0.0.0:5711", null, null, "say --plain true")]
    [InlineData("https://0.0.0.0:5711", null, null, "needs a certificate")]
    [InlineData("https://0.0.0.0:5711", "cert", "none.pem", "cannot be used")]
    [InlineData("http://0.0.0.0:5711", "behind", "https://lists.example", "listens on this machine alone")]
    [InlineData("http://127.0.0.1:5711", "behind", "http://lists.example", "no https address")]
    public void What_is_not_safe_is_refused(string url, string? key, string? value, string why)
    {
        (string, string)[] said = key is null ? [("house", url)] : [("house", url), (key, value!)];
        Assert.Contains(why, Assert.Throws<DataFolderException>(() => Of(said)).Message, StringComparison.Ordinal);
    }
}
