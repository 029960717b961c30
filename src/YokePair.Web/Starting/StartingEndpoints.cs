using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Starting;
using YokePair.Data;
using YokePair.Data.Calendar;
using YokePair.Web.After;
using YokePair.Web.Assignments;

namespace YokePair.Web.Starting;

/// <summary>A usual day by name, with the names of its parts.</summary>
public sealed record TemplateName(string Id, string Name, string Kind, IReadOnlyList<string> Parts);

/// <summary>A way of working by name.</summary>
public sealed record StyleName(string Id, string Name);

/// <summary>What a day can be started from.</summary>
/// <param name="Templates">Usual days.</param>
/// <param name="Styles">Ways of working.</param>
/// <param name="Kinds">Kinds of part with their needs: the phrase library, the user's own at the end.</param>
/// <param name="Lead">How the lead works, as the latest day that says so has it; null = none does.</param>
/// <param name="Second">The same of the second photographer.</param>
/// <param name="Glass">Names of the glass that is named there, by id.</param>
public sealed record StartingPoints(
    IReadOnlyList<TemplateName> Templates, IReadOnlyList<StyleName> Styles, IReadOnlyList<PartKind> Kinds, WorkHabits? Lead, WorkHabits? Second,
        IReadOnlyDictionary<string, string> Glass);

/// <summary>A timetable to be read for a day.</summary>
public sealed record TimetableText(string Text, DateOnly Day);

/// <summary>A part of a day to be kept as a kind of part.</summary>
public sealed record KeepKindRequest(string Assignment, string Part, string Name);

/// <summary>A kind of part that is kept.</summary>
public sealed record KeptKind(string Id, string Name);

/// <summary>A timetable, read.</summary>
public sealed record TimetableRead(IReadOnlyList<TimetableLine> Lines, IReadOnlyList<PlanProblem> Problems);

/// <summary>A timetable to be held against a day that exists, with the events it was read from.</summary>
public sealed record TimetableForDay(string Text, IReadOnlyList<TimetableEvent>? Events = null);

/// <summary>What a timetable would change on a day, and the lines that cannot be read.</summary>
public sealed record TimetableCompared(IReadOnlyList<TimetableChange> Changes, int Lines, IReadOnlyList<PlanProblem> Problems);

/// <summary>A copy of an assignment for another day.</summary>
public sealed record CopyDay(string Name, DateOnly Day);

/// <summary>Starting a day from something: a usual day, a timetable, a past assignment.</summary>
internal static class StartingEndpoints
{
    public static void MapStarting(this IEndpointRouteBuilder api)
    {
        api.MapGet("/starting", Points).WithName("StartingPoints").Produces<StartingPoints>();
        api.MapPost("/starting/timetable", ReadTimetable).WithName("ReadTimetable").Produces<TimetableRead>();
        api.MapPost("/assignments/{key}/timetable", Compare).WithName("CompareTimetable").Produces<TimetableCompared>().ProducesProblem(
            StatusCodes.Status404NotFound);
        api.MapPost("/kinds", KeepKind).WithName("KeepKind").Produces<KeptKind>(StatusCodes.Status201Created).ProducesProblem(
            StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        api.MapDelete("/kinds/{id}", DropKind).WithName("DropKind").Produces<KeptKind>().ProducesProblem(StatusCodes.Status404NotFound);
        api.MapPost("/starting/calendar", ReadCalendar).WithName("ReadCalendar").Produces<CalendarDay>()
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity)
            .Accepts<IFormFile>("application/octet-stream").WithMetadata(new Microsoft.AspNetCore.Mvc.RequestSizeLimitAttribute(DayCalendar.MaxBytes));
        api.MapGet("/assignments/{key}/day.ics", ExportCalendar).WithName("ExportCalendar").ExcludeFromDescription();
        api.MapPost("/assignments", Start).WithName("StartDay").Produces<Added>(StatusCodes.Status201Created)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        api.MapPost("/assignments/{key}/copies", Copy).WithName("CopyDay").Produces<Added>(StatusCodes.Status201Created)
            .ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }

