namespace YokePair.Core.Plans;

/// <summary>
/// What must be true of a plan beyond its shape. <see cref="Usable"/> is what the analysis needs;
/// <see cref="Complete"/> adds what a plan must have to live in the app, where a thing without a real place is a
/// mistake to mend rather than a thing that happens to be out of reach.
/// </summary>
public static class PlanCheck
{
    /// <summary>Problems that keep a plan from being analysed.</summary>
    public static IReadOnlyList<PlanProblem> Usable(Plan plan)
    {
        var found = new ProblemList();
        if (plan.Format != Plan.FormatName)
            found.Add("format", $"is \"{plan.Format}\"; a plan file says \"{Plan.FormatName}\"");
        if (plan.Version != Plan.CurrentVersion)
            found.Add("version", $"is {plan.Version}; this program reads version {Plan.CurrentVersion}");
        if (HasHoles(plan, found)) return found.All;

        CheckRules(plan.Rules, found);
        CheckWhere(plan.Assignment, found);
        var ids = new KnownIds(plan, found);
        for (var i = 0; i < plan.Places.Count; i++)
        {
            var place = plan.Places[i];
            PlaceCheck.Figures(place, $"places[{i}]", found);
            if (place.Person is { } person) ids.Person($"places[{i}].person", person, found);
        }
        for (var i = 0; i < plan.People.Count; i++) CheckPerson(plan.People[i], $"people[{i}]", found);
        for (var i = 0; i < plan.Items.Count; i++) ItemCheck.Figures(plan.Items[i], $"items[{i}]", found);

        for (var i = 0; i < (plan.Pairs?.Count ?? 0); i++)
        {
            ids.Thing($"pairs[{i}].a", plan.Pairs![i].A, found);
            ids.Thing($"pairs[{i}].b", plan.Pairs[i].B, found);
            if (plan.Pairs.Take(i).Any(p => p.IsOf(plan.Pairs[i].A, plan.Pairs[i].B))) found.Add($"pairs[{i}]", "these two are already a pair; keep one");
        }

        if (plan.Parts.Count == 0) found.Add("parts", "is empty; a day has at least one part");
        var parts = new HashSet<string>(StringComparer.Ordinal);
        for (var i = 0; i < plan.Parts.Count; i++)
        {
            if (!parts.Add(plan.Parts[i].Id)) found.Add($"parts[{i}].id", $"\"{plan.Parts[i].Id}\" is used by two parts; give each its own");
            PartCheck.Check(plan.Parts[i], $"parts[{i}]", ids, found);
        }
        CheckEvents(plan, parts, ids, found);
        return found.All;
    }

    /// <summary>Where the assignment is, for a file and for an edit alike.</summary>
    internal static void CheckWhere(Assignment assignment, ProblemList found)
    {
        found.Within("assignment.latitude", assignment.Latitude ?? 0, -90, 90, "degrees of latitude, north positive");
        found.Within("assignment.longitude", assignment.Longitude ?? 0, -180, 180, "degrees of longitude, east positive");
        if (assignment.Latitude is null != assignment.Longitude is null)
            found.Add(assignment.Latitude is null ? "assignment.latitude" : "assignment.longitude", "is missing; say both, or neither");
    }

    /// <summary>What somebody may say of themselves, for a file and for an edit alike.</summary>
    internal static void CheckPerson(Person person, string at, ProblemList found)
    {
        found.Figure($"{at}.habits.livesAtMm", person.Habits?.LivesAtMm, 8, 1200, "mm");
        found.Figure($"{at}.handOverSeconds", person.HandOverSeconds, 0, ProblemList.MostSeconds, "seconds");
        found.Figure($"{at}.limitG", person.LimitG, 0, PlaceCheck.MostGrams, "grams");
        if (person.Seconds is { } own) CheckSeconds($"{at}.seconds", own.Over(new HandlingSeconds()), found);
    }

    private static void CheckEvents(Plan plan, HashSet<string> parts, KnownIds ids, ProblemList found)
    {
        var events = new HashSet<string>(StringComparer.Ordinal);
        for (var i = 0; i < (plan.Events?.Count ?? 0); i++)
        {
            var own = plan.Events![i];
            if (!events.Add(own.Id)) found.Add($"events[{i}].id", $"\"{own.Id}\" is used by two events; give each its own");
            for (var k = 0; k < own.Items.Count; k++) ids.Thing($"events[{i}].items[{k}]", own.Items[k], found);
            foreach (var (field, part) in new[] { ("fromPart", own.FromPart), ("untilPart", own.UntilPart) })
                if (part is not null && !parts.Contains(part)) found.Add($"events[{i}].{field}", $"there is no part \"{part}\" in the file");
        }
    }

