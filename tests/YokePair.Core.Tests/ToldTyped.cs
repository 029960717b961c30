using YokePair.Core.Locker;
using YokePair.Core.Starting;

namespace YokePair.Core.Tests;

/// <summary>What is understood of what people type: every word there is for a thing, a figure and a column, each in a line of its own.</summary>
public sealed class ToldTyped
{
    private static readonly KnownWords Known = new(new HashSet<string> { "K1", "K2" }, new HashSet<string> { "LB7", "LB2" }, new HashSet<string> { "R24" });

    private static IEnumerable<string> Lines(string file, string? subject = null)
    {
        var under = subject;
        foreach (var line in File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Lines", file)).Where(l => l.Length > 0))
        {
            if (line[0] == '#') under = subject is null ? null : line[1..].Trim();
            else if (under == subject) yield return line;
        }
    }

    [Theory]
    [InlineData("thing")]
    [InlineData("said")]
    [InlineData("measured")]
    [InlineData("guessed")]
    [InlineData("headings")]
    public void What_is_understood_of_a_word_is_what_was_agreed(string subject) => Told.Compare($"typed.{subject}",
        string.Join('\n', Lines("gear-words.txt", subject).Select(l => $"{l}\n{Page(l.Replace("\\n", "\n", StringComparison.Ordinal))}")));

    [Fact]
    public void What_is_understood_of_a_line_of_a_notebook_is_what_was_agreed() => Told.Compare("typed.lines",
        string.Join('\n', Lines("quick-lines.txt").Select(l => l.Split(" → ")[0]).Select(l => $"{l}\n{Page(l)}")));

    private static string Page(string page) => string.Join('\n', QuickAdd.ReadAll(page, Known).Select(read =>
    {
        string[] said =
        [
            $"{read.At} {read.Kind}{(read.KindBecause is { } why ? $" ({why})" : "")}: {read.Summary}",
            .. read.Understood.Select(u => $"  {u}"),
            .. read.Missing.Select(m => $"  ? {m.Question}"),
            .. read.Problems.Select(p => $"  ! {p.Field}: {p.Message}"),
            .. read.Estimates.Select(e => $"  ~ {e}"),
            .. read.Things.Take(2).Select(t => $"  = {FigureCatalogue.ToJson(t).ToJsonString()}"),
        ];
        return string.Join('\n', said.Select(s => $"  {s}"));
    }));

    [Fact]
    public void Which_figure_a_column_is_is_what_was_agreed()
    {
        string[] cells = ["24", "1.200,50", "body", "50x30x18"];
        Told.Compare("typed.columns", string.Join('\n', Lines("gear-words.txt", "columns").Select(heading =>
        {
            var column = TableColumns.Match([heading], [.. cells.Select(c => (IReadOnlyList<string>)[c])])[0];
            var unit = column.Unit is { } said ? $" in {said}" : "";
            return $"{heading}: {column.Figure}{unit} {string.Join(" | ", cells.Select(c => TableColumns.Said(column, c)))}";
        })));
    }

    [Fact]
    public void What_is_read_of_the_rows_of_a_table_is_what_was_agreed()
    {
        string[][] tables =
        [
            ["Item;Type;Qty;Mount;Weight (kg);Price;Notes;Bought", "Halm 45;camera;2;K2;0,8;2.899,00;45 MP, dual SD, iso 6400, LB7;03/2023",
                "24-70 f/2.8;lens;1;K2;0,82;1.200,00;;2021", "LB7;battery;6;;;80,00;-;", "Card;SD;4;;;;64 GB;", "Sled;sled;1;;;;;", ";;;;;;;",
                    "x;lens;abc;K2;y;z;;"],
            ["name,number,focal length,max aperture,serial", "50 1.8,2,50,1.8,A1", "Zoom,,24-70,f/4-5.6,A2,too many", "Lens 85,x,85,1.4,",
                "Fisheye,1-3,8,2.8,"],
            ["id;kind;name;megapixels;mount;slots;isoCeiling;batteryType", "b1;body;Body;24;K2;SD+SD;6400;LB7", "l1;lens;;;;;;",
                ";body;No id;24;K2;SD;6400;LB7"],
            ["Bezeichnung;Anzahl;Brennweite;Lichtstärke;Bajonett;Gewicht in g", "Festbrennweite;2;35;1,4;K2;400", "Stativ;1;;;;1800", "Akku LB7;250;;;;70"],
            ["Désignation;Quantité;Catégorie;Poids [kg]", "Trépied;1;trépied;1,8", "Flash;2;flash;0,35", "Carte 64 Go;3;carte;"],
            ["category;capacity;size;width;type", "card;64;;;SD", "drive;2 TB;;;", "case;;50x30x18;;", "battery;;;;LB7", "filter;;77 mm;;", "flash;;;;AA"],
        ];
        Told.Compare("typed.tables", string.Join('\n', tables.SelectMany(table =>
        {
            var mark = table[0].Contains(';', StringComparison.Ordinal) ? ';' : ',';
            var rows = table.Skip(1).Select(r => (IReadOnlyList<string>)r.Split(mark)).ToList();
            var columns = TableColumns.Match(table[0].Split(mark), rows);
            return rows.SelectMany((row, n) => TableRows.Of(n + 2, columns, row)).Select(Row)
                .Prepend($"{table[0]}: {string.Join(" ", columns.Select(c => c.Figure ?? "-"))}");
        })));

        static string Row(FiledThing thing)
        {
            var texts = (thing.Texts ?? new Dictionary<string, string>()).OrderBy(t => t.Key, StringComparer.Ordinal).Select(t => $"{t.Key}={t.Value}");
            return $"{thing.Line} {thing.Kind} {thing.Label}: {string.Join(" ", texts)}"
                + string.Concat(thing.Problems.Select(p => $"\n  ! {p.Field}: {p.Message}"));
        }
    }

    [Fact]
    public void What_is_read_of_a_timetable_is_what_was_agreed()
    {
        var day = new DateOnly(2027, 6, 12);
        string[] pages =
        [
            .. Lines("timetable-lines.txt").Select(l => l.Split(" → ")[0]),
            "10:30 Getting ready\n12:00 Lunch break\n2:00 Ceremony\n2:45 Drinks\n9:00 pm Dancing\n12 am Exit",
            "14:00 Ceremony\n14:20 Rings\n13:00 Drinks\n\nnothing\n25:00 Late", "22:00 Party\n01:00 Exit", "12.6. 14:00 Ceremony\n13.6. 10:00 Brunch",
        ];
        Told.Compare("typed.times", string.Join('\n', pages.Select(p => $"{p}\n{Readable.Of(Read(p))}")));

        object Read(string page) => Timetable.Read(page, day) is var (lines, problems)
            ? new { Lines = lines, Problems = problems.Select(p => p.Message).ToList() } : "";
    }
}
