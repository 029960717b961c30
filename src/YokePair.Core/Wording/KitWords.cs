using YokePair.Core.Advice;
using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Wording;

/// <summary>What a search for a kit comes to, in words.</summary>
public static class KitWords
{
    /// <summary>One sentence a client could read, with the gap where the search was stopped.</summary>
    public static IReadOnlyList<TextPiece> Say(KitWish wish, bool proven, Plan plan, IReadOnlyList<ExposedNeed> exposed, double cost, double atLeast)
    {
        var counted = plan.Parts.Sum(p => p.Needs.Count(n => n.Importance != Importance.Nice));
        var exposedNeeds = exposed.Select(e => (e.Part, e.Need)).Distinct().ToList();
        var survives = wish.Survives switch
        {
            FailureClass.None => "can be taken in time with this kit",
            FailureClass.Item => "can still be taken in time whatever one thing fails",
            FailureClass.Rig => "can still be taken in time whatever one thing fails or one camera is lost with all on it",
            _ => "can still be taken in time whatever one thing fails, or one camera or one bag is lost with all in it",
        };
        var which = exposedNeeds.Count == 0 ? $"Every one of the {counted} pictures that matter"
            : $"{counted - exposedNeeds.Count} of the {counted} pictures that matter";
        var amount = Amount(wish.Goal, cost);
        return proven
            ? [new TextPiece($"{which} {survives}; no kit that leaves everyone a camera and keeps to the house’s rules does it with less than "),
                amount, new TextPiece(".")]
            : [new TextPiece($"{which} {survives}; this one takes "), amount, new TextPiece(", and less than "), Amount(wish.Goal, atLeast),
                new TextPiece(" is not possible.")];
    }

    private static TextPiece Amount(KitGoal goal, double amount) => goal switch
    {
        KitGoal.Weight => new TextPiece("", Grams: amount),
        KitGoal.Count => new TextPiece($"{amount:0} things"),
        KitGoal.Value => new TextPiece($"a value of {amount:0}"),
        _ => new TextPiece(amount == 1 ? "one change" : $"{English.Number((int)amount)} changes"),
    };

    /// <summary>What the kit leaves exposed, each with what is lost in words.</summary>
    public static IReadOnlyList<Exposed> Name(Plan plan, IReadOnlyList<ExposedNeed> exposed)
    {
        var names = new Names(plan);
        return [.. exposed.Select(e => new Exposed(e.Part, e.Need, e.Loss is { } loss ? LossWords.Row(names, loss.Kind, loss.Id) : null))];
    }
}

/// <summary>A need that a kit leaves uncovered or hanging, in words.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Need">Need id.</param>
/// <param name="Loss">What is lost, in words; null = nothing.</param>
public sealed record Exposed(string Part, string Need, string? Loss);
