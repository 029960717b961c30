using YokePair.Core.Cards;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>
/// A day walked frame by frame with nothing but the list of moves: each frame is written to whatever the moves have put into its camera, and
/// at every minute it is counted afresh what would be gone with each thing.
/// </summary>
internal sealed class SlowCards(Plan plan, CardPlan cards, IReadOnlyList<(string Body, string Part, string Person, int Frames)> work)
{
    private sealed record Move(DateTime At, string Card, CardHolder Kind, string Where);

    private readonly List<Move> moves =
        [.. cards.Stays.SelectMany(s => s.Stays.Select(x => new Move(AtOf(plan, x.Part, x.At), s.Card, x.Kind, x.Where)))];

    private static DateTime AtOf(Plan plan, string part, double share)
    {
        var of = plan.PartOf(part)!;
        return of.Start!.Value + ((of.End!.Value - of.Start.Value) * share);
    }

    /// <summary>Frames gone with a thing at a moment just before another move.</summary>
    public int Gone(CardLossKind kind, string id, DateTime at)
    {
        var gone = 0;
        foreach (var (body, part, person, frames) in work)
        {
            for (var f = 1; f <= frames; f++)
            {
                var taken = AtOf(plan, part, (double)f / frames);
                if (taken > at) break;
                // The frame was taken in the middle of its share of the part; what was in the camera then has it.
                var middle = AtOf(plan, part, (f - 0.5) / frames);
                var on = moves.Select(m => m.Card).Distinct().Where(c => Where(c, middle, false) is { Kind: CardHolder.Camera } now && now.Where == body)
                    .ToList();
                if (on.Count > 0 && on.All(c => Takes(kind, id, Where(c, at, true), person)) && !IsElsewhere(kind, id, body, part, f, taken, at)) gone++;
            }
        }
        return gone;
    }

    /// <summary>Whether a frame has been sent on by then: one after the other, none before it was taken, and only counted where that is confirmed.</summary>
    private bool IsElsewhere(CardLossKind kind, string id, string body, string part, int frame, DateTime taken, DateTime at)
    {
        if (plan.PartOf(part)!.Use?.FirstOrDefault(u => u.Item == body)?.Sends is not { Confirmed: true } sends) return false;
        var camera = (Body)plan.ItemOf(body)!;
        var file = sends.ByCable ? camera.RawMegabytes!.Value : camera.JpegMegabytes!.Value;
        var last = plan.PartOf(part)!.Start!.Value.AddSeconds(frame * file / (sends.MegabytesPerSecond ?? (sends.ByCable ? 40 : 2)));
        if (last > at || taken > at) return false;
        var place = sends.ByCable ? plan.ItemOf(sends.To)?.Place : null;
        return place is null || !((kind == CardLossKind.Place && id == place) || (kind == CardLossKind.Person && plan.PlaceOf(place)?.Person == id));
    }

    private Move? Where(string card, DateTime at, bool justBefore) =>
        moves.Where(m => m.Card == card && (justBefore ? m.At < at : m.At <= at)).LastOrDefault();

    private bool Takes(CardLossKind kind, string id, Move? now, string person) => (kind, now) switch
    {
        (CardLossKind.Camera, { Kind: CardHolder.Camera }) => now.Where == id,
        (CardLossKind.Wallet, { Kind: CardHolder.Wallet }) => now.Where == id,
        (CardLossKind.Place, { Kind: CardHolder.Place }) => now.Where == id,
        (CardLossKind.Card, not null) => now.Card == id,
        (CardLossKind.Person, { Kind: CardHolder.Camera }) => work.Where(w => w.Body == now.Where).Select(w => w.Person).FirstOrDefault(person) == id,
        (CardLossKind.Person, { Kind: CardHolder.Wallet }) => now.Where == id,
        (CardLossKind.Person, { Kind: CardHolder.Place }) => plan.PlaceOf(now.Where)?.Person == id,
        _ => false,
    };
}
