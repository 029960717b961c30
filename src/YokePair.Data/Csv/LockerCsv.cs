using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using YokePair.Core.Locker;
using YokePair.Core.Plans;

namespace YokePair.Data.Csv;

/// <summary>A table of things, read.</summary>
/// <param name="Things">Row by row.</param>
/// <param name="Separator">What stood between the columns.</param>
/// <param name="Encoding">How its letters were written.</param>
/// <param name="Ignored">Columns no thing has.</param>
/// <param name="Problems">What is wrong with the file as a whole.</param>
public sealed record ReadTable(IReadOnlyList<FiledThing> Things, string Separator, string Encoding, IReadOnlyList<string> Ignored, IReadOnlyList<PlanProblem> Problems);

/// <summary>
/// The locker as a table: a column <c>kind</c>, one for the <c>id</c>, and one for every figure by its name in the
/// catalogue. Reading forgives what spreadsheets do to tables: separators, decimal commas, encodings, order of columns.
/// </summary>
public static class LockerCsv
{
    /// <summary>Largest table read, in bytes and rows.</summary>
    public const int MaxBytes = 8 * 1024 * 1024, MaxRows = 10_000;

    private static readonly char[] Separators = [';', '\t', ',', '|'];

    private static readonly string[] Always = ["id", "kind"];

    static LockerCsv() => Encoding.RegisterProvider(CodePagesEncodingProvider.Instance);

    /// <summary>Reads a table.</summary>
    public static ReadTable Read(byte[] file)
    {
        var (text, encoding) = Decode(file);
        var header = text.AsSpan().TrimStart("\r\n");
        header = header[..(header.IndexOfAny('\r', '\n') is var end and >= 0 ? end : header.Length)];
        var line = header.ToString();
        var separator = Separators.MaxBy(s => line.Count(c => c == s));
        if (text.Contains('\0', StringComparison.Ordinal)) return Failed("this is no table of text", separator, encoding);
        var configuration = new CsvConfiguration(CultureInfo.InvariantCulture) { Delimiter = separator.ToString(), BadDataFound = null, MissingFieldFound = null, IgnoreBlankLines = true, MaxFieldSize = 100_000, TrimOptions = TrimOptions.Trim };
        using var reader = new CsvReader(new StringReader(text), configuration);
        try
        {
            if (!reader.Read() || !reader.ReadHeader() || reader.HeaderRecord is not { } columns) return Failed("the table is empty; its first line names the columns", separator, encoding);
            var names = columns.Select(Column).ToArray();
            if (!names.Contains("kind")) return Failed($"the first line must name a column \"kind\"; it has {string.Join(", ", columns.Take(12))}", separator, encoding);
            var twice = names.OfType<string>().GroupBy(n => n).FirstOrDefault(g => g.Count() > 1);
            if (twice is not null) return Failed($"the column \"{twice.Key}\" is there twice; keep one", separator, encoding);
            var things = new List<FiledThing>();
            while (reader.Read())
            {
                if (things.Count == MaxRows) return Failed($"more than {MaxRows} rows; split the file", separator, encoding);
                var texts = new Dictionary<string, string>(StringComparer.Ordinal);
                for (var i = 0; i < names.Length; i++)
                    if (names[i] is { } name && i < reader.Parser.Count && reader[i] is { Length: > 0 } value) texts[name] = value.Trim();
                if (texts.Count == 0) continue;
                things.Add(Filed(reader.Parser.RawRow, texts, reader.Parser.Count > names.Length));
            }
            return new ReadTable(things, Named(separator), encoding, [.. columns.Where((c, i) => names[i] is null && c.Trim().Length > 0)], []);
        }
        catch (CsvHelperException e)
        {
            return new ReadTable([], Named(separator), encoding, [], [new PlanProblem("", "the table cannot be read from here on; is a quotation mark left open?", e.Context?.Parser?.RawRow)]);
        }
    }

