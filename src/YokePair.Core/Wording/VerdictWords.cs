using YokePair.Core.Basics;
using YokePair.Core.Cards;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Verdict;

namespace YokePair.Core.Wording;

/// <summary>The verdict on a day, in the craft's words. Page, print and command line show this same text.</summary>
internal static class VerdictWords
{
    private const int NeedsNamed = 3;

    public static VerdictText Of(Plan plan, Standing day)
    {
        var names = new Names(plan);
        var details = new List<TextPiece>();
        foreach (var person in Empty(plan)) details.Add(new TextPiece($"{person.Name ?? person.Id} photographs and has no camera in any part. "));
        foreach (var thing in day.ToGet) ToGet(names, thing, details);
        var cameras = Cameras(plan, day.SinglePoints);
        foreach (var group in day.SinglePoints.Where(s => !cameras.Folded.Contains(s.Item))
                     .GroupBy(s => string.Join('|', s.Hits.Select(h => $"{h.Part}/{h.Need}")))
                     .Select(g => g.ToList())
                     .OrderByDescending(g => g[0].Hits.Count(h => names.Importance(h.Part, h.Need) == Importance.Once))
                     .ThenByDescending(g => g[0].Hits.Count))
            Carried(names, group, cameras.Whole, details);
        // What many needs lack alike is said once, however much each lacks it, and what most lack first.
        foreach (var alike in day.Gaps.GroupBy(g => g.Lacks).OrderByDescending(g => g.Count()))
        {
            Named(names, [.. alike.Select(g => (g.Part, g.Need))], details);
            details.Add(new TextPiece($": {(alike.Select(g => g.Why).Distinct().Count() == 1 ? alike.First().Why : alike.Key)}. "));
        }
        details.AddRange(PowerWords.Say(names, day.Power));
        details.AddRange(CardWords.Lack(names, day.Cards));
        Away(names, day.Away, details);
        if (day.Exposed == 0 && day.SecondBest.Count > 0)
        {
            details.Add(new TextPiece("Second best: "));
            Named(names, day.SecondBest, details);
            details.Add(new TextPiece(". "));
        }
        if (details.Count == 0) details.Add(
            new TextPiece($"All {plan.Parts.Sum(p => p.Needs.Count)} needs are met in time, and stay so without any one thing."));
        return new VerdictText(Headline(names, day), details);
    }

    private const int MostAwayNamed = 4;

    /// <summary>What is not there, each reason once, however many things it keeps away.</summary>
    private static void Away(Names names, IReadOnlyList<AwayThing> away, List<TextPiece> details)
    {
        var reasons = away.GroupBy(a => a.Why).Select(g => g.OrderByDescending(a => a.InHand).ToList()).ToList();
        foreach (var (reason, r) in reasons.Select((g, r) => (g, r)))
        {
            details.Add(new TextPiece(r == 0 ? "Packed but not there: the " : "the "));
            foreach (var (missing, n) in reason.Take(MostAwayNamed).Select((m, n) => (m, n)))
            {
                if (n > 0) details.Add(new TextPiece(", the "));
                details.Add(new TextPiece(names.Item(missing.Item), Item: missing.Item));
            }
            if (reason.Count > MostAwayNamed) details.Add(new TextPiece($" and {English.Number(reason.Count - MostAwayNamed)} more"));
            details.Add(new TextPiece($", {reason[0].Why}{(r == reasons.Count - 1 ? ". " : "; ")}"));
        }
    }

    public static string Plain(VerdictText verdict) => $"{verdict.Headline} {string.Concat(verdict.Details.Select(d => d.Text)).TrimEnd()}";

    /// <summary>Who photographs, is there, and has no camera in any part, though others have.</summary>
    private static IEnumerable<Person> Empty(Plan plan)
    {
        var armed = plan.Parts.SelectMany(p => p.Setups).Where(s => s.Body is not null).Select(s => s.Person).ToHashSet(StringComparer.Ordinal);
        return plan.People.Where(p => armed.Count > 0 && p.Role != PersonRole.Assistant && !armed.Contains(p.Id)
            && plan.Parts.Any(part => part.Present?.Contains(p.Id) != false));
    }

