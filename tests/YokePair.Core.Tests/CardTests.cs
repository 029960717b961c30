using CsCheck;
using YokePair.Core.Advice;
using YokePair.Core.Basics;
using YokePair.Core.Cards;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Lists;
using YokePair.Core.Plans;
using YokePair.Core.Record;
using YokePair.Core.Reports;
using YokePair.Core.Verdict;

namespace YokePair.Core.Tests;

/// <summary>When cards are changed, where every copy is, and what each loss would take.</summary>
public sealed class CardTests
{
    private static readonly (string Id, int Frames)[] Wedding = [("preparation", 300), ("ceremony", 350), ("portraits", 450), ("reception", 700)];

    private static readonly DateTime Start = new(2027, 6, 12, 12, 0, 0);

    /// <summary>One body with two slots, an hour to each part and an hour between, and as many pairs of cards as are asked for.</summary>
    internal static Plan Day(
        CardRules rules, int pairs = 4, double gigabytes = 64, double raw = 24, double jpeg = 8, (string Id, int Frames)[]? parts = null, bool partner = true,
        params Item[] besides) => new()
        {
            Format = Plan.FormatName,
            Version = 1,
            Rules = new Rules { Cards = rules },
            People = partner ? [new Person { Id = "lead" }, new Person { Id = "second" }] : [new Person { Id = "lead" }],
            Places = [new Place { Id = "bag", ReachSeconds = 60 }],
            Items =
            [
                new Body
                {
                    Id = "b1", Place = "bag", Mount = ["K"], Megapixels = 24, IsoCeiling = 6400, BatteryType = "LB", FramesPerCharge = 9000,
                    Slots = [new CardSlot { Type = "SD" }, new CardSlot { Type = "SD" }], RawMegabytes = raw, JpegMegabytes = jpeg,
                },
                new Lens { Id = "l1", Place = "bag", Mount = "K", Focal = new Interval(24, 70), Aperture = new Interval(4, 4) },
                new Battery { Id = "in", Place = "@b1", Type = "LB" },
                .. Enumerable.Range(1, 2 * pairs).Select(n =>
                    new Card { Id = $"c{n}", Place = n <= 2 ? $"@b1/{n}" : "bag", Type = "SD", Gigabytes = gigabytes }),
                .. besides,
            ],
            Parts =
            [
                .. (parts ?? Wedding).Select((p, n) => new Part
                {
                    Id = p.Id, Ev = 12, Start = Start.AddHours(2 * n), End = Start.AddHours((2 * n) + 1),
                        Frames = new FrameCount { Low = 0, Likely = 0, High = p.Frames },
                    Setups = [new Setup { Person = "lead", Body = "b1", Lens = "l1" }],
                    Needs = [new Need { Id = "n", ShutterSeconds = 1.0 / 60, Who = "lead" }],
                }),
            ],
        };

    private static CardPlan Of(Plan plan) => CardPlans.Of(new DayAnalysis(plan));

    private static CardLoss Loss(CardPlan plan, CardLossKind kind, string id, CardWayKind way = CardWayKind.Planned) =>
        plan.Ways.Single(w => w.Kind == way).Losses.Single(l => l.Kind == kind && l.Id == id);

    [Fact]
    public void One_big_pair_goes_with_the_camera()
    {
        var plan = Of(Day(new CardRules { Policy = CardPolicy.Fill }));
        Assert.Empty(plan.Changes);
        var stolen = Loss(plan, CardLossKind.Camera, "b1");
        Assert.Equal((1800, "reception", 1.0, Start.AddHours(7)), (stolen.Frames, stolen.Part, stolen.At, stolen.Time));
        Assert.Equal(Wedding.Select(w => (w.Id, w.Frames)), stolen.Parts.Select(p => (p.Part, p.Frames)));
        Assert.Equal(["preparation", "ceremony", "portraits", "reception"], stolen.Pictures.Select(p => p.Part));
        Assert.Equal(0, plan.Ways[0].Losses.Single(l => l.Kind == CardLossKind.Card).Frames);
        Assert.Equal(1800, Loss(plan, CardLossKind.Person, "lead").Frames);
        Assert.Equal(Wedding.Select(w => w.Frames), plan.Stays.Single(s => s.Card == "c2").Frames.Select(f => f.Frames));
        Assert.Equal(300, plan.Ways[0].Curve.Last(p => p.Part == "preparation").Frames);
    }

    /// <summary>What-if tells what is on the cards too; a wallet or a bag that holds no only copy is not among it.</summary>
    [Fact]
    public void What_if_tells_which_pictures_are_gone_with_what_holds_them()
    {
        var gone = WhatIfTable.Of(new DayAnalysis(Day(new CardRules { Policy = CardPolicy.PerPart, Half = SecondHalf.Bag }))).Gone
            .Select(l => string.Concat(l.Select(p => p.Text))).ToList();
        Assert.Equal(
            ["If the b1 is stolen at 19:00, 700 frames are gone for good: n.", "If all that lead carries is lost at 19:00, 700 frames are gone for good: n."],
            gone);
    }

