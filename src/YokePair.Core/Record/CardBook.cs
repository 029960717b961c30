using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Record;

/// <summary>What is so of every card, folded from the facts, and what may be done next.</summary>
/// <param name="states">By card id.</param>
/// <param name="name">What a card is called.</param>
public sealed class CardBook(IReadOnlyDictionary<string, CardState> states, Func<string, string> name)
{
    /// <summary>What is said of a card that nothing was ever recorded of: it counts as clear, which is not to say that it is.</summary>
    public const string Unheard = "Nothing is recorded of it. Look at what is on it before you format it.";

    /// <summary>Folds facts in their order.</summary>
    public static Dictionary<string, CardState> Fold(IEnumerable<Fact> facts)
    {
        var states = new Dictionary<string, CardState>(StringComparer.Ordinal);
        foreach (var fact in facts.Where(f => f.Kind.IsOfCards()))
        {
            var before = states.GetValueOrDefault(fact.Thing) ?? CardState.Of(fact.Thing);
            states[fact.Thing] = before.After(fact);
            if (fact is { Kind: FactKind.Put, With: { } other } && states.TryGetValue(other, out var half) && half.HoldsPictures) Pair(half, fact.Thing);
            if (fact.Kind is FactKind.Cleared or FactKind.Overridden) Leave(before);
        }
        return states;

        // Both halves know of each other, whichever was told of.
        void Pair(CardState one, string with)
        {
            if (!one.Halves.Any(h => h.Card == with && h.Copies is null)) states[one.Card] = one with { Halves = [.. one.Halves, new OtherHalf(with)] };
        }

        // What is cleared leaves its copies to the cards that shared its pictures: they are of those pictures still.
        void Leave(CardState cleared)
        {
            foreach (var one in states.Values.Where(s => s.Halves.Any(h => h.Card == cleared.Card && h.Copies is null)).ToList())
                states[one.Card] = one with
                {
                    Halves = [.. one.Halves.Select(h => h.Card == cleared.Card && h.Copies is null
                    ? h with { Copies = cleared.IsJpeg && !one.IsJpeg ? [] : cleared.Copies } : h)]
                };
        }
    }

    /// <summary>A plan as its cards really are: one that holds another day's pictures, or is none to shoot on, takes no part.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="day">Key of its assignment, whose own pictures are no hindrance.</param>
    /// <param name="states">What is so of cards.</param>
    public static Plan With(Plan plan, string day, IReadOnlyDictionary<string, CardState> states) =>
        states.Count == 0 || !plan.Items.Any(i => i is Card && IsHeld(states.GetValueOrDefault(i.Id), day)) ? plan
        : plan with
        {
            Items = [.. plan.Items.Select(i => i is Card card && states.GetValueOrDefault(i.Id) is { } state && IsHeld(state, day)
            ? card with { State = Word(state) } : i)]
        };

    private static bool IsHeld(CardState? state, string day) =>
        state is { Condition: CardCondition.Settings or CardCondition.NotOurs }
        || (state is { Condition: CardCondition.Loaded or CardCondition.Shot or CardCondition.Lost } && state.Day != day);

    private static string Word(CardState state) => state.Condition switch
    {
        CardCondition.Settings => "settings",
        CardCondition.NotOurs => "not ours",
        CardCondition.Lost => "lost",
        _ => "shot",
    };

    /// <summary>What is so of a card.</summary>
    public CardState this[string card] => states.GetValueOrDefault(card) ?? CardState.Of(card);

    /// <summary>
    /// Copies of the pictures on a card, and the places they have reached: the card, the other half of its time, and copies of either that were
    /// read back. Where it has had several other halves, that counts of which there is least.
    /// </summary>
    public (int Copies, int Places) Count(string card)
    {
        var state = this[card];
        if (!state.HoldsPictures && state.Condition != CardCondition.Lost) return (0, 0);
        var counts = state.Halves.Select(h => Count(state, h)).DefaultIfEmpty(Count(state, null)).ToList();
        return (counts.Min(c => c.Copies), counts.Min(c => c.Places));
    }

    private (int Copies, int Places) Count(CardState state, OtherHalf? half)
    {
        var other = half is { Copies: null } ? this[half.Card] : null;
        if (other is { IsJpeg: true } && !state.IsJpeg) other = null;
        CardState[] cards = [.. new[] { state, other }.OfType<CardState>().Where(c => c.HoldsPictures)];
        CardCopy[] copies = [.. state.Copies.Concat(other?.Copies ?? half?.Copies ?? []).Where(c => c.IsVerified).DistinctBy(c => c.Where)];
        var places = cards.Where(c => !c.OnTheWay).Select(c => c.Place).Concat(copies.Select(c => c.Place)).OfType<string>();
        return (cards.Length + copies.Length, places.Distinct(StringComparer.OrdinalIgnoreCase).Count());
    }

    /// <summary>Whether a card may be cleared, in a sentence.</summary>
    public ClearAnswer MayClear(string card, CardRules rules)
    {
        var state = this[card];
        var (copies, places) = Count(card);
        return state.Condition switch
        {
            CardCondition.Clear => new ClearAnswer(false, states.ContainsKey(card) ? "It is clear." : Unheard),
            CardCondition.Settings => new ClearAnswer(false, "Never: it holds settings."),
            CardCondition.NotOurs => new ClearAnswer(false, "No: it is not ours. Give it back."),
            CardCondition.Lost => new ClearAnswer(false, Lost(state, copies)),
            CardCondition.Loaded => new ClearAnswer(false, $"No: it is in {(state.Where is { } camera ? $"the {camera}" : "a camera")}."),
            _ when copies < rules.CopiesAsked => new ClearAnswer(false,
                $"No: {TooFew([.. state.Copies, .. Halves(state).SelectMany(h => h.Copies)], copies, rules)}"),
            _ when places < rules.PlacesAsked => new ClearAnswer(false, $"No: {TooNear(state, places)}"),
            _ => new ClearAnswer(true, $"Yes: {English.Count(copies, "copy", "copies")} in {English.Count(places, "place", "places")}."),
        };
    }

