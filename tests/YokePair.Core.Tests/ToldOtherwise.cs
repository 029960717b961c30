using System.Text.Json.Nodes;
using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>
/// The day with one of everything, each time with something otherwise: each line of <c>Lines/otherwise.txt</c> names the views, and after a bar
/// what is otherwise, by id (a need's after its part's), as in a plan file; the text beside it has what is told otherwise then.
/// </summary>
public sealed class ToldOtherwise
{
    /// <summary>Lines shown of what is told otherwise in a view; of the rest only that it is the same as was agreed.</summary>
    private const int Shown = 12;

    private static readonly Lazy<string> Barn = new(() => File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Lines/barn-day.json")));

    public static TheoryData<string> Subjects => new(Lines().Select(l => l.Subject).Distinct());

    [Theory]
    [Trait("Takes", "long")]
    [MemberData(nameof(Subjects))]
    public void What_is_told_otherwise_where_a_thing_is_otherwise_is_what_was_agreed(string subject)
    {
        var was = new Dictionary<string, string[]>(StringComparer.Ordinal);
        var day = new DayAnalysis(BarnDay.Plan);
        Told.Compare($"otherwise.{subject}", string.Join('\n', Lines().Where(l => l.Subject == subject).Select(line =>
        {
            var read = PlanFile.Read(System.Text.Encoding.UTF8.GetBytes(Otherwise(line.Changes)));
            if (read.Plan is null || read.Problems.Count > 0)
                return $"{line.Whole}\n  {string.Join("; ", read.Problems.Select(p => $"{p.Field}: {p.Message}"))}";
            var then = new DayAnalysis(read.Plan);
            return line.Whole + string.Concat(line.Views.Select(view =>
            {
                if (!was.TryGetValue(view, out var before)) was[view] = before = Text(view, day);
                return Difference(view, before, Text(view, then));
            }));
        })));
    }

    private static string[] Text(string view, DayAnalysis day) =>
        [.. Readable.Of((ToldTests.Views.GetValueOrDefault(view) ?? ToldChoices.Views[view])(day)).Split('\n').Select(l => l.Trim()).Where(l => l.Length > 0)];

    private static string Difference(string view, string[] was, string[] now)
    {
        string[] gone = [.. Told.Only(was, now).Select(l => $"    - {l}")], come = [.. Told.Only(now, was).Select(l => $"    + {l}")];
        if (gone.Length + come.Length == 0) return $"\n  {view} is the same";
        string[] shown = [.. gone.Take(Shown / 3), .. come.Take(Shown - Math.Min(gone.Length, Shown / 3))];
        var all = string.Join('\n', gone.Concat(come));
        var rest = shown.Length == gone.Length + come.Length ? "" : $"\n    and {gone.Length + come.Length - shown.Length} more, {Mark(all)}";
        return $"\n  {view}\n{string.Join('\n', shown)}{rest}";
    }

    private static string Mark(string text) => Convert.ToHexStringLower(
        System.Security.Cryptography.SHA256.HashData(System.Text.Encoding.UTF8.GetBytes(text)))[..8];

    /// <summary>The file with what the words ask for: <c>id {fields}</c>, null for none, <c>-id </c> for the thing taken out; several apart by
    /// semicolons.</summary>
    private static string Otherwise(string changes)
    {
        var plan = JsonNode.Parse(Barn.Value)!;
        foreach (var change in changes.Split(" ; "))
        {
            var space = change.IndexOf(' ');
            var id = space < 0 ? change : change[..space];
            if (id[0] == '-')
            {
                var gone = Find(plan, id[1..]);
                gone.Parent!.AsArray().Remove(gone);
                continue;
            }
            foreach (var (field, value) in JsonNode.Parse(change[space..])!.AsObject())
            {
                var thing = Find(plan, id);
                if (value is null) thing.Remove(field);
                else thing[field] = value.DeepClone();
            }
        }
        return plan.ToJsonString();
    }

    private static JsonObject Find(JsonNode node, string id)
    {
        return id.Split('/').Aggregate((JsonNode?)node, Seek) as JsonObject ?? throw new ArgumentException($"There is no {id} in the day.");

        static JsonNode? Seek(JsonNode? at, string id) => at switch
        {
            JsonObject o when (string?)(o["id"] as JsonValue) == id || o.GetPath() == $"$.{id}" => o,
            JsonObject o => o.Select(p => Seek(p.Value, id)).FirstOrDefault(f => f is not null),
            JsonArray a => a.Select(inner => Seek(inner, id)).FirstOrDefault(f => f is not null),
            _ => null,
        };
    }

    private static IEnumerable<(string Subject, string[] Views, string Changes, string Whole)> Lines()
    {
        var (subject, with) = ("", "");
        foreach (var line in File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Lines/otherwise.txt")).Where(l => l.Length > 0))
        {
            if (line[0] == '#') (subject, with) = (line[1..].Trim(), "");
            else if (line.StartsWith("with: ", StringComparison.Ordinal)) with = line[6..] + " ; ";
            else if (line.Split(" | ", 2) is [var views, var changes]) yield return (subject, views.Split(' '), with + changes, line);
        }
    }
}