    [Theory]
    [InlineData(SecondHalf.Shooter, 1100, 1800)]
    [InlineData(SecondHalf.Partner, 0, 700)]
    [InlineData(SecondHalf.Bag, 0, 700)]
    public void A_card_per_part(SecondHalf half, int wallet, int everything)
    {
        var plan = Of(Day(new CardRules { Policy = CardPolicy.PerPart, Half = half }));
        Assert.Equal(["ceremony", "ceremony", "portraits", "portraits", "reception", "reception"], plan.Changes.Select(c => c.Part));
        Assert.All(plan.Changes, c => Assert.Null(c.AfterFrames));
        Assert.Equal(700, Loss(plan, CardLossKind.Camera, "b1").Frames);
        Assert.Equal(wallet, Loss(plan, CardLossKind.Wallet, "lead").Frames);
        Assert.Equal(everything, Loss(plan, CardLossKind.Person, "lead").Frames);
        // Side by side, whatever is planned: 650, 450 and 700 frames is the best that two changes can do.
        Assert.Equal(["portraits", "reception"], plan.Ways[2].Joins);
        Assert.Equal(700, Loss(plan, CardLossKind.Camera, "b1", CardWayKind.TwoJoins).Frames);
        Assert.Equal(1800, Loss(plan, CardLossKind.Camera, "b1", CardWayKind.OneBigPair).Frames);
        Assert.Equal(700, Loss(plan, CardLossKind.Camera, "b1", CardWayKind.PerPart).Frames);
        Assert.Equal([(CardWayKind.Planned, 3), (CardWayKind.OneBigPair, 0), (CardWayKind.TwoJoins, 2), (CardWayKind.PerPart, 3)],
            plan.Ways.Select(w => (w.Kind, w.Changes)));
        Assert.Equal(6 * 20, plan.Ways[0].Seconds);
    }

    [Fact]
    public void What_happens_once_is_in_one_camera_until_its_cards_are_changed()
    {
        var day = Day(new CardRules());
        day = day with
        {
            Parts = [.. day.Parts.Select(p => p.Id == "ceremony"
            ? p with { Needs = [.. p.Needs.Select(n => n with { Importance = Importance.Once })] } : p)]
        };
        var alone = Assert.Single(Of(day).Alone);
        Assert.Equal(("ceremony", 350, CardLossKind.Camera, "b1", Start.AddHours(3), null, 240.0),
            (alone.Part, alone.Frames, alone.Kind, alone.Id, alone.From, alone.Until, alone.Minutes));
        // After a change at the next part it was so for the hour between; with both halves in one wallet it still is.
        day = day with { Parts = [.. day.Parts.Select(p => p.Id == "portraits" ? p with { ChangeCards = true } : p)] };
        var changed = Of(day);
        Assert.Equal([("portraits", 1), ("portraits", 2)], changed.Changes.Select(c => (c.Part, c.Slot!.Value)));
        Assert.Equal((CardLossKind.Camera, Start.AddHours(4), 60.0), changed.Alone.Select(a => (a.Kind, a.Until, a.Minutes)).Single());
        Assert.Equal(1150, Loss(changed, CardLossKind.Camera, "b1").Frames);
        var shared = Of(day with { Rules = day.Rules with { Cards = new CardRules { Half = SecondHalf.Shooter } } }).Alone.Single();
        Assert.Equal((CardLossKind.Wallet, "lead", 180.0), (shared.Kind, shared.Id, shared.Minutes));
    }

    [Fact]
    public void Without_a_partner_the_second_half_goes_to_the_bag()
    {
        var plan = Of(Day(new CardRules { Policy = CardPolicy.PerPart }, partner: false));
        Assert.Equal((0, 0), (Loss(plan, CardLossKind.Wallet, "lead").Frames, Loss(plan, CardLossKind.Place, "bag").Frames));
        Assert.Contains(plan.Stays.Single(s => s.Card == "c2").Stays, s => s is { Kind: CardHolder.Place, Where: "bag", IsShot: true, Part: "ceremony" });
    }

    [Fact]
    public void Too_few_cards_for_a_card_per_part_are_counted()
    {
        var plan = Of(Day(new CardRules { Policy = CardPolicy.PerPart }, pairs: 2));
        Assert.Equal((2, 4), (plan.Changes.Count, plan.Types.Single().Unmet));
        Assert.Equal(1100, Loss(plan, CardLossKind.Camera, "b1").Frames);
        Assert.Empty(plan.Short);
    }

    [Fact]
    public void Raw_and_jpeg_of_unlike_size()
    {
        Assert.Equal((740, 2221), (Charge.FramesOn(32, 39), Charge.FramesOn(32, 13)));
        var day = Day(new CardRules { Second = SecondSlot.Jpeg }, gigabytes: 32, raw: 39, jpeg: 13, parts: [("reception", 2160)]);
        var plan = Of(day);
        Assert.Equal([(1, 740), (1, 1480)], plan.Changes.Select(c => (c.Slot!.Value, c.AfterFrames!.Value)));
        // Worst just before a change, and at the end of the day.
        Assert.Equal((740, 680), (Loss(plan, CardLossKind.Camera, "b1").Frames, plan.Ways[0].Curve[^1].Frames));
        // In the wallet are raws whose JPEGs are still in the camera; of a dead card as well a JPEG is left.
        var wallet = Loss(plan, CardLossKind.Wallet, "lead");
        Assert.Equal((0, 1480), (wallet.Frames, wallet.JpegOnly));
        Assert.Contains(CardPlans.Losses(new DayAnalysis(day)), l => l is { Kind: CardLossKind.Wallet, Frames: 0, JpegOnly: 1480 });
        Assert.Equal((0, 740), plan.Ways[0].Losses.Where(l => l.Kind == CardLossKind.Card).Select(l => (l.Frames, l.JpegOnly)).Single());
        // With a card per part too the JPEGs stay in.
        Assert.All(Of(Day(new CardRules { Second = SecondSlot.Jpeg, Policy = CardPolicy.PerPart })).Changes, c => Assert.Equal(1, c.Slot));
    }

