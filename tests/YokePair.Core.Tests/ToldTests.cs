using System.Collections.Concurrent;
using System.Text.Json;
using YokePair.Core.Advice;
using YokePair.Core.Carry;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Lists;
using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Core.Pocket;
using YokePair.Core.Power;
using YokePair.Core.Record;
using YokePair.Core.Reports;
using YokePair.Core.Season;
using YokePair.Core.Starting;
using YokePair.Core.Swaps;
using YokePair.Core.Use;
using YokePair.Core.Verdict;

namespace YokePair.Core.Tests;

/// <summary>
/// What the program tells of the demo days, word for word, beside this file in <c>Told</c>: whoever changes a sentence or a figure sees in the
/// difference what a photographer would be told otherwise, and where else. <c>./yoke types</c> writes it anew.
/// </summary>
public sealed class ToldTests
{
    private static readonly FiledLocker File = LockerFile.Read(
        System.IO.File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo/locker.yoke-locker.json")));

    internal static readonly IReadOnlyList<Item> Locker = [.. File.Things.Select(t => PlanFile.ReadItem(t.Whole!).Item!)];

    internal static readonly Dictionary<string, Func<DayAnalysis, object?>> Views = new(StringComparer.Ordinal)
    {
        ["board"] = day => new { Report = day.Report(withEvents: false), Verdict = DayVerdict.Of(day), Rules = HouseRules.Of(day) },
        ["needs"] = day => Needs(day).Select(n => day.Explain(n.Part, n.Need)!).Select(n => n with { Weighed = [.. n.Weighed.Take(4)] }).ToList(),
        ["losses"] = day => WhatIfTable.Of(day),
        ["events"] = day => day.Report().Events.Take(12).ToList(),
        ["pulls"] = Pulls,
        ["mends"] = day => Needs(day).Where(n => n.Strands < 2).Select(n => new { n.Part, n.Need, Mends = Mending.For(day, n.Part, n.Need, Locker) }).ToList(),
        ["pinch"] = day => new
        {
            Most = Pinching.Most(day, null),
            Part = Pinching.Most(day, day.Plan.Parts[1].Id),
            Each = Needs(day).Where(n => n.Strands == 1)
            .Take(3).Select(n => Pinching.Of(day, n.Part, n.Need)).ToList()
        },
        ["power"] = day => new
        {
            Busy = PowerDay.Of(day, Locker),
            Likely = PowerDay.Of(day, Locker, UseLevel.Likely),
            Lack = PowerPlans.Lack(day),
            Mends = PowerMend.For(day, Locker)
        },
        ["cards"] = day => new { Busy = CardDay.Of(day, Locker), Mends = CardMend.For(day, Locker) },
        ["bags"] = day => new { Bags = BagDay.Of(day, Locker), Manifest = Manifest.Of(day, Locker), Splits = BagSplit.For(day) },
        ["lists"] = day => CheckedLists.Of(day, DayLists.Of(day, Locker, new Dictionary<string, CardState>()), "day", []),
        ["paper"] = day => day.Plan.People.Select(p => PocketFiles.CardsOf(day, p.Id)).ToList(),
        ["pocket"] = Pocket,
        ["hands"] = day => day.Plan.Parts.Take(2).SelectMany(p => p.Setups.Take(2).Select(s => SetupChoices.For(day, p.Id, s.Person, s.Position, null)))
            .ToList(),
        ["season"] = Season,
        ["late"] = day => day.Plan.Parts.SelectMany(p => new[] { 20, 60 }.Select(m => Lateness.Of(day, p.Id, m))).ToList(),
        ["gone"] = Gone,
    };

    private static readonly string[] Larger = ["steamer-wedding", "track-night", Lean, Wet];

    private const string Barn = "barn-day";

    /// <summary>The same with two cards in each camera that takes two, JPEG on the second, cells of makes, old lots, cards of other days, little
    /// room.</summary>
    private const string Wet = "barn-wet";

    /// <summary>The wedding on two days, in frost and rain, with half of the kit: there is more to be told where things are lacking.</summary>
    private const string Lean = "lean-wedding";

    public static TheoryData<string, string> OfLarger => Of(Larger);

    public static TheoryData<string, string> OfBarn => Of([Barn]);

    private static TheoryData<string, string> Of(string[] days) => new(days.SelectMany(d => Views.Keys.Select(v => (d, v))));

    [Theory]
    [Trait("Takes", "long")]
    [MemberData(nameof(OfLarger))]
    public void What_is_told_of_a_large_day_is_what_was_read_and_agreed(string day, string view) => IsAsAgreed(day, view);

    [Theory]
    [MemberData(nameof(OfBarn))]
    public void What_is_told_of_a_day_with_one_of_everything_is_what_was_read_and_agreed(string day, string view) => IsAsAgreed(day, view);

    private static void IsAsAgreed(string day, string view) => Told.Compare($"{day}.{view}", Readable.Of(Views[view](Looked.GetOrAdd(day, Day))));

    /// <summary>Each day is looked at once for all its views.</summary>
    private static readonly ConcurrentDictionary<string, DayAnalysis> Looked = new(StringComparer.Ordinal);

    private static DayAnalysis Day(string day)
    {
        var plan = day switch { Lean => Leaner(Demo("steamer-wedding")), Barn => BarnDay.Plan, Wet => Wetter(BarnDay.Plan), _ => Demo(day) };
        return new DayAnalysis(PlanAndLocker.With(plan, Locker.ToDictionary(t => t.Id, StringComparer.Ordinal), []));
    }

    [Theory]
    [InlineData("wedding-indoor")]
    [InlineData("sport-field")]
    public void A_usual_day_from_the_demo_s_locker_begins_as_was_agreed(string template)
    {
        var made = NewDay.From(new NewDayRequest("A day", new DateOnly(2027, 6, 12), template, null, "two-primes", Second: false), Locker).Plan!;
        Told.Compare($"new.{template}", System.Text.Encoding.UTF8.GetString(PlanFile.Write(made)));
    }

    /// <summary>Each line of <c>Lines/edits.txt</c> on the wedding: what is said of it, and what changes; or why not.</summary>
    [Fact]
    public void What_is_said_of_each_edit_is_what_was_agreed()
    {
        var plan = Demo("steamer-wedding");
        var said = System.IO.File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Lines/edits.txt")).Select(line =>
        {
            try
            {
                var result = EditResult.Apply(plan, [JsonSerializer.Deserialize<PlanEdit>(line, PlanFile.JsonOptions)!]);
                var wrong = string.Join("; ", result.Problems.Select(p => $"{p.Field}: {p.Message}"));
                return $"{line}\n  {result.Label}{wrong}{Changed(plan, result.Plan ?? plan)}";
            }
            catch (JsonException wrong)
            {
                return $"{line}\n  cannot be read: {wrong.Path}";
            }
        });
        Told.Compare("edits", string.Join('\n', said));
    }

