using System.Collections.Concurrent;
using YokePair.Core.Failure;
using YokePair.Core.Reports;
using YokePair.Data;

namespace YokePair.Web.Board;

/// <summary>
/// The last analysis of each assignment, so that an edit of one part does not work out the whole day again. What an
/// analysis hands on is checked by what it rests on, not by revision: a plan that came another way is simply worked out.
/// </summary>
internal sealed class Verdicts
{
    private readonly ConcurrentDictionary<string, Last> all = new(StringComparer.Ordinal);

    public Report Of(StoredPlan stored)
    {
        var last = all.GetOrAdd(stored.Key, _ => new Last());
        // An analysis is not for two threads at a time, and two tabs may ask at once.
        lock (last)
        {
            var day = new DayAnalysis(stored.Plan, before: last.Day);
            var report = day.Report(withEvents: false);
            last.Day = day;
            return report;
        }
    }

    private sealed class Last
    {
        public DayAnalysis? Day { get; set; }
    }
}
