using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Record;
using YokePair.Core.Season;
using YokePair.Core.Taken;
using YokePair.Core.Wording;

namespace YokePair.Core.Tests;

/// <summary>What is told of a day that has pictures, and of what it teaches, word for word in <c>Told</c>.</summary>
public sealed class ToldAfterwards
{
    private static readonly Plan Barn = Numbered(BarnDay.Plan);

    private static readonly string[] Filled = ["c7", "c8", "c3"], Copies = ["drive A", "drive B", "the cloud"], One = ["one"];

    private static readonly Item[] AtHome =
    [
        new Lens { Id = "spare", Name = "Old 50", Mount = "K", Focal = new(50, 50), Aperture = new(1.8, 1.8), Serial = "S-50" },
        new Body { Id = "b1", Name = "Body one", Mount = ["K"], Megapixels = 24, IsoCeiling = 6400, BatteryType = "LB", Slots = [], Serial = "N-1" },
        new Body { Id = "b2", Name = "Body two", Mount = ["K"], Megapixels = 24, IsoCeiling = 6400, BatteryType = "LB", Slots = [], Serial = "N-2" },
    ];

    [Fact]
    public void What_the_pictures_of_a_day_tell_is_what_was_agreed()
    {
        List<PictureTold> all = [.. Pictures(0)];
        var roll = TakenRoll.Of(all, [.. all.Where((_, n) => n % 4 == 0).Select((p, n) => p with { File = $"out/{n}.jpg", LongPx = n % 3 == 0 ? 6000 : 2400 }),
            all[0] with { File = "out/strange.jpg", At = all[0].At.AddDays(2) }]);
        var seen = Recognition.Of(roll, Barn.Items, AtHome, new Dictionary<string, string>());
        var told = Recognition.Of(roll, Barn.Items, AtHome, seen.Asked.ToDictionary(a => a.Key, a => a.IsCamera ? "b4" : a.Candidates is [var first, ..]
            ? first : ""));
        var used = DayTaken.Of(Barn, roll, told.Things, AtHome, new Dictionary<string, double> { [roll.Seen.First(s => s.IsCamera).Key] = 40 });
        var day = new DayAnalysis(Barn);
        var times = DayTaken.Times(roll, told.Things);
        Fact[] read = [new(FactKind.Read, "b1", new DateTime(2027, 6, 12, 15, 30, 0), Left: 0.4),
            new(FactKind.Read, "b1", new DateTime(2027, 6, 12, 16, 0, 0), Left: 0.3), new(FactKind.Read, "b2", new DateTime(2027, 6, 12, 15, 0, 0), Left: 0.9)];
        Told.Compare("after.day", Readable.Of(new
        {
            seen.Asked,
            roll.Strange,
            Used = used,
            AsItWas = DayAsItWas.Of(day, used, AtHome),
            Batteries = BatteryReadings.Of(day, times, read),
            Clock = ClockDifference.Between(times["b1"], times["b1"].Select(t => t.AddSeconds(-65)))?.Seconds,
            Said = Words(day, used),
        }));
    }

    [Fact]
    public void What_three_days_teach_is_what_was_agreed()
    {
        List<TakenDay> days = [.. Enumerable.Range(0, 3).Select(n =>
        {
            var roll = TakenRoll.Of(Pictures(n * 13));
            return DayTaken.Of(Barn with { Assignment = Barn.Assignment with { Name = $"Day {n}" } }, roll,
                Recognition.Of(roll, Barn.Items, AtHome, new Dictionary<string, string>()).Things, AtHome,
                batteries: new Dictionary<string, BatteriesUsed> { ["LB"] = new(2 + n, 0.2) });
        })];
        var learnt = Learnt.Of(days, new HashSet<string> { "FramesPerMinute|ceremony" });
        Told.Compare("after.three", Readable.Of(new
        {
            Learnt = learnt.Figures.Select(f => new { f, Said = TakenWords.Of(f, id => id, kind => kind) }).ToList(),
            Lacking = Lacking.Of(days, Barn.Items).Select(l => new { l, Said = TakenWords.Of(l, id => id) }).ToList(),
            Late = RunningLate.Of(days).Select(l => new { l, Said = TakenWords.Of(l) }).ToList(),
            Seldom = StayAtHome.Of(new DayAnalysis(Barn), days, AtHome, 3).Select(s => new { s, Said = TakenWords.Of(s) }).ToList(),
        }));
    }

