using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;
using YokePair.Core.Pocket;
using YokePair.Web.House;

namespace YokePair.Web.Pocket;

/// <summary>
/// One page that stands by itself: styles, letters, script and the day inside it, and no way out. What it may run is told by the SHA-256 of
/// its own script and styles.
/// </summary>
/// <param name="host">Where the page lies that was built.</param>
/// <param name="json">How the day is written.</param>
/// <param name="house">Where records are given back; null = nowhere but by file.</param>
internal sealed partial class PocketPage(IWebHostEnvironment host, IOptions<JsonOptions> json, HouseSettings? house = null)
{
    private const string Built = "pocket.html", PaperMark = "<!--paper-->", DayMark = "<!--day-->", PolicyMark = "<!--policy-->";

    private readonly Lazy<Template?> template = new(() => Read(host));

    /// <param name="Day">The day.</param>
    /// <param name="Home">Where a record is given back.</param>
    private sealed record Carried(PocketDay Day, string? Home);

    private sealed record Template(string Whole, string WithoutScript, string Policy, string PaperPolicy);

    /// <summary>Whether the page was built.</summary>
    public bool IsThere => template.Value is not null;

    /// <summary>What its header says of what it may run.</summary>
    public string Policy(bool isPaper) => (isPaper ? template.Value!.PaperPolicy : template.Value!.Policy) + "; frame-ancestors 'none'";

    /// <summary>The page of a day.</summary>
    public string Of(PocketDay day)
    {
        var carried = new Carried(day, house is null ? null : new Uri(house.Address, "house").ToString());
        return template.Value!.Whole.Replace(PaperMark, CardHtml.Of(day.Cards), StringComparison.Ordinal)
            .Replace(DayMark, JsonSerializer.Serialize(carried, json.Value.SerializerOptions), StringComparison.Ordinal);
    }

    /// <summary>The cards alone.</summary>
    public string Of(IEnumerable<PaperCard> cards) => template.Value!.WithoutScript
        .Replace(PaperMark, CardHtml.Of(cards), StringComparison.Ordinal).Replace(DayMark, "null", StringComparison.Ordinal);

    private static Template? Read(IWebHostEnvironment host)
    {
        var file = host.WebRootFileProvider.GetFileInfo(Built);
        if (!file.Exists) return null;
        using var reader = new StreamReader(file.CreateReadStream());
        var page = reader.ReadToEnd();
        var scripts = Script().Matches(page).Select(m => m.Groups[1].Value).ToList();
        var styles = Style().Matches(page).Select(m => m.Groups[1].Value).ToList();
        const string rest = "img-src data:; font-src data:; base-uri 'none'; form-action 'none'";
        var policy = $"default-src 'none'; script-src {Hashes(scripts)}; style-src {Hashes(styles)}; {rest}";
        var paper = $"default-src 'none'; style-src {Hashes(styles)}; {rest}";
        return new Template(page.Replace(PolicyMark, Meta(policy), StringComparison.Ordinal),
            Script().Replace(page, "").Replace(PolicyMark, Meta(paper), StringComparison.Ordinal), policy, paper);
    }

    private static string Meta(string policy) => $"""<meta http-equiv="Content-Security-Policy" content="{policy}">""";

    private static string Hashes(IEnumerable<string> texts) =>
        string.Join(' ', texts.Select(t => $"'sha256-{Convert.ToBase64String(SHA256.HashData(Encoding.UTF8.GetBytes(t)))}'"));

    [GeneratedRegex("<script(?![^>]*application/json)[^>]*>(.*?)</script>", RegexOptions.Singleline)]
    private static partial Regex Script();

    [GeneratedRegex("<style[^>]*>(.*?)</style>", RegexOptions.Singleline)]
    private static partial Regex Style();
}
