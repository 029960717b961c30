using YokePair.Core.Plans;
using YokePair.Core.Taken;
using YokePair.Data;
using YokePair.Data.Files;
using YokePair.Web.Cards;
using YokePair.Web.Sessions;

namespace YokePair.Web.After;

/// <summary>Where the pictures of a day are.</summary>
/// <param name="Folder">Full path of the folder with all of them.</param>
/// <param name="Delivered">Full path of the folder with the delivered ones; null = not said.</param>
public sealed record PicturesRequest(string Folder, string? Delivered = null);

/// <summary>What files speak of, and what that is.</summary>
/// <param name="Key">What was asked.</param>
/// <param name="Thing">Id of the thing; empty = none of one's own; null = ask again.</param>
public sealed record ThingAnswer(string Key, string? Thing);

/// <summary>Batteries of one type that were changed.</summary>
/// <param name="Type">The type.</param>
/// <param name="Changed">How many; null takes the answer back.</param>
/// <param name="Left">Share that was left in those in the cameras at the end; null = not said.</param>
public sealed record BatteriesAnswer(string Type, int? Changed, double? Left = null);

/// <summary>By how much the clock of a camera was wrong.</summary>
/// <param name="Camera">Key of the camera as files speak of it.</param>
/// <param name="Seconds">Seconds it was before the others; null = it was right.</param>
public sealed record ClockAnswer(string Camera, double? Seconds);

/// <summary>What a day really used, and what it teaches.</summary>
internal static class AfterEndpoints
{
    private const int MostChanged = 200, MostSeconds = 200_000;

    public static void MapAfter(this IEndpointRouteBuilder api)
    {
        var after = api.MapGroup("/assignments/{key}/after");
        after.MapGet("", Show).WithName("ShowAfter").Produces<AfterPage>().ProducesProblem(StatusCodes.Status404NotFound);
        api.MapPut("/learnt", UseLearnt).WithName("UseLearnt").Produces<LearntLine>().ProducesProblem(StatusCodes.Status404NotFound);
        after.MapPost("/pictures", Read).WithName("ReadPictures").Produces<PictureReading>(StatusCodes.Status202Accepted)
            .ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        after.MapDelete("/pictures", (string key, PictureReadings readings) => readings.Stop(key) ? Results.NoContent() : Problems.NotFound("reading"))
            .WithName("StopReading").Produces(StatusCodes.Status204NoContent).ProducesProblem(StatusCodes.Status404NotFound);
        Answer(after.MapPut("/thing", AnswerThing).WithName("AnswerThing"));
        Answer(after.MapPut("/batteries", AnswerBatteries).WithName("AnswerBatteries"));
        Answer(after.MapPut("/clock", AnswerClock).WithName("AnswerClock"));
        api.MapGet("/assignments/{key}/archive.zip", Archive).WithName("SaveArchive").ExcludeFromDescription();
        api.MapGet("/assignments/{key}/was", Was).WithName("ShowWas").Produces<DayAsItWas>().ProducesProblem(StatusCodes.Status404NotFound);
        api.MapGet("/assignments/{key}/seldom", Seldom).WithName("ShowSeldomUsed").Produces<SeldomPage>().ProducesProblem(StatusCodes.Status404NotFound);
    }

    private static void Answer(RouteHandlerBuilder route) => route.Produces<AfterPage>().ProducesProblem(StatusCodes.Status404NotFound)
        .ProducesProblem(StatusCodes.Status422UnprocessableEntity);

    private static async Task<IResult> Show(string key, AfterPages pages, CancellationToken cancel) =>
        await pages.OfAsync(key, cancel) is { } page ? Results.Ok(page) : Problems.NotFound("assignment");

    private static async Task<IResult> Read(string key, PicturesRequest request, PlanStore plans, Roots roots, PictureReadings readings,
        CancellationToken cancel)
    {
        if (await plans.RevisionAsync(key, cancel) is null) return Problems.NotFound("assignment");
        try
        {
            var folder = Folder("folder", request.Folder);
            var delivered = string.IsNullOrWhiteSpace(request.Delivered) ? null : Folder("delivered", request.Delivered);
            readings.Begin(key, folder, delivered);
            return Results.Accepted(value: readings.Of(key));
        }
        catch (CopyRefusedException e)
        {
            return Problems.Unprocessable("These pictures cannot be read.", [new PlanProblem(e.Field, e.Message)]);
        }

        string Folder(string field, string? path)
        {
            if (path?.Length > CopyEndpoints.MostLetters) throw new CopyRefusedException(field, "is too long a path");
            var full = roots.Inside(field, path ?? "");
            return Directory.Exists(full) ? full : throw new CopyRefusedException(field, $"{full} is not there; is the drive connected?");
        }
    }