    /// <summary>Lines of the plan file that are there only before or only after.</summary>
    private static string Changed(Plan before, Plan after)
    {
        string[] Lines(Plan plan) => [.. System.Text.Encoding.UTF8.GetString(PlanFile.Write(plan)).Split('\n').Select(l => l.Trim().TrimEnd(','))
            .Where(l => l.Length > 2)];
        var (was, now) = (Lines(before), Lines(after));
        return string.Concat(new[] { ("-", Told.Only(was, now)), ("+", Told.Only(now, was)) }
            .Select(d => string.Join(' ', d.Item2.Take(16)) is { Length: > 0 } some ? $"\n  {d.Item1} {some}" : ""));
    }

    /// <summary>A card's year: every kind of fact in every state, what is refused and why, and whether it may be cleared.</summary>
    [Fact]
    // Long: a year of a card, state after state.
    public void What_the_book_of_cards_says_in_each_state_is_what_was_agreed()
    {
        var at = new DateTime(2027, 6, 12, 14, 0, 0);
        Fact F(FactKind kind, string card = "1", string? where = null, string? with = null, bool jpeg = false, string? words = null, bool onTheWay = false) =>
            new(kind, card, at, "wedding", "Lead", where, with, onTheWay, words, IsJpeg: jpeg);
        Fact[] loaded = [F(FactKind.Put, where: "left", with: "2"), F(FactKind.Put, "2", "left", "1", jpeg: true)];
        Fact[] shot = [.. loaded, F(FactKind.Taken), F(FactKind.Taken, "2")];
        Fact[] copied = [.. shot, F(FactKind.Copied, where: "drive A"), F(FactKind.Copied, "2", "drive B")];
        Fact[] safe = [.. copied, F(FactKind.Verified, where: "drive A"), F(FactKind.Copied, where: "the cloud"), F(FactKind.Verified, where: "the cloud"),
            F(FactKind.Copied, where: "drive C"), F(FactKind.Verified, where: "drive C")];
        Dictionary<string, Fact[]> states = new()
        {
            ["nothing"] = [],
            ["loaded"] = loaded,
            ["shot"] = shot,
            ["copied"] = copied,
            ["safe"] = safe,
            ["cleared"] = [.. safe, F(FactKind.Cleared, "2")],
            ["lost"] = [.. shot, F(FactKind.Lost)],
            ["both lost"] = [.. shot, F(FactKind.Lost), F(FactKind.Lost, "2")],
            ["lost empty"] = [F(FactKind.Lost)],
            ["lost after a copy"] = [.. safe, F(FactKind.Lost)],
            ["settings"] = [F(FactKind.Settings)],
            ["not ours"] = [F(FactKind.NotOurs)],
            ["ours again"] = [F(FactKind.NotOurs), F(FactKind.Ours)],
        };
        Fact[] next = [F(FactKind.Put, where: "right"), F(FactKind.Taken), F(FactKind.Copied), F(FactKind.Copied, where: "drive A"),
            F(FactKind.Verified, where: "drive A"), F(FactKind.Verified, where: "drive Z"), F(FactKind.Verified), F(FactKind.Cleared),
            F(FactKind.Overridden, words: "clear it"), F(FactKind.Settings), F(FactKind.NotOurs), F(FactKind.Ours), F(FactKind.Lost)];
        var rules = new CardRules { Copies = 3, Places = 2 };
        var plan = Demo("steamer-wedding");
        plan = plan with { Items = [.. plan.Items, new Card { Id = "1" }, new Card { Id = "2" }] };
        Told.Compare("cards", Readable.Of(states.Select(s => (s.Key, Book: CardBook.Fold(s.Value)))
            .Select(s => (s.Key, States: s.Book, Book: new CardBook(s.Book, id => $"Card {id}"))).Select(s => new
            {
                State = s.Key,
                Both = s.States.Values.OrderBy(c => c.Card, StringComparer.Ordinal).ToList(),
                May = s.Book.MayClear("1", rules),
                Other = s.Book.MayClear("2", rules),
                Phrase = s.Book.Phrase("1"),
                Refused = next.Select(f => $"{f.Kind} {f.Where}: {s.Book.Refuse(f, rules)}").ToList(),
                SameDay = CardBook.With(plan, "wedding", s.States).Items.OfType<Card>().Where(c => c.Id is "1" or "2").Select(c => c.State).ToList(),
                AnotherDay = CardBook.With(plan, "party", s.States).Items.OfType<Card>().Where(c => c.Id is "1" or "2").Select(c => c.State).ToList(),
            }).ToList()));
    }

