using YokePair.Core.Basics;
using YokePair.Core.Cards;
using YokePair.Core.Plans;
using YokePair.Core.Swaps;

namespace YokePair.Core.Wording;

/// <summary>Where pictures are in one place only, and when one may leave, in words.</summary>
internal static class CardWords
{
    /// <summary>What would be gone with one camera or one wallet, when one may leave, and whether the cards are enough.</summary>
    public static IReadOnlyList<TextPiece> Day(Plan day, CardPlan cards)
    {
        var names = new Names(day);
        if (cards.Bands.Count == 0) return [new TextPiece("No camera is at work that takes a card.")];
        return [.. Held(day), .. Short(names, cards), .. Alone(day, names, cards), .. Worst(names, cards), .. TwoJoins(day, names, cards),
            .. Due(names, cards.Due), .. Leaving(day, names, cards.Evenings)];
    }

    /// <summary>Cards that are packed and cannot be used, each lot with the reason.</summary>
    private static IEnumerable<TextPiece> Held(Plan day)
    {
        foreach (var lot in day.Items.OfType<Card>().Where(c => !c.CanRecord).GroupBy(c => c.State, StringComparer.Ordinal))
        {
            var (are, hold) = lot.Count() == 1 ? ("is", "holds") : ("are", "hold");
            var why = lot.Key switch
            {
                "shot" => $"{are} not clear: {(lot.Count() == 1 ? "it holds" : "they hold")} pictures of another day",
                "settings" => $"{hold} settings",
                "not ours" => $"{are} not ours",
                var other => $"{are} {other}",
            };
            yield return new TextPiece($"{English.List([.. lot.Select(c => c.Label)])} {why}. ");
        }
    }

    private static IEnumerable<TextPiece> Short(Names names, CardPlan cards)
    {
        foreach (var type in cards.Types.Where(t => t.Short > 0))
        {
            yield return new TextPiece($"{English.Capital(English.Number(type.Short))} {type.Type} short: ");
            if (cards.Short.FirstOrDefault(s => s.Type == type.Type) is { } full)
                foreach (var piece in Full(names, full)) yield return piece;
            else yield return new TextPiece("should the largest die, another has no room for its pictures. ");
        }
    }

    /// <summary>The day in a few words, where nothing else is wrong.</summary>
    public static string Headline(IReadOnlyList<Shortage> full)
    {
        var cameras = full.Select(f => f.Body).Distinct(StringComparer.Ordinal).Count();
        return $"{English.Capital(English.Number(cameras))} {(cameras == 1 ? "camera finds" : "cameras find")} no room on any card on a busy day.";
    }

    /// <summary>The day in a few words, where there is room as long as no card dies.</summary>
    public static string Headline(IReadOnlyList<CardType> withoutOne)
    {
        var kinds = withoutOne.Select(t => $"{English.Number(t.Short)} {t.Type} {(t.Short == 1 ? "card" : "cards")}").ToList();
        return $"{English.Capital(English.List(kinds))} short, should the largest die.";
    }

    /// <summary>What finds no room, and what is short when a card dies.</summary>
    public static IEnumerable<TextPiece> Lack(Names names, CardLack lack)
    {
        foreach (var piece in Full(names, lack.Short)) yield return piece;
        if (lack.WithoutOne.Count == 0) yield break;
        var types = lack.WithoutOne.Select(t => $"{t.Type}, {English.Number(t.Ready)} there and {English.Number(t.Wanted)} wanted");
        yield return new TextPiece($"Cards: {string.Join("; ", types)}, so that the largest may die. ");
    }

    /// <summary>What a loss leaves of room and copies, in words; empty where that is all that is asked.</summary>
    public static IEnumerable<TextPiece> Without(CardsWithout left)
    {
        if (left.NoRoom > 0) yield return new TextPiece($"{left.NoRoom} frames of a busy day find no room on a card. ");
        if (left.Copies < left.CopiesBefore && left.Copies < left.CopiesAsked) yield return new TextPiece(
            $"At the end there {(left.Copies == 1 ? "is" : "are")} {English.Count(left.Copies, "copy", "copies")}, not {English.Number(left.CopiesAsked)}. ");
    }

    /// <summary>The first of them, and how many more there are.</summary>
    private static IEnumerable<TextPiece> Full(Names names, IReadOnlyList<Shortage> full)
    {
        if (full.Count == 0) yield break;
        yield return new TextPiece("Cards: ");
        foreach (var piece in Full(names, full[0])) yield return piece;
        var more = full.Select(f => f.Body).Distinct(StringComparer.Ordinal).Count() - 1;
        if (more > 0) yield return new TextPiece($"{English.Capital(English.Number(more))} more {(more == 1 ? "camera" : "cameras")} as well. ");
    }

    private static IEnumerable<TextPiece> Full(Names names, Shortage full)
    {
        yield return new TextPiece($"the {names.Item(full.Body)}", Item: full.Body);
        yield return new TextPiece(" has no room left in ");
        yield return new TextPiece(names.Part(full.Part), Part: full.Part);
        yield return new TextPiece($" after {full.AfterFrames} frames. ");
    }

