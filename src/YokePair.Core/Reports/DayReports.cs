using YokePair.Core.Failure;

namespace YokePair.Core.Reports;

/// <summary>What a day is told as.</summary>
public static class DayReports
{
    /// <summary>The whole report.</summary>
    /// <param name="day">The day.</param>
    /// <param name="withEvents">Whether to try each loss; the board does not show those.</param>
    public static Report Report(this DayAnalysis day, bool withEvents = true) => ReportBuilder.Build(day, withEvents);

    /// <summary>The needs of one part alone.</summary>
    public static IReadOnlyList<NeedReport> ReportPart(this DayAnalysis day, string partId)
    {
        var part = day.PartOf(partId)!;
        return [.. part.Needs.Select(n => ReportBuilder.Describe(part, n))];
    }
}