    [Fact]
    public void What_carries_over_between_two_assignments_is_what_was_agreed()
    {
        var at = new DateTime(2027, 6, 11, 20, 0, 0);
        Fact F(FactKind kind, string card, string? where = null) => new(kind, card, at, "before", "Lead", where);
        var facts = Filled.SelectMany(c => new[] { F(FactKind.Put, c, "left"), F(FactKind.Taken, c) })
            .Concat(Copies.SelectMany(d => new[] { F(FactKind.Copied, "c7", d), F(FactKind.Verified, "c7", d) })).Append(F(FactKind.Copied, "c8", "drive A"));
        var plan = Barn with
        {
            Rules = Barn.Rules with { Cards = new CardRules { Copies = 1, Places = 1 } },
            Promised = new Dictionary<string, Promise>
            {
                ["b1"] = new("other", "Harbour party", new DateOnly(2027, 6, 12), new DateOnly(2027, 6, 13)),
                ["tx"] = new("third", "Talk", new DateOnly(2027, 6, 10), new DateOnly(2027, 6, 12))
            },
            Left = new Dictionary<string, double> { ["lb1"] = 0.4, ["aa1"] = 0.2, ["lc1"] = 0.97, ["gone"] = 0.1 },
            Items = [.. Barn.Items.Select(i => i.Id switch { "z70" => i with { Status = Availability.Lent, To = new DateOnly(2027, 6, 20) }, "f2" =>
                i with { Status = Availability.InRepair }, _ => i })],
        };
        Item[] locker =
        [
            .. plan.Items, AtHome[0] with { Id = "h1", Name = "Hired 400", Status = Availability.RentedIn, To = new DateOnly(2027, 6, 11) },
                AtHome[0] with { Id = "h2", Name = "Lent 20", Status = Availability.RentedOut, To = new DateOnly(2027, 6, 11) },
            new Body { Id = "h3", Name = "Mended body", Mount = ["K"], Slots = [], Megapixels = 20, IsoCeiling = 3200, BatteryType = "LB",
                Status = Availability.InRepair, To = new DateOnly(2027, 6, 11), ServiceDue = new DateOnly(2027, 6, 12) },
            new Flash { Id = "h4", Name = "Kept flash", To = new DateOnly(2027, 6, 11), ServiceDue = new DateOnly(2027, 7, 1) },
                new Charger { Id = "h5", Name = "Home charger", BatteryTypes = ["LB"], Bays = 1 },
        ];
        var next = new SeasonAssignment("next", "Barn day", new DateTime(2027, 6, 12, 12, 0, 0), new DateTime(2027, 6, 12, 23, 0, 0));
        var before = new SeasonAssignment("before", "Friday talk", next.Start.AddHours(-20), next.Start.AddHours(-13));
        var book = new CardBook(CardBook.Fold(facts), id => $"Card {id}");
        var day = new DayAnalysis(plan);
        Told.Compare("after.over", Readable.Of(new
        {
            Night = CarryingOver.Of(before, next, day, locker, book, true),
            Later = CarryingOver.Of(before with { Start = before.Start.AddDays(-9), End = before.End.AddDays(-9) }, next, day, locker, book, false),
            First = CarryingOver.Of(null, next, day, locker, book, true),
        }));
    }

