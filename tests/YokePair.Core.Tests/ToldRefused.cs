using System.Collections;
using System.Reflection;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>
/// Every field of a plan file with things in it that cannot be, and what is said of each, word for word: a field whose check goes missing
/// is seen in the difference.
/// </summary>
public sealed class ToldRefused
{
    /// <summary>One thing of each kind, one of each record, every list with something in it.</summary>
    private const string Whole = """
        {"format":"yoke-pair/plan","version":1,
         "assignment":{"id":"a","name":"Barn","latitude":45,"longitude":8},
         "rules":{"tolerance":{},"cards":{},"power":{},"house":{},"carry":{},"sending":{}},
         "people":[{"id":"lead","handOverSeconds":10,"seconds":{}},{"id":"help","role":"assistant","handOverSeconds":10}],
         "places":[{"id":"bag","reachSeconds":60},{"id":"belt","reachSeconds":3,"person":"lead"}],
         "items":[
           {"id":"b1","kind":"body","place":"bag","mount":"K","megapixels":24,"isoCeiling":6400,"batteryType":"LB","slots":[{"type":"SD"}],
             "modes":[{"name":"fast","fps":20,"megapixels":24}]},
           {"id":"l1","kind":"lens","place":"bag","mount":"K","focal":[24,70],"aperture":[2.8,2.8],"minFocusM":0.4},
           {"id":"ad","kind":"adapter","place":"bag","lensMount":"E","bodyMount":"K"},{"id":"x2","kind":"converter","place":"bag","mount":"K","factor":2,
             "stops":2},
           {"id":"tu","kind":"tube","place":"bag","mount":"K","extensionMm":20},{"id":"f1","kind":"flash","place":"bag","guideNumber":36},{"id":"f2",
             "kind":"flash","place":"bag","guideNumber":36},
           {"id":"bat","kind":"battery","place":"bag","type":"LB"},{"id":"aa","kind":"cells","place":"bag","type":"AA"},{"id":"c1","kind":"card",
             "place":"bag","type":"SD"},
           {"id":"tx","kind":"trigger","place":"bag","sends":"R1"},{"id":"p1","kind":"pack","place":"bag","outlets":2},{"id":"ch","kind":"charger",
             "place":"bag","bays":2},
           {"id":"pb","kind":"powerbank","place":"bag"},{"id":"gr","kind":"grip","place":"bag"},{"id":"rd","kind":"reader","place":"bag"},{"id":"dr",
             "kind":"drive","place":"bag"},
           {"id":"s1","kind":"support","place":"bag","form":"stand"},{"id":"led","kind":"light","place":"bag","luxAtOneM":500},{"id":"um","kind":"modifier",
             "place":"bag"},
           {"id":"nd","kind":"filter","place":"bag","threadMm":67},{"id":"ro","kind":"carry","place":"bag"},{"id":"bx","kind":"case","place":"bag"},
             {"id":"ot","kind":"other","place":"bag"}],
         "pairs":[{"a":"b1","b":"l1","fit":"full"}],
         "events":[{"id":"e","name":"Dropped","items":["b1"],"fromPart":"dance"}],
         "parts":[{"id":"dance","ev":3,"start":"2027-06-12T20:00","end":"2027-06-12T21:00","stayBehindM":4,"temperatureC":20,"noted":{"fNumber":2.8,
           "shutterSeconds":0.01,"iso":3200},
           "frames":{"low":1,"likely":2,"high":3},"ceiling":{"ceilingM":3},"reachSeconds":{"bag":20},"present":["lead","help"],"unreachable":["belt"],
             "changes":["b1"],
           "taught":[{"figure":"ev","value":3,"usual":4,"jobs":2}],"use":[{"item":"led","minutes":10},{"item":"b1","sends":{"to":"agency","frames":10,
             "minutes":10}}],
           "setups":[{"person":"lead","body":"b1","lens":"l1","trigger":"tx","battery":"bat","cards":["c1"]}],
           "lights":[{"flash":"f1","holder":"s1","pack":"p1"},{"light":"led"}],
           "needs":[{"id":"n","focal":[24,50],"accept":[20,60],"framing":{"heightM":1.8,"distanceM":[3,5]},"motion":"talking","shutterSeconds":0.01,
             "depthM":[2,3],
             "deliverable":{"widthCm":30,"heightCm":20},"due":{"to":"agency","frames":10,"minutes":10},"stands":{"count":1,"distanceM":3},
               "bounce":{"ceilingM":3},"momentSeconds":5,"maxFNumber":4}]}]}
        """;

    private static readonly string[] Odd = ["-1", "0", "1e9", "\"\"", "\"nowhere\"", "null", "[3,2]", "{}", "\"1999-01-01T10:00\"",
        $"\"{new string('x', 400)}\""];

