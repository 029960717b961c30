using System.Text.Json.Serialization;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Editing;

/// <summary>One thing the photographer changes.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "type")]
[JsonDerivedType(typeof(Mount), "mount")]
[JsonDerivedType(typeof(SetPart), "setPart")]
[JsonDerivedType(typeof(MoveItem), "moveItem")]
[JsonDerivedType(typeof(PackThing), "pack")]
[JsonDerivedType(typeof(UnpackThing), "unpack")]
[JsonDerivedType(typeof(AddPart), "addPart")]
[JsonDerivedType(typeof(RemovePart), "removePart")]
[JsonDerivedType(typeof(SplitPart), "splitPart")]
[JsonDerivedType(typeof(JoinParts), "joinParts")]
[JsonDerivedType(typeof(PutNeed), "putNeed")]
[JsonDerivedType(typeof(RemoveNeed), "removeNeed")]
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
    /// <summary>Applies edits one after the other, all or none, and checks the plan they lead to.</summary>
    public static EditResult Apply(Plan plan, IReadOnlyList<PlanEdit> edits)
    {
        var labels = new List<string>();
        foreach (var edit in edits)
        {
            var result = edit.Apply(plan);
            if (result.Plan is null) return result;
            plan = result.Plan;
            labels.Add(result.Label);
        }
        var problems = PlanCheck.Usable(plan);
        return problems.Count > 0 ? new EditResult(null, "", problems) : new EditResult(plan, string.Join("; ", labels.Distinct()), []);
    }
}

/// <summary>Puts a body with glass in a person's position for one part. What another position of that part held of it is given what was here.</summary>
public sealed record Mount : PlanEdit
{
    /// <summary>Part id.</summary>
    public required string Part { get; init; }

    /// <summary>Person id.</summary>
    public required string Person { get; init; }

    /// <summary>Position: left, right and so on.</summary>
    public required string Position { get; init; }

    /// <summary>Body id; null empties the hand.</summary>
    public string? Body { get; init; }

    /// <summary>Lens id; null leaves the body bare. A lens of another mount brings the adapter it needs, if there is one.</summary>
    public string? Lens { get; init; }

    /// <summary>Converter id.</summary>
    public string? Converter { get; init; }

    /// <summary>Tube id.</summary>
    public string? Tube { get; init; }

    /// <summary>Adapter id.</summary>
    public string? Adapter { get; init; }

    /// <summary>The edit that puts a body with its glass into a position.</summary>
    public static Mount Of(string part, string person, string position, GlassOnBody glass) => new()
    {
        Part = part,
        Person = person,
        Position = position,
        Body = glass.Body.Id,
        Lens = glass.Lens.Id,
        Converter = glass.Converter?.Id,
        Tube = glass.Tube?.Id,
        Adapter = glass.Adapter?.Id,
    };

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.Parts.FirstOrDefault(p => p.Id == Part) is not { } part) return Refuse("part", $"there is no part \"{Part}\"; it may have been removed");
        var before = part.Setups.FirstOrDefault(s => s.Person == Person && s.Position == Position) ?? new Setup { Person = Person, Position = Position };
        if (Unfit(plan) is { } unfit) return unfit;
        var after = before with { Body = Body, Lens = Lens, Converter = Converter, Tube = Tube, Adapter = Adapter ?? AdapterNeeded(plan)?.Id };
        // Battery, cards and flash belong to the body; another body brings its own.
        if (Body != before.Body) after = after with { Battery = null, Cards = null, Flash = null };
        var setups = part.Setups.Where(s => s != before).Select(s => Yield(s, before, after)).ToList();
        var at = part.Setups.ToList().IndexOf(before);
        setups.Insert(at < 0 ? setups.Count : at, after);
        var changed = part with { Setups = [.. setups.Where(s => s.Named().Any())] };
        return new EditResult(plan.With(changed), $"{part.Label}: {Person} {Position} takes {Described(plan, after)} (was {Described(plan, before)})", []);
    }

    private EditResult? Unfit(Plan plan)
    {
        if (Lens is null) return null;
        if (Body is null) return Refuse("body", "there is no body in this hand yet; put one there first");
        if (plan.Items.OfType<Body>().FirstOrDefault(b => b.Id == Body) is not { } body) return Refuse("body", $"there is no body \"{Body}\"");
        if (plan.Items.OfType<Lens>().FirstOrDefault(l => l.Id == Lens) is not { } lens) return Refuse("lens", $"there is no lens \"{Lens}\"");
        return body.Mount.Contains(lens.Mount) || plan.SaysTheyFit(body, lens) || Adapter is not null || AdapterNeeded(plan) is not null
            ? null
            : Refuse("lens", $"the {lens.Label} ({lens.Mount}) does not fit the {body.Label} ({string.Join(", ", body.Mount)}), and no adapter leads from one to the other");
    }

    /// <summary>The adapter a lens of another mount needs: the one that lies on it, else a sound one, else any.</summary>
    private Adapter? AdapterNeeded(Plan plan)
    {
        var body = plan.Items.OfType<Body>().FirstOrDefault(b => b.Id == Body);
        var lens = plan.Items.OfType<Lens>().FirstOrDefault(l => l.Id == Lens);
        if (body is null || lens is null || body.Mount.Contains(lens.Mount) || plan.SaysTheyFit(body, lens)) return null;
        return plan.Items.OfType<Adapter>()
            .Where(a => a.LensMount == lens.Mount && a.BodyMount is { } mount && body.Mount.Contains(mount))
            .OrderBy(a => a.Place == "@" + lens.Id ? 0 : a.Doubtful ? 2 : 1)
            .FirstOrDefault();
    }

    /// <summary>Hands over what the new setup takes from another one; body for body, glass for glass.</summary>
    private static Setup Yield(Setup other, Setup before, Setup after)
    {
        if (after.Body is not null && other.Body == after.Body)
            other = other with { Body = before.Body, Battery = null, Cards = null, Flash = null };
        if (after.Lens is not null && other.Lens == after.Lens)
            return other with { Lens = Free(before.Lens), Converter = Free(before.Converter), Tube = Free(before.Tube), Adapter = Free(before.Adapter) };
        return other with
        {
            Converter = Taken(other.Converter, after.Converter) ? null : other.Converter,
            Tube = Taken(other.Tube, after.Tube) ? null : other.Tube,
            Adapter = Taken(other.Adapter, after.Adapter) ? null : other.Adapter,
        };

        string? Free(string? id) => after.Named().Any(n => n.Id == id) ? null : id;

        static bool Taken(string? here, string? there) => here is not null && here == there;
    }

    private static string Described(Plan plan, Setup setup)
    {
        var names = new[] { setup.Lens, setup.Converter, setup.Tube, setup.Adapter, setup.Body }
            .Where(id => id is not null)
            .Select(id => plan.Items.FirstOrDefault(i => i.Id == id)?.Label ?? id)
            .ToArray();
        return names.Length == 0 ? "nothing" : string.Join(" + ", names);
    }
}