    [Fact]
    public void What_is_said_of_a_figure_a_lack_and_a_clock_is_what_was_agreed()
    {
        LearntFigure F(LearntKind kind, string? place = null, double? to = null) =>
            new("id", kind, "vows", place, "b1", 0.82, to, ["w", "z"], 2, One) { Called = "Vows" };
        string[] said =
        [
            .. Enum.GetValues<LearntKind>().Select(k => TakenWords.Of(F(k, "chapel"), id => $"<{id}>", kind => $"<{kind}>")),
            TakenWords.Of(F(LearntKind.Light, "chapel") with { PartKind = null }, id => id, kind => kind),
                TakenWords.Of(F(LearntKind.Distance, to: 7), id => id, kind => kind),
            .. Enum.GetValues<LackKind>().SelectMany(k => Enumerable.Range(1, 2)
                .Select(n => TakenWords.Of(new Lack(k, "z70", 280, k == LackKind.Longer ? null : 2, 0.445, 40, n), id => $"<{id}>"))),
            TakenWords.Of(new Lack(LackKind.Faster, "z70", null, null, 0.445, 40, 1), id => id),
            TakenWords.Of(new LateKind("Vows", 20, 1, null)), TakenWords.Of(new LateKind("Vows", 20, 3, "Details")),
            TakenWords.Of(new ClockDifference(65, 30), "the one", "the other"), TakenWords.Of(new ClockDifference(-4000, 1), "the one", "the other"),
        ];
        Told.Compare("after.words", string.Join('\n', said));
    }

    private static object Words(DayAnalysis day, TakenDay used) => new
    {
        Headline = TakenWords.Headline(used, Barn.Items),
        Spares = TakenWords.Spares(StayAtHome.Of(day, [used], AtHome, 1)),
        None = TakenWords.Headline(used with { Parts = [] }, Barn.Items),
        Bursts = used.Bodies.Select(b => TakenWords.Burst(b, b.Body ?? "?")).OfType<string>().ToList(),
        Ends = used.Glass.Where(g => Barn.ItemOf(g.Glass) is Lens)
            .SelectMany(g => new[] { TakenWords.AtAnEnd(g, (Lens)Barn.ItemOf(g.Glass)!),
            TakenWords.AtAnEnd(g, (Lens)Barn.ItemOf(g.Glass)!, [.. Barn.Items.OfType<Lens>()]) }).OfType<string>().ToList(),
    };

    private static Plan Numbered(Plan plan) => plan with { Items = [.. plan.Items.Select((i, n) => i is Battery ? i with { Number = n } : i)] };

    /// <summary>Two cameras through all parts, bursts now and then, a third that nobody knows, another day every so often.</summary>
    private static IEnumerable<PictureTold> Pictures(int shift)
    {
        foreach (var part in Barn.Parts)
        {
            var minutes = (part.End!.Value - part.Start!.Value).TotalMinutes;
            for (var n = 0; n < minutes * 3; n++)
            {
                var k = n + shift;
                var at = part.Start!.Value.AddMinutes(shift).AddSeconds((n * 20) + (n % 7 == 0 ? 1 : 0));
                var zoom = k % 5 != 0;
                yield return new PictureTold($"A{part.Id}{n:0000}.RAW", at, "Body one", "N-1", zoom ? "24-70" : "35 prime", null, zoom ? new(24, 70)
                    : new(35, 35), zoom ? 2.8 : 1.4,
                    zoom ? (k % 2 == 0 ? 70 : k % 3 == 0 ? 24 : 50) : 35, zoom ? 2.8 : 2, 1.0 / (100 + (k % 3 * 60)), 400 * (1 + (k % 20)), k % 6 == 5, 6000);
                if (n % 4 == 1) yield return new PictureTold($"B{part.Id}{n:0000}.RAW", at.AddSeconds(5), "Body two", "N-2", "70-200", "Z-9", new(70, 200),
                    2.8, k % 8 < 5 ? 200 : 70, 2.8, 1.0 / 500, 1600, false, 6000);
                if (n % 45 == 3) yield return new PictureTold($"C{part.Id}{n:0000}.RAW", at, n % 2 == 0 ? "Nobody's" : null, null, "a lens", null, null, null,
                    null, null, null, null);
                if (n % 60 == 10)
                    for (var b = 0; b < 12; b++) yield return new PictureTold($"D{part.Id}{n:0000}-{b}.RAW", at.AddSeconds(b * 0.12), "Body one", "N-1",
                        "85 prime", null, new(85, 85), 1.8, 85, 1.8, 1.0 / 1000, 800, false, 6000);
            }
        }
    }
}