    /// <summary>The part with most of what happens once, where that lies in one thing for long.</summary>
    private static IEnumerable<TextPiece> Alone(Plan day, Names names, CardPlan cards)
    {
        if (cards.Alone.OrderByDescending(a => a.Needs.Count).FirstOrDefault(a => a.From is null || a.Minutes >= LongMinutes) is not { } most) yield break;
        if (most.From is { } from)
        {
            yield return new TextPiece("From ");
            yield return PowerWords.Time(from);
            yield return new TextPiece(most.Until is null ? " to the end " : " to ");
            if (most.Until is { } until) yield return PowerWords.Time(until);
            if (most.Until is not null) yield return new TextPiece(" ");
        }
        const int named = 2;
        foreach (var (need, n) in most.Needs.Take(named).Select((need, n) => (need, n)))
        {
            if (n > 0) yield return new TextPiece(most.Needs.Count > named ? ", " : " and ");
            yield return new TextPiece(names.Need(most.Part, need), Part: most.Part, Need: need);
        }
        if (most.Needs.Count > named) yield return new TextPiece($" and {English.Number(most.Needs.Count - named)} more of ");
        else yield return new TextPiece(" in ");
        yield return new TextPiece(names.Part(most.Part), Part: most.Part);
        yield return new TextPiece($", {most.Frames} frames, {(most.Needs.Count > 1 ? "are" : "is")} in ");
        yield return Place(names, most.Kind, most.Id);
        yield return new TextPiece(" and nowhere else. ");
        if (most.Kind == CardLossKind.Wallet && day.Rules.Cards.Half == SecondHalf.Shooter)
            yield return new TextPiece(day.People.Count > 1 ? "Give the second half of each pair to somebody else. "
                : "Put the second half of each pair into the bag. ");
    }

    private const double LongMinutes = 30;

    /// <summary>Frames that somebody waits for and that are not there in time, with what stands in the way.</summary>
    private static IEnumerable<TextPiece> Due(Names names, IReadOnlyList<DueAnswer> due)
    {
        foreach (var late in due.Where(d => d.Why != DueObstacle.None))
        {
            yield return new TextPiece($"{English.Capital(English.Count(late.Frames, "frame", "frames"))} of ");
            yield return new TextPiece(names.Need(late.Part, late.Need), Part: late.Part, Need: late.Need);
            if (late.By is { } by)
            {
                yield return new TextPiece(" by ");
                yield return PowerWords.Time(by);
            }
            var part = names.Part(late.Part);
            yield return new TextPiece(late.Why switch
            {
                DueObstacle.NoCamera => $": no camera is left for it in {part}. ",
                DueObstacle.NothingSent => $": nothing is sent from the {names.Item(late.Body!)} in {part}. ",
                DueObstacle.OutOfReach => $": the {names.Item(late.To!)} is out of reach in {part}. ",
                DueObstacle.NotConfirmed => $": {names.Item(late.To!)} does not say that they have arrived. ",
                _ => $": {English.Tenths(late.LateMinutes!.Value)} min late, at that speed. ",
            });
        }
    }

    /// <summary>Cards that are lacking for the changes that are asked for; else two changes that share the day out, where the plan has none that do
    /// as well.</summary>
    private static IEnumerable<TextPiece> TwoJoins(Plan day, Names names, CardPlan cards)
    {
        if (cards.Types.Where(t => t.Unmet > 0).Select(t => $"{English.Number(t.Unmet)} {t.Type}").ToList() is { Count: > 0 } lacking)
        {
            yield return new TextPiece($"For clear cards wherever you ask for them {English.List(lacking)} are lacking. ");
            yield break;
        }
        var (planned, two) = (Most(CardWayKind.Planned), Most(CardWayKind.TwoJoins));
        var joins = cards.Ways.First(w => w.Kind == CardWayKind.TwoJoins).Joins;
        if (two >= planned || joins.Count == 0) yield break;
        yield return new TextPiece("Change before ");
        for (var i = 0; i < joins.Count; i++)
        {
            if (i > 0) yield return new TextPiece(" and ");
            yield return new TextPiece(names.Part(joins[i]), Part: joins[i]);
        }
        yield return new TextPiece(day.People.Count > 1 ? ", give one half of each pair to somebody else" : ", put one half of each pair into the bag");
        yield return new TextPiece($", and it is {two}. ");

        int Most(CardWayKind kind) =>
            cards.Ways.First(w => w.Kind == kind).Losses.Where(l => l.Kind == CardLossKind.Camera).Select(l => l.Frames).DefaultIfEmpty(0).Max();
    }

