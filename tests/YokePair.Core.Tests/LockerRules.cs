using YokePair.Core.Basics;
using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Tests;

/// <summary>What goes with what, what stands alone, what is here, and what the rule of glass says.</summary>
public sealed class LockerRules
{
    private static readonly DateOnly Day = new(2027, 6, 12);

    private static readonly KnownWords Known = new(new HashSet<string> { "K1", "K2" }, new HashSet<string> { "LB7", "LB2" }, new HashSet<string>());

    private static List<Item> Locker(params string[] lines)
    {
        var taken = new HashSet<string>();
        return [.. QuickAdd.ReadAll(string.Join('\n', lines), Known)
            .SelectMany(l => l.Things.Count > 0 ? l.Things : throw new InvalidOperationException(l.Line)).Select(t => t with { Id = Id(t) })];

        string Id(Item t)
        {
            var id = ItemIds.New(ItemKinds.Of(t), t.Label, taken);
            taken.Add(id);
            return id;
        }
    }

    /// <summary>Two lines, and the answer with a word of its reason.</summary>
    public static TheoryData<string, string, string, string> Pairs => new()
    {
        { "body A K2 24MP iso6400 SD+SD LB7", "35/1.4 K2", "Full", "both are K2" },
        { "body A K2 24MP iso6400 SD+SD LB7", "35/1.4 K1", "No", "no adapter" },
        { "body A mount:K1+K2 24MP iso6400 SD LB7", "35/1.4 K1", "Full", "both are K1" },
        { "body A K2 24MP iso6400 SD LB7", "16-50/4 K2 crop1.5", "Full", "crops the picture 1.5×" },
        { "body A K2 24MP iso6400 SD+CFx-B LB7", "card CFx-B 128", "Full", "slot 2" },
        { "body A K2 24MP iso6400 SD LB7", "card CFx-B 128", "No", "the slots take SD" },
        { "body A K2 24MP iso6400 SD LB7", "battery LB2", "No", "takes LB7" },
        { "body A K2 24MP iso6400 SD LB7 shoe:H4", "flash GN36 shoe:H5", "No", "shoe is H5" },
        { "body A K2 24MP iso6400 SD LB7", "battery LB7 doubtful", "Doubtful", "both are LB7" },
        { "70-200/2.8 K2 takesconverter", "converter 1.4x K2", "Full", "both are K2" },
        { "70-200/2.8 K2", "converter 1.4x K2", "No", "takes no converter" },
        { "35/1.4 K2 ø77", "nd 77mm stops:3", "Full", "77 mm" },
        { "35/1.4 K2 ø58", "nd 77mm stops:3", "No", "no ring steps up" },
        { "trigger R24", "flash GN36 R24 canHear:yes", "Full", "both speak R24" },
        { "trigger R24", "flash GN36 R5 canHear:yes", "No", "hears R5" },
        { "trigger R24", "flash GN36", "No", "no receiver" },
        { "charger LB7", "battery LB2", "No", "charges LB7" },
        { "reader SD", "card SD 64", "Full", "reads SD" },
        { "grip \"Grip\" fitsBody:A battery:LB7", "body A2 K2 24MP iso6400 SD LB7", "Full", "made for A" },
        { "flash GN36 modifierMount:shoe", "umbrella fits:stand", "No", "goes on stand" },
    };

    [Theory]
    [MemberData(nameof(Pairs))]
    public void Two_things_go_together_or_not_and_it_says_why(string one, string other, string fit, string reason)
    {
        var locker = Locker(one, other);
        var compatibility = new Compatibility(locker, []);
        var answer = compatibility.Of(locker[0], locker[1]);
        Assert.Equal(fit, answer.Fit.ToString());
        Assert.Contains(reason, answer.Reason, StringComparison.Ordinal);
        Assert.Equal(answer, compatibility.Of(locker[1], locker[0]));
    }

    [Fact]
    public void An_adapter_is_as_good_as_what_is_known_of_it_with_that_lens()
    {
        var locker = Locker("body A K2 24MP iso6400 SD LB7", "35/1.4 K1", "60/2.8 K1", "adapter K1>K2");
        PairRule[] known = [new() { A = locker[3].Id, B = locker[2].Id, Fit = PairFit.ManualFocusOnly, Note = "hunts" }];
        var compatibility = new Compatibility(locker, known);
        Assert.Equal((PairFit.Full, locker[3].Id), (compatibility.Of(locker[0], locker[1]).Fit!.Value, compatibility.Of(locker[0], locker[1]).By));
        Assert.Equal(PairFit.ManualFocusOnly, compatibility.Of(locker[0], locker[2]).Fit);
        Assert.Equal("you say: hunts", compatibility.Of(locker[2], locker[3]).Reason);
    }

    [Fact]
    public void A_filter_reaches_another_thread_through_a_ring()
    {
        var locker = Locker("35/1.4 K2 ø58", "nd 77mm stops:3", "ring 58mm 77mm");
        Assert.Equal(locker[2].Id, new Compatibility(locker, []).Of(locker[0], locker[1]).By);
    }

