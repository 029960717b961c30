using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using CsvHelper;
using CsvHelper.Configuration;
using YokePair.Core.Locker;
using YokePair.Core.Plans;

namespace YokePair.Data.Csv;

/// <summary>A table of things, read.</summary>
/// <param name="Things">Row by row.</param>
/// <param name="Separator">What stood between the columns.</param>
/// <param name="Encoding">How its letters were written.</param>
/// <param name="Columns">Its columns, with the figures they were matched to.</param>
/// <param name="Problems">What is wrong with the file as a whole.</param>
public sealed record ReadTable(IReadOnlyList<FiledThing> Things, string Separator, string Encoding, IReadOnlyList<TableColumn> Columns,
    IReadOnlyList<PlanProblem> Problems);

/// <summary>
/// The locker as a table: a column <c>kind</c>, one for the <c>id</c>, and one for every figure by its name in the
/// catalogue. Reading forgives what spreadsheets do to tables: separators, decimal commas, encodings, order of columns.
/// </summary>
public static partial class LockerCsv
{
    /// <summary>Largest table read, in bytes and rows.</summary>
    public const int MaxBytes = 8 * 1024 * 1024, MaxRows = 10_000;

    /// <summary>Most columns read.</summary>
    private const int MaxColumns = 200;

    private static readonly char[] Separators = [';', '\t', ',', '|'];

    private static readonly string[] Always = ["id", "kind"];

    static LockerCsv() => Encoding.RegisterProvider(CodePagesEncodingProvider.Instance);

    /// <summary>Reads a table.</summary>
    /// <param name="file">The file.</param>
    /// <param name="chosen">Figures chosen for columns, by heading; an empty one leaves the column out.</param>
    public static ReadTable Read(byte[] file, IReadOnlyDictionary<string, string>? chosen = null)
    {
        var (text, encoding) = Decode(file);
        var header = text.AsSpan().TrimStart("\r\n");
        header = header[..(header.IndexOfAny('\r', '\n') is var end and >= 0 ? end : header.Length)];
        var line = header.ToString();
        var separator = Separators.MaxBy(s => line.Count(c => c == s));
        if (text.Contains('\0', StringComparison.Ordinal)) return Failed("this is no table of text", separator, encoding);
        using var reader = new CsvReader(new StringReader(text), Forgiving(separator));
        try
        {
            if (!reader.Read() || !reader.ReadHeader() || reader.HeaderRecord is not { } columns) return Failed(
                "the table is empty; its first line names the columns", separator, encoding);
            if (columns.Length > MaxColumns) return Failed(
                $"has {columns.Length} columns; at most {MaxColumns} are read, so leave out what is of no thing", separator, encoding);
            var twice = columns.Where(c => c.Trim().Length > 0).GroupBy(c => c.Trim(), StringComparer.OrdinalIgnoreCase).FirstOrDefault(g => g.Count() > 1);
            if (twice is not null) return Failed($"the column \"{twice.Key}\" is there twice; keep one, or call one otherwise", separator, encoding);
            var (cells, tooMuch) = Cells(reader);
            if (tooMuch is not null) return Failed(tooMuch, separator, encoding);
            var matched = TableColumns.Match(columns, [.. cells.Select(c => c.Cells)], chosen);
            if (matched.All(c => c.Figure is null)) return Failed(
                $"none of its columns is a figure of a thing: {string.Join(", ", columns.Take(12))}; the first line names the columns", separator, encoding);
            return new ReadTable([.. cells.SelectMany(row => TableRows.Of(row.Line, matched, row.Cells))], Named(separator), encoding, matched, []);
        }
        catch (CsvHelperException e)
        {
            return new ReadTable([], Named(separator), encoding, [],
                [new PlanProblem("", "the table cannot be read from here on; is a quotation mark left open?", e.Context?.Parser?.RawRow)]);
        }
    }

    private static CsvConfiguration Forgiving(char separator) => new(CultureInfo.InvariantCulture)
    {
        Delimiter = separator.ToString(),
        BadDataFound = null,
        MissingFieldFound = null,
        IgnoreBlankLines = true,
        MaxFieldSize = 100_000,
        TrimOptions = TrimOptions.Trim,
    };

    /// <summary>The rows that hold anything, or what there is too much of.</summary>
    private static (List<(int Line, string[] Cells)> Rows, string? TooMuch) Cells(CsvReader reader)
    {
        var cells = new List<(int Line, string[] Cells)>();
        while (reader.Read())
        {
            if (cells.Count == MaxRows) return (cells, $"more than {MaxRows} rows; split the file");
            if (reader.Parser.Count > MaxColumns) return (cells, $"a row has {reader.Parser.Count} cells; at most {MaxColumns} are read");
            string[] row = [.. Enumerable.Range(0, reader.Parser.Count).Select(i => Unguarded(reader[i]?.Trim() ?? ""))];
            if (Array.Exists(row, c => c.Length > 0)) cells.Add((reader.Parser.RawRow, row));
        }
        return (cells, null);
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
                foreach (var field in row) writer.WriteField(Guarded(field));
                writer.NextRecord();
            }
        }
        return [.. Encoding.UTF8.Preamble, .. Encoding.UTF8.GetBytes(text.ToString())];
    }

    /// <summary>A cell that a spreadsheet would take for a formula, kept from that by a quotation mark; a plain figure is none.</summary>
    private static string Guarded(string cell) => LooksLikeFormula().IsMatch(cell) && !PlainFigure().IsMatch(cell) ? "'" + cell : cell;

    /// <summary>The same cell read back: one of the marks before a formula is ours.</summary>
    private static string Unguarded(string cell) => cell.StartsWith('\'') && LooksLikeFormula().IsMatch(cell) ? cell[1..] : cell;

    [GeneratedRegex(@"^'*[=+\-@\t\r]", RegexOptions.NonBacktracking)]
    private static partial Regex LooksLikeFormula();

    [GeneratedRegex(@"^[+-]?\d+([.,]\d+)?$", RegexOptions.NonBacktracking)]
    private static partial Regex PlainFigure();

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

    private static ReadTable Failed(string message, char separator, string encoding) =>
        new([], Named(separator), encoding, [], [new PlanProblem("", message, 1)]);
}
