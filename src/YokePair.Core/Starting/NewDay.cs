using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Taken;
using YokePair.Core.Ways;

namespace YokePair.Core.Starting;

/// <summary>What a new assignment is made from.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Day">The day.</param>
/// <param name="Template">Id of a day template; null with a timetable.</param>
/// <param name="Timetable">A timetable as text; null with a template.</param>
/// <param name="Style">Id of a starting style; null leaves the hands empty.</param>
/// <param name="Second">Whether a second photographer comes along.</param>
/// <param name="Days">How many days it lasts, each like the first; null = one.</param>
/// <param name="Assistant">Whether an assistant comes along.</param>
/// <param name="TimeZone">IANA zone of its times; null = not said.</param>
/// <param name="Habits">How one works; null = as most do.</param>
/// <param name="Events">The events of the calendar that the timetable was read from.</param>
/// <param name="Again">Key of a day that nobody has worked on yet, which it takes the place of; null = a new one.</param>
public sealed record NewDayRequest(
    string Name, DateOnly Day, string? Template, string? Timetable, string? Style, bool Second, int? Days = null, bool Assistant = false,
    string? TimeZone = null, Habits? Habits = null, string? Again = null, IReadOnlyList<TimetableEvent>? Events = null);

/// <summary>Makes a day from a template or timetable and the owner's locker.</summary>
public static class NewDay
{
    /// <summary>Most days of one assignment.</summary>
    public const int MostDays = 14;

    private static readonly string[] Taken = ["lead", "second", "assistant", "belt", "pouch", "roller", "car"];

