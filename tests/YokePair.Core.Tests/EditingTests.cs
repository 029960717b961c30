using System.Text.Json;
using CsCheck;
using YokePair.Core.Advice;
using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Tests;

public sealed class EditingTests
{
    [Fact]
    public void What_is_known_of_a_pair_waits_at_home_with_the_thing()
    {
        var known = Day with { Pairs = [new PairRule { A = "macro", B = "sound", Fit = PairFit.No }] };
        var lens = Day.Items.First(i => i.Id == "macro");
        var without = EditResult.Apply(known, [new UnpackThing { Item = "macro" }]).Plan!;
        Assert.Empty(without.Pairs!);
        Assert.DoesNotContain("macro", System.Text.Encoding.UTF8.GetString(PlanFile.Write(without)), StringComparison.Ordinal);
        var again = EditResult.Apply(without, [new PackThing { Thing = "macro", Place = "belt", Found = lens }]).Plan!;
        Assert.Contains(again.PairsAtHome!, p => p.IsOf("sound", "macro") && p.Fit == PairFit.No);
    }

    [Fact]
    public void An_assignment_is_called_otherwise_and_moved_with_every_part_at_its_hour()
    {
        var night = RandomPlan.From(3) is var plan ? plan with
        {
            Assignment = plan.Assignment with { TimeZone = "Europe/Vienna" },
            Parts = [plan.Parts[0] with { Start = new(2027, 6, 12, 22, 0, 0), End = new(2027, 6, 13, 2, 30, 0) }],
        } : null!;
        var moved = EditResult.Apply(night, [new SetAssignment { Name = " Garden ", Day = new(2027, 9, 4) }]);
        Assert.Equal(("Garden", "called Garden, moved to Sep 4, 2027"), (moved.Plan!.Assignment.Name, moved.Label));
        Assert.Equal((new DateTime(2027, 9, 4, 22, 0, 0), new DateTime(2027, 9, 5, 2, 30, 0)), (moved.Plan.Parts[0].Start, moved.Plan.Parts[0].End));
        Assert.Equal("name", Assert.Single(EditResult.Apply(night, [new SetAssignment { Name = " " }]).Problems).Field);
        Assert.Equal("day", Assert.Single(EditResult.Apply(night, [new SetAssignment { Day = new(1899, 1, 1) }]).Problems).Field);
        // 02:30 is skipped that night.
        Assert.Contains("write 03:30", Assert.Single(EditResult.Apply(night, [new SetAssignment { Day = new(2027, 3, 27) }]).Problems).Message,
            StringComparison.Ordinal);
    }

    private static readonly Plan Day = new()
    {
        Format = Plan.FormatName,
        Version = 1,
        People = [new Person { Id = "you" }],
        Places = [new Place { Id = "belt", ReachSeconds = 5, Person = "you" }, new Place { Id = "car", ReachSeconds = 900 }],
        Items =
        [
            Body("b1"), Body("b2"),
            Lens("wide", "K2", 24), Lens("long", "K2", 85), Lens("macro", "K1", 100), Lens("odd", "K7", 50),
            new Adapter { Id = "loose", Place = "belt", LensMount = "K1", BodyMount = "K2", Doubtful = true },
            new Adapter { Id = "sound", Place = "belt", LensMount = "K1", BodyMount = "K2" },
        ],
        Parts =
        [
            new Part
            {
                Id = "vows", Ev = 11, Start = new DateTime(2027, 6, 12, 14, 0, 0), End = new DateTime(2027, 6, 12, 15, 0, 0),
                Setups = [new Setup { Person = "you", Position = "left", Body = "b1", Lens = "wide" },
                    new Setup { Person = "you", Position = "right", Body = "b2", Lens = "long" }],
            },
        ],
    };

    private static Body Body(string id) => new()
    {
        Id = id,
        Place = "belt",
        Mount = ["K2"],
        Megapixels = 24,
        IsoCeiling = 6400,
        Slots = [],
        BatteryType = "LB7"
    };

    private static Lens Lens(string id, string mount, double mm) =>
        new() { Id = id, Place = "belt", Mount = mount, Focal = new Interval(mm, mm), Aperture = new Interval(2, 2) };

    private static EditResult Mount(string position, string? body, string? lens) =>
        EditResult.Apply(Day, [new Mount { Part = "vows", Person = "you", Position = position, Body = body, Lens = lens }]);

    private static string Hands(EditResult result) => string.Join(" | ", result.Plan!.Parts[0]
        .Setups.Select(s => string.Join('+', s.Named().Select(n => n.Id))));

    [Theory]
    [InlineData("left", "b1", "long", "b1+long | b2+wide")]
    [InlineData("left", "b2", "wide", "b2+wide | b1+long")]
    [InlineData("left", "b2", "long", "b2+long | b1+wide")]
    [InlineData("left", "b1", null, "b1 | b2+long")]
    [InlineData("left", null, null, "b2+long")]
    [InlineData("left", "b1", "macro", "b1+macro+sound | b2+long")]
    [InlineData("third", "b1", "wide", "b2+long | b1+wide")]
    public void What_a_hand_takes_from_the_other_is_given_back(string position, string? body, string? lens, string hands) =>
        Assert.Equal(hands, Hands(Mount(position, body, lens)));

