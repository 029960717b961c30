using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Use;
using YokePair.Core.Ways;

namespace YokePair.Core.Cards;

/// <summary>
/// What each loss would take at each moment: the frames of which every copy is in what is lost. Frames come evenly through a part, so that
/// nothing is worse than at an end of a part or just before a card goes from one thing to another.
/// </summary>
internal sealed class Exposure
{
    private readonly DayAnalysis analysis;
    private readonly CameraDay day;
    private readonly CardClock clock;
    private readonly List<FrameBatch> batches;
    private readonly Whereabouts where;
    private readonly List<(Moment Moment, bool JustBefore)> moments;
    private readonly Dictionary<FrameBatch, (double From, int Thing)> copied;

    /// <param name="analysis">The day.</param>
    /// <param name="day">The day as its cameras see it.</param>
    /// <param name="clock">Its moments.</param>
    /// <param name="batches">What lies where.</param>
    /// <param name="where">Where the cards are.</param>
    /// <param name="copies">What is on something else from when on.</param>
    public Exposure(
        DayAnalysis analysis, CameraDay day, CardClock clock, List<FrameBatch> batches, Whereabouts where,
        IEnumerable<(FrameBatch Batch, double From, int Thing)> copies)
    {
        copied = copies.ToDictionary(c => c.Batch, c => (c.From, c.Thing));
        (this.analysis, this.day, this.clock, this.batches, this.where) = (analysis, day, clock, batches, where);
        moments =
        [
            .. Enumerable.Range(0, day.Parts.Length).SelectMany(p => new[] { new Moment(p, 0), new Moment(p, 1) }).Concat(where.Moves).Distinct()
                .SelectMany(m => new[] { (m, JustBefore: true), (m, JustBefore: false) }).OrderBy(m => clock.Of(m.m)).ThenBy(m => !m.JustBefore),
        ];
    }

    /// <summary>A loss, as the test whether a card is among what is lost at a time.</summary>
    private sealed record Loss(CardLossKind Kind, string Id, Func<string, double, bool, bool> Takes);

    /// <summary>Frames gone, and frames of which the JPEG alone is left.</summary>
    private readonly record struct Gone(double Frames, double JpegOnly)
    {
        public double Size => Frames + JpegOnly;
    }

    /// <summary>What each loss takes at its worst moment, the worst first; of single cards and of places only what takes most.</summary>
    public List<CardLoss> Worst() =>
        [.. Losses().Select(Worst).GroupBy(l => l.Kind == CardLossKind.Card ? "card" : $"{l.Kind} {l.Id}").Select(g => g.MaxBy(l => l.Frames + l.JpegOnly)!)
            .OrderByDescending(l => l.Frames).ThenByDescending(l => l.JpegOnly).ThenBy(l => l.Kind)];

    /// <summary>Frames that the camera which holds most holds alone, from moment to moment.</summary>
    public List<ExposurePoint> Curve()
    {
        var cameras = Losses().Where(l => l.Kind == CardLossKind.Camera).ToList();
        return [.. moments.Select(m => (m, Worst: cameras.Select(c => (c.Id, Frames: At(c, m.Moment, m.JustBefore).Frames))
            .DefaultIfEmpty((Id: "", Frames: 0)).MaxBy(c => c.Frames)))
            .Select(x => new ExposurePoint(day.Parts[x.m.Moment.Part].Id, Math.Round(x.m.Moment.Share, 4), (int)Math.Round(x.Worst.Frames),
                x.Worst.Id.Length == 0 ? null : x.Worst.Id))];
    }

    private IEnumerable<Loss> Losses()
    {
        var kit = day.Kit;
        foreach (var card in batches.SelectMany(b => b.Raw.Concat(b.Jpeg)).Distinct())
            yield return new Loss(CardLossKind.Card, card, (one, _, _) => one == card);
        foreach (var body in batches.Select(b => b.Body).Distinct().Order())
            yield return new Loss(CardLossKind.Camera, kit.Items[body].Id,
                (card, at, before) => where.At(card, at, before) is { Kind: CardHolder.Camera } now && now.Where == body);
        for (var p = 0; p < kit.Plan.People.Count; p++)
        {
            var person = p;
            yield return new Loss(CardLossKind.Wallet, kit.Plan.People[p].Id,
                (card, at, before) => where.At(card, at, before) is { Kind: CardHolder.Wallet } now && now.Where == person);
            yield return new Loss(CardLossKind.Person, kit.Plan.People[p].Id, (card, at, before) => IsWith(person, card, at, before));
        }
        for (var p = 0; p < kit.Plan.Places.Count; p++)
        {
            var place = p;
            yield return new Loss(CardLossKind.Place, kit.Plan.Places[p].Id, (card, at, before) => PlaceOf(card, at, before) == place);
        }
    }