    [Fact]
    [Trait("Takes", "long")]
    public void What_is_said_of_each_field_that_cannot_be_is_what_was_agreed()
    {
        Assert.Equal("", string.Join("; ", Problems(Whole)));
        var fields = new List<(string Path, string Name)>();
        Walk(JsonNode.Parse(Whole)!, typeof(Plan), "", fields);
        Told.Compare("refused", string.Join('\n', fields.SelectMany(f => Odd.Select(value => (f.Path, f.Name, Value: value)).Concat(Lists(f))
            .Select(c => (c.Path, c.Name, c.Value, Said: Said(c.Path, c.Name, c.Value))).Where(c => c.Said.Length > 0)
            .GroupBy(c => c.Said, (said, same) =>
                $"{f.Path}{(f.Path.Length > 0 ? "." : "")}{f.Name} = "
                    + $"{string.Join(" or ", same.Select(c => c.Value.Length > 60 ? c.Value[..20] + "…" : c.Value))}\n{said}"))));
    }

    [Fact]
    public void What_is_said_of_a_file_that_is_none_is_what_was_agreed()
    {
        string[] files =
        [
            "", "null", "[]", "{", Whole[..400], Whole.Replace("\"version\":1", "\"version\":1,\"version\":1", StringComparison.Ordinal),
            Whole.Replace("\"kind\":\"pack\",", "", StringComparison.Ordinal),
                Whole.Replace("\"kind\":\"pack\"", "\"kind\":\"sled\"", StringComparison.Ordinal),
            Whole.Replace("\"people\":", $"\"extra\":{new string('[', 70)}{new string(']', 70)},\"people\":", StringComparison.Ordinal),
            Whole.Replace("\"pairs\":[", "\"pairs\":[{\"a\":\"l1\",\"b\":\"b1\",\"fit\":\"no\"},", StringComparison.Ordinal),
            Whole.Replace("\"fromPart\":\"dance\"", "\"fromPart\":\"dance\",\"untilPart\":\"supper\"", StringComparison.Ordinal),
        ];
        Told.Compare("refused.files", string.Join('\n', files.Select(f => string.Join("; ", Problems(f)))));
        Assert.Contains("at most", Assert.Single(PlanFile.Read(new byte[PlanFile.MaxBytes + 1]).Problems).Message, StringComparison.Ordinal);
        Assert.Equal("would have 0.0 MB; at most 0.0 MB can be kept", PlanFile.Unkeepable("{ }"u8, 2)?.Message);
        Assert.Null(PlanFile.Unkeepable("{ }"u8, 3));
        Assert.Contains("nested deeper", PlanFile.Unkeepable(System.Text.Encoding.UTF8.GetBytes(new string('[', 70) + new string(']', 70)))?.Message,
            StringComparison.Ordinal);
    }

    /// <summary>A list with nothing in it, with a hole, and with its first twice.</summary>
    private static IEnumerable<(string Path, string Name, string Value)> Lists((string Path, string Name) f)
    {
        if (At(JsonNode.Parse(Whole)!, f.Path)[f.Name] is not JsonArray { Count: > 0 } list) return [];
        return [(f.Path, f.Name, "[]"), (f.Path, f.Name, "[null]"), (f.Path, f.Name, $"[{list[0]!.ToJsonString()},{list.ToJsonString()[1..]}")];
    }

    private static string Said(string path, string name, string value)
    {
        var root = JsonNode.Parse(Whole)!;
        At(root, path)[name] = JsonNode.Parse(value);
        return string.Join('\n', Problems(root.ToJsonString()).Take(2).Select(p => "  " + p));
    }

    private static IEnumerable<string> Problems(string file) =>
        PlanFile.Read(System.Text.Encoding.UTF8.GetBytes(file)).Problems.Select(p => (p with { Line = null }).ToString());

    private static JsonObject At(JsonNode root, string path)
    {
        var node = root;
        foreach (var step in path.Split('.', StringSplitOptions.RemoveEmptyEntries))
        {
            var open = step.IndexOf('[', StringComparison.Ordinal);
            node = open < 0 ? node[step]! : node[step[..open]]![int.Parse(step[(open + 1)..^1], System.Globalization.CultureInfo.InvariantCulture)]!;
        }
        return node.AsObject();
    }

    private static void Walk(JsonNode node, Type type, string path, List<(string Path, string Name)> fields)
    {
        foreach (var property in PlanFile.JsonOptions.GetTypeInfo(type).Properties.Where(p => !p.IsExtensionData))
        {
            fields.Add((path, property.Name));
            var inner = path.Length > 0 ? $"{path}.{property.Name}" : property.Name;
            var own = property.PropertyType;
            if (node[property.Name] is JsonObject one && IsOurs(own)) Walk(one, own, inner, fields);
            else if (node[property.Name] is JsonArray list && own.IsGenericType && own.GetGenericArguments()[0] is var element && IsOurs(element))
                for (var i = 0; i < list.Count; i++)
                    if (list[i] is JsonObject member && (i == 0 || element == typeof(Item))) Walk(member, Derived(element, member), $"{inner}[{i}]", fields);
        }
    }

    private static bool IsOurs(Type type) => type.Assembly == typeof(Plan).Assembly && !typeof(IEnumerable).IsAssignableFrom(type) && !type.IsEnum;

    private static Type Derived(Type type, JsonObject node) => type.GetCustomAttributes<JsonDerivedTypeAttribute>()
        .FirstOrDefault(d => d.TypeDiscriminator as string == node["kind"]?.GetValue<string>())?.DerivedType ?? type;
}
