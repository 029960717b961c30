using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Lists;
using YokePair.Core.Plans;
using YokePair.Core.Record;
using YokePair.Core.Reports;

namespace YokePair.Core.Tests;

/// <summary>What is packed, moved, lent, lost and looked for as one.</summary>
public sealed class BoxTests
{
    private const string Box = "case-flash-box";

    private static readonly string[] Three = ["f3", "aa3", "tr1"], All = [Box, .. Three];

    private static Plan Wedding { get; } = PlanFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo/steamer-wedding.yoke.json"))).Plan!;

    /// <summary>The demo's wedding with a flash, its cells and the trigger in a box in the roller.</summary>
    private static Plan Boxed() => Made(Wedding, new PackTogether { Name = "Flash box", Items = ["f3", "aa3", "tr1"], Place = "roller" });

    private static Plan Made(Plan plan, params PlanEdit[] edits)
    {
        var result = EditResult.Apply(plan, edits);
        Assert.Empty(result.Problems);
        return result.Plan!;
    }

    private static string Refused(Plan plan, PlanEdit edit) => Assert.Single(EditResult.Apply(plan, [edit]).Problems).Message;

    private static string? PlaceOf(Plan plan, string id) => plan.ItemOf(id)?.Place;

    private static List<Outcome> Stands(DayAnalysis day) => [.. day.Report(withEvents: false).Needs.Select(n => n.Baseline)];

    private static BagDay Told(Plan plan, params Item[] atHome) => BagDay.Of(new DayAnalysis(plan), atHome);

    [Fact]
    public void What_is_packed_together_moves_together()
    {
        var plan = Boxed();
        // What is on another of them stays there.
        Assert.Equal(["@" + Box, "@f3", "@" + Box], Three.Select(i => PlaceOf(plan, i)));
        var moved = Told(Made(plan, new MoveItem { Item = Box, Place = "car" }));
        Assert.Subset(moved.Plan.Places.Single(p => p.Place == "car").Things.Select(t => t.Item).ToHashSet(), All.ToHashSet());
        Assert.Contains("is empty", Refused(plan, new PackTogether { Name = " ", Items = ["f4"], Place = "car" }), StringComparison.Ordinal);
        Assert.Contains("pick what belongs", Refused(plan, new PackTogether { Name = "Box", Items = [], Place = "car" }), StringComparison.Ordinal);
        Assert.Contains("no place", Refused(plan, new PackTogether { Name = "Box", Items = ["f4"], Place = "attic" }), StringComparison.Ordinal);
        Assert.Contains("no item", Refused(plan, new PackTogether { Name = "Box", Items = ["f9"], Place = "car" }), StringComparison.Ordinal);
        // Several more go in at once; into anything but a box they do not.
        Assert.Equal("@" + Box, PlaceOf(Made(plan, new MoveItems { Items = ["led1"], Place = "@" + Box }), "led1"));
        Assert.Contains("no place", Refused(plan, new MoveItems { Items = ["led1"], Place = "@b1" }), StringComparison.Ordinal);
    }

    [Fact]
    public void It_is_lost_as_one_but_for_what_is_in_a_hand()
    {
        var plan = Boxed();
        var day = new DayAnalysis(plan);
        Assert.Equal(["aa3", Box, "f3", "tr1"], LossRows.Find(day, LossKind.Item, Box)!.Items.Order());
        // Pulled, it takes all of it: as if each were pulled by itself.
        Assert.Equal(Stands(new DayAnalysis(plan, [.. All.Select(i => new Pulled(i))])), Stands(new DayAnalysis(plan, [new Pulled(Box)])));
        Assert.NotEqual(Stands(day), Stands(new DayAnalysis(plan, [new Pulled(Box)])));
        // In a hand it is not in the box.
        var first = plan.Parts.First(p => p.Setups.Any(s => s.Flash == "f1"));
        Part Held(Part part) => part != first ? part : part with { Setups = [.. part.Setups.Select(s => s.Flash == "f1" ? s with { Flash = "f3" } : s)] };
        var held = plan with { Parts = [.. plan.Parts.Select(Held)] };
        // Nor are the cells in it, nor the trigger of the other hand.
        Assert.Equal([Box], LossRows.Find(new DayAnalysis(held), LossKind.Item, Box, new HashSet<string> { first.Id })!.Items.Order());
        // What is lost with it is what is lost without the three.
        var told = Told(plan).Modules.Single();
        Assert.Equal((Box, "roller"), (told.Box, told.Place));
        var costs = new DayAnalysis(plan, [.. All.Select(i => new Pulled(i))]);
        var lost = day.Report(withEvents: false).Needs.Zip(costs.Report(withEvents: false).Needs)
            .Count(n => n.First.Importance != Importance.Nice && n.First.Baseline <= Outcome.Thins && n.Second.Baseline > Outcome.Thins);
        Assert.Equal(lost, told.Gone.Costs);
        Assert.True(told.Grams > 600);
    }