    private static string Headline(Names names, Standing day)
    {
        var missing = day.Away.Count(a => a.InHand);
        if (missing > 0)
        {
            var things = missing == 1 ? "thing you plan to hold is" : "things you plan to hold are";
            var absent = $"{English.Capital(English.Number(missing))} {things} not there that day.";
            return day.Exposed == 0 ? absent : $"{absent} {Exposed(day)}.";
        }
        string[] wanted = [.. day.ToGet.Where(t => t.Hits.Count > 0).Select(t => "the " + names.Item(t.Item))];
        var once = wanted.Length == 0 ? "" : $" once {English.List(wanted)} {(wanted.Length == 1 ? "is" : "are")} got";
        if (day.Exposed > 0) return Exposed(day) + (wanted.Length == 0 ? "." : $", even{once}.");
        if (day.Cards.Short.Count > 0) return CardWords.Headline(day.Cards.Short);
        if (!day.Power.IsNone) return PowerWords.Headline(day.Power);
        if (!day.Cards.IsNone) return CardWords.Headline(day.Cards.WithoutOne);
        if (day.SecondBest.Count == 0) return wanted.Length == 0 ? "Everything holds, whatever single thing fails." : $"Everything holds{once}.";
        var thin = $"{English.Number(day.SecondBest.Count)} {(day.SecondBest.Count == 1 ? "is" : "are")} second best";
        return wanted.Length == 0 ? $"Nothing is missed, whatever single thing fails; {thin}." : $"Nothing is missed{once}; {thin}.";
    }

    private static string Exposed(Standing day)
    {
        var (uncovered, hanging) = (day.Gaps.Count, day.Hanging);
        var gap = uncovered == 0 ? "" : hanging == 0
            ? $"{English.Number(uncovered)} {(uncovered == 1 ? "need is" : "needs are")} not covered"
            : $"{English.Number(uncovered)} {(uncovered == 1 ? "is" : "are")} not covered";
        var hang = hanging == 0 ? "" : $"{English.Number(hanging)} {(hanging == 1 ? "need hangs" : "needs hang")} by one thing";
        return English.Capital(string.Join(", ", new[] { hang, gap }.Where(s => s.Length > 0)));
    }

    private static void ToGet(Names names, ThingToGet thing, List<TextPiece> details)
    {
        details.Add(new TextPiece("Still to get: the "));
        details.Add(new TextPiece(names.Item(thing.Item), Item: thing.Item));
        details.Add(new TextPiece($" ({thing.What}); "));
        if (thing.Hits.Count == 0) details.Add(new TextPiece("nothing is missed without it. "));
        if (thing.Hits.Count == 0) return;
        Named(names, [.. thing.Hits.Select(h => (h.Part, h.Need))], details);
        details.Add(new TextPiece($" {(thing.Hits.Count == 1 ? "is" : "are")} not safe without it. "));
    }

    private static void Carried(Names names, List<SinglePoint> group, Dictionary<string, string> cameras, List<TextPiece> details)
    {
        for (var i = 0; i < group.Count; i++)
        {
            var item = group[i].Item;
            var whole = cameras.GetValueOrDefault(item);
            var article = whole is null ? "the " : "";
            details.Add(new TextPiece(i == 0 ? English.Capital(article) : (i == group.Count - 1 ? " and " : ", ") + article));
            details.Add(new TextPiece(i == 0 && whole is not null ? English.Capital(whole) : whole ?? names.Item(item), Item: item));
        }
        details.Add(new TextPiece(group.Count == 1 ? " alone carries " : " each carry "));
        Named(names, [.. group[0].Hits.Select(h => (h.Part, h.Need))], details);
        details.Add(new TextPiece(". "));
    }