    private static async Task<IResult> Points(LockerStore lockers, PlanStore plans, DaysUsed used, CancellationToken cancel)
    {
        var locker = await lockers.ThingsAsync(cancel);
        var usual = UsualWays.Of(await plans.LatestAsync(cancel));
        var (lead, second) = (AsLearnt.Of(usual.Lead?.Habits, await used.LearntAsync(cancel)), usual.Second?.Habits);
        var named = new[] { lead, second }.OfType<WorkHabits>().SelectMany(h => h.Glass).SelectMany(g => g.Lenses).ToHashSet(StringComparer.Ordinal);
        return Results.Ok(new StartingPoints(
            [.. DayTemplate.All.Select(t => new TemplateName(t.Id, t.Name, t.Kind, [.. t.Parts.Select(p => p.Name)]))],
            [.. StartingStyle.All.Select(s => new StyleName(s.Id, s.Name))],
            locker.Kinds, lead, second, locker.Things.Where(t => named.Contains(t.Id)).ToDictionary(t => t.Id, t => t.Label, StringComparer.Ordinal)));
    }

    private static async Task<IResult> ReadTimetable(TimetableText text, LockerStore lockers, CancellationToken cancel)
    {
        if (PlanLimits.Day("day", text.Day) is { } never) return Problems.Unprocessable("This cannot be read for that day.", [never]);
        var (lines, problems) = Timetable.Read(text.Text, text.Day, (await lockers.ThingsAsync(cancel)).Kinds);
        return Results.Ok(new TimetableRead(lines, problems));
    }

    private static async Task<IResult> Compare(string key, TimetableForDay text, PlanStore store, LockerStore lockers, CancellationToken cancel)
    {
        if (await store.FindAsync(key, cancel) is not { } stored) return Problems.NotFound("assignment");
        var day = DateOnly.FromDateTime(stored.Plan.Parts.Min(p => p.Start) ?? DateTime.Today);
        var (lines, problems) = Timetable.Read(text.Text, day, (await lockers.ThingsAsync(cancel)).Kinds);
        var held = lines.Count == 0 ? new TimetableHeld([], []) : TimetableDiff.Of(stored.Plan, lines, text.Events);
        return Results.Ok(new TimetableCompared(held.Changes, lines.Count, [.. problems, .. held.Problems]));
    }

    /// <summary>Keeps a part of a day as a kind of part of the user's own.</summary>
    private static async Task<IResult> KeepKind(KeepKindRequest request, PlanStore store, LockerStore lockers, CancellationToken cancel)
    {
        if (await store.FindAsync(request.Assignment, cancel) is not { } stored) return Problems.NotFound("assignment");
        if (stored.Plan.PartOf(request.Part) is not { } part) return Problems.NotFound("part");
        if (string.IsNullOrWhiteSpace(request.Name) || request.Name.Length > 60) return Problems.Unprocessable(
            "The kind was not kept.", [new PlanProblem("name", "say what it is called, in at most 60 letters")]);
        var known = (await lockers.ThingsAsync(cancel)).Kinds;
        if (known.Any(k => k.Name.Equals(request.Name.Trim(), StringComparison.OrdinalIgnoreCase))) return Problems.Unprocessable(
            "The kind was not kept.", [new PlanProblem("name", $"there is a kind \"{request.Name.Trim()}\" already; call it something else")]);
        var kind = PartKind.Kept(part, request.Name, known);
        await lockers.SetKindAsync(kind.Id, kind, $"{kind.Name} kept as a kind of part", cancel);
        return Results.Created($"/api/kinds/{kind.Id}", new KeptKind(kind.Id, kind.Name));
    }

    private static async Task<IResult> DropKind(string id, LockerStore lockers, CancellationToken cancel)
    {
        if ((await lockers.ThingsAsync(cancel)).Kinds.FirstOrDefault(k => k.Own && k.Id == id) is not { } kind) return Problems.NotFound("kind of part");
        await lockers.SetKindAsync(id, null, $"{kind.Name}, a kind of part, removed", cancel);
        return Results.Ok(new KeptKind(kind.Id, kind.Name));
    }

    private static async Task<IResult> ReadCalendar(HttpRequest request, string? zone, CancellationToken cancel)
    {
        using var reader = new StreamReader(request.Body);
        var (day, problem) = DayCalendar.Read(
            await reader.ReadToEndAsync(cancel), zone is not null && TimeZoneInfo.TryFindSystemTimeZoneById(zone, out _) ? zone : null);
        return day is null ? Problems.Unprocessable("This calendar cannot be read. Nothing was made of it.", [problem!]) : Results.Ok(day);
    }

    private static async Task<IResult> ExportCalendar(string key, PlanStore store, CancellationToken cancel) =>
        await store.FindAsync(key, cancel) is { } stored
            ? Results.File(System.Text.Encoding.UTF8.GetBytes(DayCalendar.Write(stored.Plan)), "text/calendar", $"{key}.ics")
            : Problems.NotFound("assignment");