/// <summary>Changes a part's times, light or rules; what is null stays as it is.</summary>
public sealed record SetPart : PlanEdit
{
    /// <summary>Part id.</summary>
    public required string Part { get; init; }

    /// <summary>New name.</summary>
    public string? Name { get; init; }

    /// <summary>New location, in words.</summary>
    public string? Location { get; init; }

    /// <summary>New list of people who are there.</summary>
    public IReadOnlyList<string>? Present { get; init; }

    /// <summary>Whether what follows moves by as much as the end does.</summary>
    public bool? Ripple { get; init; }

    /// <summary>New start.</summary>
    [JsonConverter(typeof(LocalTimeConverter))] public DateTime? Start { get; init; }

    /// <summary>New end.</summary>
    [JsonConverter(typeof(LocalTimeConverter))] public DateTime? End { get; init; }

    /// <summary>New light, EV at ISO 100.</summary>
    public double? Ev { get; init; }

    /// <summary>New flash rule.</summary>
    public FlashRule? Flash { get; init; }

    /// <summary>New rule about noise.</summary>
    public QuietRule? Quiet { get; init; }

    /// <summary>New list of places out of reach.</summary>
    public IReadOnlyList<string>? Unreachable { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.Parts.FirstOrDefault(p => p.Id == Part) is not { } part) return Refuse("part", $"there is no part \"{Part}\"; it may have been removed");
        var changed = part with
        {
            Name = Name ?? part.Name,
            Location = Location ?? part.Location,
            Present = Present ?? part.Present,
            Start = Start ?? part.Start,
            End = End ?? part.End,
            Ev = Ev ?? part.Ev,
            Flash = Flash ?? part.Flash,
            Quiet = Quiet ?? part.Quiet,
            Unreachable = Unreachable ?? part.Unreachable,
        };
        var said = new List<string>();
        Say(Name is not null, $"called {changed.Label}");
        Say(Location is not null, $"at {changed.Location}");
        Say(Present is not null, changed.Present?.Count > 0 ? $"with {string.Join(", ", changed.Present)}" : "nobody there");
        Say(Start is not null, $"starts {changed.Start:HH:mm} (was {part.Start:HH:mm})");
        Say(End is not null, $"ends {changed.End:HH:mm} (was {part.End:HH:mm})");
        Say(Ev is not null, FormattableString.Invariant($"light EV {changed.Ev} (was {part.Ev})"));
        Say(Flash is not null, $"flash {Lower(changed.Flash)}");
        Say(Quiet is not null, $"quiet {Lower(changed.Quiet)}");
        Say(Unreachable is not null, changed.Unreachable.Count == 0 ? "every place in reach" : $"out of reach: {string.Join(", ", changed.Unreachable)}");
        var next = plan.With(changed);
        if (Ripple == true && part.End is { } was && End is { } now && now != was) next = PlanChanges.MoveOn(next, was, now, except: part.Id);
        return new EditResult(next, $"{part.Label}: {string.Join(", ", said)}{(Ripple == true ? ", the rest moves along" : "")}", []);

        void Say(bool when, string what)
        {
            if (when) said.Add(what);
        }
    }

    private static string Lower<T>(T value) where T : struct, Enum => value.ToString().ToLowerInvariant();
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
        if (plan.Items.FirstOrDefault(i => i.Id == Item) is not { } item) return Refuse("item", $"there is no item \"{Item}\"");
        var next = plan with { Items = [.. plan.Items.Select(i => i.Id == Item ? i with { Place = Place } : i)] };
        var index = plan.Items.ToList().IndexOf(item);
        var wrong = PlanCheck.Complete(next).FirstOrDefault(p => p.Field == $"items[{index}].place");
        if (wrong is not null) return Refuse("place", wrong.Message);
        return new EditResult(next, $"{item.Label} moved to {Named(plan, Place)} (was {Named(plan, item.Place)})", []);
    }

    private static string Named(Plan plan, string? place)
    {
        if (PlaceReference.Parse(place, id => plan.Items.Any(i => i.Id == id)) is { } at)
            return plan.Items.FirstOrDefault(i => i.Id == at.Item)?.Label ?? at.Item;
        return plan.Places.FirstOrDefault(p => p.Id == place)?.Name ?? place ?? "nowhere";
    }
}
