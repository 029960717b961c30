using YokePair.Core.Record;
using YokePair.Core.Season;
using YokePair.Core.Taken;
using YokePair.Core.Wording;
using YokePair.Data;
using YokePair.Web.After;
using YokePair.Web.Assignments;
using YokePair.Web.Sessions;

namespace YokePair.Web.Season;

/// <summary>The assignments in order, and what carries over between them.</summary>
/// <param name="Sentence">What is to be seen to before the next assignment.</param>
/// <param name="Assignments">Each assignment with its strands.</param>
/// <param name="Between">What carries over, before each assignment yet to come that is near.</param>
/// <param name="Learnt">What past assignments teach.</param>
/// <param name="Lacks">What was lacking on them.</param>
public sealed record SeasonPage(
    IReadOnlyList<TextPiece> Sentence, IReadOnlyList<SeasonTick> Assignments, IReadOnlyList<SeasonGap> Between, IReadOnlyList<LearntLine> Learnt,
    IReadOnlyList<string> Lacks);

/// <summary>An assignment in the strip.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Start">When it starts.</param>
/// <param name="Strands">Strands of its weakest part; null = not worked out.</param>
/// <param name="IsPast">Whether it is over.</param>
/// <param name="HasPictures">Whether its pictures were read.</param>
public sealed record SeasonTick(string Key, string Name, DateTime Start, int? Strands, bool IsPast, bool HasPictures);

/// <summary>What is to be known before an assignment.</summary>
/// <param name="Assignment">Key of the assignment.</param>
/// <param name="After">Key of the one before; null = none.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="Lines">What carries over; none = nothing.</param>
/// <param name="Instead">What would do instead of what another assignment has.</param>
public sealed record SeasonGap(string Assignment, string? After, int Revision, IReadOnlyList<CarriedOver> Lines, IReadOnlyList<Instead> Instead);

/// <summary>The season.</summary>
internal static class SeasonEndpoints
{
    /// <summary>Assignments ahead that are looked into; what lies beyond has time.</summary>
    private const int LookedInto = 8;

    /// <summary>Most that are told of, with those further ahead that meet another.</summary>
    private const int MostTold = 24;

    public static void MapSeason(this IEndpointRouteBuilder api) => api.MapGet("/season", Show).WithName("ShowSeason").Produces<SeasonPage>();

    private static async Task<IResult> Show(PlanStore plans, Days days, UsedStore used, LearntFigures learnt, Summaries summaries, TimeProvider clock,
        CancellationToken cancel)
    {
        var now = clock.GetLocalNow().DateTime;
        var locker = await days.LockerAsync(cancel);
        var past = await used.AllAsync(cancel);
        var read = past.Select(d => d.Key).ToHashSet(StringComparer.Ordinal);
        var assignments = (await plans.SummariesAsync(cancel)).Where(s => s.Start is not null).Select(s => (Head: s, Known: summaries.Of(s)))
            .Select(s => (s.Head, s.Known, Assignment: new SeasonAssignment(s.Head.Key, s.Head.Name, s.Head.Start!.Value, s.Known?.End
                ?? s.Head.Start.Value.AddHours(10))))
                .ToList();
        var ahead = assignments.FindIndex(j => j.Assignment.End >= now && j.Head.Shelf == Shelf.Current) is var n and >= 0 ? n : assignments.Count;
        var names = locker.Things.ToDictionary(t => t.Id, t => t.Label, StringComparer.Ordinal);
        var book = new CardBook(locker.Record.States, id => names.GetValueOrDefault(id, id));
        var between = new List<SeasonGap>();
        for (var i = ahead; i < assignments.Count && between.Count < MostTold; i++)
        {
            // Of those far ahead only what is promised twice can be said by now.
            if (i >= ahead + LookedInto && !assignments.Exists(a => a.Assignment.Meets(assignments[i].Assignment) && a.Head.Shelf == Shelf.Current)) continue;
            if (assignments[i].Head.Shelf != Shelf.Current || await SessionOf(assignments[i].Head.Key) is not { } session) continue;
            if (assignments[i].Known is null) _ = summaries.WorkOut(assignments[i].Head.Key);
            var before = i == 0 ? null : assignments[i - 1].Assignment;
            var lines = CarryingOver.Of(before, assignments[i].Assignment, session.Whole, locker.Things, book, i == ahead);
            between.Add(new SeasonGap(assignments[i].Head.Key, before?.Key, session.Stored.Revision, lines,
                InsteadOf.Of(session.Whole, locker.Things, cancel)));
        }
        return Results.Ok(new SeasonPage(
            CarryingOver.Sentence(assignments.Count, assignments.Find(j => between.Count > 0 && j.Head.Key == between[0].Assignment).Assignment,
                [.. between.Select(g => g.Lines)]),
            [.. assignments.Select(j => new SeasonTick(j.Head.Key, j.Head.Name, j.Assignment.Start, j.Known?.Strands, j.Assignment.End < now,
                read.Contains(j.Head.Key)))],
            between, await learnt.LinesAsync(cancel), Lacks()));

        List<string> Lacks()
        {
            List<TakenDay> taken = [.. past.Select(d => d.Day)];
            return [.. Lacking.Of(taken, locker.Things).Select(l => TakenWords.Of(l, id => names.GetValueOrDefault(id, id))),
                .. RunningLate.Of(taken).Select(l => TakenWords.Of(l))];
        }

        async Task<Session?> SessionOf(string key)
        {
            try
            {
                return await days.PassingAsync(key, cancel);
            }
            catch (UnreadableDayException)
            {
                // The list says what is wrong with it.
                return null;
            }
        }
    }
}
