using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Wording;

namespace YokePair.Core.Pocket;

/// <summary>A failure of one's own day, thought through the evening before.</summary>
/// <param name="Part">Part id.</param>
/// <param name="PartName">What the part is called.</param>
/// <param name="At">When in it, local time; null without times.</param>
/// <param name="Loss">What fails, in words.</param>
/// <param name="Need">What it is the picture of.</param>
/// <param name="WaitSeconds">How long it can wait; null = without limit.</param>
/// <param name="Choices">What one might do, in no order that tells.</param>
/// <param name="Best">Number of the one to be chosen.</param>
/// <param name="Answer">What one does, step by step.</param>
public sealed record DayQuestion(
    string Part, string PartName, DateTime? At, string Loss, string Need, double? WaitSeconds, IReadOnlyList<QuestionChoice> Choices, int Best,
    PocketAnswer Answer);

/// <summary>Something one might do, and what comes of it.</summary>
/// <param name="Text">What.</param>
/// <param name="Outcome">What becomes of the picture.</param>
/// <param name="Seconds">How long it takes; null = nothing is done.</param>
/// <param name="Picture">What the picture is then; null where it is as one would have chosen it.</param>
public sealed record QuestionChoice(string Text, Outcome Outcome, double? Seconds, string? Picture);

/// <summary>Asks of the worst that can happen.</summary>
public static class Questions
{
    private const int Most = 5, Others = 3;

    /// <summary>Five at most, the worst first, each of another picture.</summary>
    /// <param name="day">The day.</param>
    /// <param name="person">Id of who is asked.</param>
    public static IReadOnlyList<DayQuestion>? Of(DayAnalysis day, string person)
    {
        day = day.AsItIsHere();
        if (day.Plan.PersonOf(person) is null) return null;
        var answers = new LossAnswers(day);
        var asked = new List<DayQuestion>();
        var losses = Losses.Of(day.Kit).Where(l => l.ItemsIn is not null && l.Kind is LossKind.Item or LossKind.Rig or LossKind.Place).ToList();
        var cells = day.Parts.Where(p => p.Part.Present?.Contains(person) != false)
            .SelectMany(p => losses.SelectMany(l => answers.Without(p, l.ItemsIn!(p.Ways.Layout), isLastWord: false).Select(left => (Loss: l, Left: left))))
            .Where(c => c.Left.Need.Need is { Importance: not Importance.Nice, Role: null } && c.Left.Need.Outcome.IsMet())
            .OrderByDescending(c => c.Left.Outcome).ThenBy(c => c.Left.Need.Need.Importance).ThenBy(c => c.Loss.Kind);
        foreach (var (loss, left) in cells.DistinctBy(c => c.Left.Need).DistinctBy(c => (c.Loss.Kind, c.Loss.Id)))
        {
            if (Ask(day, person, loss, left, answers) is { } question) asked.Add(question);
            if (asked.Count == Most) break;
        }
        return asked;
    }

    /// <summary>Null where there is nothing to choose between.</summary>
    private static DayQuestion? Ask(DayAnalysis day, string person, Loss loss, LeftOfNeed left, LossAnswers answers)
    {
        var (part, need) = (left.Part, left.Need);
        var gone = loss.ItemsIn!(part.Ways.Layout);
        var whole = answers.Without(part, gone).First(l => l.Need == need);
        var right = Right(day, part.Part, person, whole);
        List<QuestionChoice> others = [.. Possible(day, part, need, gone, person).Where(c => c.Text != right.Text).DistinctBy(c => c.Text)];
        // One of each kind tells more than three that are alike.
        List<QuestionChoice> shown = [.. others.GroupBy(c => c.Outcome).Select(g => g.First()), .. others];
        List<QuestionChoice> choices = [right, .. shown.Distinct().Take(Others)];
        // Where nothing is left there is nothing to choose.
        if (choices.Count < 2 || whole.Answer.Now is null) return null;
        choices = [.. choices.OrderBy(c => Scatter(c.Text + need.Need.Id)).ThenBy(c => c.Text, StringComparer.Ordinal)];
        var at = part.Part is { Start: { } start, End: { } end } ? start + (end - start) / 2 : (DateTime?)null;
        var fails = $"{English.Capital(LossWords.Pulled(new Names(day.Plan), loss.Kind, loss.Id))} is gone";
        return new DayQuestion(part.Part.Id, part.Part.Label, at, fails, need.Need.Label,
            double.IsPositiveInfinity(need.Ways.ToleranceSeconds) ? null : need.Ways.ToleranceSeconds, choices, choices.IndexOf(right),
            PocketBook.AnswerOf(day.Plan, new PocketWords(day.Plan), person, whole));
    }

    private static QuestionChoice Right(DayAnalysis day, Part part, string person, LeftOfNeed left) => left.Answer.Now is { } way
        ? new(new PocketWords(day.Plan).Hand(part, person, way.Person, way.Body, way.Lens), left.Outcome, way.Seconds, left.Answer.Picture)
        : new(left.Answer.Picture ?? "Let it go: nothing left does it", left.Outcome, null, null);

    private static IEnumerable<QuestionChoice> Possible(DayAnalysis day, PartFindings part, NeedFinding need, int[] gone, string person)
    {
        var failed = part.FailedWith(gone);
        var words = new PocketWords(day.Plan);
        var usable = need.Ways.Candidates.Where(c => c.Rig.Fitted is not null && !c.Rig.IsHit(failed));
        foreach (var camera in usable.GroupBy(c => (c.Rig.Actor, c.Rig.Fitted!.Index)))
        {
            var (outcome, way) = day.BestOf(need.Ways.Only([.. camera]), failed);
            if (way is null) continue;
            var (now, picture) = PullAnswer.Of(part, need.Ways, way, before: null);
            yield return new(words.Hand(part.Part, person, now!.Person, now.Body, now.Lens), outcome, way.Seconds, picture);
        }
        if (need.Outcome.IsMet()) yield return new("Let it go", Outcome.Lost, null, null);
    }

    /// <summary>An order that is always the same and says nothing (FNV-1a).</summary>
    private static uint Scatter(string text) => text.Aggregate(2166136261u, (hash, c) => (hash ^ c) * 16777619u);
}
