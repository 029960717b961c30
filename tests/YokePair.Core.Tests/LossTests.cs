using CsCheck;
using YokePair.Core.Advice;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Verdict;
using YokePair.Core.Wording;

namespace YokePair.Core.Tests;

/// <summary>Losses beyond single things, shared causes by name, cut sets in words, mends of losses.</summary>
public sealed class LossTests
{
    private static Plan Wedding { get; } = PlanFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo/steamer-wedding.yoke.json"))).Plan!;

    [Fact]
    public void A_jammed_radio_is_the_same_as_things_that_speak_none()
    {
        // Lit by nothing but the flashes that stand in the hall.
        var lit = Wedding with
        {
            Parts = [.. Wedding.Parts.Select(p => p.Lights is null ? p
                : p with { Needs = [.. p.Needs.Select(n => n with { Light = [LightKind.Stands], Stands = n.Stands
                ?? new StandLighting { DistanceM = 3 } })] })],
        };
        var row = WhatIfTable.Of(new DayAnalysis(lit)).Rows.Single(r => r.Kind == LossKind.Radio);
        Assert.Equal("R24", row.Id);
        Assert.Contains(row.Cells, c => c.Needs.Count > 0);
        var deaf = new DayAnalysis(lit with
        {
            Items = [.. lit.Items.Select(i => i switch { Flash f => f with { RadioSystem = null, CanSend = null, CanHear = null }, Trigger t =>
                t with { Sends = null, Hears = null }, _ => i })],
        }).Report(withEvents: false);
        var before = new DayAnalysis(lit).Report(withEvents: false);
        foreach (var cell in row.Cells)
            Assert.Equal(deaf.Needs.Zip(before.Needs).Where(n => n.First.Part == cell.Part && n.First.Baseline > n.Second.Baseline).Select(n => n.First.Need)
                .Order(), cell.Needs.Order());
    }

    /// <summary>A camera that is left alone goes on without its owner, but nobody fires it whose hands are not there.</summary>
    [Fact]
    public void A_camera_left_alone_is_looked_at_where_its_owner_is_absent()
    {
        var plan = PlanFile.Read("""
            { "format": "yoke-pair/plan", "version": 1, "people": [{ "id": "lead" }, { "id": "second" }],
              "places": [{ "id": "belt", "reachSeconds": 3, "person": "second" }],
              "items": [
                { "id": "b", "kind": "body", "place": "belt", "mount": "K2", "megapixels": 24, "isoCeiling": 12800, "slots": [{ "type": "SD" }],
                  "batteryType": "LB7", "silent": true },
                { "id": "l", "kind": "lens", "place": "@b", "mount": "K2", "focal": [35, 35], "aperture": [1.4, 1.4] },
                { "id": "bat", "kind": "battery", "place": "@b", "type": "LB7" }, { "id": "c1", "kind": "card", "place": "@b/1", "type": "SD" },
                { "id": "ear", "kind": "trigger", "place": "@b", "hears": "R1" }, { "id": "hand", "kind": "trigger", "place": "belt", "sends": "R1" } ],
              "parts": [{ "id": "vows", "ev": 9, "start": "2027-06-12T14:00", "end": "2027-06-12T14:20",
                "setups": [{ "person": "second", "position": "remote", "body": "b", "lens": "l", "trigger": "ear", "battery": "bat", "cards": ["c1"],
                  "unattended": true }],
                "needs": [{ "id": "wide", "focal": [24, 50], "shutterSeconds": 0.01, "unattended": true }] }] }
            """u8).Plan!;
        Assert.Equal(Outcome.Thins, new DayAnalysis(plan).ReportPart("vows")[0].Baseline);
        Assert.Equal(Outcome.Lost, new DayAnalysis(plan, [new Pulled("second", Kind: LossKind.Person)]).ReportPart("vows")[0].Baseline);
    }