    /// <summary>What is wrong with where a thing is said to be: it leads to no place, or in a circle. Null where nothing is.</summary>
    public static string? WrongPlace(Plan plan, Item item)
    {
        var at = PlaceReference.Bearers(item, plan.ItemsById()).LastOrDefault(item).Place;
        if (PlaceReference.Parse(at, plan.HasItem) is { } on)
            return plan.HasItem(on.Item) ? $"\"{item.Place}\" runs in a circle; put one of these things in a real place"
                : $"\"{at}\" names an item that is not in the file";
        if (at is null || plan.PlaceOf(at) is not null) return null;
        return $"\"{item.Place}\" leads to \"{at}\", which is no place; places are {Listed(plan.Places.Select(p => p.Id).ToHashSet(StringComparer.Ordinal))}";
    }

    /// <summary>Further problems that keep a plan from being kept and edited: things in no place or in a circle, parts without times.</summary>
    /// <param name="plan">A plan without <see cref="Usable"/> problems.</param>
    public static IReadOnlyList<PlanProblem> Complete(Plan plan)
    {
        var found = new ProblemList();
        for (var i = 0; i < plan.Items.Count; i++)
            if (WrongPlace(plan, plan.Items[i]) is { } wrong) found.Add($"items[{i}].place", wrong);
        for (var i = 0; i < plan.Parts.Count; i++)
        {
            if (plan.Parts[i].Start is null) found.Add($"parts[{i}].start", "is missing; the day board needs it, e.g. \"2027-06-12T14:00\"");
            if (plan.Parts[i].End is null) found.Add($"parts[{i}].end", "is missing; the day board needs it, e.g. \"2027-06-12T14:30\"");
        }
        foreach (var problem in Clock.Problems(plan)) found.Add(problem.Field, problem.Message);
        foreach (var (one, other, who) in TwoPlaces(plan)) found.Add($"parts[{other}].present", Both(plan, one, other, who));
        if (plan.People.Count == 0) found.Add("people", "is empty; name at least one person who photographs");
        return found.All;
    }

    /// <summary>Every two parts that go on at the same time and claim the same person, by their index.</summary>
    public static IEnumerable<(int One, int Other, string Person)> TwoPlaces(Plan plan)
    {
        for (var i = 0; i < plan.Parts.Count; i++)
            for (var j = i + 1; j < plan.Parts.Count; j++)
                if (Day.Overlap(plan.Parts[i], plan.Parts[j]) && There(plan, plan.Parts[i]).Intersect(There(plan, plan.Parts[j])).FirstOrDefault() is { } who)
                    yield return (i, j, who);
    }

    /// <summary>The problem of a person in two parts at once, in words.</summary>
    public static string Both(Plan plan, int one, int other, string person)
    {
        var name = plan.PersonOf(person)?.Name ?? person;
        return $"{plan.Parts[one].Label} and {plan.Parts[other].Label} go on at the same time, and {name} cannot be at both; say who is where, or move one";
    }

    private static IEnumerable<string> There(Plan plan, Part part) => part.Present ?? plan.People.Select(p => p.Id);

    private static string Listed(HashSet<string> names) => names.Count == 0 ? "none yet" : string.Join(", ", names.Take(12));

    private static bool HasHoles(Plan plan, ProblemList found)
    {
        Holes("people", plan.People);
        Holes("places", plan.Places);
        Holes("items", plan.Items);
        Holes("parts", plan.Parts);
        Holes("pairs", plan.Pairs ?? []);
        Holes("events", plan.Events ?? []);
        for (var i = 0; i < (plan.Events?.Count ?? 0); i++)
            if (plan.Events![i] is { } own) Holes($"events[{i}].items", own.Items);
        for (var i = 0; i < plan.Parts.Count; i++)
        {
            if (plan.Parts[i] is not { } part) continue;
            Holes($"parts[{i}].setups", part.Setups);
            Holes($"parts[{i}].needs", part.Needs);
            Holes($"parts[{i}].unreachable", part.Unreachable);
            Holes($"parts[{i}].present", part.Present ?? []);
            Holes($"parts[{i}].lights", part.Lights ?? []);
            Holes($"parts[{i}].changes", part.Changes ?? []);
            Holes($"parts[{i}].use", part.Use ?? []);
        }
        for (var i = 0; i < plan.Items.Count; i++)
            if (plan.Items[i] is Body body) Holes($"items[{i}].slots", body.Slots);
        return found.All.Count > 0 && found.All.Any(p => p.Message == Hole);

        void Holes<T>(string field, IReadOnlyList<T> list)
        {
            for (var i = 0; i < list.Count; i++)
                if (list[i] is null) found.Add($"{field}[{i}]", Hole);
        }
    }

    private const string Hole = "null is not allowed in this list; take it out";