    /// <summary>Makes the plan.</summary>
    /// <param name="request">What is wanted.</param>
    /// <param name="locker">Everything owned; what is not here on the day stays at home.</param>
    /// <param name="kinds">Every kind of part, the user's own among them; null = those that ship.</param>
    /// <param name="usual">How the team works, for what the request does not say; null = not known.</param>
    /// <param name="learnt">What past assignments taught; null = nothing.</param>
    /// <returns>The plan, or what is wrong with the request by field.</returns>
    public static PlanReading From(
        NewDayRequest request, IReadOnlyList<Item> locker, IReadOnlyList<PartKind>? kinds = null, UsualWays? usual = null, Learnt? learnt = null)
    {
        var problems = new List<PlanProblem>();
        if (PlanLimits.Name("name", request.Name) is { } unnamed) problems.Add(unnamed);
        if (PlanLimits.Day("day", request.Day) is { } unlikely) problems.Add(unlikely);
        learnt ??= Learnt.Nothing;
        IReadOnlyList<PartKind> usualKinds = kinds ?? PartKind.All;
        kinds = [.. usualKinds.Select(k => AsLearnt.Of(k, learnt))];
        var parts = Parts(request, kinds, problems).ConvertAll(p => AsLearnt.Of(p, usualKinds.FirstOrDefault(k => k.Id == p.Kind), learnt));
        var style = StartingStyle.All.FirstOrDefault(s => s.Id == request.Style);
        if (request.Style is not null && style is null) problems.Add(
            new PlanProblem("style", $"\"{request.Style}\" is no style; there are {string.Join(", ", StartingStyle.All.Select(s => s.Id))}"));
        if (parts.Count == 0 && problems.Count == 0) problems.Add(
            new PlanProblem("timetable", "holds no line; write one such as 14:00 ceremony, chapel 40 min"));
        var habits = request.Habits ?? new Habits();
        if (habits.LivesAtMm is < 8 or > 1200) problems.Add(new PlanProblem("habits.livesAtMm",
            FormattableString.Invariant($"{habits.LivesAtMm} mm; say a focal length from 8 to 1200")));
        if (request.Days is < 1 or > MostDays) problems.Add(new PlanProblem("days", $"{request.Days} days; say a number from 1 to {MostDays}"));
        if (problems.Count > 0) return new PlanReading(null, problems);

        var mayCome = locker.Where(t => t.Keep != Keep.Never && t.IsHere(request.Day) && habits.Takes(t));
        var here = mayCome.Where(t => !Taken.Contains(t.Id) && (request.Second || !IsTheirs(t))).ToList();
        string[] people = request.Second ? ["lead", "second"] : ["lead"];
        var setups = new List<Setup>();
        foreach (var person in people)
        {
            var own = here.Where(t => !IsHeld(setups, t) && (people.Length == 1 || IsTheirs(t) == (person == "second"))).ToList();
            if (style is null) continue;
            var filled = habits.Follow(style).Fill(person, own);
            // Nobody who photographs is left without a camera while there is one, whosever it is.
            if (filled.Count == 0) filled = habits.Follow(style).Fill(person, [.. here.Where(t => !IsHeld(setups, t))]);
            setups.AddRange(filled);
        }
        var plan = new Plan
        {
            Format = Plan.FormatName,
            Version = Plan.CurrentVersion,
            Assignment = new Assignment
            {
                Id = request.Name.Trim(),
                Name = request.Name.Trim(),
                Kind = DayTemplate.All.FirstOrDefault(t => t.Id == request.Template)?.Kind,
                TimeZone = string.IsNullOrWhiteSpace(request.TimeZone) ? null
                : request.TimeZone
            },
            Rules = new Rules { DualRecord = habits.TwoRecords ?? true, House = usual?.House ?? new House() },
            People =
            [
                new Person { Id = "lead", Name = "Lead", Habits = habits.Kept(request.Style), Seconds = usual?.Lead?.Seconds },
                .. request.Second ? [new Person { Id = "second", Name = "Second", Habits = usual?.Second?.Habits, Seconds = usual?.Second?.Seconds }]
                    : Array.Empty<Person>(),
                .. request.Assistant ? [new Person { Id = "assistant", Name = "Assistant", Role = PersonRole.Assistant, HandOverSeconds = 10 }]
                    : Array.Empty<Person>(),
            ],
            Places =
            [
                new Place { Id = "belt", Name = "Belt pouch", Person = "lead", ReachSeconds = 5 },
                .. request.Second ? [new Place { Id = "pouch", Name = "Shoulder pouch", Person = "second", ReachSeconds = 5 }] : Array.Empty<Place>(),
                new Place { Id = "roller", Name = "Roller", ReachSeconds = style?.OpenBag == true ? StartingStyle.OpenBagSeconds : 60 },
                new Place { Id = "car", Name = "Car", ReachSeconds = 900 },
            ],
            Items = Packed(here, setups, request.Second, habits),
            Parts = [.. parts.Select(p => p with { Setups = setups,
                Needs = [.. p.Needs.Select(n => habits.From(habits.Lit(n, p), PartKind.LetsOneComeNearer(p, kinds)))] })],
        };
        plan = HandsByPart.Usual(plan);
        plan = HandsByPart.Fit(habits.UsesFlash ? HandsByPart.Lit(plan, here) : plan);
        if (habits.Light is not (Illumination.Available or Illumination.Continuous)) plan = StandingLights.Placed(plan);
        if (style is not null) plan = WhatComesAlong.Of(BestSensor.InTheMostUsedHand(plan));
        for (var day = 1; day < request.Days; day++) plan = new Editing.AddDay().Apply(plan).Plan!;
        List<PlanProblem> wrong = [.. PlanCheck.Usable(plan), .. Clock.Problems(plan), .. PlanLimits.Beyond(plan)];
        return wrong.Count > 0 ? new PlanReading(null, wrong) : new PlanReading(plan, []);
    }

    /// <summary>Whether it is the second photographer's.</summary>
    private static bool IsTheirs(Item thing) => thing.Owner?.Equals("second", StringComparison.OrdinalIgnoreCase) == true;

    private static bool IsHeld(List<Setup> setups, Item thing) => setups.Any(s => s.Named().Any(n => n.Id == thing.Id));

