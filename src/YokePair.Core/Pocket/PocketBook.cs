using System.Text.Json;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Wording;

namespace YokePair.Core.Pocket;

/// <summary>Losses and what one does about them, each answer written once.</summary>
internal sealed class PocketBook
{
    private readonly DayAnalysis day;
    private readonly string reader;
    private readonly PocketWords words;
    private readonly Names names;
    private readonly List<PocketAnswer> answers = [];
    private readonly Dictionary<string, int> known = new(StringComparer.Ordinal);
    private readonly Dictionary<string, int> partAt;
    private readonly List<Loss> losses;
    private readonly int[] lossOfItem;

    public PocketBook(DayAnalysis day, string reader)
    {
        (this.day, this.reader, words, names) = (day, reader, new PocketWords(day.Plan), new Names(day.Plan));
        partAt = Day.InOrder(day.Plan).Select((p, n) => (p.Id, n)).ToDictionary(p => p.Id, p => p.n, StringComparer.Ordinal);
        losses = [.. Failure.Losses.Of(day.Kit).Where(l => l.Kind != LossKind.Socket)];
        lossOfItem = [.. day.Kit.Items.Select(i => losses.FindIndex(l => l.Kind == LossKind.Item && l.Id == i.Id))];
    }

    /// <summary>What is done, in the order it was first told.</summary>
    public IReadOnlyList<PocketAnswer> Answers => answers;

    /// <summary>Numbers of the losses of the things a need stands on.</summary>
    public IReadOnlyList<int> UsedBy(NeedFinding need) => [.. Enumerable.Range(0, lossOfItem.Length).Where(need.Uses).Select(i => lossOfItem[i])];

    /// <summary>Every loss.</summary>
    public IReadOnlyList<PocketLoss> Losses(LossAnswers answers, CancellationToken cancel) =>
    [
        .. losses.Select(loss =>
        {
            cancel.ThrowIfCancellationRequested();
            return new PocketLoss(loss.Kind, loss.Id, LossWords.Row(names, loss.Kind, loss.Id), [.. FatesOf(loss, answers)]);
        }),
    ];

    /// <summary>Pairs of things that matter together.</summary>
    public IReadOnlyList<PocketPair> Pairs(LossAnswers answers, CancellationToken cancel)
    {
        var pairs = new Dictionary<(int, int), List<PocketChange>>();
        var found = day.Parts.AsParallel().AsOrdered().WithCancellation(cancel).Select(p => answers.Pairs(p).ToList());
        foreach (var (one, other, left) in found.SelectMany(p => p))
        {
            var key = (Math.Min(lossOfItem[one], lossOfItem[other]), Math.Max(lossOfItem[one], lossOfItem[other]));
            if (!pairs.TryGetValue(key, out var changes)) pairs.Add(key, changes = []);
            changes.Add(Told(left));
        }
        return [.. pairs.Select(p => new PocketPair(p.Key.Item1, p.Key.Item2, p.Value))];
    }

    private IEnumerable<PocketFate> FatesOf(Loss loss, LossAnswers answers)
    {
        if (loss.ItemsIn is not { } itemsIn)
        {
            var changed = day.Changed(loss)!;
            yield return new PocketFate([], [], [.. day.Parts.SelectMany(p => LossAnswers.Changed(day, changed, loss, p)).Select(Told)]);
            yield break;
        }
        // What goes along is what is on it, or in it, when it goes; an event of one's own lasts as it is told.
        var isOwn = loss.Kind == LossKind.Own;
        var times = day.Parts.Select(p => (Part: p, Items: itemsIn(p.Ways.Layout).Order().ToArray())).ToList();
        var fates = isOwn ? [times] : times.GroupBy(t => string.Join(' ', t.Items)).Select(g => g.ToList()).ToList();
        foreach (var fate in fates)
        {
            List<int> items = [.. fate.SelectMany(f => f.Items).Distinct()];
            var changes = day.Parts.SelectMany(p => answers.Without(p, isOwn ? itemsIn(p.Ways.Layout) : [.. items])).Select(Told).ToList();
            yield return new PocketFate(fates.Count == 1 ? [] : [.. fate.Select(f => f.Part.Part.Id)], [.. items.Select(i => day.Kit.Items[i].Id)], changes);
        }
    }

    private PocketChange Told(LeftOfNeed left)
    {
        var part = left.Part.Part;
        var answer = AnswerOf(day.Plan, words, reader, left);
        var written = JsonSerializer.Serialize(answer, PlanFile.JsonOptions);
        if (!known.TryGetValue(written, out var at))
        {
            known.Add(written, at = answers.Count);
            answers.Add(answer);
        }
        return new PocketChange(partAt[part.Id], IndexOf(left.Part.Needs, left.Need), left.Outcome, at);
    }

    /// <summary>What one does about a need, as somebody reads it.</summary>
    public static PocketAnswer AnswerOf(Plan plan, PocketWords words, string reader, LeftOfNeed left)
    {
        var (part, (way, picture)) = (left.Part.Part, left.Answer);
        return new PocketAnswer(
            way is null ? null : words.Hand(part, reader, way.Person, way.Body, way.Lens), way?.Person, way?.Seconds, way?.Steps ?? [], picture,
            PullTest.Stays(plan, part.Id, way, left.Need.Best is { } best ? WayReports.Of(left.Part.Ways.Kit, left.Part.Ways.Layout, best) : null));
    }

    private static int IndexOf(IReadOnlyList<NeedFinding> needs, NeedFinding need)
    {
        for (var i = 0; i < needs.Count; i++)
            if (needs[i] == need) return i;
        return -1;
    }
}