    private static async Task<IResult> AnswerThing(string key, ThingAnswer answer, UsedStore used, DaysUsed days, Days sessions, AfterPages pages,
        CancellationToken cancel)
    {
        if (await used.FindAsync(key, cancel) is not { } stored) return Problems.NotFound("day whose pictures were read");
        if (stored.Roll?.Seen.Any(s => s.Key == answer.Key) != true)
            return Refused("key", "is nothing that the pictures of this day speak of");
        if (answer.Thing is { Length: > 0 } id && await sessions.FindAsync(key, null, cancel) is { } session && session.Plan.ItemOf(id) is not (Body or Lens)
            && !(await sessions.LockerAsync(cancel)).Things.Any(t => t.Id == id && t is Body or Lens))
            return Refused("thing", $"\"{id}\" is no camera and no lens of this day or of the locker");
        await used.AnswerAsync(DaysUsed.Things + answer.Key, answer.Thing, cancel);
        await days.AgainAsync(stored, stored.Told, cancel);
        return await Show(key, pages, cancel);
    }

    private static async Task<IResult> AnswerBatteries(
        string key, BatteriesAnswer answer, UsedStore used, DaysUsed days, LearntFigures learnt, AfterPages pages, CancellationToken cancel)
    {
        if (await used.FindAsync(key, cancel) is not { } stored) return Problems.NotFound("day whose pictures were read");
        if (stored.Figures.Bodies.All(b => b.BatteryType != answer.Type)) return Refused("type",
            $"\"{answer.Type}\" is in no camera that took pictures on this day");
        if (answer.Changed is < 0 or > MostChanged) return Refused("changed", $"is {answer.Changed}; say a number from 0 to {MostChanged}");
        if (answer.Left is < 0 or > 1) return Refused("left", $"is {answer.Left}; say a share from 0 to 1");
        var told = new Dictionary<string, BatteriesUsed>(stored.Told.Batteries, StringComparer.Ordinal);
        if (answer.Changed is { } changed) told[answer.Type] = new BatteriesUsed(changed, answer.Left);
        else told.Remove(answer.Type);
        await days.AgainAsync(stored, stored.Told with { Batteries = told }, cancel);
        // What a charge gives is a figure of the locker, where one sees it and can take it back.
        await learnt.TakeUpAsync(LearntKind.FramesPerCharge, cancel);
        return await Show(key, pages, cancel);
    }

    private static async Task<IResult> AnswerClock(string key, ClockAnswer answer, UsedStore used, DaysUsed days, AfterPages pages, CancellationToken cancel)
    {
        if (await used.FindAsync(key, cancel) is not { } stored) return Problems.NotFound("day whose pictures were read");
        if (stored.Roll?.Seen.Any(s => s.IsCamera && s.Key == answer.Camera) != true) return Refused("camera", "took no picture of this day");
        if (answer.Seconds is { } s && !(Math.Abs(s) <= MostSeconds)) return Refused("seconds", $"are {s}; say at most {MostSeconds}");
        var clocks = new Dictionary<string, double>(stored.Told.Clocks, StringComparer.Ordinal);
        if (answer.Seconds is { } ahead) clocks[answer.Camera] = ahead;
        else clocks.Remove(answer.Camera);
        await days.AgainAsync(stored, stored.Told with { Clocks = clocks }, cancel);
        return await Show(key, pages, cancel);
    }

    private static async Task<IResult> Was(string key, PlanStore plans, UsedStore used, Days days, CancellationToken cancel)
    {
        if (await plans.RevisionAsync(key, cancel) is null) return Problems.NotFound("assignment");
        if (await used.FindAsync(key, cancel) is not { } stored
            || await days.FindAsync(key, null, cancel) is not { } session) return Results.Ok(new DayAsItWas([]));
        return Results.Ok(DayAsItWas.Of(session.Whole, stored.Figures, (await days.LockerAsync(cancel)).Things));
    }

    private static async Task<IResult> Seldom(string key, SeldomMemory memory, Days days, UsedStore used, CancellationToken cancel) =>
        await days.FindAsync(key, null, cancel) is { } session
            ? Results.Ok(memory.Of(session, await used.AllAsync(cancel), (await days.LockerAsync(cancel)).Things, cancel)) : Problems.NotFound("assignment");

    private static async Task<IResult> UseLearnt(LearntAnswer answer, LearntFigures learnt, CancellationToken cancel) =>
        await learnt.AnswerAsync(answer, cancel) is { } line ? Results.Ok(line) : Problems.NotFound("learnt figure");

    private static async Task<IResult> Archive(string key, Days days, PlanStore plans, UsedStore used, RecordStore record,
        Assignments.Summaries summaries, CancellationToken cancel)
    {
        if (await days.PassingAsync(key, cancel) is not { } session) return Problems.NotFound("assignment");
        var head = (await plans.SummariesAsync(cancel)).FirstOrDefault(s => s.Key == key);
        var zip = ArchiveFile.Of(session, await used.FindAsync(key, cancel), head is null ? null : summaries.Of(head),
            [.. (await record.LoadAsync(cancel)).Facts.Where(f => f.Day == key)]);
        return Results.File(zip, "application/zip", $"{key}.zip");
    }

    private static IResult Refused(string field, string why) => Problems.Unprocessable("This was not kept.", [new PlanProblem(field, why)]);
}