    private int PlaceOf(string card, double at, bool before) => where.At(card, at, before) switch
    {
        { Kind: CardHolder.Place } now => now.Where,
        { Kind: CardHolder.Camera } now => where.Carried(now.Where, at, before).Place,
        _ => Kit.None,
    };

    private bool IsWith(int person, string card, double at, bool before) => where.At(card, at, before) switch
    {
        { Kind: CardHolder.Wallet } now => now.Where == person,
        { Kind: CardHolder.Camera } now => where.Carried(now.Where, at, before).Person == person || IsOwn(person, card, at, before),
        _ => IsOwn(person, card, at, before),
    };

    private bool IsOwn(int person, string card, double at, bool before) =>
        PlaceOf(card, at, before) is var place and not Kit.None && where.OwnerOf(place) == person;

    private Gone At(Loss loss, Moment moment, bool justBefore) => Lost(loss, moment, justBefore)
        .Aggregate(default(Gone), (sum, l) => new Gone(sum.Frames + l.Gone.Frames, sum.JpegOnly + l.Gone.JpegOnly));

    private IEnumerable<(FrameBatch Batch, Gone Gone)> Lost(Loss loss, Moment moment, bool justBefore)
    {
        var at = clock.Of(moment);
        foreach (var batch in batches)
        {
            var done = clock.ShareBy(batch.Part, at) * batch.All;
            var taken = Math.Clamp(done, batch.First, batch.End) - batch.First;
            if (taken <= 1e-9 || !batch.Raw.All(c => loss.Takes(c, at, justBefore))) continue;
            if (batch.Raw.Count + batch.Jpeg.Count == 0 || IsSafe(loss, batch, at)) continue;
            var sent = SentBy(loss, batch, done, at);
            if (batch.Sent?.Sending.ByCable == true) (taken, sent) = (taken - sent, 0);
            if (taken <= 1e-9) continue;
            var jpegLeft = batch.Jpeg.Any(c => !loss.Takes(c, at, justBefore)) ? taken : sent;
            yield return (batch, new Gone(taken - jpegLeft, jpegLeft));
        }
    }

    /// <summary>Whether all of a batch is in what a loss takes, and nowhere else.</summary>
    private bool IsAloneIn(Loss loss, FrameBatch batch, double at) =>
        batch.Raw.All(c => loss.Takes(c, at, false)) && !IsSafe(loss, batch, at) && SentBy(loss, batch, batch.End, at) < batch.End - batch.First - 1e-9;

    /// <summary>Whether a batch has been copied by a time to where the loss does not reach.</summary>
    private bool IsSafe(Loss loss, FrameBatch batch, double at) =>
        copied.TryGetValue(batch, out var copy) && at >= copy.From && !Reaches(loss, copy.Thing);

    /// <summary>Frames of a batch that have been sent by a time, to where the loss does not reach.</summary>
    private double SentBy(Loss loss, FrameBatch batch, double done, double at)
    {
        if (batch.Sent is not { } sent || (sent.Thing != Kit.None && Reaches(loss, sent.Thing))) return 0;
        return Math.Clamp(sent.Arrived(done, clock.Since(batch.Part, at)), batch.First, Math.Max(batch.First, Math.Min(done, batch.End))) - batch.First;
    }

    private bool Reaches(Loss loss, int thing) => day.Kit.PackedIn(thing) is { } place
        && (loss.Kind == CardLossKind.Place ? place == loss.Id : loss.Kind == CardLossKind.Person && day.Kit.Plan.PlaceOf(place)?.Person == loss.Id);