    [Fact]
    public void Only_batteries_of_another_maker_are_refused()
    {
        var plan = Wedding with
        {
            Items = [.. Wedding.Items.Select(i => i is Battery { Type: "LB7" }
            ? i with { Make = i.Id == "bat1" ? Make.Own : Make.ThirdParty } : i)]
        };
        var row = WhatIfTable.Of(new DayAnalysis(plan)).Rows.Single(r => r.Kind == LossKind.Batteries);
        Assert.Equal(plan.Items.OfType<Battery>().Where(b => b.Type == "LB7" && b.Id != "bat1").Select(b => b.Id).Order(), row.Items.Order());
    }

    [Fact]
    public void An_event_of_ones_own_lasts_from_one_part_until_another()
    {
        var result = new PutEvent
        {
            Event = new PlannedLoss
            {
                Id = "",
                Name = "Dropped",
                Items = ["ad1"],
                FromPart = "details",
                UntilPart = "boarding"
            }
        }.Apply(Wedding);
        var board = Wedding.Parts.First(p => p.Id == "details");
        var own = Assert.Single(result.Plan!.Events!);
        Assert.Equal(["details"], result.Plan.Parts.Where(p => own.Lasts(result.Plan, p)).Select(p => p.Id));
        Assert.Equal(Outcome.Late, WhatIfTable.Of(new DayAnalysis(result.Plan)).Rows.Single(r => r.Kind == LossKind.Own).Cells.First(c => c.Part == board.Id)
            .Worst);
        Assert.Equal(PlanFile.Write(result.Plan), PlanFile.Write(PlanFile.Read(PlanFile.Write(result.Plan)).Plan!));
        Assert.Equal("event.untilPart", Assert.Single(new PutEvent { Event = own with { FromPart = "dinner", UntilPart = "vows" } }.Apply(Wedding).Problems)
            .Field);
        Assert.Equal("event.untilPart", Assert.Single(new PutEvent { Event = own with { FromPart = null, UntilPart = "prep" } }.Apply(Wedding).Problems).Field);
        Assert.Equal("event.items[0]", Assert.Single(new PutEvent { Event = own with { Items = ["moon"] } }.Apply(Wedding).Problems).Field);
        Assert.Null(new RemoveEvent { Event = own.Id }.Apply(result.Plan).Plan!.Events);
    }

    [Fact]
    public void A_thing_mended_later_is_back_from_that_part_on()
    {
        var report = new DayAnalysis(Wedding, [new Pulled("ad1", "prep", "dinner")]).Report(withEvents: false);
        var back = new DayAnalysis(Wedding).Report(withEvents: false);
        Assert.Equal(Outcome.Late, report.Needs.First(n => n.Need == "ring").Baseline);
        Assert.Equal(back.Needs.First(n => n.Need == "cards" || n.Part == "dinner").Baseline, report.Needs.First(n => n.Part == "dinner").Baseline);
        Assert.All(report.Needs.Zip(back.Needs).Where(n => n.First.Part is "dinner" or "dance1" or "floor" or "lanterns"), n =>
            Assert.Equal(n.Second.Strands, n.First.Strands));
    }

    [Fact]
    public void Shared_causes_are_called_by_name()
    {
        var bags = Wedding with
        {
            Items =
            [
                .. Wedding.Items.Where(i => i is not Charger), new Charger { Id = "one", Name = "Charger", BatteryTypes = ["LB7"], Place = "roller" },
                .. Enumerable.Range(1, 3).Select(i => new Card { Id = $"lot{i}", Type = "CFX", FirstUse = new DateOnly(2021, 5, 1), Place = "roller" }),
                new Trigger { Id = "odd", Name = "Odd trigger", Sends = "Q", Shoe = "Z", Place = "roller" },
            ],
        };
        bags = bags with
        {
            Items = [.. bags.Items.Select(i => i is Body b
            ? b with { Shoe = b.Id == "b1" ? "Z" : "Y", Slots = [.. b.Slots, new CardSlot { Type = "CFX" }] } : i)]
        };
        var causes = SharedCause.Of(new DayAnalysis(bags));
        foreach (var kind in new[] { CauseKind.OneAdapter, CauseKind.OneRadio, CauseKind.OneCharger, CauseKind.OneReader, CauseKind.OneLot, CauseKind.OneShoe })
            Assert.Contains(causes, c => c.Kind == kind && c.Text.EndsWith('.'));
        Assert.Contains(causes, c => c.Text == "The Odd trigger fits the shoe of the Halm 45 no. 1 only.");
        var asItIs = SharedCause.Of(new DayAnalysis(Wedding));
        Assert.DoesNotContain(asItIs, c => c.Kind is CauseKind.OneShoe or CauseKind.OneLot);
        // Two chargers take LB7, one of them LB2 as well.
        Assert.Equal("One charger, the Charger, one bay, for all three LB2 batteries.", Assert.Single(asItIs, c => c.Kind == CauseKind.OneCharger).Text);
    }

