using BenchmarkDotNet.Running;
using YokePair.Bench;

// dotnet run -c Release -- core | page
if (args is ["page", ..]) return PageLatency.Measure();
BenchmarkRunner.Run<ReportBenchmarks>();
return 0;