    private CardLoss Worst(Loss loss)
    {
        var (moment, before, size) = (default(Moment), false, 0.0);
        foreach (var (at, justBefore) in moments)
            if (At(loss, at, justBefore).Size is var gone && gone > size + 1e-6) (moment, before, size) = (at, justBefore, gone);
        if (size <= 0) return new CardLoss(loss.Kind, loss.Id, 0, 0, null, 0, null, [], []);
        var lost = Lost(loss, moment, before).ToList();
        var all = At(loss, moment, before);
        List<int> parts = [.. lost.Select(l => l.Batch.Part).Distinct().Order()];
        return new CardLoss(loss.Kind, loss.Id, (int)Math.Round(all.Frames), (int)Math.Round(all.JpegOnly), day.Parts[moment.Part].Id,
            Math.Round(moment.Share, 4), clock.TimeOf(moment),
            [.. parts.Select(p => new LostFrames(day.Parts[p].Id, (int)Math.Round(lost.Where(l => l.Batch.Part == p).Sum(l => l.Gone.Size))))],
            [.. Pictures(lost.Select(l => l.Batch))]);
    }

    /// <summary>What happens once and is in one camera, wallet or place only, from the end of its part on; of each the longest such time.</summary>
    public List<OnceAlone> OnceInOneThing()
    {
        var losses = Losses().Where(l => l.Kind is CardLossKind.Camera or CardLossKind.Wallet or CardLossKind.Place).ToList();
        var alone = new List<OnceAlone>();
        foreach (var camera in batches.GroupBy(b => (b.Part, b.Body)))
        {
            string[] needs = [.. NeedsOf(camera.Key.Part, camera.Key.Body).Where(n => n.Need.Importance == Importance.Once).Select(n => n.Need.Id)];
            var over = clock.Of(new Moment(camera.Key.Part, 1));
            var later = moments.Where(m => !m.JustBefore && clock.Of(m.Moment) >= over - 1e-9).Select(m => m.Moment).ToList();
            if (needs.Length == 0 || later.Count == 0) continue;
            var longest = losses.SelectMany(l => Spells(later, m => camera.All(b => IsAloneIn(l, b, clock.Of(m))))
                .Select(s => (Loss: l, s.From, s.Until)))
                .OrderByDescending(s => Minutes(s.From, s.Until)).Cast<(Loss Loss, Moment From, Moment Until)?>().FirstOrDefault();
            if (longest is not { } found || Minutes(found.From, found.Until) <= 0) continue;
            // Copies are made between two parts.
            var (until, safe) = (clock.Of(found.Until), camera.Max(b => copied.TryGetValue(b, out var copy) ? copy.From : double.PositiveInfinity));
            alone.Add(new OnceAlone(day.Parts[camera.Key.Part].Id, needs, (int)Math.Round(camera.First().All), found.Loss.Kind, found.Loss.Id,
                clock.TimeOf(found.From),
                safe < until ? clock.TimeOf(safe) : found.Until == later[^1] ? null : clock.TimeOf(found.Until), Math.Min(until, safe) - clock.Of(found.From)));
        }
        return [.. alone.OrderByDescending(a => a.Minutes)];

        double Minutes(Moment from, Moment until) => clock.Of(until) - clock.Of(from);
    }

    /// <summary>Stretches from the first moment at which something holds to the first at which it does not, or to the last.</summary>
    private static IEnumerable<(Moment From, Moment Until)> Spells(List<Moment> moments, Func<Moment, bool> holds)
    {
        Moment? from = null;
        foreach (var moment in moments)
        {
            var now = holds(moment);
            if (now) from ??= moment;
            if ((now && moment != moments[^1]) || from is not { } since) continue;
            yield return (since, moment);
            from = null;
        }
    }

    private IEnumerable<NeedFinding> NeedsOf(int part, int body) =>
        analysis.PartOf(day.Parts[part].Id)!.Needs.Where(n => n.Outcome.IsMet() && n.Best?.Rig.Fitted is { } fitted && fitted.Body == body);

    /// <summary>Needs that the cameras of some frames are used for, what happens once first.</summary>
    public IEnumerable<LostPicture> Pictures(IEnumerable<FrameBatch> some)
    {
        return some.Select(b => (b.Part, b.Body)).Distinct().OrderBy(c => c.Part)
            .SelectMany(c => NeedsOf(c.Part, c.Body).Select(n => (c.Part, Need: n)))
            .Where(x => x.Need.Need.Importance != Importance.Nice)
            .OrderByDescending(x => x.Need.Need.Importance == Importance.Once)
            .Select(x => new LostPicture(day.Parts[x.Part].Id, x.Need.Need.Id));
    }
}