    [Fact]
    public void Two_cameras_are_copied_before_one_leaves()
    {
        var day = Day(new CardRules { AllAtTheEnd = true }, parts: [("reception", 700)], raw: 32, besides:
        [
            new Body
            {
                Id = "b2", Place = "bag", Mount = ["K"], Megapixels = 24, IsoCeiling = 6400, BatteryType = "LB", FramesPerCharge = 9000,
                Slots = [new CardSlot { Type = "SD" }, new CardSlot { Type = "SD" }], RawMegabytes = 21,
            },
            new Lens { Id = "l2", Place = "bag", Mount = "K", Focal = new Interval(70, 200), Aperture = new Interval(4, 4) },
            new Battery { Id = "in2", Place = "@b2", Type = "LB" }, new Card { Id = "x1", Place = "@b2/1", Type = "SD", Gigabytes = 64 },
            new Card { Id = "x2", Place = "@b2/2", Type = "SD", Gigabytes = 64 }, new Drive { Id = "d", Place = "bag", MegabytesPerSecond = 71.1 },
        ]);
        var part = day.Parts[0] with
        {
            Start = new DateTime(2027, 6, 12, 20, 0, 0),
            End = new DateTime(2027, 6, 12, 22, 30, 0),
            Frames = new FrameCount { Low = 0, Likely = 0, High = 1400 },
            Setups = [.. day.Parts[0].Setups, new Setup { Person = "second", Position = "left", Body = "b2", Lens = "l2" }],
            Use = [new PartUse { Item = "b2", Frames = 700 }],
        };
        var evening = Of(day with { Parts = [part] }).Evening;
        Assert.Equal((37.1, 8.7, new DateTime(2027, 6, 12, 22, 39, 0)), (evening.Runs[0].Gigabytes, evening.Minutes, evening.LeaveAt));
        Assert.Equal((3, 2, true, false), (evening.Copies, evening.Places, evening.IsEnough, evening.Runs[0].IsUsual));
        // Without the drive there are two, and alone all of them go home in one pocket.
        var none = Of(day with { Parts = [part], Items = [.. day.Items.Where(i => i.Id != "d")] }).Evening;
        Assert.Equal((2, 2, false, 0), (none.Copies, none.Places, none.IsEnough, none.Runs.Count));
        // One half of each pair with each of the two, and what the drive has with the first.
        Assert.Equal([("lead", "c1 x2", "d"), ("second", "c2 x1", "")], Homes(evening));
        // Two drives at once: the larger half alone is waited for.
        var two = Of(day with { Parts = [part], Items = [.. day.Items, new Drive { Id = "e", Place = "bag", MegabytesPerSecond = 71.1 }] }).Evening;
        Assert.Equal((5.3, 22.4, 14.7), (two.Minutes, two.Runs[0].Gigabytes, two.Runs[1].Gigabytes));
        Assert.Equal(1, Of(Day(new CardRules { Half = SecondHalf.Shooter }, partner: false, besides: [new Drive { Id = "d", Place = "bag" }])).Evening.Places);
    }

    /// <summary>Two days on one pair: what was copied in the first evening is not in the camera alone on the second day.</summary>
    [Fact]
    public void Of_several_days_each_evening_makes_its_copies()
    {
        Item drive = new Drive { Id = "d", Place = "bag", MegabytesPerSecond = 80 };
        Plan Two(params Item[] besides)
        {
            var one = Day(new CardRules(), parts: [("a", 1000), ("b", 400)], besides: besides);
            return one with { Parts = [one.Parts[0], one.Parts[1] with { Start = Start.AddDays(1), End = Start.AddDays(1).AddHours(1) }] };
        }
        var told = Of(Two(drive));
        // 24 and 9.6 GB at 80 MB a second.
        Assert.Equal([("a", 24.0, 5.0, Start.AddHours(1).AddMinutes(5)), ("b", 9.6, 2.0, Start.AddDays(1).AddHours(1).AddMinutes(2))],
            told.Evenings.Select(e => (e.Part, e.Runs[0].Gigabytes, e.Minutes, e.LeaveAt!.Value)));
        Assert.Equal([(3, 2), (3, 2)], told.Evenings.Select(e => (e.Copies, e.Places)));
        Assert.Equal(1000, Loss(told, CardLossKind.Camera, "b1").Frames);
        Assert.Equal(("a", 1.0), (Loss(told, CardLossKind.Camera, "b1").Part, Loss(told, CardLossKind.Camera, "b1").At));
        Assert.Equal([("a", 0.0, 0), ("a", 1.0, 1000), ("b", 0.0, 0), ("b", 1.0, 400)],
            told.Ways[0].Curve.Select(c => (c.Part, c.At, c.Frames)).Distinct());
        // What happens once is in the camera alone until it has been copied.
        var once = Two(drive) with { Parts = [.. Two(drive).Parts.Select(p => p with { Needs = [p.Needs[0] with { Importance = Importance.Once }] })] };
        var alone = Assert.Single(Of(once).Alone);
        Assert.Equal((Start.AddHours(1), Start.AddHours(1).AddMinutes(5), 5.0), (alone.From, alone.Until, alone.Minutes));
        // Without a drive the camera has all of both days.
        Assert.Equal(1400, Loss(Of(Two()), CardLossKind.Camera, "b1").Frames);
        Assert.Equal((2, false), (Of(Two()).Evenings[0].Copies, Of(Two()).Evenings[0].IsEnough));
        var said = string.Concat(CardDay.Of(new DayAnalysis(Two(drive)), []).Sentence.Select(p => p.Text));
        Assert.Contains("The first evening: you may leave at ", said, StringComparison.Ordinal);
        Assert.Contains(" The second evening: you may leave at ", said, StringComparison.Ordinal);
        var leaving = DayLists.Of(new DayAnalysis(Two(drive)), [], new Dictionary<string, CardState>()).SelectMany(l => l.Lines).Select(l => l.Text);
        Assert.Contains(leaving, l => l.StartsWith("Copied and read back on the first evening: ", StringComparison.Ordinal));
    }

