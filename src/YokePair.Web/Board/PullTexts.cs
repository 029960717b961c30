using YokePair.Core.Plans;

namespace YokePair.Web.Board;

/// <summary>What is pulled, as addresses say it.</summary>
internal static class PullTexts
{
    /// <summary><c>part</c>, or <c>part..part</c> where it is mended by the second.</summary>
    private static Pulled Since(string item, string when) => when.Split("..") is [var from, var until] ? new Pulled(item, from.Length > 0 ? from : null, until) : new Pulled(item, when);

    /// <summary>Reads <c>item</c>, <c>item@part</c> or <c>item@part..part</c>; what the plan does not know is left out, so that an old link still opens.</summary>
    public static List<Pulled> Read(Plan plan, IReadOnlyList<string>? texts)
    {
        var pulls = new List<Pulled>();
        foreach (var text in texts ?? [])
        {
            var at = text.LastIndexOf('@');
            var pull = plan.Items.Any(i => i.Id == text) || at < 0 ? new Pulled(text) : Since(text[..at], text[(at + 1)..]);
            if (plan.Items.Any(i => i.Id == pull.Item)) pulls.Add(pull);
        }
        return pulls;
    }
}
