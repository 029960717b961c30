using System.IO.Compression;
using System.Text;
using System.Text.Json;
using YokePair.Core.Plans;
using YokePair.Data;
using YokePair.Web.Assignments;
using YokePair.Web.Sessions;

namespace YokePair.Web.After;

/// <summary>An assignment as it was, in one file that anybody can open: plan, record, figures and verdict.</summary>
internal static class ArchiveFile
{
    /// <summary>Makes the ZIP.</summary>
    /// <param name="session">The assignment.</param>
    /// <param name="used">What it used; null = nobody read its pictures.</param>
    /// <param name="summary">What was worked out of it at the time; null = nothing.</param>
    /// <param name="record">What was recorded.</param>
    public static byte[] Of(Session session, UsedStored? used, Summary? summary, Core.Record.Fact[] record)
    {
        using var file = new MemoryStream();
        using (var zip = new ZipArchive(file, ZipArchiveMode.Create, leaveOpen: true))
        {
            var verdict = summary?.Verdict ?? session.Board.VerdictParts;
            Add(zip, "plan.yoke.json", PlanFile.Write(session.Plan));
            Add(zip, "record.json", Json(record));
            if (used is not null) Add(zip, "used.json", Json(used.Figures));
            Add(zip, "verdict.txt", Encoding.UTF8.GetBytes($"{verdict.Headline}\n{string.Concat(verdict.Details.Select(d => d.Text))}\n"));
        }
        return file.ToArray();
    }

    private static byte[] Json<T>(T value) => JsonSerializer.SerializeToUtf8Bytes(value, PlanFile.ReportOptions);

    private static void Add(ZipArchive zip, string name, byte[] bytes)
    {
        using var entry = zip.CreateEntry(name).Open();
        entry.Write(bytes);
    }
}