    [Fact]
    public void What_comes_out_early_is_copied_meanwhile()
    {
        Item drive = new Drive { Id = "d", Place = "bag", MegabytesPerSecond = 71.1 };
        // 64 GB take 15 minutes, 12 GB 2.8.
        Assert.Equal(15.0, Copied(64_000, early: false), 0.05);
        Assert.Equal(2.8, Copied(12_000, early: false), 0.05);
        Assert.Equal(3.9, Copied(24_000 / 700.0 * 700, early: true, perPart: true), 0.1);

        double Copied(double megabytes, bool early, bool perPart = false)
        {
            var rules = new CardRules { AllAtTheEnd = !early, Policy = perPart ? CardPolicy.PerPart : CardPolicy.Fill };
            return perPart ? Of(Day(rules, besides: drive)).Evening.Minutes
                : Of(Day(rules, gigabytes: 128, raw: megabytes / 1000, parts: [("a", 1000)], besides: drive)).Evening.Minutes;
        }
    }

    [Fact]
    public void A_drive_that_reads_one_half_copies_that()
    {
        Item Reading(params string[] types) => new Drive { Id = "d", Place = "bag", CardTypes = types };
        Assert.Empty(Of(Day(new CardRules(), besides: Reading("SD"))).Evening.Unreadable);
        var blind = Of(Day(new CardRules(), besides: Reading("CFexpress-B"))).Evening;
        Assert.Equal(["c1", "c2"], blind.Unreadable);
        Assert.Equal((2, 0.0), (blind.Copies, blind.Runs[0].Gigabytes));
        // Slots of unlike types: which half it cannot read is told, the other is copied.
        var unlike = Day(new CardRules(), besides: Reading("SD"));
        var evening = Of(unlike with
        {
            Items = [.. unlike.Items.Select(i => i switch
            {
                Body b => b with { Slots = [new CardSlot { Type = "CFexpress-B" }, new CardSlot { Type = "SD" }] },
                Card { Id: "c1" } c => c with { Type = "CFexpress-B" },
                _ => i,
            })],
        }).Evening;
        Assert.Equal(["c1"], evening.HalvesUnread);
        Assert.Empty(evening.Unreadable);
        Assert.Equal(3, evening.Copies);
    }

    /// <summary>A raw file and a JPEG are one copy of the raw file, on the way and in the record.</summary>
    [Fact]
    public void A_jpeg_is_no_copy_of_a_raw_file()
    {
        var evening = Of(Day(new CardRules { Second = SecondSlot.Jpeg }, besides: new Drive { Id = "d", Place = "bag" })).Evening;
        Assert.Equal((2, true, false), (evening.Copies, evening.HasJpeg, evening.IsEnough));
        var move = Of(Day(new CardRules { Second = SecondSlot.Jpeg })).Moves.Where(m => m.Kind == CardHolder.Camera).ToDictionary(m => m.Card, m => m.IsJpeg);
        Assert.Equal((false, true), (move["c1"], move["c2"]));
    }

    [Fact]
    public void Old_cards_that_hold_both_halves_are_told()
    {
        var day = Day(new CardRules());
        Plan Since(string card, int years) =>
            day with { Items = [.. day.Items.Select(i => i.Id == "c1" || i.Id == card ? i with { FirstUse = new DateOnly(2027 - years, 6, 12) } : i)] };
        Assert.Empty(Of(Since("c2", 3)).Old);
        Assert.Equal(["c1", "c2"], Assert.Single(Of(Since("c2", 4)).OldPairs, p => p.Body == "b1").Cards);
        // One that is used with a newer one is old, and no more.
        Assert.Equal(["c1"], Of(Since("c7", 4)).Old);
        Assert.Empty(Of(Since("c7", 4)).OldPairs);
    }

    private static List<(string Person, string Cards, string Copiers)> Homes(CardEvening evening) =>
        [.. evening.Homes.Select(h => (h.Person, string.Join(' ', h.Cards), string.Join(' ', h.Copiers)))];

