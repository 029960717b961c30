using System.Text.Json;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Cli;

/// <summary>The <c>analyse</c> verb: a plan file in, the report out, with no server and no database.</summary>
public static class Analyse
{
    /// <summary>Exit code when nothing is uncovered and nothing hangs by one thing.</summary>
    public const int Sound = 0;

    /// <summary>Exit code when there are gaps or single points of failure.</summary>
    public const int Unsound = 1;

    /// <summary>Exit code when the file cannot be read.</summary>
    public const int Unreadable = 2;

    /// <summary>Runs it.</summary>
    /// <param name="path">The plan file.</param>
    /// <param name="output">Where the report goes, as JSON; nothing is written if the file cannot be read.</param>
    /// <param name="messages">Where the summary or the problems go.</param>
    public static int Run(string path, Stream output, TextWriter messages)
    {
        byte[] bytes;
        try
        {
            if (new FileInfo(path) is { Exists: true, Length: > PlanFile.MaxBytes } huge)
            {
                messages.WriteLine($"{path}: the file has {huge.Length / 1_000_000} MB; a plan file may have at most {PlanFile.MaxBytes / 1_000_000} MB");
                return Unreadable;
            }
            bytes = File.ReadAllBytes(path);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            messages.WriteLine($"{path}: {e.Message}");
            return Unreadable;
        }

        var reading = PlanFile.Read(bytes);
        if (reading.Plan is not { } plan)
        {
            foreach (var problem in reading.Problems) messages.WriteLine($"{path}: {problem}");
            return Unreadable;
        }
        foreach (var problem in PlanCheck.Complete(plan)) messages.WriteLine($"note: {problem}");
        var report = new DayAnalysis(plan).Report();
        JsonSerializer.Serialize(output, report, PlanFile.ReportOptions);
        output.WriteByte((byte)'\n');
        output.Flush();
        messages.WriteLine($"{plan.Assignment.Name}: {report.Verdict}");
        return report.Sound ? Sound : Unsound;
    }
}
