using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using YokePair.Core.Carry;
using YokePair.Core.Locker;

namespace YokePair.Data.Csv;

/// <summary>Tables to hand to others: customs, hire, insurers.</summary>
public static class PlainCsv
{
    /// <summary>What travels.</summary>
    public static byte[] Of(Manifest manifest) => Write(["bag", "kind", "name", "serial", "value", "grams", "owner", "back by"],
        manifest.Lines.Select(l => new object?[] { l.Place, l.Kind, l.Name, l.Serial, l.Value, l.Grams, l.Owner, Date(l.BackBy) }));

    /// <summary>What is owned.</summary>
    public static byte[] Of(Insurance insurance) => Write(["kind", "name", "serial", "value", "first used", "owner", "away"],
        insurance.Lines.Select(l => new object?[] { l.Kind, l.Name, l.Serial, l.Value, Date(l.FirstUse), l.Owner, l.Away }));

    private static string? Date(DateOnly? day) => day?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    /// <summary>Writes one, with a mark by which spreadsheets know its letters.</summary>
    private static byte[] Write(IReadOnlyList<string> columns, IEnumerable<object?[]> rows)
    {
        using var bytes = new MemoryStream();
        using (var text = new StreamWriter(bytes, new UTF8Encoding(encoderShouldEmitUTF8Identifier: true)))
        using (var csv = new CsvWriter(text, new CsvConfiguration(CultureInfo.InvariantCulture) { InjectionOptions = InjectionOptions.Escape }))
            foreach (var row in rows.Prepend([.. columns]))
            {
                foreach (var field in row) csv.WriteField(field);
                csv.NextRecord();
            }
        return bytes.ToArray();
    }
}