    /// <summary>Writes things as a table that reads back the same.</summary>
    public static byte[] Write(IReadOnlyList<Item> things)
    {
        var rows = things.Select(t => (Kind: ItemKinds.Of(t), Json: FigureCatalogue.ToJson(t))).ToList();
        var used = FigureCatalogue.All.Select(f => f.Name).Distinct().Where(n => rows.Any(r => r.Json[n] is not null)).ToList();
        return Table([.. Always, .. used, "estimated"], rows.Select(r => (IEnumerable<string>)
        [
            r.Json["id"]!.GetValue<string>(), r.Kind,
            .. used.Select(n => FigureCatalogue.Find(r.Kind, n) is { } figure ? figure.Format(r.Json[n]) : ""),
            string.Join('+', (r.Json["estimated"]?.AsArray() ?? []).Select(e => e!.GetValue<string>())),
        ]));
    }

    /// <summary>An empty table for one kind, or for all.</summary>
    public static byte[] Template(string? kind)
    {
        var columns = FigureCatalogue.All.Where(f => kind is null || f.Kinds.Contains(kind)).Select(f => f.Name).Distinct();
        return Table([.. Always, .. columns], kind is null ? [] : [["", kind]]);
    }

    private static byte[] Table(IReadOnlyList<string> columns, IEnumerable<IEnumerable<string>> rows)
    {
        using var text = new StringWriter { NewLine = "\r\n" };
        using (var writer = new CsvWriter(text, new CsvConfiguration(CultureInfo.InvariantCulture) { Delimiter = ";" }))
        {
            foreach (var row in rows.Prepend(columns))
            {
                foreach (var field in row) writer.WriteField(field);
                writer.NextRecord();
            }
        }
        return [.. Encoding.UTF8.Preamble, .. Encoding.UTF8.GetBytes(text.ToString())];
    }

    private static FiledThing Filed(int line, Dictionary<string, string> texts, bool tooLong)
    {
        var kind = texts.GetValueOrDefault("kind", "").ToLowerInvariant();
        texts.Remove("kind");
        var problems = new List<PlanProblem>();
        if (tooLong) problems.Add(new PlanProblem("", "this row has more columns than the first line; is a text with the separator in it not in quotation marks?"));
        if (kind.Length == 0) problems.Add(new PlanProblem("kind", "is empty; say what it is"));
        // A column that another kind has says nothing of this one.
        if (FigureCatalogue.Kinds.Contains(kind))
            foreach (var other in texts.Keys.Where(n => n is not ("id" or "estimated" or LockerFigures.SensorWidth) && FigureCatalogue.Find(kind, n) is null).ToList())
                problems.Add(new PlanProblem(other, $"a {kind} has no such figure; empty this cell"));
        return new FiledThing(line, texts.GetValueOrDefault("name", texts.GetValueOrDefault("id", kind)), kind, texts, null, problems);
    }

    private static string? Column(string header)
    {
        var bare = Bare(header);
        if (bare is "id" or "kind" or "estimated") return bare;
        if (bare == Bare(LockerFigures.SensorWidth) || bare == "sensorwidth") return LockerFigures.SensorWidth;
        return FigureCatalogue.All.FirstOrDefault(f => Bare(f.Name) == bare || Bare(f.Words) == bare || Bare(f.Words + f.Unit) == bare)?.Name;
    }

    private static string Bare(string text) => string.Concat(text.Where(char.IsLetterOrDigit)).ToLowerInvariant();

    private static (string, string) Decode(byte[] file)
    {
        if (file is [0xEF, 0xBB, 0xBF, ..]) return (Encoding.UTF8.GetString(file, 3, file.Length - 3), "UTF-8");
        if (file is [0xFF, 0xFE, ..]) return (Encoding.Unicode.GetString(file, 2, file.Length - 2), "UTF-16");
        if (file is [0xFE, 0xFF, ..]) return (Encoding.BigEndianUnicode.GetString(file, 2, file.Length - 2), "UTF-16");
        try
        {
            return (new UTF8Encoding(false, throwOnInvalidBytes: true).GetString(file), "UTF-8");
        }
        catch (DecoderFallbackException)
        {
            return (Encoding.GetEncoding(1252).GetString(file), "Windows-1252");
        }
    }

    private static string Named(char separator) => separator switch { ';' => "semicolon", '\t' => "tab", ',' => "comma", _ => "bar" };

    private static ReadTable Failed(string message, char separator, string encoding) => new([], Named(separator), encoding, [], [new PlanProblem("", message, 1)]);
}