    /// <summary>What must be typed to clear a card that has not reached the rule.</summary>
    public string Phrase(string card)
    {
        var (copies, places) = Count(card);
        return $"clear {name(card)} with {English.Count(copies, "copy", "copies")} in {English.Count(places, "place", "places")}";
    }

    /// <summary>Why a fact cannot be so; null = it can.</summary>
    public string? Refuse(Fact fact, CardRules rules)
    {
        var state = this[fact.Thing];
        return fact.Kind switch
        {
            FactKind.Put when state.Condition == CardCondition.Settings => $"{name(fact.Thing)} holds settings and is never shot on.",
            FactKind.Put or FactKind.Lost or FactKind.Settings or FactKind.NotOurs when state.Condition == CardCondition.Lost => $"{name(fact.Thing)} is lost.",
            FactKind.Put when state.Condition == CardCondition.NotOurs => $"{name(fact.Thing)} is not ours.",
            FactKind.Put when state.Condition == CardCondition.Loaded =>
                $"{name(fact.Thing)} is in {(state.Where is { } camera ? $"the {camera}" : "a camera")} already.",
            FactKind.Put when state.Condition == CardCondition.Shot => MayClear(fact.Thing, rules) is var answer && answer.May
                ? $"{name(fact.Thing)} holds pictures. There are copies enough: clear it first, or take a clear one."
                : $"{name(fact.Thing)} holds pictures. {answer.Sentence} Take a clear one.",
            FactKind.Copied or FactKind.Verified when state.Condition == CardCondition.Lost => $"{name(fact.Thing)} is lost.",
            FactKind.Copied when state.Condition is CardCondition.Settings or CardCondition.NotOurs =>
                $"{name(fact.Thing)} {(state.Condition == CardCondition.Settings ? "holds settings" : "is not ours")}.",
            FactKind.Verified when !state.HoldsPictures => $"There is nothing on {name(fact.Thing)}.",
            FactKind.Copied when state.Condition == CardCondition.Loaded => $"{name(fact.Thing)} is still in a camera; say first that it was taken out.",
            FactKind.Copied or FactKind.Verified when string.IsNullOrWhiteSpace(fact.Where) => "Say what the copy is on.",
            FactKind.Verified when state.Copies.All(c => c.Where != fact.Where) => $"No copy of {name(fact.Thing)} on {fact.Where} is known.",
            FactKind.Cleared when MayClear(fact.Thing, rules) is { May: false } no => no.Sentence,
            FactKind.Overridden when state.Condition != CardCondition.Shot => MayClear(fact.Thing, rules).Sentence,
            FactKind.Overridden when fact.Words?.Trim() != Phrase(fact.Thing) => $"Type in full: {Phrase(fact.Thing)}",
            FactKind.Settings or FactKind.NotOurs when state.HoldsPictures => $"{name(fact.Thing)} holds pictures.",
            FactKind.Ours when state.Condition is not (CardCondition.Settings or CardCondition.NotOurs) => $"{name(fact.Thing)} is an ordinary card already.",
            _ => null,
        };
    }

    /// <summary>The other halves that are there with the same files.</summary>
    private IEnumerable<CardState> Halves(CardState state) =>
        state.Halves.Where(h => h.Copies is null).Select(h => this[h.Card]).Where(c => c.HoldsPictures && (state.IsJpeg || !c.IsJpeg));

    private string Lost(CardState state, int copies)
    {
        if (state.Day is null) return "It is lost; nothing was on it.";
        if (copies == 0) return state.Halves.Count > 1 ? "It is lost, and nothing else holds some of its pictures."
            : "It is lost, and nothing else holds its pictures.";
        string[] there = [.. Halves(state).Select(h => name(h.Card)), .. state.Copies.Where(c => c.IsVerified).Select(c => c.Where)];
        return $"It is lost; {English.List(there)} {(there.Length == 1 ? "holds" : "hold")} its pictures.";
    }

    private static string TooFew(IReadOnlyList<CardCopy> made, int copies, CardRules rules)
    {
        var unread = made.FirstOrDefault(c => !c.IsVerified);
        var there = copies == 1 ? "it is the only one" : $"there are {English.Number(copies)} copies";
        return unread is null ? $"{there}, not {English.Number(rules.CopiesAsked)}." : $"{there}; the copy on {unread.Where} was not read back.";
    }

    private string TooNear(CardState state, int places)
    {
        if (Halves(state).FirstOrDefault(h => h.OnTheWay) is { } half)
            return $"{name(half.Card)}, its other half, is still on the way{(half.Who is { } who ? $" with {who}" : "")}.";
        return places == 0 ? "no copy has reached its place." : $"all of it is in one place{(state.Place is { } place ? $", with {place}" : "")}.";
    }
}

/// <summary>Whether a card may be cleared.</summary>
/// <param name="May">Whether it may.</param>
/// <param name="Sentence">Why, or why not.</param>
public sealed record ClearAnswer(bool May, string Sentence);