    [Theory]
    [InlineData("left", "b1", "odd", "lens")]
    [InlineData("third", null, "macro", "body")]
    [InlineData("left", "b9", "wide", "body")]
    public void What_cannot_be_put_together_is_refused_with_the_field(string position, string? body, string lens, string field)
    {
        var refused = Mount(position, body, lens);
        Assert.Null(refused.Plan);
        Assert.Equal(field, Assert.Single(refused.Problems).Field);
    }

    [Fact]
    public void The_adapter_that_lies_on_the_lens_comes_along_even_if_another_is_sounder()
    {
        var day = Day with { Items = [.. Day.Items.Select(i => i.Id == "loose" ? i with { Place = "@macro" } : i)] };
        var result = EditResult.Apply(day, [new Mount { Part = "vows", Person = "you", Position = "left", Body = "b1", Lens = "macro" }]);
        Assert.Equal("loose", result.Plan!.Parts[0].Setups[0].Adapter);
    }

    [Fact]
    public void Edits_are_made_all_or_none()
    {
        var result = EditResult.Apply(Day, [new MoveItem { Item = "wide", Place = "car" }, new MoveItem { Item = "long", Place = "moon" }]);
        Assert.Null(result.Plan);
        Assert.Equal("place", Assert.Single(result.Problems).Field);
    }

    [Fact]
    [Trait("Takes", "long")]
    public void Any_edit_leads_to_a_plan_that_can_be_analysed_and_its_delta_leads_back()
    {
        var made = 0;
        Gen.Int.Sample(seed =>
        {
            var plan = RandomPlan.From(seed);
            var random = new Random(seed);
            PlanEdit edit = random.Next(3) switch
            {
                0 => new MoveItem { Item = Pick(plan.Items).Id, Place = Pick(plan.Places).Id },
                1 => new SetPart { Part = Pick(plan.Parts).Id, Ev = random.Next(-5, 25), Flash = FlashRule.Banned, Unreachable = [Pick(plan.Places).Id] },
                _ => new Mount
                {
                    Part = Pick(plan.Parts).Id,
                    Person = Pick(plan.People).Id,
                    Position = Pick(["left", "right"]),
                    Body = Pick([.. plan.Items.OfType<Body>()]).Id,
                    Lens = Pick([.. plan.Items.OfType<Lens>()]).Id
                },
            };
            if (EditResult.Apply(plan, [edit]).Plan is not { } next) return;
            Interlocked.Increment(ref made);
            Assert.Empty(PlanCheck.Usable(next));
            Assert.Equal(PlanFile.Write(plan), PlanFile.Write(PlanDelta.To(next, plan).ApplyTo(next)));
            Assert.Equal(PlanFile.Write(next), PlanFile.Write(PlanDelta.To(plan, next).ApplyTo(plan)));
            // What is taken over from before the edit says the same as working everything out.
            var known = new DayAnalysis(plan);
            known.Report(withEvents: false);
            Assert.Equal(Told(new DayAnalysis(next)), Told(new DayAnalysis(next, before: known)));

            T Pick<T>(IReadOnlyList<T> from) => from[random.Next(from.Count)];
        }, iter: 500);
        Assert.True(made > 150, $"{made} edits made");

        static string Told(DayAnalysis day) => JsonSerializer.Serialize(day.Report(), PlanFile.ReportOptions);
    }

    [Fact]
    [Trait("Takes", "long")]
    public void A_mend_that_is_offered_is_true()
    {
        var (offered, bodies) = (0, 0);
        Gen.Int.Sample(seed =>
        {
            var plan = RandomPlan.From(seed);
            foreach (var part in plan.Parts)
                foreach (var need in part.Needs)
                    foreach (var mend in Mending.For(new DayAnalysis(plan), part.Id, need.Id)!)
                    {
                        Interlocked.Increment(ref offered);
                        var (before, after) = (new DayAnalysis(plan).Report(false), new DayAnalysis(EditResult.Apply(plan, mend.Edits).Plan!).Report(false));
                        Assert.Equal(mend.Strands, after.Needs.First(n => n.Part == part.Id && n.Need == need.Id).Strands);
                        Assert.Equal(mend.GapsClosed, before.Gaps.Count - after.Gaps.Count);
                        // A camera that comes along brings the charge it takes.
                        if (mend.Edits.Any(e => e is BorrowThing { Item: YokePair.Core.Plans.Body }) && Interlocked.Increment(ref bodies) > 0)
                            Assert.True(Lacking(after) <= Lacking(before), $"seed {seed}: {mend.Label}");
                        Assert.All(mend.SinglePointsGone, gone => Assert.DoesNotContain(after.SinglePoints, s => s.Item == gone));
                        // No other need that was met hangs by a thing that it did not hang by before.
                        Assert.Subset(Hanging(before).ToHashSet(), Hanging(after)
                            .Where(h => (h.Part, h.Need) != (part.Id, need.Id) && !before.Gaps.Any(g => (g.Part, g.Need) == (h.Part, h.Need))).ToHashSet());
                    }
        }, iter: 150);
        Assert.True(offered > 20 && bodies > 0, $"{offered} mends offered, {bodies} with a camera to borrow");

        static int Lacking(Report report) => report.Power.Short.Count + report.Power.WithoutOne.Sum(t => t.Short);

        static IEnumerable<(string Part, string Need, string Item)> Hanging(Report report) =>
            report.SinglePoints.SelectMany(s => s.Hits.Select(h => (h.Part, h.Need, s.Item)));
    }
}
