namespace YokePair.Core.Plans;

/// <summary>
/// Bounds on what is newly said. What was stored before they were drawn can still be read and worked on: an edit is refused only for what
/// it adds.
/// </summary>
public static class PlanLimits
{
    /// <summary>Most letters of a name.</summary>
    public const int NameLetters = 120;

    /// <summary>Most letters of a place in words.</summary>
    public const int PlaceLetters = 300;

    private const int FirstYear = 2000, LastYear = 2200;

    /// <summary>What is beyond the bounds.</summary>
    public static IEnumerable<PlanProblem> Beyond(Plan plan)
    {
        var found = new List<PlanProblem?> { Name("assignment.name", plan.Assignment.Name) };
        for (var i = 0; i < plan.Parts.Count; i++)
        {
            var (part, at) = (plan.Parts[i], $"parts[{i}]");
            found.Add(Name($"{at}.name", part.Name));
            if (part.Location is { Length: > PlaceLetters } place) found.Add(new PlanProblem($"{at}.location", TooLong(place, PlaceLetters)));
            found.Add(Time($"{at}.start", part.Start));
            found.Add(Time($"{at}.end", part.End));
            found.Add(Id($"{at}.id", part.Id));
            for (var n = 0; n < part.Needs.Count; n++) found.AddRange(
                [Name($"{at}.needs[{n}].name", part.Needs[n].Name), Id($"{at}.needs[{n}].id", part.Needs[n].Id)]);
        }
        for (var i = 0; i < plan.People.Count; i++) found.AddRange([Name($"people[{i}].name", plan.People[i].Name), Id($"people[{i}].id", plan.People[i].Id)]);
        for (var i = 0; i < plan.Places.Count; i++) found.AddRange([Name($"places[{i}].name", plan.Places[i].Name), Id($"places[{i}].id", plan.Places[i].Id)]);
        for (var i = 0; i < plan.Items.Count; i++) found.AddRange([Name($"items[{i}].name", plan.Items[i].Name), Id($"items[{i}].id", plan.Items[i].Id)]);
        return found.OfType<PlanProblem>();
    }

    /// <summary>What is wrong with a name; null when it is none, or a good one.</summary>
    public static PlanProblem? Name(string field, string? name) => name switch
    {
        null => null,
        _ when string.IsNullOrWhiteSpace(name) => new PlanProblem(field, "is blank; say what it is called"),
        { Length: > NameLetters } => new PlanProblem(field, TooLong(name, NameLetters)),
        _ => null,
    };

    private static PlanProblem? Id(string field, string id) => ItemIds.Wrong(id) is { } wrong ? new PlanProblem(field, wrong) : null;

    /// <summary>What is wrong with a day; null when one may photograph on it.</summary>
    public static PlanProblem? Day(string field, DateOnly day) => day.Year is < FirstYear or > LastYear
        ? new PlanProblem(field, FormattableString.Invariant($"{day:yyyy-MM-dd} is no day one photographs on; write it as 2027-06-12"))
        : null;

    private static PlanProblem? Time(string field, DateTime? time) => time is { } at ? Day(field, DateOnly.FromDateTime(at)) : null;

    private static string TooLong(string text, int most) => $"\"{text[..30]}…\" has {text.Length} letters; say it in at most {most}";
}