    private static async Task<IResult> Start(NewDayRequest request, PlanStore store, LockerStore lockers, DaysUsed used, CancellationToken cancel)
    {
        var locker = await lockers.ThingsAsync(cancel);
        var (usual, learnt) = (UsualWays.Of(await store.LatestAsync(cancel)), await used.LearntAsync(cancel));
        var made = NewDay.From(request, locker.Things, locker.Kinds, usual, learnt);
        // What another assignment has at that time is left to it, as long as there is something to photograph with.
        if (made.Plan is { } plan && await LeftAsync(plan, locker.Things, request.Again, store, cancel) is { } left)
            made = NewDay.From(request, left, locker.Kinds, usual, learnt);
        if (made.Plan is null) return Problems.Unprocessable("The day was not made.", made.Problems);
        return request.Again is { } again ? await StartAgain(again, made.Plan, store, cancel) : Kept(await store.AddAsync(made.Plan, cancel));
    }

    /// <summary>What no other assignment has meanwhile; null where none has anything, or nothing to photograph with would be left.</summary>
    private static async Task<IReadOnlyList<Item>?> LeftAsync(Plan plan, IReadOnlyList<Item> things, string? again, PlanStore store, CancellationToken cancel)
    {
        if (plan.Parts.Min(p => p.Start) is not { } start || plan.Parts.Max(p => p.End) is not { } end) return null;
        var taken = new HashSet<string>(StringComparer.Ordinal);
        foreach (var other in await store.AtOnceAsync(start, end, cancel: cancel))
            if (other.Key != again && await store.PlanAsync(other.Key, other.Revision, cancel) is { } known && !known.Assignment.IsOneWith(plan.Assignment))
                taken.UnionWith(things.Where(t => known.ItemOf(t.Id)?.IsOneWith(t) == true).Select(t => t.Id));
        List<Item> left = [.. things.Where(t => !taken.Contains(t.Id))];
        return taken.Count > 0 && left.Exists(t => t is Body && t.IsHere(DateOnly.FromDateTime(start))) && left.Exists(t => t is Lens) ? left : null;
    }

    /// <summary>Only as long as nothing was done to it but starting it: work is not thrown away.</summary>
    private static async Task<IResult> StartAgain(string key, Plan made, PlanStore store, CancellationToken cancel)
    {
        if (await store.FindAsync(key, cancel) is not { } was) return Problems.NotFound("assignment");
        if (was.Undo is not (null or Core.Editing.StartAgain.Said) || was.Redo is not null)
        {
            var worked = $"{was.Plan.Assignment.Name} was worked on since it was started; start a new day beside it";
            return Problems.Unprocessable("The day was not started again.", [new PlanProblem("again", worked)]);
        }
        return await store.EditAsync(key, was.Revision, [new Core.Editing.StartAgain { Made = made }], cancel: cancel) is ChangeOutcome.Done done
            ? Results.Created($"/api/assignments/{key}/board", new Added(key, done.Now.Plan.Assignment.Name))
            : Problems.Unprocessable("The day was not started again.", [new PlanProblem("again", "it was changed just now; look at it first")]);
    }

    private static async Task<IResult> Copy(string key, CopyDay request, PlanStore store, DaysUsed used, CancellationToken cancel)
    {
        if (await store.FindAsync(key, cancel) is not { } stored) return Problems.NotFound("assignment");
        List<PlanProblem> said = [.. new[] { PlanLimits.Name("name", request.Name), PlanLimits.Day("day", request.Day) }.OfType<PlanProblem>()];
        if (said.Count > 0) return Problems.Unprocessable("The day was not copied.", said);
        var named = stored.Plan.Assignment with { Id = request.Name, Name = request.Name.Trim() };
        var copy = AsLearnt.Of(Core.Plans.Day.MovedTo(stored.Plan with { Assignment = named }, request.Day), await used.LearntAsync(cancel));
        // On the night the clocks go forward a time of the old day may not exist.
        List<PlanProblem> wrong = [.. Clock.Problems(copy)];
        return wrong.Count > 0 ? Problems.Unprocessable("The day was not copied.", wrong) : Kept(await store.AddAsync(copy, cancel));
    }

    private static IResult Kept(StoredPlan stored) => Results.Created($"/api/assignments/{stored.Key}/board",
        new Added(stored.Key, stored.Plan.Assignment.Name));
}