    private static IEnumerable<TextPiece> Worst(Names names, CardPlan cards)
    {
        var planned = cards.Ways.First(w => w.Kind == CardWayKind.Planned);
        // What one person carries as a whole nobody can share out; the table tells of it.
        if (planned.Losses.FirstOrDefault(l => l.Kind != CardLossKind.Person && l.Frames > 0) is not { } worst)
        {
            yield return new TextPiece("No card, camera, wallet or bag ever holds the only copy of anything. ");
            yield break;
        }
        var parts = $"{English.Number(worst.Parts.Count)} {(worst.Parts.Count == 1 ? "part" : "parts")}";
        yield return new TextPiece($"Most that goes at once: {worst.Frames} frames of {parts}, with ");
        yield return Place(names, worst.Kind, worst.Id);
        if (worst.Time is { } at)
        {
            yield return new TextPiece(" at ");
            yield return PowerWords.Time(at);
        }
        yield return new TextPiece(". ");
    }

    /// <summary>A loss with the frames and the pictures that go with it, what happens once by name.</summary>
    public static IEnumerable<TextPiece> Gone(Names names, CardLoss loss)
    {
        const int named = 3;
        yield return new TextPiece(loss.Kind switch
        {
            CardLossKind.Card => $"If {names.Item(loss.Id)} dies or is formatted",
            CardLossKind.Camera => $"If the {names.Item(loss.Id)} is stolen",
            CardLossKind.Wallet => $"If the wallet of {names.Person(loss.Id)} is lost",
            CardLossKind.Place => $"If the {names.Place(loss.Id)} is stolen or broken into",
            _ => $"If all that {names.Person(loss.Id)} carries is lost",
        });
        if (loss.Time is { } at)
        {
            yield return new TextPiece(" at ");
            yield return PowerWords.Time(at);
        }
        if (loss.Frames > 0) yield return new TextPiece($", {loss.Frames} frames are gone for good");
        if (loss.JpegOnly > 0) yield return new TextPiece($"{(loss.Frames > 0 ? " and" : ",")} of {loss.JpegOnly} only the JPEG is left");
        for (var n = 0; n < Math.Min(named, loss.Pictures.Count); n++)
        {
            yield return new TextPiece(n == 0 ? ": " : ", ");
            yield return new TextPiece(names.Need(loss.Pictures[n].Part, loss.Pictures[n].Need), Part: loss.Pictures[n].Part, Need: loss.Pictures[n].Need);
        }
        if (loss.Pictures.Count > named) yield return new TextPiece($" and {English.Number(loss.Pictures.Count - named)} more");
        yield return new TextPiece(".");
    }

    private static TextPiece Place(Names names, CardLossKind kind, string id) => kind switch
    {
        CardLossKind.Card or CardLossKind.Camera => new TextPiece($"the {names.Item(id)}", Item: id),
        CardLossKind.Wallet => new TextPiece($"the wallet of {names.Person(id)}"),
        _ => new TextPiece($"the {names.Place(id)}"),
    };

    /// <summary>When one may leave and with what; of several days each evening.</summary>
    private static IEnumerable<TextPiece> Leaving(Plan day, Names names, IReadOnlyList<CardEvening> evenings)
    {
        for (var i = 0; i < evenings.Count; i++)
        {
            if (evenings.Count > 1) yield return new TextPiece($"The {English.Nth(i + 1)} evening: ");
            var said = Leaving(day, names, evenings[i]).ToList();
            foreach (var (piece, n) in said.Select((p, n) => (p, n)))
                yield return evenings.Count > 1 && n == 0 ? piece with { Text = English.Lower(piece.Text) }
                    : n == said.Count - 1 && i < evenings.Count - 1 ? piece with { Text = piece.Text + " " } : piece;
        }
    }

    private static IEnumerable<TextPiece> Leaving(Plan day, Names names, CardEvening evening)
    {
        var there = $"{English.Count(evening.Copies, "copy", "copies")} in {English.Count(evening.Places, "place", "places")}"
            + (evening.HasJpeg ? ", and a JPEG of each" : "");
        if (evening.Unreadable.Count > 0)
            yield return new TextPiece($"The {names.Item(evening.Runs[0].Copier)} reads none of {English.List([.. evening.Unreadable.Select(names.Item)])}. ");
        if (evening.IsEnough)
        {
            yield return new TextPiece(evening.LeaveAt is null ? "You may leave" : "You may leave at ");
            if (evening.LeaveAt is { } at) yield return PowerWords.Time(at);
            if (evening.LeaveAt is null && evening.Minutes > 0)
                yield return new TextPiece($" {English.Whole(Math.Ceiling(evening.Minutes))} minutes after the last part");
            yield return new TextPiece($": {there}.");
            yield break;
        }
        var asked = $"{English.Number(evening.CopiesAsked)} in {English.Number(evening.PlacesAsked)}";
        var are = evening.Copies == 1 ? "is" : "are";
        yield return new TextPiece($"At the end there {(evening.Copies == 0 ? "is no copy" : $"{are} {there}")}, not {asked}");
        yield return new TextPiece(
            evening.Copies < evening.CopiesAsked && evening.Runs.Count == 0 ? ": there is no drive or reader in the plan."
            : evening.Places >= evening.PlacesAsked ? "."
            : day.People.Count > 1 ? ": let somebody else take one half of each pair home." : ": leave one of them with somebody, or send one ahead.");
    }
}
