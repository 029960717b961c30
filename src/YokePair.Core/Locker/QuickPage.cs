using System.Text.RegularExpressions;
using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>
/// Reads a page of a notebook: lines under headings (<c>Glass (all V mount)</c>), and lines that name several things (<c>35 1.8, 50 1.8</c>),
/// which become a line each. Each line is given back so that it says all by itself when it is typed alone.
/// </summary>
internal sealed partial class QuickPage(KnownWords words)
{
    // A heading is no thing: what stands alone in the plural, or gathers. An underscore is a space.
    private const string HeadingTable = """
        body:    bodies cameras gehäuse kameras boîtiers appareils
        lens:    glass lenses objektive optik objectifs optiques
        flash:   flashes blitze flashs
        light:   light lights lighting licht lumière
        battery: batteries akkus power strom
        card:    cards media karten cartes
        support: support supports stative pieds
        case:    bags taschen sacs
        other:   other others misc miscellaneous accessories various kit gear my_kit my_gear equipment
        other:   zubehör sonstiges diverses ausrüstung accessoires divers matériel
        """;

    private static readonly Dictionary<string, string> Headings =
        QuickWords.Table(HeadingTable).ToDictionary(w => w.Word, w => w.Of, StringComparer.OrdinalIgnoreCase);

    private KnownWords known = words;
    private string? under, mount;

    /// <summary>Reads each line that holds anything; what earlier lines name is known to later ones.</summary>
    public IReadOnlyList<QuickLine> Read(string text)
    {
        var read = new List<QuickLine>();
        var lines = text.Split('\n', StringSplitOptions.TrimEntries);
        var last = Array.FindLastIndex(lines, l => l.Length > 0);
        for (var i = 0; i <= last && i < TypedLimits.Lines + 1; i++)
        {
            if (lines[i].Length == 0) continue;
            // The last line heads nothing: it is a thing.
            var one = TypedLimits.Beyond("text", lines[i], i + 1) is { } beyond ? [QuickAdd.Unread(lines[i], beyond)]
                : i < last && Heading(lines[i]) is { } heading ? [heading]
                : Things(lines[i]);
            read.AddRange(one.Select(l => l with { At = i + 1 }));
            known = known.And(KnownWords.Of(one.SelectMany(l => l.Things)));
        }
        return read;
    }

    private QuickLine? Heading(string line)
    {
        var (bare, said) = (OfAll().Replace(line, "").Trim(' ', ':', '-', '–', '#', '*', '=', '.'), OfAll().Match(line));
        if (!Headings.TryGetValue(bare, out var kind)) return null;
        (under, mount) = (kind == "other" ? null : kind, said.Success && said.Groups["mount"].Success ? said.Groups["mount"].Value : null);
        return new QuickLine(line, 0, $"{bare}: a heading", "", null, [], [], [], [], [])
        {
            Heading = mount is null ? "heads what follows" : $"heads what follows; where a line names no mount, it is {mount}",
        };
    }

    private List<QuickLine> Things(string line)
    {
        var whole = UnderHeading(line);
        var pieces = Pieces(line);
        if (pieces.Count < 2) return [whole];
        // Of two pieces the second goes on counting where the first ended.
        var (before, each) = (known, new List<QuickLine>());
        foreach (var piece in pieces)
        {
            each.Add(UnderHeading(piece));
            known = known.And(KnownWords.Of(each[^1].Things));
        }
        known = before;
        // Where the whole can be read, only what are things each by its own word are several.
        var isOne = whole.Kind.Length > 0 && whole.Problems.Count == 0;
        return each.TrueForAll(p => isOne ? p.Ready && p.KindBecause is null : p.Kind.Length > 0) ? each : [whole];
    }

    /// <summary>What the heading says is taken where the line says nothing: the kind, and the mount.</summary>
    private QuickLine UnderHeading(string line)
    {
        var read = QuickAdd.Read(line, known);
        if (read.Kind.Length == 0 && under is not null && line.Any(char.IsDigit) && QuickAdd.Read($"{under} {line}", known) is { Problems.Count: 0 } kind)
            read = kind with { KindBecause = "by the heading" };
        if (mount is null || read.Missing.All(m => m.Figure != "mount")) return read;
        var mounted = QuickAdd.Read($"{read.Line} mount {mount}", known);
        return mounted with { KindBecause = mounted.KindBecause ?? read.KindBecause };
    }

    /// <summary>The things of a line that names several; what stands before a colon holds for each that has no kind of its own.</summary>
    private List<string> Pieces(string line)
    {
        var cut = line.IndexOf(": ", StringComparison.Ordinal);
        var head = cut > 0 && line[..cut].All(c => char.IsLetter(c) || c is ' ' or '-') ? line[..cut] : "";
        var rest = head.Length > 0 ? line[(cut + 2)..] : line;
        return [.. Between().Split(rest).Where(p => p.Length > 0)
            .Select(p => head.Length > 0 && QuickAdd.Read(p, known) is { Kind.Length: 0 } or { Missing.Count: > 0 } ? Behind(p, head) : p)];
    }

    /// <summary>A count stays first: "SD: 4x 64GB" is four of them.</summary>
    private static string Behind(string piece, string head) =>
        FirstCount().Match(piece) is { Success: true } count ? $"{count.Value}{head} {piece[count.Length..]}" : $"{head} {piece}";

    [GeneratedRegex(@"\s*\((?:(?:all|both|alle|tous|toutes)\b\s*)?(?:(?<mount>[A-Z]\w{0,3})[\s-](?:mount|bajonett)|"
        + @"(?:mount|bajonett|monture)\s(?<mount>[A-Z]\w{0,3})|[^)\d]*)\)",
        RegexOptions.IgnoreCase)]
    private static partial Regex OfAll();

    [GeneratedRegex(@"(?:,|;|\s[–+&]|\s(?:and|und|et))\s+(?![^(]*\))")]
    private static partial Regex Between();

    [GeneratedRegex(@"^\d{1,3}\s?[x×]?\s+")]
    private static partial Regex FirstCount();
}
