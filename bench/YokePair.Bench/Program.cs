using BenchmarkDotNet.Running;
using YokePair.Bench;

// dotnet run -c Release -- core | page | kit
if (args is ["page", ..]) return PageLatency.Measure();
if (args is ["kit", ..]) return KitSearch.Measure();
BenchmarkRunner.Run<ReportBenchmarks>();
return 0;