    [Fact]
    public void One_more_than_a_busy_day_takes()
    {
        // 64 GB hold 2406 frames of 24 MB.
        Assert.Equal((2, 3, 0), Counted(pairs: 4));
        Assert.Equal((2, 3, 1), Counted(pairs: 1));
        // No room at all in the evening.
        var full = Of(Day(new CardRules(), pairs: 1, gigabytes: 32));
        Assert.Equal([("reception", 103, 597)], full.Short.Select(s => (s.Part, s.AfterFrames, s.Frames)).Distinct());

        (int, int, int) Counted(int pairs) => Of(Day(new CardRules(), pairs)).Types.Select(t => (t.Used, t.Wanted, t.Short)).Single();
    }

    /// <summary>A day is sound when the largest card may die; what would do about it does when it is done.</summary>
    [Fact]
    public void The_largest_card_may_die_and_what_is_short_is_mended()
    {
        var day = Day(new CardRules(), pairs: 1, parts: [("a", 1000)]);
        var report = new DayAnalysis(day).Report(withEvents: false);
        Assert.False(report.Sound);
        Assert.Equal(("SD", 1), (Assert.Single(report.CardsShort!).Type, report.CardsShort![0].Short));
        Assert.Contains("Cards: SD, two there and three wanted, so that the largest may die.", report.Verdict, StringComparison.Ordinal);
        // Of cards whose size nobody knows nothing is told.
        Assert.Null(new DayAnalysis(day with { Items = [.. day.Items.Select(i => i is Card c ? c with { Gigabytes = null } : i)] }).Report().CardsShort);
        Item[] home = [new Card { Id = "h1", Type = "SD", Gigabytes = 64 }, new Card { Id = "h2", Type = "SD", Gigabytes = 32, State = "shot" },
            new Drive { Id = "hd" }];
        var mends = CardMend.For(new DayAnalysis(day), home);
        Assert.Equal(["Take h1 along as well", "Take the hd along"], mends.Select(m => m.Label));
        foreach (var mend in mends)
        {
            var then = new DayAnalysis(EditResult.Apply(day, mend.Edits).Plan!);
            Assert.True(CardPlans.Lack(then).Size < CardPlans.Lack(new DayAnalysis(day)).Size || CardPlans.Evening(then)!.Copies == 3);
        }
        Assert.Equal("Borrow, rent or buy one SD of 64 GB", CardMend.For(new DayAnalysis(day), [])[0].Label);
        // Both halves with one of two people is a habit that can be changed.
        var one = Day(new CardRules { Half = SecondHalf.Shooter }, pairs: 2, parts: [("a", 1000)], besides: new Drive { Id = "d", Place = "bag" });
        Assert.Contains(CardMend.For(new DayAnalysis(one), []), m => m.Label == "Give the second half of each pair to somebody else"
            && m.Then == "then three copies in two places");
    }

    [Fact]
    public void One_wallet_for_both_halves_is_a_cause_by_name()
    {
        string[] Causes(SecondHalf half) => [.. WhatIfTable.Of(new DayAnalysis(Day(new CardRules { Policy = CardPolicy.PerPart, Half = half }))).Causes
            .Where(c => c.Kind == CauseKind.OneWallet).Select(c => c.Text)];
        Assert.Equal(["Both halves of 1100 frames lie in the wallet of lead: n."], Causes(SecondHalf.Shooter));
        Assert.Empty(Causes(SecondHalf.Partner));
    }

    [Fact]
    public void Without_the_drive_there_are_fewer_copies()
    {
        var day = Day(new CardRules(), parts: [("a", 1000)], besides: new Drive { Id = "d", Place = "bag" });
        string Row(string id) => string.Concat(WhatIfTable.Of(new DayAnalysis(day)).Rows.Single(r => r.Kind == LossKind.Item && r.Id == id)
            .Cards.Select(t => t.Text));
        Assert.Equal("At the end there are two copies, not three. ", Row("d"));
        Assert.Equal("", Row("c7"));
        var pull = PullTest.Compare(new DayAnalysis(day), new DayAnalysis(day, [new Pulled("d")]));
        Assert.Equal("At the end there are two copies, not three. ", string.Concat(pull.Copies.Select(t => t.Text)));
        Assert.Empty(PullTest.Compare(new DayAnalysis(day), new DayAnalysis(day, [new Pulled("c7")])).Copies);
        Assert.Contains(WhatIfTable.Of(new DayAnalysis(day)).Causes, c => c.Text == "One drive, the d, for every copy.");
        // With one of the cards gone that both halves take, the other half is alone.
        var few = Day(new CardRules(), pairs: 2, parts: [("a", 4000)]);
        Assert.Equal("1594 frames of a busy day find no room on a card. At the end there is one copy, not three. ", string.Concat(
            WhatIfTable.Of(new DayAnalysis(few)).Rows.Single(r => r.Kind == LossKind.Item && r.Id == "c3").Cards.Select(t => t.Text)));
    }

    [Fact]
    public void A_busy_day_without_room_is_not_sound()
    {
        Report Told(double gigabytes, bool loaded = true)
        {
            var day = Day(new CardRules(), pairs: 1, gigabytes: gigabytes);
            return new DayAnalysis(loaded ? day : day with { Items = [.. day.Items.Where(i => i is not Card)] }).Report(withEvents: false);
        }
        Assert.Contains("room", Told(32).Verdict, StringComparison.Ordinal);
        Assert.Contains("Cards: the b1 has no room left in reception after 103 frames.", Told(32).Verdict, StringComparison.Ordinal);
        Assert.False(Told(32).Sound);
        Assert.Null(Told(64).NoRoom);
        // Where there is no card at all the needs tell.
        Assert.Null(Told(32, loaded: false).NoRoom);
    }

