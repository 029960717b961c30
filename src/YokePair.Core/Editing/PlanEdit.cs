using System.Text.Json.Serialization;
using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>One thing the photographer changes.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "type")]
[JsonDerivedType(typeof(Mount), "mount")]
[JsonDerivedType(typeof(SetPart), "setPart")]
[JsonDerivedType(typeof(MoveItem), "moveItem")]
[JsonDerivedType(typeof(MoveItems), "moveItems")]
[JsonDerivedType(typeof(PackTogether), "packTogether")]
[JsonDerivedType(typeof(SetContents), "setContents")]
[JsonDerivedType(typeof(PutPlace), "putPlace")]
[JsonDerivedType(typeof(RemovePlace), "removePlace")]
[JsonDerivedType(typeof(AddPosition), "addPosition")]
[JsonDerivedType(typeof(RenamePosition), "renamePosition")]
[JsonDerivedType(typeof(RemovePosition), "removePosition")]
[JsonDerivedType(typeof(PackThing), "pack")]
[JsonDerivedType(typeof(UnpackThing), "unpack")]
[JsonDerivedType(typeof(BorrowThing), "borrow")]
[JsonDerivedType(typeof(KeepThing), "keep")]
[JsonDerivedType(typeof(GotThing), "got")]
[JsonDerivedType(typeof(AddPart), "addPart")]
[JsonDerivedType(typeof(RemovePart), "removePart")]
[JsonDerivedType(typeof(SplitPart), "splitPart")]
[JsonDerivedType(typeof(JoinParts), "joinParts")]
[JsonDerivedType(typeof(SetPlace), "setPlace")]
[JsonDerivedType(typeof(SetLights), "setLights")]
[JsonDerivedType(typeof(Equip), "equip")]
[JsonDerivedType(typeof(SetPerson), "setPerson")]
[JsonDerivedType(typeof(PinChange), "pinChange")]
[JsonDerivedType(typeof(SetUse), "setUse")]
[JsonDerivedType(typeof(SetSending), "setSending")]
[JsonDerivedType(typeof(SetRules), "setRules")]
[JsonDerivedType(typeof(SetAssignment), "setAssignment")]
[JsonDerivedType(typeof(AddDay), "addDay")]
[JsonDerivedType(typeof(SlideDay), "slideDay")]
[JsonDerivedType(typeof(StartAgain), "startAgain")]
[JsonDerivedType(typeof(PutNeed), "putNeed")]
[JsonDerivedType(typeof(RemoveNeed), "removeNeed")]
[JsonDerivedType(typeof(PutEvent), "putEvent")]
[JsonDerivedType(typeof(RemoveEvent), "removeEvent")]
public abstract record PlanEdit
{
    /// <summary>Makes the change.</summary>
    /// <param name="plan">The plan as it is.</param>
    /// <returns>The changed plan with a label, or what is wrong with the edit.</returns>
    public abstract EditResult Apply(Plan plan);

    private protected static EditResult Refuse(string field, string message) => new(null, "", [new PlanProblem(field, message)]);
}

/// <summary>A changed plan, or why it was not changed.</summary>
/// <param name="Plan">The changed plan; null if the edit was refused.</param>
/// <param name="Label">What changed, in words.</param>
/// <param name="Problems">Why it was refused.</param>
public sealed record EditResult(Plan? Plan, string Label, IReadOnlyList<PlanProblem> Problems)
{
    /// <summary>The plan that edits lead to, for trying them out: not checked as a whole. Null where one of them is refused.</summary>
    internal static Plan? Tried(Plan plan, IReadOnlyList<PlanEdit> edits)
    {
        Plan? tried = plan;
        foreach (var edit in edits) tried = tried is null ? null : edit.Apply(tried).Plan;
        return tried;
    }

    /// <summary>Applies edits one after the other, all or none, and checks the plan they lead to.</summary>
    public static EditResult Apply(Plan plan, IReadOnlyList<PlanEdit> edits)
    {
        var before = plan;
        var labels = new List<string>();
        foreach (var edit in edits)
        {
            var result = edit.Apply(plan);
            if (result.Plan is null) return result;
            plan = result.Plan;
            labels.Add(result.Label);
        }
        var problems = PlanCheck.Usable(plan).ToList();
        // A day that came with somebody in two places may be mended step by step; no edit may add to it.
        var two = PlanCheck.TwoPlaces(plan).ToList();
        var had = two.Count == 0 ? [] : PlanCheck.TwoPlaces(before).Select(t => (before.Parts[t.One].Id, before.Parts[t.Other].Id)).ToHashSet();
        problems.AddRange(two.Where(t => !had.Contains((plan.Parts[t.One].Id, plan.Parts[t.Other].Id)))
            .Select(t => new PlanProblem("present", PlanCheck.Both(plan, t.One, t.Other, t.Person))));
        problems.AddRange(Clock.Problems(plan).ExceptBy(Clock.Problems(before).Select(p => p.Message), p => p.Message));
        var beyond = PlanLimits.Beyond(plan).ToList();
        if (beyond.Count > 0) problems.AddRange(beyond.ExceptBy(PlanLimits.Beyond(before).Select(p => p.Message), p => p.Message));
        return problems.Count > 0 ? new EditResult(null, "", problems) : new EditResult(plan, string.Join("; ", labels.Distinct()), []);
    }
}

/// <summary>Packs a thing somewhere else.</summary>
public sealed record MoveItem : PlanEdit
{
    /// <summary>Item id.</summary>
    public required string Item { get; init; }

    /// <summary>Place id, or <c>@item</c>.</summary>
    public required string Place { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.ItemOf(Item) is not { } item) return Refuse("item", $"there is no item \"{Item}\"");
        var next = plan with { Items = [.. plan.Items.Select(i => i.Id == Item ? i with { Place = Place } : i)] };
        if (PlanCheck.WrongPlace(next, next.ItemOf(Item)!) is { } wrong) return Refuse("place", wrong);
        return new EditResult(next, $"{item.Label} moved to {Named(plan, Place)} (was {Named(plan, item.Place)})", []);
    }

    private static string Named(Plan plan, string? place)
    {
        if (PlaceReference.Parse(place, plan.HasItem) is { } at)
            return plan.ItemOf(at.Item)?.Label ?? at.Item;
        return plan.PlaceOf(place)?.Name ?? place ?? "nowhere";
    }
}
