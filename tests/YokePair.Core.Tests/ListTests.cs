using YokePair.Core.Failure;
using YokePair.Core.Lists;
using YokePair.Core.Plans;
using YokePair.Core.Record;
using YokePair.Core.Reports;

namespace YokePair.Core.Tests;

/// <summary>Lists that nobody types: each line is there because of something, is worth what the day is worth without it, and is ticked once.</summary>
public sealed class ListTests
{
    private static Plan Wedding { get; } = PlanFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo/steamer-wedding.yoke.json"))).Plan!;

    private static readonly Dictionary<string, CardState> NoCards = [];

    /// <summary>The wedding in frost and rain.</summary>
    private static Plan Cold { get; } = With(Wedding, "couple", p => p with { Rain = true, TemperatureC = 2 });

    private static readonly Dictionary<Plan, Lazy<IReadOnlyList<CheckList>>> Known = new[] { Wedding, Cold }.ToDictionary(
        p => p, p => new Lazy<IReadOnlyList<CheckList>>(() => DayLists.Of(new DayAnalysis(p), [], NoCards)),
        (IEqualityComparer<Plan>)ReferenceEqualityComparer.Instance);

    private static IReadOnlyList<CheckList> Of(Plan plan, IReadOnlyDictionary<string, CardState>? cards = null) =>
        cards is null && Known.TryGetValue(plan, out var known) ? known.Value : DayLists.Of(new DayAnalysis(plan), [], cards ?? NoCards);

    private static IEnumerable<CheckLine> Lines(IEnumerable<CheckList> lists) => lists.SelectMany(l => l.Lines);

    private static CheckLine? Line(Plan plan, string id, IReadOnlyDictionary<string, CardState>? cards = null) => Line(Of(plan, cards), id);

    private static CheckLine? Line(IReadOnlyList<CheckList> lists, string id) => Lines(lists).SingleOrDefault(l => l.Id == id);

    private static Plan With(Plan plan, string part, Func<Part, Part> change) =>
        plan with { Parts = [.. plan.Parts.Select(p => p.Id == part ? change(p) : p)] };

    private static Plan Without(Plan plan, Func<Item, bool> gone) => plan with { Items = [.. plan.Items.Where(i => !gone(i))] };

    private static Plan Changed(string id, Func<Item, Item> change) => Wedding with { Items = [.. Wedding.Items.Select(i => i.Id == id ? change(i) : i)] };

    /// <summary>The line, the plan in which it stands, and the same without its cause.</summary>
    public static TheoryData<string, string> Causes => new()
    {
        { "tonight/charge/LB7", "batteries" }, { "tonight/clocks", "bodies" }, { "morning/ad2", "adapter" }, { "morning/roller/LB7", "batteries" },
        { "before/vows/silent", "quiet" }, { "before/vows/flash", "flash" }, { "before/vows/pairs", "dual" }, { "before/vows/white", "bodies" },
        { "before/floor/lights", "lights" }, { "before/families/charge/b1", "batteries" }, { "leaving/roller", "roller" },
        { "leaving/copied/dr1", "drive" },
    };

    [Theory]
    [MemberData(nameof(Causes))]
    public void A_line_goes_with_its_cause(string line, string cause)
    {
        Assert.NotNull(Line(Wedding, line));
        Assert.Null(Line(WithoutCause(cause), line));
    }

    private static Plan WithoutCause(string cause) => cause switch
    {
        "batteries" => Without(Wedding, i => i is Battery { Type: "LB7" }),
        "bodies" => Wedding with { Parts = [.. Wedding.Parts.Select(p => p with { Setups = [.. p.Setups.Take(1)] })] },
        "adapter" => Without(Wedding, i => i is Adapter && i.Id == "ad2"),
        "quiet" => With(Wedding, "vows", p => p with { Quiet = QuietRule.No }),
        "flash" => With(Wedding, "vows", p => p with { Quiet = QuietRule.No, Flash = FlashRule.Allowed }),
        "dual" => Wedding with { Rules = Wedding.Rules with { DualRecord = false } },
        "lights" => With(Wedding, "floor", p => p with { Lights = [] }),
        "roller" => Wedding with { Items = [.. Wedding.Items.Select(i => i.Place == "roller" ? i with { Place = "car" } : i)] },
        "drive" => Without(Wedding, i => i is Drive),
        _ => throw new ArgumentOutOfRangeException(nameof(cause), cause, null),
    };

