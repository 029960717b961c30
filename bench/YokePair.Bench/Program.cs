using BenchmarkDotNet.Running;
using YokePair.Bench;

// dotnet run -c Release -- core [--filter *TenTimes*] | page | kit | moments | copy | pictures | start
if (args is ["page", ..]) return PageLatency.Measure();
if (args is ["kit", ..]) return KitSearch.Measure();
if (args is ["moments", ..]) return Moments.Measure();
if (args is ["copy", ..]) return CopySpeed.Measure();
if (args is ["pictures", ..]) return PictureSpeed.Measure();
if (args is ["start", ..]) return StartSpeed.Measure();
var summary = BenchmarkRunner.Run<ReportBenchmarks>(null, args is ["core", .. var rest] ? rest : args);
// Removing every three things, every two and every one, and looking again each time, is what the cut sets save.
var (report, removal) = (Median(nameof(ReportBenchmarks.Wedding)), Median(nameof(ReportBenchmarks.OneTriple)));
if (report is not null && removal is not null)
{
    var all = removal * ReportBenchmarks.Removals;
    Console.Write(FormattableString.Invariant($"cut sets to size 3: {ReportBenchmarks.Removals} removals at {removal / 1e6:0.0} ms are {all / 1e9:0} s; "));
    Console.WriteLine(FormattableString.Invariant($"the whole report takes {report / 1e6:0.0} ms: {all / report:0} times less"));
}
return 0;

double? Median(string method) => summary.Reports.FirstOrDefault(r => r.BenchmarkCase.Descriptor.WorkloadMethod.Name == method)?.ResultStatistics?.Median;
