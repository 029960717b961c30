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
        return [.. Short(names, cards), .. Alone(day, names, cards), .. Worst(names, cards), .. Leaving(day, names, cards.Evening)];
    }

    private static IEnumerable<TextPiece> Short(Names names, CardPlan cards)
    {
        foreach (var type in cards.Types.Where(t => t.Short > 0))
        {
            yield return new TextPiece($"{English.Capital(English.Number(type.Short))} {type.Type} short: ");
            if (cards.Short.FirstOrDefault(s => s.Type == type.Type) is { } full)
                foreach (var piece in Full(names, full)) yield return piece;
            else yield return new TextPiece("the largest may die. ");
        }
    }

    private static IEnumerable<TextPiece> Full(Names names, Shortage full)
    {
        yield return new TextPiece($"the {names.Item(full.Body)}", Item: full.Body);
        yield return new TextPiece(" has no room left in ");
        yield return new TextPiece(names.Part(full.Part), Part: full.Part);
        yield return new TextPiece($" after {full.AfterFrames} frames. ");
    }

    /// <summary>What happens once and lies in one thing longest, and what would help.</summary>
    private static IEnumerable<TextPiece> Alone(Plan day, Names names, CardPlan cards)
    {
        if (cards.Alone is not [var first, ..]) yield break;
        if (first.From is { } from)
        {
            yield return new TextPiece("From ");
            yield return PowerWords.Time(from);
            yield return new TextPiece(first.Until is null ? " to the end " : " to ");
            if (first.Until is { } until) yield return PowerWords.Time(until);
            if (first.Until is not null) yield return new TextPiece(" ");
        }
        for (var i = 0; i < first.Needs.Count; i++)
        {
            if (i > 0) yield return new TextPiece(i == first.Needs.Count - 1 ? " and " : ", ");
            yield return new TextPiece(names.Need(first.Part, first.Needs[i]), Part: first.Part, Need: first.Needs[i]);
        }
        yield return new TextPiece($", {first.Frames} frames, {(first.Needs.Count > 1 ? "are" : "is")} in ");
        yield return Place(names, first.Kind, first.Id);
        yield return new TextPiece(" and nowhere else. ");
        if (first.Kind == CardLossKind.Wallet && day.Rules.Cards.Half == SecondHalf.Shooter)
            yield return new TextPiece(day.People.Count > 1 ? "Give the second half of each pair to somebody else. " : "Put the second half of each pair into the bag. ");
        if (first.Kind != CardLossKind.Camera || Day(day).SkipWhile(p => p.Id != first.Part).Skip(1).FirstOrDefault() is not { } next) yield break;
        yield return new TextPiece("Change its cards before ");
        yield return new TextPiece(next.Label, Part: next.Id);
        yield return new TextPiece(day.People.Count > 1 ? ", and give one to somebody else. " : ", and put one into the bag. ");

        static IReadOnlyList<Part> Day(Plan plan) => Plans.Day.InOrder(plan);
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
        yield return new TextPiece($"Most that goes at once: {worst.Frames} frames of {English.Number(worst.Parts.Count)} {(worst.Parts.Count == 1 ? "part" : "parts")}, with ");
        yield return Place(names, worst.Kind, worst.Id);
        if (worst.Time is { } at)
        {
            yield return new TextPiece(" at ");
            yield return PowerWords.Time(at);
        }
        yield return new TextPiece(". ");
    }

    private static TextPiece Place(Names names, CardLossKind kind, string id) => kind switch
    {
        CardLossKind.Card or CardLossKind.Camera => new TextPiece($"the {names.Item(id)}", Item: id),
        CardLossKind.Wallet => new TextPiece($"the wallet of {names.Person(id)}"),
        _ => new TextPiece($"the {names.Place(id)}"),
    };

    private static IEnumerable<TextPiece> Leaving(Plan day, Names names, CardEvening evening)
    {
        if (evening.Unreadable.Count > 0)
            yield return new TextPiece($"The {names.Item(evening.Copier!)} reads none of {English.List([.. evening.Unreadable.Select(names.Item)])}. ");
        if (evening.IsEnough)
        {
            yield return new TextPiece(evening.LeaveAt is null ? "You may leave" : "You may leave at ");
            if (evening.LeaveAt is { } at) yield return PowerWords.Time(at);
            if (evening.LeaveAt is null && evening.Minutes > 0) yield return new TextPiece($" {English.Whole(Math.Ceiling(evening.Minutes))} minutes after the last part");
            yield return new TextPiece($": {Copies(evening.Copies)} in {Places(evening.Places)}.");
            yield break;
        }
        yield return new TextPiece($"At the end there {(evening.Copies == 1 ? "is" : "are")} {Copies(evening.Copies)} in {Places(evening.Places)}, not {Copies(evening.CopiesAsked)} in {Places(evening.PlacesAsked)}");
        yield return new TextPiece(
            evening.Copies < evening.CopiesAsked && evening.Copier is null ? ": there is no drive or reader in the plan."
            : evening.Places >= evening.PlacesAsked ? "."
            : day.People.Count > 1 ? ": let somebody else take one half of each pair home." : ": leave one of them with somebody, or send one ahead.");
    }

    private static string Copies(int n) => n == 1 ? "one copy" : $"{English.Number(n)} copies";

    private static string Places(int n) => n == 1 ? "one place" : $"{English.Number(n)} places";
}
