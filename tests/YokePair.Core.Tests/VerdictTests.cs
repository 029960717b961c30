using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Tests;

/// <summary>What the verdict says, and does not say.</summary>
public sealed class VerdictTests
{
    private static Item[] Camera(string id) =>
    [
        new Body { Id = id, Name = $"Body {id}", Place = "belt", Mount = ["K"], Megapixels = 24, IsoCeiling = 6400, BatteryType = "LB",
            Slots = [new CardSlot { Type = "SD" }] },
        new Battery { Id = $"battery of {id}", Place = $"@{id}", Type = "LB" }, new Card { Id = $"card of {id}", Place = $"@{id}/1", Type = "SD" },
    ];

    private static readonly Battery Spare = new() { Id = "spare", Place = "belt", Type = "LB" };

    private static Lens Lens(string id, double mm, double f = 1.8) => new() { Id = id, Place = "belt", Mount = "K", Focal = new(mm, mm), Aperture = new(f, f) };

    private static Plan Day(IEnumerable<Item> items, params Setup[] setups) => new()
    {
        Format = Plan.FormatName,
        Version = 1,
        Rules = new Rules { DualRecord = false },
        People = [new Person { Id = "lead" }],
        Places = [new Place { Id = "belt", Person = "lead", ReachSeconds = 5 }],
        Items = [.. items],
        Parts =
        [
            new Part
            {
                Id = "vows", Ev = 11, Start = new DateTime(2027, 6, 12, 10, 0, 0), End = new DateTime(2027, 6, 12, 11, 0, 0), Setups = setups,
                Needs = [new Need { Id = "kiss", ShutterSeconds = 0.01, Focal = new(85, 100), Light = [LightKind.Ambient] }],
            },
        ],
    };

    private static Setup Hand(string position, string body, string lens) => new() { Person = "lead", Position = position, Body = body, Lens = lens };

    private static string Verdict(Plan plan) => new DayAnalysis(plan).Report(withEvents: false).Verdict;

    [Fact]
    public void One_camera_is_one_thing()
    {
        var plan = Day([.. Camera("b1"), Spare, Lens("l85", 85)], Hand("right", "b1", "l85"));
        Assert.Equal("One need hangs by one thing. Your right-hand camera alone carries kiss.", Verdict(plan));
        Assert.Equal(3, new DayAnalysis(plan).Report(withEvents: false).SinglePoints.Count);
        // What is on another body is a thing of its own.
        Assert.Equal("One need hangs by one thing. The l85 alone carries kiss.",
            Verdict(Day([.. Camera("b1"), .. Camera("b2"), Spare, Lens("l85", 85)], Hand("right", "b1", "l85"))));
    }

    /// <summary>Two needs too dark by different stops are one line; one alone says its figures.</summary>
    [Fact]
    public void What_many_lack_is_said_once_however_much_each_lacks()
    {
        var plan = Day([.. Camera("b1"), Lens("l85", 85)], Hand("right", "b1", "l85"));
        Need Dark(string id, double seconds) => plan.Parts[0].Needs[0] with { Id = id, ShutterSeconds = seconds };
        var night = plan with { Parts = [plan.Parts[0] with { Ev = 2, Needs = [Dark("kiss", 0.004), Dark("rings", 0.002), Dark("exit", 0.001)] }] };
        Assert.Contains("kiss, rings and exit: nothing you pack is fast enough for the light. ",
            string.Concat(new DayAnalysis(night).Report(withEvents: false).VerdictParts.Details.Select(d => d.Text)), StringComparison.Ordinal);
        Assert.Contains("comes nearest at ISO", Verdict(night with { Parts = [night.Parts[0] with { Needs = [Dark("kiss", 0.004)] }] }),
            StringComparison.Ordinal);
    }

    [Fact]
    public void Whoever_photographs_without_a_camera_is_named()
    {
        var plan = Day([.. Camera("b1"), Lens("l85", 85)], Hand("right", "b1", "l85"));
        plan = plan with { People = [.. plan.People, new Person { Id = "second", Name = "Second" }] };
        Assert.Contains("Second photographs and has no camera in any part.", Verdict(plan), StringComparison.Ordinal);
        Assert.DoesNotContain("no camera", Verdict(plan with { People = [plan.People[0], plan.People[1] with { Role = PersonRole.Assistant }] }),
            StringComparison.Ordinal);
        Assert.DoesNotContain("no camera", Verdict(plan with { Parts = [plan.Parts[0] with { Present = ["lead"] }] }), StringComparison.Ordinal);
    }

    [Fact]
    public void Not_everything_holds_where_a_picture_is_second_best()
    {
        Item[] items = [.. Camera("b1"), .. Camera("b2"), Spare, Lens("l60", 60), Lens("l60 no. 2", 60)];
        var plan = Day(items, Hand("left", "b1", "l60"), Hand("right", "b2", "l60 no. 2"));
        Assert.Equal("Nothing is missed, whatever single thing fails; one is second best. Second best: kiss.", Verdict(plan));
        Assert.StartsWith("Everything holds", Verdict(plan with
        {
            Parts =
            [plan.Parts[0] with { Needs = [plan.Parts[0].Needs[0] with { Focal = new(50, 60) }] }]
        }), StringComparison.Ordinal);
    }

    [Fact]
    public void A_thing_still_to_get_is_reckoned_with_and_told_apart_until_it_is_here()
    {
        Item[] items = [.. Camera("b1"), .. Camera("b2"), Spare, Lens("l85", 85)];
        var with = new BorrowThing { Item = Lens("loan", 85) }.Apply(Day(items, Hand("left", "b1", "l85"))).Plan!;
        var report = new DayAnalysis(with).Report(withEvents: false);
        Assert.Equal(("Everything holds once the loan is got. Still to get: the loan (a lens 85 f/1.8, K mount); kiss is not safe without it.", false),
            (report.Verdict, report.Sound));
        Assert.Equal((Outcome.Holds, 2), (report.Needs[0].Baseline, report.Needs[0].Margin));
        Assert.Contains(WhatIfTable.Of(new DayAnalysis(with)).Rows, r => r.Id == "l85" && r.Costs == 1);

        var here = new GotThing { Item = "loan" }.Apply(with).Plan!;
        Assert.True(new DayAnalysis(here).Report(withEvents: false).Sound);
        Assert.Contains(WhatIfTable.Of(new DayAnalysis(here)).Rows, r => r.Id == "l85" && r.Costs == 0);
        Assert.Null(new GotThing { Item = "loan" }.Apply(here).Plan);
    }

    [Fact]
    public void Two_things_still_to_get_that_stand_in_for_each_other_are_missed_together()
    {
        Item[] items = [.. Camera("b1"), .. Camera("b2"), Lens("l85", 85)];
        var plan = Day([.. items, Lens("loan", 85) with { Wanted = true }, Lens("hired", 85) with { Wanted = true }], Hand("left", "b1", "l85"));
        var report = new DayAnalysis(plan).Report(withEvents: false);
        Assert.Equal(["loan", "hired"], report.ToGet.Select(t => t.Item));
        Assert.All(report.ToGet, t => Assert.Equal(["kiss"], t.Hits.Select(h => h.Need)));
        Assert.False(report.Sound);
    }
}
