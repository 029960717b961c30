using Microsoft.AspNetCore.Mvc;
using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Data;
using YokePair.Data.Csv;
using YokePair.Web.Assignments;
using YokePair.Web.Security;

namespace YokePair.Web.Locker;

/// <summary>Files into the locker: first looked at row by row, then all of it or nothing.</summary>
internal static class LockerImports
{
    public static void MapLockerImport(this IEndpointRouteBuilder locker)
    {
        locker.MapPost("/demo", OpenDemo).WithName("OpenDemoLocker").Produces<ImportAnswer>().ProducesProblem(StatusCodes.Status404NotFound);
        locker.MapPost("/import", Import).WithName("ImportLocker").Produces<ImportAnswer>().ProducesProblem(StatusCodes.Status422UnprocessableEntity)
            .Accepts<IFormFile>("application/octet-stream").WithMetadata(new RequestSizeLimitAttribute(RequestLimits.ImportBytes));
    }

    private static async Task<IResult> OpenDemo(AppSettings settings, LockerStore store, CancellationToken cancel) =>
        await DemoDays.LockerAsync(settings, cancel) is { } file ? await TakeAsync(file, keep: true, store, cancel) : Problems.NotFound("demo locker");

    /// <param name="request">The file.</param>
    /// <param name="keep">Whether it is kept, or only looked at.</param>
    /// <param name="good">Whether good rows are kept without the faulty ones.</param>
    /// <param name="map">Figures chosen for columns, each as <c>heading=figure</c>; after the sign nothing leaves the column out.</param>
    private static async Task<IResult> Import(HttpRequest request, bool keep, bool? good, [FromQuery] string[]? map, LockerStore store,
        CancellationToken cancel)
    {
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, cancel);
        var chosen = (map ?? []).Select(m => (m, At: m.LastIndexOf('='))).Where(m => m.At > 0).GroupBy(m => m.m[..m.At]).ToDictionary(g => g.Key,
            g => g.Last().m[(g.Last().At + 1)..]);
        return await TakeAsync(body.ToArray(), keep, store, cancel, good == true, chosen);
    }

    private static readonly ColumnMeaning[] Meanings =
    [
        new(TableColumns.Kind, "kind of thing"), .. FigureCatalogue.All.Select(f => new ColumnMeaning(f.Name, f.Words)).DistinctBy(m => m.Name),
        new(LockerFigures.SensorWidth, "width of the sensor, mm"),
    ];

    /// <summary>Weighs a file and, if told so and all of it can be taken, takes it; or what of it can be.</summary>
    public static async Task<IResult> TakeAsync(
        byte[] bytes, bool keep, LockerStore store, CancellationToken cancel, bool goodOnly = false, IReadOnlyDictionary<string, string>? chosen = null)
    {
        if (bytes.Length > LockerCsv.MaxBytes) return Problems.Unprocessable(
            "Nothing was imported.", [new PlanProblem("", $"the file has {bytes.Length / 1_000_000} MB; at most {LockerCsv.MaxBytes / 1_000_000} MB")]);
        var isJson = bytes.AsSpan().IndexOfAnyExcept(" \t\r\n\uFEFF"u8) is var start and >= 0 && bytes[start] == (byte)'{';
        FiledLocker? file = null;
        IReadOnlyList<PlanProblem> problems;
        IReadOnlyList<FiledThing> filed;
        IReadOnlyList<TableColumn> columns = [];
        var readAs = "locker file";
        if (isJson)
        {
            file = LockerFile.Read(bytes);
            (filed, problems) = (file.Things, file.Problems);
        }
        else
        {
            var table = LockerCsv.Read(bytes, chosen);
            (filed, columns, problems, readAs) = (table.Things, table.Columns, table.Problems, $"table, {table.Separator} between columns, {table.Encoding}");
        }
        if (problems.Count > 0) return Problems.Unprocessable("This file cannot be read. Nothing was imported.", problems);
        var locker = await store.LoadAsync(cancel);
        var weighed = WeighedImport.Of(locker.Things, filed);
        var kept = keep && (weighed.Clean || (goodOnly && weighed.Things.Count > 0));
        IReadOnlyList<string>? followed = null;
        if (kept)
        {
            var ids = locker.Things.Concat(weighed.Things).Select(t => t.Id).ToHashSet(StringComparer.Ordinal);
            var outcome = await store.ImportAsync($"{weighed.Things.Count} things imported",
                [.. weighed.Things.Select(t => new LockerChange(t.Id, locker.Revisions.TryGetValue(t.Id, out var seen) ? seen : null, t))],
                [.. (file?.Pairs ?? []).Where(p => ids.Contains(p.A) && ids.Contains(p.B))], file?.Kinds ?? [], cancel);
            followed = outcome.Followed;
            if (!outcome.Done) return await LockerChanges.Made(Task.FromResult(outcome), []);
        }
        return Results.Ok(new ImportAnswer(weighed.Rows, Count(RowAction.Added), Count(RowAction.Changed), Count(RowAction.Same),
            Count(RowAction.Refused), columns, columns.Count == 0 ? [] : Meanings, readAs, kept, followed));

        int Count(RowAction action) => weighed.Rows.Count(r => r.Action == action);
    }
}
