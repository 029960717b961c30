using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using YokePair.Core.Carry;

namespace YokePair.Data.Csv;

/// <summary>What travels, as a table for customs, hire and insurance.</summary>
public static class ManifestCsv
{
    /// <summary>Writes it, with a mark by which spreadsheets know its letters.</summary>
    public static byte[] Write(Manifest manifest)
    {
        using var bytes = new MemoryStream();
        using (var text = new StreamWriter(bytes, new UTF8Encoding(encoderShouldEmitUTF8Identifier: true)))
        using (var csv = new CsvWriter(text, new CsvConfiguration(CultureInfo.InvariantCulture) { InjectionOptions = InjectionOptions.Escape }))
        {
            foreach (var column in new[] { "bag", "kind", "name", "serial", "value", "grams", "owner", "back by" }) csv.WriteField(column);
            csv.NextRecord();
            foreach (var line in manifest.Lines)
            {
                csv.WriteField(line.Place);
                csv.WriteField(line.Kind);
                csv.WriteField(line.Name);
                csv.WriteField(line.Serial);
                csv.WriteField(line.Value);
                csv.WriteField(line.Grams);
                csv.WriteField(line.Owner);
                csv.WriteField(line.BackBy?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture));
                csv.NextRecord();
            }
        }
        return bytes.ToArray();
    }
}