    /// <summary>The small things that the day's kind, weather and places ask for, as long as none is packed.</summary>
    [Theory]
    [InlineData("ears", "floor", "Earplugs, two pairs")]
    [InlineData("torch", "lanterns", "Head lamp")]
    [InlineData("food", null, "Water bottle")]
    [InlineData("names", "families", "Pens")]
    [InlineData("rain", null, "Rain cover")]
    [InlineData("damp", null, "Silica bags")]
    public void A_small_thing_is_asked_for_until_it_is_packed(string id, string? part, string packed)
    {
        var cold = Of(Cold);
        Assert.Contains("none is packed", Line(cold, $"morning/small/{id}")!.Why, StringComparison.Ordinal);
        Assert.Equal(LineCost.None, Line(cold, $"morning/small/{id}")!.Cost);
        Assert.Null(Line(Packed(Cold, packed), $"morning/small/{id}"));
        if (part is not null) Assert.Null(Line(Cold with { Parts = [.. Cold.Parts.Where(p => p.Id != part && p.Ev > 3)] }, $"morning/small/{id}"));
        if (id is "rain" or "damp") Assert.Null(Line(Wedding, $"morning/small/{id}"));
    }

    [Fact]
    public void The_wedding_has_a_mending_kit_and_a_pencil_is_no_pen()
    {
        Assert.Null(Line(Cold, "morning/small/clips"));
        var penciled = Of(Packed(Cold, "Pencil, open reel"));
        foreach (var id in new[] { "ears", "torch", "food", "names", "rain", "damp" }) Assert.NotNull(Line(penciled, $"morning/small/{id}"));
    }

    private static Plan Packed(Plan plan, string name) => plan with { Items = [.. plan.Items, new OtherThing { Id = "small", Name = name, Place = "roller" }] };

    [Fact]
    public void What_is_others_goes_back_and_what_is_not_here_is_got()
    {
        var hired = Changed("tp1", i => i with { Status = Availability.RentedIn, Owner = "Hire shop", To = new DateOnly(2027, 6, 14) });
        Assert.Equal("Tripod goes back to Hire shop by Jun 14, 2027", Line(hired, "leaving/back/tp1")?.Text);
        Assert.Null(Line(Wedding, "leaving/back/tp1"));
        Assert.NotNull(Line(Changed("tp1", i => i with { Wanted = true }), "tonight/get/tp1"));
        var stranger = new Dictionary<string, CardState> { ["c99"] = CardState.Of("c99") with { Condition = CardCondition.NotOurs } };
        Assert.NotNull(Line(Wedding, "leaving/stranger/c99", stranger));
        // A card with another day's pictures takes no part until it is cleared.
        var shot = new Dictionary<string, CardState> { ["c13"] = CardState.Of("c13") with { Condition = CardCondition.Shot, Day = "friday" } };
        Assert.NotNull(Line(CardBook.With(Changed("c13", i => i), "saturday", shot), "tonight/clear/c13", shot));
    }

    /// <summary>Against the day worked out without the things of each line: broken exactly where a picture is lost then, hanging where one thing more would
    /// do it.</summary>
    [Fact]
    [Trait("Takes", "long")]
    public void A_line_costs_what_the_day_is_worth_without_it()
    {
        var whole = new DayAnalysis(Wedding).Report(withEvents: false);
        var seen = new HashSet<int>();
        foreach (var line in Of(Wedding).Single(l => l.Kind == ListKind.Morning)
            .Lines.Where(l => l.Why?.Contains("goes dark", StringComparison.Ordinal) != true))
        {
            var then = new DayAnalysis(Wedding, [.. line.Items.Select(i => new Pulled(i))]).Report(withEvents: false);
            var worse = whole.Needs.Zip(then.Needs).Where(n => n.First.Importance != Importance.Nice && n.Second.Strands < n.First.Strands)
                .Select(n => n.Second.Strands).DefaultIfEmpty(3).Min();
            Assert.Equal(worse < 2 ? worse : 3, line.Cost.Price == LinePrice.Comfort ? 3 : line.Cost.Strands);
            seen.Add(worse);
        }
        Assert.Superset(new HashSet<int> { 0, 1 }, seen);
    }