    /// <summary>1500 MB of buffer, 26 MB raw and raw, 90 MB a second: 3.46 frames a second are written away.</summary>
    [Theory]
    [InlineData(20, 3.5, 16.7)]
    [InlineData(5, 37.5, 16.7)]
    [InlineData(3, null, 0.0)]
    public void A_burst_fills_the_buffer_and_then_the_camera_is_busy(double fps, double? seconds, double busy)
    {
        var day = Day(new CardRules(), raw: 26, parts: [("race", 500)]);
        var fast = day with
        {
            Items = [.. day.Items.Select(i => i switch { Body b => b with { BufferMegabytes = 1500, Fps = 20 }, Card c =>
                c with { WriteMegabytesPerSecond = 90 }, _ => i })],
            Parts = [day.Parts[0] with { Needs = [day.Parts[0].Needs[0] with { Fps = fps }] }],
        };
        Assert.Equal(new CardBurst("race", "n", "b1", fps, seconds, busy), Assert.Single(Of(fast).Bursts));
        // Of a buffer that nobody has told, and of cards whose speed nobody knows, nothing is told.
        Assert.Empty(Of(fast with { Items = [.. fast.Items.Select(i => i is Body b ? b with { BufferMegabytes = null } : i)] }).Bursts);
        Assert.Empty(Of(fast with { Items = [.. fast.Items.Select(i => i is Card c ? c with { WriteMegabytesPerSecond = null } : i)] }).Bursts);
    }

    /// <summary>1500 MB of 26 MB, two cards at 90: 33 frames are left after two seconds at 20, and take 9.6 s.</summary>
    [Theory]
    [InlineData(2.0, null, Outcome.Holds)]
    [InlineData(4.0, null, Outcome.Thins)]
    [InlineData(2.0, 9.6, Outcome.Holds)]
    [InlineData(2.0, 9.5, Outcome.Thins)]
    [InlineData(null, 16.7, Outcome.Holds)]
    [InlineData(null, 16.6, Outcome.Thins)]
    public void A_need_says_how_soon_after_its_burst_the_camera_must_be_ready(double? burst, double? ready, Outcome outcome)
    {
        var day = Day(new CardRules(), raw: 26, parts: [("race", 500)]);
        var fast = day with
        {
            Items = [.. day.Items.Select(i => i is Body b ? b with { BufferMegabytes = 1500, Fps = 20, Slots = [Slot(90), Slot(90)] } : i)],
            Parts = [day.Parts[0] with { Needs = [day.Parts[0].Needs[0] with { Fps = 20, BurstSeconds = burst, ReadySeconds = ready }] }],
        };
        Assert.Equal(outcome, Assert.Single(new DayAnalysis(fast).Report().Needs).Baseline);
        // The cards' own speeds, which most people know, do as well as the slots'; a faster one in the bag makes up for a slow one, where there is time.
        Plan Cards(double second, double spare) => fast with
        {
            Items =
            [
                .. fast.Items.Select(i => i switch
                {
                    Body b => b with { Slots = [.. b.Slots.Select(s => s with { WriteMegabytesPerSecond = null })] },
                    Card c when c.Place!.StartsWith('@') => c with { WriteMegabytesPerSecond = c.Place.EndsWith('2') ? second : 90 },
                    Card c => c with { WriteMegabytesPerSecond = spare },
                    _ => i,
                }),
                new Card { Id = "spare", Place = fast.Places[0].Id, Type = "SD", Gigabytes = 64, WriteMegabytesPerSecond = spare },
            ],
        };
        Assert.Equal(outcome, Assert.Single(new DayAnalysis(Cards(90, 90)).Report().Needs).Baseline);
        var half = burst is 2 && ready is null ? Outcome.Holds : Outcome.Thins;
        Assert.Equal(half, Assert.Single(new DayAnalysis(Cards(30, 30)).Report().Needs).Baseline);
        Assert.Equal(outcome, Assert.Single(new DayAnalysis(Cards(30, 90)).Report().Needs).Baseline);
        // A slower slot holds the other up.
        var slower = fast with { Items = [.. fast.Items.Select(i => i is Body b ? b with { Slots = [Slot(90), Slot(30)] } : i)] };
        Assert.Equal(half, Assert.Single(new DayAnalysis(slower).Report().Needs).Baseline);
        var told = Assert.Single(Of(fast with
        {
            Items = [.. fast.Items.Select(i => i is Card c && c.Place!.EndsWith('2')
            ? c with { WriteMegabytesPerSecond = 30 } : i)]
        }).Bursts);
        Assert.Equal((burst is 4, ready is not null), (told.FullTooSoon, told.BusyAfter is not null));

        static CardSlot Slot(double speed) => new() { Type = "SD", WriteMegabytesPerSecond = speed };
    }

    [Fact]
    public void Video_takes_room_as_well()
    {
        var day = Day(new CardRules(), parts: [("a", 1000)]);
        var filmed = day with { Parts = [day.Parts[0] with { Use = [new PartUse { Item = "b1", VideoMinutes = 32 }] }] };
        // 32 minutes at 0.75 GB are a thousand frames of 24 MB.
        Assert.Equal(2 * Of(day).Bands[0].Levels[^1].Full, Of(filmed).Bands[0].Levels[^1].Full, 0.001);
    }