    [Fact]
    [Trait("Takes", "long")]
    public void A_thing_and_its_only_backup_in_one_bag_are_named_with_what_they_cost()
    {
        var causes = new List<SharedCause>();
        Gen.Int[0, 5000].Sample(seed =>
        {
            var plan = RandomPlan.From(seed);
            var report = new DayAnalysis(plan).Report();
            foreach (var cause in SharedCause.Of(new DayAnalysis(plan)).Where(c => c.Kind == CauseKind.OneBag))
            {
                Assert.Contains(report.Needs, n => n.Importance != Importance.Nice && n.Cuts.Any(c => c.ToHashSet().SetEquals(cause.Items)));
                Assert.Contains(plan.Places, p => report.Events.Any(e => e.Kind == "place" && e.Id == p.Id && cause.Items.All(e.Items.Contains)));
                lock (causes) causes.Add(cause);
            }
        }, iter: 900);
        Assert.True(causes.Count > 5, $"{causes.Count} pairs in one bag");
    }

    [Theory]
    [InlineData("bat1,bat2|bat1,bat3|bat2,bat3", "any two of the three LB7 batteries")]
    [InlineData("bat1,bat2|bat1,bat3", "the LB7 no. 1 and the LB7 no. 2|the LB7 no. 1 and the LB7 no. 3")]
    [InlineData("b1,bat1|b1,bat2", "the Halm 45 no. 1 and any one of the two LB7 batteries")]
    [InlineData("z70", "the 70–200 f/2.8")]
    public void Cut_sets_fold_only_where_every_choice_is_one(string cuts, string words) =>
        Assert.Equal(words.Split('|').Order(), CutWords.Fold(Wedding, [.. cuts.Split('|').Select(c => (IReadOnlyList<string>)c.Split(','))]).Order());

    [Fact]
    [Trait("Takes", "long")]
    public void What_mends_a_loss_makes_it_cost_less_and_nothing_else_worse()
    {
        var offered = 0;
        Gen.Int[0, 3000].Sample(seed =>
        {
            var plan = RandomPlan.From(seed);
            foreach (var row in WhatIfTable.Of(new DayAnalysis(plan)).Rows.Where(r => r.Costs > 0).Take(2))
                foreach (var mend in Mending.ForLoss(new DayAnalysis(plan), row.Kind, row.Id)!)
                {
                    Interlocked.Increment(ref offered);
                    var then = EditResult.Apply(plan, mend.Edits).Plan!;
                    // What is still to get counts as missing until it is here.
                    then = then with { Items = [.. then.Items.Select(i => i with { Wanted = false })] };
                    Assert.True(WhatIfTable.Of(new DayAnalysis(then)).Rows.FirstOrDefault(r => r.Kind == row.Kind && r.Id == row.Id)?.Costs < row.Costs);
                    Assert.True(new DayAnalysis(then).Report(false).Gaps.Count <= new DayAnalysis(plan).Report(false).Gaps.Count);
                }
        }, iter: 60);
        Assert.True(offered > 3, $"{offered} mends offered");
    }
}