    /// <summary>
    /// What hangs by a body hangs by what is on it as well: that is one camera and not four things. Tells which single points are such
    /// pieces, and what each camera that has any is called.
    /// </summary>
    private static (HashSet<string> Folded, Dictionary<string, string> Whole) Cameras(Plan plan, IReadOnlyList<SinglePoint> all)
    {
        var folded = new HashSet<string>(StringComparer.Ordinal);
        var whole = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var body in all.Where(s => plan.ItemOf(s.Item) is Body))
        {
            var hits = body.Hits.Select(h => (h.Part, h.Need)).ToHashSet();
            var pieces = all.Where(s => s != body && s.Hits.All(h => hits.Contains((h.Part, h.Need)) && IsOn(plan, h.Part, body.Item, s.Item))).ToList();
            if (pieces.Count == 0) continue;
            folded.UnionWith(pieces.Select(p => p.Item));
            var held = body.Hits.Select(h => SetupOf(plan, h.Part, body.Item)).OfType<Setup>().Select(s => (s.Person, s.Position)).Distinct().ToList();
            var whose = plan.People.Count == 1 ? "your" : $"{plan.PersonOf(held.FirstOrDefault().Person)?.Name ?? held.FirstOrDefault().Person}'s";
            whole[body.Item] = held is [var hand]
                ? $"{whose} {(hand.Position is "left" or "right" ? hand.Position + "-hand" : hand.Position)} camera"
                : $"the {plan.ItemOf(body.Item)!.Label} with what is on it";
        }
        return (folded, whole);
    }

    private static Setup? SetupOf(Plan plan, string part, string body) => plan.PartOf(part)?.Setups.FirstOrDefault(s => s.Body == body);

    private static bool IsOn(Plan plan, string part, string body, string item) =>
        SetupOf(plan, part, body)?.Named().Any(n => n.Id == item) == true || PlaceReference.Parse(plan.ItemOf(item)?.Place, plan.HasItem)?.Item == body;

    private static void Named(Names names, IReadOnlyList<(string Part, string Need)> needs, List<TextPiece> details)
    {
        // Of several days the same picture is asked for on each.
        var alike = needs.GroupBy(n => names.Need(n.Part, n.Need), StringComparer.Ordinal)
            .Select(g => (Text: g.Key, g.First().Part, g.First().Need, Count: g.Count())).ToList();
        var named = alike.Count == NeedsNamed + 1 ? alike.Count : Math.Min(alike.Count, NeedsNamed);
        foreach (var (one, i) in alike.Take(named).Select((a, i) => (a, i)))
        {
            if (i > 0) details.Add(new TextPiece(i == alike.Count - 1 ? " and " : ", "));
            details.Add(new TextPiece(one.Text, Part: one.Part, Need: one.Need));
            if (one.Count > 1) details.Add(new TextPiece(one.Count == 2 ? " (twice)" : $" ({English.Number(one.Count)} times)"));
        }
        if (alike.Count > named) details.Add(new TextPiece($" and {English.Number(alike.Skip(named).Sum(a => a.Count))} more"));
    }
}

/// <summary>How a day stands, as far as its verdict tells.</summary>
/// <param name="Gaps">Needs that are not met.</param>
/// <param name="SinglePoints">Things without any one of which a need is not met.</param>
/// <param name="SecondBest">Once and must needs that are second best.</param>
/// <param name="Away">Things that are packed and not there.</param>
/// <param name="ToGet">Things that are reckoned with and not here yet.</param>
/// <param name="Power">What charge does not reach.</param>
/// <param name="Cards">What finds no room on any card.</param>
internal sealed record Standing(
    IReadOnlyList<Gap> Gaps, IReadOnlyList<SinglePoint> SinglePoints, IReadOnlyList<(string Part, string Need)> SecondBest,
    IReadOnlyList<AwayThing> Away, IReadOnlyList<ThingToGet> ToGet, PowerLack Power, CardLack Cards)
{
    /// <summary>Needs that hang by one thing.</summary>
    public int Hanging { get; } = SinglePoints.SelectMany(s => s.Hits).Select(h => (h.Part, h.Need)).Distinct().Count();

    /// <summary>Needs that are not met or hang.</summary>
    public int Exposed => Gaps.Count + Hanging;
}