    [Fact]
    public void Overflow_has_one_copy()
    {
        var day = Day(new CardRules(), pairs: 1, gigabytes: 32);
        var plan = Of(day with { Rules = day.Rules with { DualRecord = false } });
        // The first card is full after 1203 frames; the second takes the rest.
        Assert.Empty(plan.Changes);
        Assert.Equal(1203, plan.Ways[0].Losses.Single(l => l.Kind == CardLossKind.Card).Frames);
    }

    private static readonly Gen<(int[] Frames, CardRules Rules, int Pairs, int Size, bool Partner, bool[] Ticks)> Days = Gen.Select(
        Gen.Int[0, 60].Array[2, 4], Gen.Enum<CardPolicy>(), Gen.Enum<SecondHalf>(), Gen.Int[1, 5], Gen.Int[1, 4], Gen.Bool, Gen.Bool.Array[4],
        (frames, policy, half, pairs, size, partner, ticks) => (frames, new CardRules { Policy = policy, Half = half }, pairs, size, partner, ticks));

    /// <summary>What is told of the worst moments is what one finds by following every frame: at that moment so much, and at no minute more.</summary>
    [Fact]
    [Trait("Takes", "long")]
    public void What_would_be_gone_is_what_a_walk_frame_by_frame_finds() => Days.Sample(day =>
    {
        var plan = Day(day.Rules, day.Pairs, day.Size, raw: 30, parts: [.. day.Frames.Select((f, n) => ($"p{n}", f))], partner: day.Partner);
        plan = plan with
        {
            Items = [.. plan.Items, new OtherThing { Id = "lap", Place = "bag" }],
            Parts = [.. plan.Parts.Select((p, n) => p with { ChangeCards = day.Ticks[n], Use = SentBy(day.Frames[n]) })],
        };
        var told = Of(plan);
        if (told.Short.Count > 0) return;
        var slow = new SlowCards(plan, told, [.. day.Frames.Select((f, n) => ("b1", $"p{n}", "lead", f))]);
        foreach (var loss in told.Ways[0].Losses)
        {
            if (loss.Time is { } worst)
                Assert.True(Math.Abs(loss.Frames - Enumerable.Range(-1, 3).Max(m => slow.Gone(loss.Kind, loss.Id, worst.AddMinutes(m)))) <= 2,
                    $"{loss.Kind} {loss.Id} at {worst}: told {loss.Frames}");
            for (var at = Start; loss.Kind != CardLossKind.Card && at <= plan.Parts[^1].End; at = at.AddMinutes(15))
                Assert.True(slow.Gone(loss.Kind, loss.Id, at) <= loss.Frames + loss.JpegOnly + 1, $"{loss.Kind} {loss.Id}: told {loss.Frames}, more at {at}");
        }
    }, iter: 60);

    /// <summary>In a third each nothing, by cable, by radio; slower and faster than frames are taken, with and without a word from the other end.</summary>
    private static PartUse[]? SentBy(int seed) => seed % 3 == 0 ? null :
    [
        new PartUse
        {
            Item = "b1",
            Sends = new Sending { To = seed % 3 == 1 ? "lap" : "desk", ByCable = seed % 3 == 1, MegabytesPerSecond = seed % 5 < 3 ? 0.5 + (seed % 5) : null,
                Confirmed = seed % 7 < 5 },
        },
    ];

    /// <summary>On a seeded day a card is dead from the morning on and the camera is stolen at any minute: as much is gone as is told for then.</summary>
    [Fact]
    [Trait("Takes", "long")]
    public void A_day_of_failures_and_thefts_goes_as_it_was_told()
    {
        var random = new Random(20270612);
        var thefts = 0;
        for (var n = 0; n < 40; n++)
        {
            var plan = Day(new CardRules { Policy = random.Next(2) == 0 ? CardPolicy.Fill : CardPolicy.PerPart }, raw: 30,
                parts: [.. Enumerable.Range(0, 4).Select(p => ($"p{p}", random.Next(50, 400)))]);
            plan = plan with
            {
                Items = [.. plan.Items, new OtherThing { Id = "lap", Place = "bag" }],
                Parts = [.. plan.Parts.Select(p => p with { Use = SentBy(random.Next(100)) })]
            };
            var dead = $"c{random.Next(1, 9)}";
            var left = new DayAnalysis(plan, [new Pulled(dead)]);
            var told = CardPlans.Of(left);
            Assert.DoesNotContain(told.Stays, s => s.Card == dead && s.Frames.Count > 0);
            if (told.Short.Count > 0) continue;
            var slow = new SlowCards(plan with { Items = [.. plan.Items.Where(i => i.Id != dead)] }, told,
                [.. plan.Parts.Select(p => ("b1", p.Id, "lead", p.Frames!.High))]);
            foreach (var point in told.Ways[0].Curve)
            {
                var at = AtOf(plan, point);
                // Just before cards are changed or just after: either is told for that minute.
                Assert.Contains(Enumerable.Range(-1, 3).Select(s => slow.Gone(CardLossKind.Camera, "b1", at.AddSeconds(s))), gone =>
                    Math.Abs(gone - point.Frames) <= 2);
                thefts++;
            }
        }
        Assert.True(thefts > 200, $"{thefts} thefts");

        static DateTime AtOf(Plan plan, ExposurePoint point) => plan.PartOf(point.Part) is { Start: { } start, End: { } end } ? start
            + ((end - start) * point.At) : default;
    }

