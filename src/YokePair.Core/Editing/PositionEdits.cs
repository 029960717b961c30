using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>Gives a person one more camera, in every part in which they are there and that camera is in no other hand.</summary>
public sealed record AddPosition : PlanEdit
{
    /// <summary>Person id.</summary>
    public required string Person { get; init; }

    /// <summary>What the position is called: right, third, on the balcony.</summary>
    public required string Position { get; init; }

    /// <summary>Body id.</summary>
    public required string Body { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.PersonOf(Person) is not { } person) return Refuse("person", $"there is nobody \"{Person}\"");
        if (plan.ItemOf(Body) is not Body body) return Refuse("body", $"there is no body \"{Body}\"");
        if (Positions.Unfit(plan, Person, Position) is { } wrong) return Refuse("position", wrong);
        var setup = new Setup { Person = Person, Position = Position.Trim(), Body = Body };
        var takes = plan.Parts.Where(p => p.IsPresent(person) && !p.Setups.Any(s => s.Body == Body)).Select(p => p.Id).ToHashSet(StringComparer.Ordinal);
        if (takes.Count == 0) return Refuse("body", $"{body.Label} is in another hand in every part; choose one that is free");
        return new EditResult(
            plan with { Parts = [.. plan.Parts.Select(p => takes.Contains(p.Id) ? p with { Setups = [.. p.Setups, setup] } : p)] },
            $"{person.Name ?? person.Id} {setup.Position}: {body.Label}", []);
    }
}

/// <summary>Calls a position of a person otherwise, in every part.</summary>
public sealed record RenamePosition : PlanEdit
{
    /// <summary>Person id.</summary>
    public required string Person { get; init; }

    /// <summary>What it is called now.</summary>
    public required string Position { get; init; }

    /// <summary>What it is to be called.</summary>
    public required string Name { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (Positions.Missing(plan, Person, Position) is { } missing) return Refuse("position", missing);
        if (Positions.Unfit(plan, Person, Name) is { } wrong) return Refuse("name", wrong);
        var name = Name.Trim();
        return new EditResult(Positions.Each(plan, Person, Position, s => s with { Position = name }), $"{Person} {Position} is called {name}", []);
    }
}

/// <summary>Takes a position from a person in every part; what it held is where it is packed.</summary>
public sealed record RemovePosition : PlanEdit
{
    /// <summary>Person id.</summary>
    public required string Person { get; init; }

    /// <summary>The position.</summary>
    public required string Position { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan) => Positions.Missing(plan, Person, Position) is { } missing
        ? Refuse("position", missing)
        : new EditResult(Positions.Each(plan, Person, Position, _ => null), $"{plan.PersonOf(Person)?.Name ?? Person} works without {Position}", []);
}

/// <summary>The positions of people through the day.</summary>
internal static class Positions
{
    public static bool IsPresent(this Part part, Person person) => part.Present?.Contains(person.Id) != false;

    /// <summary>Why a position may not be called so; null when it may.</summary>
    public static string? Unfit(Plan plan, string person, string name)
    {
        if (string.IsNullOrWhiteSpace(name)) return "is empty; call it left, right, third or what you like";
        return Has(plan, person, name.Trim()) ? $"there is a {name.Trim()} already; call it otherwise" : null;
    }

    public static string? Missing(Plan plan, string person, string position) => Has(plan, person, position) ? null : $"there is no {position} of \"{person}\"";

    /// <summary>The plan with every setup of a position changed, or taken out.</summary>
    public static Plan Each(Plan plan, string person, string position, Func<Setup, Setup?> change) => plan with
    {
        Parts =
        [
            .. plan.Parts.Select(p => !p.Setups.Any(s => Is(s, person, position)) ? p
                : p with { Setups = [.. p.Setups.Select(s => Is(s, person, position) ? change(s) : s).OfType<Setup>()] }),
        ],
    };

    private static bool Has(Plan plan, string person, string position) => plan.Parts.Any(p => p.Setups.Any(s => Is(s, person, position)));

    private static bool Is(Setup setup, string person, string position) => setup.Person == person && setup.Position == position;
}