    /// <summary>Lines of a locker, and what stands alone in it.</summary>
    public static TheoryData<string, string> Lockers => new()
    {
        { "2x body A K2 24MP iso6400 SD LB7|24-70/2.8 K2|24-70/2.8 K2", "" },
        { "2x body A K2 24MP iso6400 SD LB7|24-70/2.8 K2|35/1.4 K2", "lens-24-70-f-2-8 lens-35-f-1-4" },
        { "2x body A K2 24MP iso6400 SD LB7|24-70/4 K2|24-70/2.8 K2", "" },
        { "2x body A K2 24MP iso6400 SD LB7|100/2.8 macro K2|90-110/2.8 K2", "lens-100-f-2-8-macro" },
        { "2x body A K2 24MP iso6400 SD LB7|50/1.8 K1|50/1.8 K2|adapter K1>K2", "adapter-k1-adapter" },
        { "2x body A K2 24MP iso6400 SD LB7|50/1.8 K1|50/1.8 K1|adapter K1>K2|adapter K1>K2 doubtful", "adapter-k1-adapter" },
        { "body A K2 24MP iso6400 SD LB7|body B K1 12MP iso1600 SD LB7|50/1.8 K1|50/1.8 K1|2x lens 50/1.8 K2", "body-a body-b" },
        { "2x battery LB7|battery LB2|2x card SD 64", "battery-lb2" },
        { "charger LB7|charger LB7+LB2", "charger-lb7-lb2" },
        { "tripod|monopod|tripod", "support-monopod" },
    };

    [Theory]
    [MemberData(nameof(Lockers))]
    public void The_locker_knows_what_stands_alone(string lines, string alone)
    {
        var locker = Locker(lines.Split('|'));
        Assert.Equal(alone, string.Join(' ', Alone.Find(locker, new Compatibility(locker, []), Day).Select(a => a.Id).Order(StringComparer.Ordinal)));
    }

    [Fact]
    public void What_is_away_replaces_nothing()
    {
        var locker = Locker("body A K2 24MP iso6400 SD LB7", "24-70/2.8 K2", "24-70/2.8 K2 status:lent from:2027-06-10 to:2027-06-14");
        Assert.Contains(locker[1].Id, Alone.Find(locker, new Compatibility(locker, []), Day).Select(a => a.Id));
        Assert.DoesNotContain(locker[1].Id, Alone.Find(locker, new Compatibility(locker, []), Day.AddDays(3)).Select(a => a.Id));
    }

    [Theory]
    [InlineData("inRepair", "2027-06-01", "2027-06-20", "in repair until Jun 20, 2027")]
    [InlineData("inRepair", "2027-06-13", null, null)]
    [InlineData("lent", null, null, "lent")]
    [InlineData("rentedOut", "2027-06-12", "2027-06-12", "rented out until Jun 12, 2027")]
    [InlineData("rentedIn", "2027-06-13", "2027-06-14", "rented in only from Jun 13, 2027 until Jun 14, 2027")]
    [InlineData("rentedIn", "2027-06-11", "2027-06-14", null)]
    [InlineData("lost", null, null, "lost")]
    [InlineData("retired", "2027-06-13", null, null)]
    [InlineData("ready", null, null, null)]
    public void Whether_a_thing_is_here_depends_on_the_day(string status, string? from, string? to, string? why)
    {
        var lens = Locker($"50/1.8 K2 status:{status}{(from is null ? "" : $" from:{from}")}{(to is null ? "" : $" to:{to}")}")[0];
        Assert.Equal(why, lens.WhyAway(Day));
    }

    [Fact]
    public void The_rule_names_gaps_single_glass_and_overlaps_as_seen_on_a_body()
    {
        var locker = Locker("body A K2 24MP iso6400 SD LB7", "body C K2 crop1.5 20MP iso6400 SD LB7", "24-70/2.8 K2", "24-70/2.8 K2", "28-60/4 K2",
            "200-300/4 K2");
        var compatibility = new Compatibility(locker, []);
        var real = GlassRule.Lay(locker, compatibility, null, Day);
        Assert.Equal(["Between 70 and 200 nothing reaches.", "From 200 to 300 only the 200–300 f/4 reaches.",
            "Between 28 and 60 you are covered three times."], real.Stretches.Select(s => s.Words));
        var crop = GlassRule.Lay(locker, compatibility, (Body)locker[1], Day);
        Assert.Equal(new Interval(36, 105), crop.Lenses[0].RangeMm);
        Assert.Contains("Between 105 and 300 nothing reaches.", crop.Stretches.Select(s => s.Words));
    }

    [Fact]
    public void A_planned_thing_that_is_away_is_a_gap_with_its_reason()
    {
        var plan = PlanFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo/steamer-wedding.yoke.json"))).Plan!;
        var locker = plan.Items.ToDictionary(i => i.Id, i => i.Id == "z70"
            ? i with { Status = Availability.InRepair, From = new DateOnly(2027, 6, 1), To = new DateOnly(2027, 6, 20) } : i);
        var report = new Failure.DayAnalysis(PlanAndLocker.With(plan, locker, [])).Report();
        Assert.Contains(report.Gaps, g => g.Need == "speaker" && g.Why == "the 70–200 f/2.8 is in repair until Jun 20, 2027");
        Assert.Contains(report.Away, a => a is { Item: "z70", InHand: true });
        Assert.StartsWith("One thing you plan to hold is not there that day.", report.Verdict, StringComparison.Ordinal);
        Assert.False(report.Sound);
    }
}