    /// <summary>Ten JPEGs of 8 MB at 2 MB a second are there 40 s after the part.</summary>
    [Theory]
    [InlineData(null, 1.0, DueObstacle.NothingSent, null)]
    [InlineData("desk", 1.0, DueObstacle.None, 0.0)]
    [InlineData("desk", 0.5, DueObstacle.TooSlow, 0.2)]
    [InlineData("silent", 1.0, DueObstacle.NotConfirmed, null)]
    [InlineData("lap", 1.0, DueObstacle.None, 0.0)]
    [InlineData("far", 1.0, DueObstacle.OutOfReach, null)]
    public void Frames_that_are_due_are_there_or_it_is_told_why_not(string? to, double minutes, DueObstacle why, double? late)
    {
        var day = Day(new CardRules(), parts: [("first half", 300), ("half-time", 10)]);
        day = day with
        {
            Items = [.. day.Items, new OtherThing { Id = "lap", Place = "bag" }],
            Parts =
            [
                day.Parts[0] with
                {
                    Unreachable = to == "far" ? ["bag"] : [],
                    Needs = [day.Parts[0].Needs[0] with { Due = new FramesDue { Frames = 10, Minutes = minutes } }],
                },
                day.Parts[1],
            ],
        };
        if (to is not null)
            day = EditResult.Apply(day, [new SetSending { Item = "b1",
                Sends = new Sending { To = to == "far" ? "lap" : to, ByCable = to is "lap" or "far", Confirmed = to != "silent" } }]).Plan!;
        var due = Assert.Single(Of(day).Due);
        Assert.Equal((why, late), (due.Why, due.LateMinutes));
        var said = string.Concat(CardDay.Of(new DayAnalysis(day), []).Sentence.Select(t => t.Text));
        Assert.Equal(why != DueObstacle.None, said.Contains("Ten frames of n", StringComparison.Ordinal));
    }

    /// <summary>What arrives and is confirmed is not gone with the camera: by cable all of it, by radio the JPEG is left.</summary>
    [Theory]
    [InlineData(true, true, null, 0, 0)]
    [InlineData(true, false, null, 700, 0)]
    [InlineData(false, true, null, 0, 700)]
    [InlineData(true, true, 2.333, 350, 0)]
    public void What_has_been_sent_is_in_a_place_of_its_own(bool cable, bool confirmed, double? speed, int gone, int jpeg)
    {
        var day = Day(new CardRules(), parts: [("a", 700)]);
        day = day with { Items = [.. day.Items, new OtherThing { Id = "lap", Place = "bag" }] };
        day = EditResult.Apply(day, [new SetSending
        {
            Part = "a", Item = "b1", Sends = new Sending { To = cable ? "lap" : "desk", ByCable = cable, Confirmed = confirmed, MegabytesPerSecond = speed },
        }]).Plan!;
        var told = Of(day);
        Assert.Equal((gone, jpeg), (Loss(told, CardLossKind.Camera, "b1").Frames, Loss(told, CardLossKind.Camera, "b1").JpegOnly));
        Assert.Equal(cable && gone == 0 ? 3 : 2, told.Evening.Copies);
        Assert.Equal(!cable, told.Evening.HasJpeg);
        Assert.Equal("item", EditResult.Apply(day, [new SetSending { Item = "l1", Sends = new Sending { To = "desk" } }]).Problems[0].Field);
        Assert.Equal("sends.to", EditResult.Apply(day, [new SetSending { Item = "b1", Sends = new Sending { To = "none", ByCable = true } }]).Problems[0]
            .Field);
    }

    /// <summary>Both cards go home with whoever shot; what went by cable to the partner's machine is in a second place.</summary>
    [Theory]
    [InlineData("lead", 1)]
    [InlineData("second", 2)]
    public void What_went_by_cable_goes_home_with_the_machine(string whose, int places)
    {
        var day = Day(new CardRules { Half = SecondHalf.Shooter }, parts: [("a", 700)], besides: new OtherThing { Id = "lap", Place = "pouch" });
        day = day with { Places = [.. day.Places, new Place { Id = "pouch", Person = whose, ReachSeconds = 60 }] };
        day = EditResult.Apply(day, [new SetSending { Part = "a", Item = "b1", Sends = new Sending { To = "lap", ByCable = true, Confirmed = true } }]).Plan!;
        Assert.Equal((3, places), (Of(day).Evening.Copies, Of(day).Evening.Places));
    }

    /// <summary>More cards never leave more in one camera where a card for each part is asked for, and a part more never less.</summary>
    [Fact]
    public void More_cards_never_make_it_worse() => Days.Sample(day =>
    {
        var parts = day.Frames.Select((f, n) => ($"p{n}", f)).ToArray();
        int Most(int pairs) => Of(Day(day.Rules with { Policy = CardPolicy.PerPart }, pairs, gigabytes: 64, parts: parts)).Ways[0].Losses
            .Where(l => l.Kind == CardLossKind.Camera).Select(l => l.Frames).DefaultIfEmpty(0).Max();
        Assert.True(Most(parts.Length) <= Most(1));
        Assert.Equal(day.Frames.Max(), Most(parts.Length));
        Assert.Equal(day.Frames.Sum(), Most(1));
    }, iter: 30);
}
