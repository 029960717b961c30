using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Editing;

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
        if (plan.PartOf(Part) is not { } part) return Refuse("part", $"there is no part \"{Part}\"; it may have been removed");
        var before = part.Setups.FirstOrDefault(s => s.Person == Person && s.Position == Position) ?? new Setup { Person = Person, Position = Position };
        if (Unfit(plan) is { } unfit) return unfit;
        var after = before with { Body = Body, Lens = Lens, Converter = Converter, Tube = Tube, Adapter = Adapter ?? AdapterNeeded(plan)?.Id };
        // Battery, cards and flash belong to the body; another body brings its own.
        if (Body != before.Body) after = after with { Battery = null, Cards = null, Flash = null, Trigger = null, Support = null, Unattended = null };
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
            : Refuse("lens", $"the {lens.Label} ({lens.Mount}) does not fit the {body.Label} ({string.Join(", ", body.Mount)}), and no adapter leads from one "
                + $"to the other");
    }

    /// <summary>The adapter a lens of another mount needs: the one that lies on it, else a sound one, else any.</summary>
    private Adapter? AdapterNeeded(Plan plan)
    {
        var body = plan.Items.OfType<Body>().FirstOrDefault(b => b.Id == Body);
        var lens = plan.Items.OfType<Lens>().FirstOrDefault(l => l.Id == Lens);
        if (body is null || lens is null || body.Mount.Contains(lens.Mount) || plan.SaysTheyFit(body, lens)) return null;
        return plan.Items.OfType<Adapter>()
            .Where(a => a.Joins(lens, body))
            .OrderBy(a => a.Place == "@" + lens.Id ? 0 : a.Doubtful ? 2 : 1)
            .FirstOrDefault();
    }

    /// <summary>Hands over what the new setup takes from another one; body for body, glass for glass.</summary>
    private static Setup Yield(Setup other, Setup before, Setup after)
    {
        if (after.Body is not null && other.Body == after.Body)
            other = other with { Body = before.Body, Battery = null, Cards = null, Flash = null, Trigger = null, Support = null };
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
            .Select(id => plan.ItemOf(id)?.Label ?? id)
            .ToArray();
        return names.Length == 0 ? "nothing" : string.Join(" + ", names);
    }
}