    [Fact]
    public void What_stands_in_the_way_of_the_next_is_said_first()
    {
        var next = new SeasonAssignment("next", "Steamer", new DateTime(2027, 6, 12, 12, 0, 0), new DateTime(2027, 6, 12, 23, 0, 0));
        CarriedOver Line(bool trouble) => new(CarriedKind.Cards, [new("Card 1 is not clear.")], ["c1"], trouble);
        IReadOnlyList<CarriedOver> free = [Line(false)], one = [Line(true)], three = [Line(true), Line(true), Line(true)];
        Told.Compare("season", Readable.Of(new
        {
            None = CarryingOver.Sentence(0, null, []),
            Past = CarryingOver.Sentence(3, null, []),
            Free = CarryingOver.Sentence(3, next, [free]),
            One = CarryingOver.Sentence(3, next, [one, one, free]),
            Three = CarryingOver.Sentence(3, next, [three, one, one, free]),
            Later = CarryingOver.Sentence(3, next, [free, one]),
        }));
    }

    /// <summary>
    /// Lamps and a recorder that take what cameras take, worn batteries, some not charged, one dead, sockets, two days: where charge goes.
    /// </summary>
    [Fact]
    // Long: one day with a thing of each kind that takes charge.
    public void Where_charge_goes_among_things_of_all_kinds_is_what_was_agreed()
    {
        var plan = Demo("steamer-wedding");
        Item[] more =
        [
            new StandLight { Id = "lamp", Name = "Lamp on LB7", Place = "roller", BatteryType = "LB7", RunMinutes = 40 },
                new StandLight { Id = "glow", Name = "Lamp of its own", Place = "roller", RunMinutes = 50 },
            new OtherThing { Id = "ear", Name = "Recorder", Place = "belt", CellsType = "AA", RunMinutes = 120 },
                new Battery { Id = "inlamp", Place = "@lamp", Type = "LB7", Health = 0.6 },
            new Battery { Id = "worn", Place = "roller", Type = "LB7", Health = 0.5 },
                new Battery { Id = "flat", Place = "roller", Type = "LB7", Charged = false },
                new Cells { Id = "inear", Place = "@ear", Type = "AA", CellCount = 2 },
        ];
        plan = plan with
        {
            Items = [.. plan.Items.Select((i, n) => i is Cells cells && n % 2 == 0 ? cells with { Charged = false } : i),
                .. more.Select(i => i.Place == "belt" ? i with { Place = plan.Places[0].Id } : i)],
            Parts = [.. Uses(plan.Parts, ""), .. Uses([.. plan.Parts.Take(5)], "2")],
        };
        var day = new DayAnalysis(plan);
        var lack = PowerPlans.Lack(day);
        var dead = new DayAnalysis(plan, [new Pulled("worn"), new Pulled("aa1")], day);
        Told.Compare("power", Readable.Of(new
        {
            Busy = PowerPlans.Of(day),
            Day = PowerDay.Of(day, Locker, UseLevel.Likely),
            Lack = lack,
            Dead = PowerPlans.Of(dead),
            Without = plan.Items.Where(i => i is Battery or Cells or Charger).Select(i => new { i.Id, Dark = PowerPlans.Without(day, [i.Id], lack) })
                .Where(w => w.Dark.Count > 0).ToList(),
        }));

        IEnumerable<Part> Uses(IReadOnlyList<Part> parts, string again) => parts.Select((p, n) => p with
        {
            Id = p.Id + again,
            Start = p.Start?.AddDays(again.Length),
            End = p.End?.AddDays(again.Length),
            Socket = n % 3 == 1,
            Lights = null,
            Use = [.. p.Use ?? [], .. n % 2 == 0 ? (PartUse[])[new PartUse { Item = "lamp", Minutes = 25 }, new PartUse { Item = "ear", Minutes = 30 }]
                : [new PartUse { Item = "glow", Minutes = 30 }]],
        });
    }