    [Fact]
    [Trait("Takes", "long")]
    public void It_knows_what_is_missing_and_is_looked_for_as_one()
    {
        var plan = Made(Boxed(), new MoveItem { Item = "tr1", Place = "car" });
        Assert.Equal([new MissingThing("tr1", "Radio trigger", true)], Told(plan).Modules.Single().Missing);
        var gone = Made(plan, new UnpackThing { Item = "tr1", Everywhere = true });
        var home = new Trigger { Id = "tr1", Name = "Radio trigger" };
        Assert.Equal([new MissingThing("tr1", "Radio trigger", false)], Told(gone, home).Modules.Single().Missing);
        string[] Lines(Plan p) => [.. DayLists.Of(new DayAnalysis(p), [home], new Dictionary<string, CardState>()).Single(l => l.Kind == ListKind.Morning)
            .Lines.Select(l => l.Text).Where(t => t.Contains("Flash box", StringComparison.Ordinal))];
        Assert.Equal(["Flash box with three things in it: Flash 3, AA set 3 and Radio trigger"], Lines(Boxed()));
        Assert.Equal(["Flash box with two things in it: Flash 3 and AA set 3", "Into the Flash box as well: Radio trigger"], Lines(plan));
        Assert.Equal("Into the Flash box as well: Radio trigger (at home)", Lines(gone)[1]);
        Assert.Empty(Told(Made(plan, new SetContents { Box = Box, Contents = ["f3", "aa3"] })).Modules.Single().Missing);
        Assert.Contains("in itself", Refused(plan, new SetContents { Box = Box, Contents = [Box] }), StringComparison.Ordinal);
        Assert.Contains("no box", Refused(plan, new SetContents { Box = "f3", Contents = [] }), StringComparison.Ordinal);
    }

    [Fact]
    public void It_stays_at_home_with_all_in_it_is_kept_and_comes_along_another_day()
    {
        var plan = Boxed();
        var without = EditResult.Apply(plan, [new UnpackThing { Item = Box, Everywhere = true }]);
        Assert.Equal("Flash box with three things left at home", without.Label);
        Assert.All(All, i => Assert.False(without.Plan!.HasItem(i)));
        // Something of it in a hand keeps it here.
        Assert.Contains("Flash 3 is set up in ", Refused(plan, new UnpackThing { Item = Box }), StringComparison.Ordinal);
        var box = (Case)plan.ItemOf(Box)!;
        Item[] home = [box, .. box.Contents!.Select(i => plan.ItemOf(i)!)];
        Assert.Equal([new ModuleAtHome(Box, "Flash box", 3)], Told(without.Plan!, home).AtHome);
        Assert.Equal((true, 0), (Told(plan, home).Modules.Single().Kept, Told(plan, home).AtHome.Count));
        // The trigger is along already, and stays where it is.
        var other = without.Plan! with { Items = [.. without.Plan.Items, plan.ItemOf("tr1")! with { Place = "car" }] };
        var packed = EditResult.Apply(other, [new PackThing { Thing = Box, Place = "backpack", Found = box, Inside = [.. home.Skip(1)] }]);
        Assert.Equal("Flash box with two things in it packed in Backpack", packed.Label);
        Assert.Equal(["backpack", "@" + Box, "@" + Box, "car"], All.Select(i => PlaceOf(packed.Plan!, i)));
        Assert.Equal(["tr1"], Told(packed.Plan!, home).Modules.Single().Missing.Select(m => m.Id));
    }

    [Fact]
    public void Lent_it_has_what_is_in_it_along()
    {
        var plan = Boxed();
        var lent = plan with { Items = [.. plan.Items.Select(i => i.Id == Box ? i with { Status = Availability.Lent } : i)] };
        var away = new DayAnalysis(lent).Report(withEvents: false).Away;
        Assert.StartsWith("with the Flash box, ", away.Single(a => a.Item == "f3").Why, StringComparison.Ordinal);
    }
}