    [Fact]
    [Trait("Takes", "long")]
    public void A_tick_holds_until_what_it_says_changes()
    {
        const string line = "morning/ad2";
        var plan = Changed("ad2", i => i with { Place = "roller" });
        var kept = Kept(plan, line);
        Assert.Equal("Roller: K1 adapter, old and loose", kept);
        Fact tick = F(FactKind.Ticked, line, kept);
        Assert.Equal("Lead", Find(Checked(plan, tick), line).Ticked?.Who);
        Assert.Null(Find(Checked(plan, tick, F(FactKind.Unticked, line)), line).Ticked);
        // Of another day it says nothing.
        Assert.Null(Find(Checked(plan, tick with { Day = "sunday" }), line).Ticked);
        // It goes into another bag: open again, and why.
        var moved = Find(Checked(Changed("ad2", i => i with { Place = "car" }), tick), line);
        Assert.Equal((null, "Roller: K1 adapter, old and loose"), (moved.Ticked, moved.Was));
        // Nothing else is touched.
        Assert.NotNull(Find(Checked(Changed("ad2", i => i with { Place = "backpack" }), F(FactKind.Ticked, "morning/tp1", "Car: Tripod")), "morning/tp1")
            .Ticked);
    }

    [Fact]
    public void Leaving_says_what_it_would_cost_and_asks_for_the_words_where_a_picture_hangs_by_it()
    {
        var lines = Of(Wedding).Single(l => l.Kind == ListKind.Morning).Lines;
        var empty = Checked(Wedding);
        Fact[] All(params string[] but) => [.. lines.Where(l => !but.Contains(l.Id)).Select(l => F(FactKind.Ticked, l.Id, CheckedLine.Kept(Wedding, l)))];
        Assert.Equal(("All of it is there. You may leave.", null), Morning(Checked(Wedding, All())));
        Assert.Equal(("Leave now and Speaker's face is lost.", "leave without 70–200 f/2.8"), Morning(Checked(Wedding, All("morning/z70"))));
        Assert.Equal(("One line is open; every picture holds without them.", null), Morning(Checked(Wedding, All("morning/tp1"))));
        Assert.StartsWith("leave without ", Morning(empty).Phrase, StringComparison.Ordinal);
        Assert.Equal("leave without 70–200 f/2.8", Checked(Wedding, F(FactKind.Departed, "steamer", "leave without 70–200 f/2.8")).Departed?.Text);
    }

    [Fact]
    public void Before_a_part_there_are_ten_lines_at_most_and_what_matters_stands_first()
    {
        foreach (var list in Of(Wedding).Where(l => l.Kind == ListKind.Before))
        {
            Assert.InRange(list.Lines.Count, 1, 10);
            Assert.Equal(list.Lines.Select(l => l.Cost.Strands).Order(), list.Lines.Select(l => l.Cost.Strands));
            Assert.True(Wedding.PartOf(list.Part)!.HoldsOnce);
        }
        Assert.Equal(Lines(Of(Wedding)).Count(), Lines(Of(Wedding)).Select(l => l.Id).Distinct().Count());
    }

    private static (string Sentence, string? Phrase) Morning(CheckedLists lists) =>
        (lists.Lists.Single(l => l.Kind == ListKind.Morning).Sentence, lists.Phrase);

    private static CheckedLine Find(CheckedLists lists, string id) => lists.Lists.SelectMany(l => l.Lines).Single(l => l.Line.Id == id);

    private static CheckedLists Checked(Plan plan, params Fact[] facts) => CheckedLists.Of(new DayAnalysis(plan), Of(plan), "steamer", facts);

    private static string Kept(Plan plan, string id) => CheckedLine.Kept(plan, Line(plan, id)!);

    private static Fact F(FactKind kind, string line, string? words = null) =>
        new(kind, line, new DateTime(2027, 6, 12, 7, 0, 0, DateTimeKind.Utc), "steamer", "Lead", Words: words);
}