    /// <summary>The lists where there is something to ask: a card that is not clear, one with settings, a thing yet to be had, ticks.</summary>
    [Fact]
    public void What_the_lists_ask_of_a_day_with_loose_ends_is_what_was_agreed()
    {
        var plan = Demo("steamer-wedding");
        plan = plan with
        {
            Items = [.. plan.Items.Select(i =>
            i.Id switch { "z70" => i with { Wanted = true }, "l50" => i with { Owner = "Rental house", Status = Availability.RentedIn }, _ => i })]
        };
        plan = EditResult.Apply(plan, [new PackTogether { Name = "Flash box", Items = ["f3", "f4"], Place = "roller" }]).Plan!;
        var box = plan.Items.OfType<Case>().Last();
        plan = plan with { Items = [.. plan.Items.Select(i => i.Id == "f4" ? i with { Place = "car" } : i)] };
        var day = new DayAnalysis(plan);
        var facts = new[] { new Fact(FactKind.Put, "c11", new DateTime(2027, 6, 1), "party", Where: "left"),
            new Fact(FactKind.Taken, "c11", new DateTime(2027, 6, 2), "party"), new Fact(FactKind.Settings, "c12", new DateTime(2027, 6, 1)) };
        var lists = DayLists.Of(day, Locker, CardBook.Fold(facts));
        var none = plan with
        {
            Items = [],
            Parts = [.. plan.Parts.Select(p => p with { Setups = [], Lights = null, Use = null, Changes = null })],
            Events = null,
            Pairs = null
        };
        Fact Tick(CheckLine line) => new(FactKind.Ticked, line.Id, new DateTime(2027, 6, 11), "day", "Anna", Words: CheckedLine.Kept(plan, line));
        var first = lists[0].Lines[0];
        Told.Compare("lists.done", Readable.Of(CheckedLists.Of(day, lists, "day", [.. lists.SelectMany(l => l.Lines).Select(Tick)]))
            + Readable.Of(CheckedLists.Of(new DayAnalysis(none), DayLists.Of(new DayAnalysis(none), [], new Dictionary<string, CardState>()), "day", [])));
        Told.Compare("lists", box.Label + "\n" + Readable.Of(
            CheckedLists.Of(day, lists, "day", [Tick(first), Tick(lists[1].Lines[0]) with { Words = "something else" }])));
    }