    private static void CheckRules(Rules rules, ProblemList found)
    {
        found.Figure("rules.minMegapixels", rules.MinMegapixels, 0, 2000, "megapixels");
        found.Figure("rules.stitchLimit", rules.StitchLimit, 1, 100, "a factor");
        found.Figure("rules.flashIso", rules.FlashIso, 1, 1e8, "ISO");
        found.Figure("rules.tolerance.once", rules.Tolerance.Once, 0, ProblemList.MostSeconds, "seconds");
        found.Figure("rules.tolerance.must", rules.Tolerance.Must, 0, ProblemList.MostSeconds, "seconds");
        found.Figure("rules.power.batteryReserve", rules.Power.BatteryReserve, 0, 0.9, "a share");
        found.Figure("rules.power.cellReserve", rules.Power.CellReserve, 0, 0.9, "a share");
        found.Figure("rules.power.fresh", rules.Power.Fresh, 0, 1, "a share");
        found.Figure("rules.power.travelMinutes", rules.Power.TravelMinutes, 0, 1440, "minutes");
        found.Figure("rules.cards.copies", rules.Cards.Copies, 1, 9, "copies");
        found.Figure("rules.cards.places", rules.Cards.Places, 1, 9, "places");
        PlaceCheck.Carrier(rules.Carrier, found);
        CheckSeconds("rules.seconds", rules.Seconds, found);
    }

    private static void CheckSeconds(string at, HandlingSeconds s, ProblemList found)
    {
        foreach (var (name, value) in new[]
                 {
                     ("raise", s.Raise), ("changeLens", s.ChangeLens), ("fitAdapter", s.FitAdapter), ("changeBattery", s.ChangeBattery),
                     ("changeCard", s.ChangeCard), ("fitFlash", s.FitFlash), ("borrow", s.Borrow), ("fitSupport", s.FitSupport),
                     ("fitFilter", s.FitFilter), ("placeLight", s.PlaceLight),
                 })
            found.Figure($"{at}.{name}", value, 0, ProblemList.MostSeconds, "seconds");
    }
}

/// <summary>Collects problems; the small rules every figure is checked with.</summary>
internal sealed class ProblemList
{
    private readonly List<PlanProblem> all = [];

    /// <summary>Thirty days: nothing in a plan takes longer.</summary>
    public const double MostSeconds = 30 * 24 * 3600;

    public IReadOnlyList<PlanProblem> All => all;

    public void Add(string field, string message) => all.Add(new PlanProblem(field, message));

    /// <summary>A figure must lie between limits; one that is not given says nothing.</summary>
    public void Figure(string field, double? value, double low, double high, string unit)
    {
        if (value is { } given) Within(field, given, low, high, FormattableString.Invariant($"{unit} from {low} to {high}"));
    }

    public void Within(string field, double value, double low, double high, string wanted)
    {
        if (!(value >= low && value <= high)) Add(field, FormattableString.Invariant($"is {value}; expected {wanted}"));
    }
}

/// <summary>The ids of a plan by kind, and the error for one that is not there.</summary>
internal sealed class KnownIds
{
    private readonly HashSet<string> people = new(StringComparer.Ordinal);
    private readonly HashSet<string> places = new(StringComparer.Ordinal);
    private readonly Dictionary<string, Item> items = new(StringComparer.Ordinal);

    public KnownIds(Plan plan, ProblemList found)
    {
        var seen = new Dictionary<string, string>(StringComparer.Ordinal);
        for (var i = 0; i < plan.People.Count; i++) if (Fresh($"people[{i}].id", plan.People[i].Id)) people.Add(plan.People[i].Id);
        for (var i = 0; i < plan.Places.Count; i++) if (Fresh($"places[{i}].id", plan.Places[i].Id)) places.Add(plan.Places[i].Id);
        for (var i = 0; i < plan.Items.Count; i++) if (Fresh($"items[{i}].id", plan.Items[i].Id)) items.Add(plan.Items[i].Id, plan.Items[i]);

        bool Fresh(string field, string id)
        {
            if (id.Length == 0) found.Add(field, "is empty; give it a short text");
            else if (!seen.TryAdd(id, field)) found.Add(field, $"\"{id}\" is already {seen[id]}; items, people and places share one set of ids");
            else return true;
            return false;
        }
    }

    public void Person(string field, string id, ProblemList found)
    {
        if (!people.Contains(id)) found.Add(field, $"there is no person \"{id}\"; people are {(people.Count == 0 ? "none yet" : string.Join(", ", people))}");
    }

    public bool IsPerson(string id) => people.Contains(id);

    /// <summary>Heads a pack can feed; null where that is not known.</summary>
    public double? Outlets(string id) => (items.GetValueOrDefault(id) as Pack)?.Outlets;

    public void Place(string field, string id, ProblemList found)
    {
        if (!places.Contains(id)) found.Add(field, $"there is no place \"{id}\"; places are {(places.Count == 0 ? "none yet" : string.Join(", ", places))}");
    }

    public void Thing(string field, string id, ProblemList found)
    {
        if (!items.ContainsKey(id)) found.Add(field, $"there is no item \"{id}\" in the file");
    }

    public void Item(string field, string id, Type kind, ProblemList found)
    {
        if (!items.TryGetValue(id, out var item)) found.Add(field, $"there is no item \"{id}\" in the file");
        else if (item.GetType() != kind) found.Add(field, $"\"{id}\" is a {Word(item.GetType())}, not a {Word(kind)}");
    }

    private static string Word(Type kind) => kind.Name.ToLowerInvariant();
}
