using System.Text.Json;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Pocket;
using YokePair.Core.Reports;

namespace YokePair.Core.Tests;

/// <summary>What a phone and a card of paper take along is what the day itself says.</summary>
public sealed class PocketTests
{
    private static Plan Demo(string name) => PlanFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, $"demo/{name}.yoke.json"))).Plan!;

    private static readonly Lazy<(DayAnalysis Day, PocketDay Pocket)> Wedding = new(() =>
    {
        var day = new DayAnalysis(Demo("steamer-wedding"));
        return (day, PocketFiles.Of(day, "steamer-wedding", 1, "lead")!);
    });

    /// <summary>Every loss at every time at which it is another one: outcome, body, seconds and picture of every need, against a day without it.</summary>
    [Fact]
    [Trait("Takes", "long")]
    public void Every_answer_is_that_of_a_day_without_it()
    {
        var (day, pocket) = Wedding.Value;
        var compared = 0;
        foreach (var loss in pocket.Losses)
            foreach (var fate in loss.Ways)
            {
                var from = fate.Parts.Count == 0 ? null : fate.Parts[0];
                var left = new DayAnalysis(day.Plan, [new Pulled(loss.Id, loss.Kind == LossKind.Own ? null : from, null, loss.Kind)]);
                var asked = PullTest.Compare(day, left).Changes.ToDictionary(c => (c.Part, c.Need));
                var first = from is null ? 0 : IndexOf(pocket, from);
                foreach (var (part, p) in pocket.Parts.Select((x, p) => (x, p)).Skip(first))
                    foreach (var (need, n) in part.Needs.Select((x, n) => (x, n)))
                    {
                        var told = fate.Changes.SingleOrDefault(c => c.Part == p && c.Need == n);
                        var meant = asked.GetValueOrDefault((part.Id, need.Id));
                        Assert.True((told?.Outcome ?? need.Outcome) == (meant?.After ?? need.Outcome),
                            $"{loss.Name} from {from}: {part.Name}, {need.Name}: {told?.Outcome} and {meant?.After}");
                        if (told is null || meant is null) continue;
                        var answer = pocket.Answers[told.Answer];
                        Assert.Equal((meant.Now?.Person, meant.Now?.Seconds, meant.Now?.Steps.Count ?? 0), (answer.Person, answer.Seconds, answer.Steps.Count));
                        compared++;
                    }
            }
        Assert.True(compared > 300, $"only {compared} answers were compared");
    }

    /// <summary>Two things on one camera or in one bag: looked up as the phone does, against a day without both.</summary>
    [Fact]
    [Trait("Takes", "long")]
    public void Any_two_things_of_a_camera_or_a_bag_are_answered()
    {
        var (day, pocket) = Wedding.Value;
        var changed = 0;
        var sets = pocket.Losses.Where(l => l.Kind is LossKind.Rig or LossKind.Place).SelectMany(l => l.Ways)
            .Select(w => w.Items.Order(StringComparer.Ordinal).ToList())
            .DistinctBy(s => string.Join(' ', s));
        var pairs = sets.SelectMany(s => s.SelectMany((a, i) => s.Skip(i + 1).Select(b => (a, b)))).Distinct().ToList();
        // Every seventh: they are a thousand, and alike.
        foreach (var (one, other) in pairs.Where((_, n) => n % 7 == 0))
        {
            var left = new DayAnalysis(day.Plan, [new Pulled(one), new Pulled(other)]).Report(withEvents: false);
            var found = Together(pocket, one, other);
            foreach (var need in left.Needs)
            {
                var p = IndexOf(pocket, need.Part);
                var n = pocket.Parts[p].Needs.ToList().FindIndex(x => x.Id == need.Need);
                var told = found.TryGetValue((p, n), out var change) ? change : pocket.Parts[p].Needs[n].Outcome;
                Assert.True(told == need.Baseline, $"{one} and {other}: {need.Part}, {need.Need}: {told} and {need.Baseline}");
                if (told != pocket.Parts[p].Needs[n].Outcome) changed++;
            }
        }
        Assert.True(changed > 20, $"only {changed} needs were changed");
    }

    /// <summary>As the phone looks it up: each by itself, the pair over both.</summary>
    private static Dictionary<(int, int), Outcome> Together(PocketDay pocket, string one, string other)
    {
        var (a, b) = (LossOf(pocket, one), LossOf(pocket, other));
        var found = new Dictionary<(int, int), Outcome>();
        foreach (var change in pocket.Losses[a].Ways[0].Changes.Concat(pocket.Losses[b].Ways[0].Changes))
            found[(change.Part, change.Need)] = found.TryGetValue((change.Part, change.Need), out var known) && known > change.Outcome ? known : change.Outcome;
        foreach (var change in pocket.Pairs.Where(p => p.One == Math.Min(a, b) && p.Other == Math.Max(a, b)).SelectMany(p => p.Changes))
            found[(change.Part, change.Need)] = change.Outcome;
        return found;
    }

    [Fact]
    public void What_is_done_at_the_joins_is_what_the_plan_changes()
    {
        var (day, pocket) = Wedding.Value;
        var lead = pocket.Parts.SelectMany(p => p.Duties).ToList();
        var power = YokePair.Core.Power.PowerPlans.Of(day).Changes.Where(c => c.Person == "lead").ToList();
        Assert.Equal(power.Select(c => c.In).Order(), lead.Where(j => j.Kind == DutyKind.Charge).SelectMany(j => j.In).Order());
        Assert.NotEmpty(power);
        Assert.Equal("Right: 70–200 on", pocket.Parts.Single(p => p.Id == "vows").Duties.Single(j => j.Kind == DutyKind.Hand).Text);
        Assert.Equal("Left: 24 on, Flash 1 on", pocket.Parts.Single(p => p.Id == "floor").Duties.First(j => j.Kind == DutyKind.Hand).Text);
    }

    [Fact]
    public void Somebody_who_is_not_of_the_team_has_no_file()
    {
        Assert.Null(PocketFiles.Of(Wedding.Value.Day, "k", 1, "nobody"));
        Assert.Null(PocketFiles.CardsOf(Wedding.Value.Day, "nobody"));
    }

    [Fact]
    public void The_card_tells_the_worst_and_what_to_do_when_a_hand_dies()
    {
        var card = Wedding.Value.Pocket.Cards.Single();
        Assert.Equal("Lead (you): left Halm 45 no. 1, right Halm 45 no. 2", card.People[0]);
        Assert.Contains(card.Worst, w => w.Name == "K1 adapter" && w.Costs.StartsWith("Ring close-up in Details", StringComparison.Ordinal)
            && w.Then.StartsWith("LATE", StringComparison.Ordinal));
        Assert.DoesNotContain(card.Worst, w => w.Name.Contains("Lead", StringComparison.Ordinal));
        var details = card.Parts.Single(p => p.Name == "Details");
        Assert.Equal("Ring close-up: left hand, 100 on it, 35 s", details.Hands.Single(h => h.Position == "right").Dies);
        Assert.Equal("100 f/2.8 + K1 adapter", details.Hands.Single(h => h.Position == "right").Glass);
    }

    /// <summary>Of ever more parts all are on the card as long as there is room; from then on it says which are not.</summary>
    [Fact]
    [Trait("Takes", "long")]
    public void What_does_not_fit_on_the_card_is_said()
    {
        var plan = Demo("steamer-wedding");
        Part[] alike = [plan.PartOf("details")!, plan.PartOf("families")!];
        var first = alike[0].Start!.Value;
        var (left, quiet) = ((string?)null, 0);
        for (var more = 0; more <= 12; more += 4)
        {
            Part[] parts = [.. Enumerable.Range(0, 14 + more)
                .Select(n => alike[n % 2] with { Id = $"p{n}", Name = $"Part {n:00}", Start = first.AddMinutes(30 * n), End = first.AddMinutes(30 * n + 30) })];
            var card = PocketFiles.CardsOf(new DayAnalysis(plan with { Parts = parts }), "lead")!.Single();
            var sides = PaperCard.SidesOf(card);
            Assert.True(sides.All(s => s is >= 0 and < 4) && sides.SequenceEqual(sides.Order()));
            var lacking = parts.Select(p => p.Name!).Where(name => card.Parts.All(p => p.Name != name)).ToList();
            Assert.All(lacking, name => Assert.Contains(name, card.LeftOut, StringComparison.Ordinal));
            foreach (var silent in card.Parts.Where(p => p.Hands.Any(h => h.Dies is null))) Assert.Contains(silent.Name, card.LeftOut,
                StringComparison.Ordinal);
            quiet += card.Parts.Count(p => p.Hands.Any(h => h.Dies is null));
            left = card.LeftOut ?? left;
            if (more == 0) Assert.Empty(lacking);
        }
        Assert.StartsWith("Left out, as there is no room: Part", left, StringComparison.Ordinal);
        Assert.True(quiet > 0, "none was left without a word");
    }

    [Fact]
    [Trait("Takes", "long")]
    public void Of_several_days_each_has_its_card()
    {
        var plan = Demo("steamer-wedding");
        var two = plan with
        {
            Parts = [.. plan.Parts, .. plan.Parts.Select(p =>
            p with { Id = p.Id + "2", Start = p.Start!.Value.AddDays(1), End = p.End!.Value.AddDays(1) })]
        };
        Assert.Equal([new DateOnly(2027, 6, 12), new DateOnly(2027, 6, 13)], PocketFiles.CardsOf(new DayAnalysis(two), "second")!.Select(c => c.Day!.Value));
    }

    [Fact]
    public void Five_questions_are_asked_of_the_worst_and_each_is_judged_as_the_day_would_be()
    {
        foreach (var (name, person) in new[] { ("steamer-wedding", "lead"), ("steamer-wedding", "second"), ("track-night", "solo") })
        {
            var asked = Questions.Of(new DayAnalysis(Demo(name)), person)!;
            Assert.InRange(asked.Count, 2, 5);
            Assert.Equal(asked.Count, asked.Select(q => (q.Part, q.Need)).Distinct().Count());
            Assert.All(asked, q =>
            {
                Assert.InRange(q.Choices.Count, 2, 4);
                // Nothing offered is better than what is said to be best, and not all is alike.
                Assert.All(q.Choices, c => Assert.True(c.Outcome >= q.Choices[q.Best].Outcome, $"{q.Need}: {c.Text}"));
                Assert.Equal(q.Choices[q.Best].Seconds, q.Answer.Steps.Sum(s => s.Seconds));
                Assert.Contains(q.Choices, c => c.Outcome != q.Choices[q.Best].Outcome);
            });
            Assert.Equal(asked.Select(q => q.Choices[q.Best].Outcome).OrderDescending(), asked.Select(q => q.Choices[q.Best].Outcome));
        }
    }

    /// <summary>With nothing read and nothing failed the rest of the day is the day; the changes that lie behind are not made again.</summary>
    [Fact]
    public void The_rest_of_a_day_begins_with_what_is_left()
    {
        var (day, pocket) = Wedding.Value;
        var now = new DateTime(2027, 6, 12, 14, 20, 0);
        var rest = FromNow.Of(day, "lead", now, [], [])!;
        Assert.Equal(pocket.Parts.Where(p => p.End > now).Select(p => p.Id), rest.Parts.Select(p => p.Id));
        var (planned, left) = (pocket.Parts.Single(p => p.Id == "toast").Hands, rest.Parts[0].Hands);
        Assert.Equal(planned.Select(h => h.Charge[0].Thing), left.Select(h => h.Charge[0].Thing));
        // As long as nothing is read the plan is believed, its changes too.
        Assert.Equal(JsonSerializer.Serialize(planned), JsonSerializer.Serialize(left));
        foreach (var part in rest.Parts) Assert.Equal(JsonSerializer.Serialize(pocket.Parts.Single(p => p.Id == part.Id).Duties),
            JsonSerializer.Serialize(part.Duties));
        // What is read as the plan has it: ten minutes into fifty on the line from the level at the beginning to that at the end.
        var level = planned[0].Charge[0].Share + (0.2 * (planned[0].Charge[^1].Share - planned[0].Charge[0].Share));
        var read = FromNow.Of(day, "lead", now, [], [new Reading("b1", level, null)])!;
        Assert.Equal(planned[0].Charge[^1].Share, read.Parts[0].Hands[0].Charge[^1].Share, 2);
        Assert.Equal((0.2, Math.Round(level, 3)), (read.Parts[0].Hands[0].Charge[0].At, read.Parts[0].Hands[0].Charge[0].Share));
        Assert.Empty(rest.Changes);
    }

    [Fact]
    public void A_figure_read_off_a_camera_moves_what_follows()
    {
        var (day, _) = Wedding.Value;
        var now = new DateTime(2027, 6, 12, 14, 20, 0);
        string[] Told(params Reading[] readings) => [.. FromNow.Of(day, "lead", now, [], readings)!.Told.Skip(1)
            .Select(l => string.Concat(l.Select(t => t.Time is { } at ? at.ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture) : t.Text)))];
        Assert.Empty(Told());
        Assert.Contains("By what it shows, change the battery of the Halm 45 no. 1 at 14:20 instead of 15:00.", Told(new Reading("b1", 0.1, null)));
        Assert.Contains(Told(new Reading("b1", null, 150)), t =>
            t.StartsWith("By what it shows, the cards of the Halm 45 no. 1 are full in Families, about ", StringComparison.Ordinal));
        Assert.Empty(Told(new Reading("b1", null, 99_999)));
    }

    [Fact]
    [Trait("Takes", "long")]
    public void What_has_failed_changes_the_rest_of_the_day()
    {
        var (day, pocket) = Wedding.Value;
        var now = new DateTime(2027, 6, 12, 13, 42, 0);
        var rest = FromNow.Of(day, "lead", now, [new Pulled("b2", "vows"), new Pulled("b1", "vows"), new Pulled("b3", "vows")], [])!;
        var meant = PullTest.Compare(day, new DayAnalysis(day.Plan, [new Pulled("b2", "vows"), new Pulled("b1", "vows"), new Pulled("b3", "vows")])).Changes;
        Assert.Equal(meant.Select(c => (c.Part, c.Need, c.After)),
            rest.Changes.Select(c => (pocket.Parts[c.Part].Id, pocket.Parts[c.Part].Needs[c.Need].Id, c.Outcome)));
        Assert.Contains(rest.Changes, c => c.Outcome is Outcome.Lost or Outcome.Late);
    }

    private static int IndexOf(PocketDay pocket, string part) => pocket.Parts.ToList().FindIndex(p => p.Id == part);

    private static int LossOf(PocketDay pocket, string item) => pocket.Losses.ToList().FindIndex(l => l.Kind == LossKind.Item && l.Id == item);
}