    [Fact]
    [Trait("Takes", "long")]
    public void What_mends_each_kind_of_loss_is_what_was_agreed()
    {
        var day = new DayAnalysis(BarnDay.Plan);
        var spare = (Body)day.Plan.ItemOf("b1")! with { Id = "home", Name = "Body at home", Place = null };
        Told.Compare("barn-day.mended", Readable.Of(WhatIfTable.Of(day).Rows.DistinctBy(r => r.Kind)
            .Select(r => new { r.Kind, r.Id, Mends = Mending.ForLoss(day, r.Kind, r.Id, [spare]) }).Where(r => r.Mends is { Count: > 0 }).ToList()));
    }

    [Fact]
    public void What_is_told_of_the_demo_s_locker_is_what_was_agreed() =>
        Told.Compare("locker", Readable.Of(LockerReport.Of(Locker, new Compatibility(Locker, [.. File.Pairs]), new DateOnly(2027, 6, 12))));

    private static Plan Demo(string day) => PlanFile.Read(System.IO.File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, $"demo/{day}.yoke.json"))).Plan!;

    private static Plan Leaner(Plan plan)
    {
        var kinds = plan.Items.Where(i => i is Lens or Battery or Cells or Flash or Trigger).GroupBy(i => i.GetType());
        plan = EditResult.Apply(plan, [.. kinds.SelectMany(k => k.Where((_, n) => n % 2 == 1))
            .Select(i => new UnpackThing { Item = i.Id, Everywhere = true })]).Plan!;
        return plan with
        {
            Rules = plan.Rules with
            {
                Cards = new CardRules { Policy = CardPolicy.PerPart, Half = SecondHalf.Bag, Copies = 3, Places = 3 },
                House = plan.Rules.House with { LeadAlone = true },
                Power = plan.Rules.Power with { HomeAt = new TimeOnly(23, 30), BedAt = new TimeOnly(0, 30) },
            },
            Events = [new PlannedLoss { Id = "rain", Name = "Rain in the bag",
                Items = [.. plan.Items.Where(i => i.Place == plan.Places[0].Id).Take(3).Select(i => i.Id)], FromPart = plan.Parts[2].Id,
                UntilPart = plan.Parts[^2].Id }],
            Items = [.. plan.Items.Select((i, n) => i is Card card ? card with { Gigabytes = 16 } : i is Lens && n % 3 == 0
                ? i with { Status = Availability.Lent } : i)],
            Parts =
            [
                .. plan.Parts.Select((p, n) => p with { TemperatureC = -8, Rain = true, Quiet = n % 3 == 0 ? QuietRule.Required : p.Quiet, Flash = n % 4 == 1
                    ? FlashRule.Banned : p.Flash, Socket = n == 3 }),
                .. plan.Parts.Take(4).Select(p => p with { Id = p.Id + "2", Start = p.Start?.AddDays(1), End = p.End?.AddDays(1), Lights = null }),
            ],
        };
    }

    private static Plan Wetter(Plan plan) => plan with
    {
        Rules = plan.Rules with
        {
            DualRecord = true,
            Cards = new CardRules { Policy = CardPolicy.Fill, Second = SecondSlot.Jpeg, Half = SecondHalf.Shooter, Copies = 3, Places = 2, AllAtTheEnd = true },
            Power = plan.Rules.Power with { BatteryReserve = 0.3, TravelMinutes = 200 },
        },
        People = [.. plan.People.Select(p => p with { LimitG = 2500 })],
        Places = [.. plan.Places.Select(p => p.Id == "bag" ? p with { Travels = null, LimitG = 4000 } : p)],
        Items = [.. plan.Items.Select((i, n) => i switch
        {
            Battery or Cells => i with { Make = n % 2 == 0 ? Make.ThirdParty : Make.Own, FirstUse = n % 3 == 0 ? new DateOnly(2015, 1, 1) : null,
                Doubtful = n % 5 == 0 },
            Card { Place: "bag" or "belt" } card => card with { State = card.Id == "c7" ? "shot" : "not ours" },
            _ => i,
        })],
        Parts = [.. plan.Parts.Select((p, n) => p with { Rain = n > 1, TemperatureC = 32, Present = n == 3 ? ["lead"] : p.Present, Setups = n == 3
            ? [.. p.Setups.Where(s => s.Person == "lead")] : p.Setups })],
    };

    private static List<NeedReport> Needs(DayAnalysis day) => [.. day.Report(withEvents: false).Needs];

    private static object? Pulls(DayAnalysis day)
    {
        var body = day.Plan.Items.OfType<Body>().First().Id;
        Pulled[] pulled = [new(body), new(body, Kind: LossKind.Rig), new(day.Plan.People[0].Id, day.Plan.Parts[^1].Id, Kind: LossKind.Person)];
        return new
        {
            After = pulled.Select(p => new DayAnalysis(day.Whole, [p], day))
            .Select(left => new { Result = PullTest.Compare(day, left), Swaps = SwapPlans.After(day, left) }).ToList()
        };
    }

    /// <summary>Of each kind of loss the first, from the second part until the last but one: what then becomes of each need, and of its best way.</summary>
    private static List<object> Gone(DayAnalysis day) => [.. WhatIfTable.Of(day).Rows.DistinctBy(r => r.Kind).Select(object (row) =>
    {
        var left = new DayAnalysis(day.Whole, [new Pulled(row.Id, day.Plan.Parts[1].Id, day.Plan.Parts[^2].Id, Kind: row.Kind)], day);
        var report = left.Report(withEvents: false);
        return new
        {
            row.Kind,
            row.Id,
            Said = PullTest.Compare(day, left),
            Needs = report.Needs.Select(n => new { n.Part, n.Need, n.Baseline, n.Strands, Best = n.Best?.Items }).ToList(),
            report.Verdict,
            Why = report.Needs.Where(n => n.Baseline != Outcome.Holds).Take(3).Select(n => left.Explain(n.Part, n.Need)! with { Weighed = [] }).ToList(),
        };
    })];

    private static object Pocket(DayAnalysis day)
    {
        var middle = day.Plan.Parts[day.Plan.Parts.Count / 2];
        var body = day.Plan.Items.OfType<Body>().First().Id;
        return new
        {
            Late = Lateness.Usual.Take(3).Select(m => Lateness.Of(day, middle.Id, m)).ToList(),
            Rest = FromNow.Of(day, day.Plan.People[0].Id, middle.Start!.Value, [new(body)], [new(body, 0.4, null)]),
            Room = FromNow.Of(day, day.Plan.People[0].Id, day.Plan.Parts[1].Start!.Value, [],
                [new(body, null, 150), new(day.Plan.Items.OfType<Body>().Last().Id, 0.5, 4)])?.Told,
            Over = FromNow.Of(day, day.Plan.People[0].Id, day.Plan.Parts.Max(p => p.End)!.Value.AddHours(1), [], [new(body, 0.3, null)])?.Told,
            Questions = Questions.Of(day, day.Plan.People[0].Id),
        };
    }

    private static object Season(DayAnalysis day)
    {
        var next = new SeasonAssignment("next", day.Plan.Assignment.Name, day.Plan.Parts.Min(p => p.Start)!.Value, day.Plan.Parts.Max(p => p.End)!.Value);
        var before = new SeasonAssignment("before", "Friday talk", next.Start.AddHours(-20), next.Start.AddHours(-13));
        var body = day.Plan.Items.OfType<Body>().First().Id;
        var promised = new DayAnalysis(day.Plan with
        {
            Promised =
            new Dictionary<string, Promise> { [body] = new("other", "Harbour party", DateOnly.FromDateTime(next.Start), DateOnly.FromDateTime(next.End)) }
        });
        var book = new CardBook(new Dictionary<string, CardState>(), id => id);
        return new
        {
            Free = CarryingOver.Of(before, next, day, Locker, book, true),
            Twice = CarryingOver.Of(before, next, promised, Locker, book, true),
            Instead = InsteadOf.Of(promised, Locker)
        };
    }
}