    private static List<Part> Parts(NewDayRequest request, IReadOnlyList<PartKind> kinds, List<PlanProblem> problems)
    {
        var parts = new List<Part>();
        var ids = new HashSet<string>(StringComparer.Ordinal);
        if (!string.IsNullOrWhiteSpace(request.Timetable))
        {
            var (lines, wrong) = Timetable.Read(request.Timetable, request.Day, kinds);
            problems.AddRange(wrong);
            foreach (var line in lines)
                parts.Add((kinds.FirstOrDefault(k => k.Id == line.Kind) ?? PartKind.All[^1])
                    .Make(Fresh(line.Name), line.Start, line.End, line.Name, line.Location) with
                { Uid = TimetableEvent.UidOf(request.Events, line) });
            return parts;
        }
        if (DayTemplate.All.FirstOrDefault(t => t.Id == request.Template) is not { } template)
        {
            problems.Add(new PlanProblem("template",
                $"choose a usual day, or give a timetable; there are {string.Join(", ", DayTemplate.All.Select(t => t.Id))}"));
            return parts;
        }
        var at = request.Day.ToDateTime(new TimeOnly(template.StartHour, 0));
        foreach (var kind in template.Parts.Select(t => kinds.FirstOrDefault(k => k.Id == t.Id) ?? t))
        {
            var end = at.AddMinutes(kind.Minutes);
            parts.Add(kind.Make(Fresh(kind.Name), at, end));
            at = end;
        }
        return parts;

        string Fresh(string name)
        {
            var id = ItemIds.New("part", name, ids);
            ids.Add(id);
            return id;
        }
    }

    /// <summary>Batteries and cards into the cameras, what one reaches for into the pouches, stands and cases into the car, the rest into the roller.</summary>
    // Long: a table of where each kind of thing goes, with what goes first.
    private static List<Item> Packed(List<Item> here, List<Setup> setups, bool second, Habits habits)
    {
        var items = new List<Item>();
        var fed = new HashSet<string>(StringComparer.Ordinal);
        var hung = new HashSet<(string, string)>();
        var bodies = here.OfType<Body>().OrderBy(b => setups.FindIndex(s => s.Body == b.Id) is var i and >= 0 ? i : int.MaxValue).ToList();
        foreach (var body in bodies)
        {
            if (here.OfType<Battery>().Where(b => b.Type == body.BatteryType && b.Charged && !fed.Contains(b.Id)).OrderByDescending(b => b.Health ?? 1)
                .FirstOrDefault() is { } battery) Put(battery, "@" + body.Id);
            for (var slot = 0; slot < body.Slots.Count; slot++)
                if (here.OfType<Card>().Where(c => c.Type == body.Slots[slot].Type && c.State == Card.Clear && !fed.Contains(c.Id))
                    .OrderByDescending(c => c.Gigabytes ?? 0).FirstOrDefault() is { } card) Put(card, $"@{body.Id}/{slot + 1}");
        }
        foreach (var flash in here.OfType<Flash>())
            if (here.OfType<Cells>().FirstOrDefault(c => c.Type == flash.CellsType && c.Charged && !fed.Contains(c.Id)) is { } cells) Put(cells, "@"
                + flash.Id);
        foreach (var thing in here.Where(t => !fed.Contains(t.Id)))
        {
            var hand = setups.FirstOrDefault(s => s.Named().Any(n => n.Id == thing.Id));
            var theirs = second && IsTheirs(thing);
            var pouch = theirs ? "pouch" : "belt";
            Put(thing, thing switch
            {
                { NeededBy: { } served } when here.Find(t => served.Contains(t.Id) && hung.Add((t.Id, SmallParts.LikenessOf(thing)))) is { } its =>
                    "@" + its.Id,
                _ when hand is not null => hand.Person == "second" ? "pouch" : "belt",
                Battery or Card => pouch,
                // A long prime comes with what carries it in reach.
                Support { CarriesCamera: true } when here.Exists(t => t is Lens { NeedsSupport: true }) => "roller",
                Support or Case or Modifier or Charger or StandLight => "car",
                Body or Lens => habits.SpareAt(second, pouch),
                _ => "roller",
            });
        }
        return [.. here.Select(t => items.First(i => i.Id == t.Id))];

        void Put(Item item, string place)
        {
            fed.Add(item.Id);
            items.Add(item.AtHand() with { Place = place });
        }
    }
}
