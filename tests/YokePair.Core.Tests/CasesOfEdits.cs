using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Starting;

namespace YokePair.Core.Tests;

/// <summary>Edits and beginnings that one case each tells apart from what might be written by mistake.</summary>
public sealed class CasesOfEdits
{
    private static readonly Plan Barn = BarnDay.Plan;

    [Theory]
    [InlineData("2027-06-12T15:00", "vows")]
    [InlineData("2027-06-12T19:00", "couple")]
    [InlineData("2027-06-12T05:00", "details")]
    public void A_part_that_is_put_in_goes_on_as_the_one_before_it(string start, string before)
    {
        var plan = new AddPart { Kind = "speeches", Start = DateTime.Parse(start, System.Globalization.CultureInfo.InvariantCulture) }.Apply(Barn).Plan!;
        var added = plan.Parts.Single(p => Barn.PartOf(p.Id) is null);
        Assert.Equal(Barn.PartOf(before)!.Setups, added.Setups);
    }

    [Fact]
    public void A_box_that_stays_at_home_says_how_much_stays_with_it()
    {
        var plan = Barn with
        {
            Items = [.. Barn.Items.Select(i => i.Id is "f4" or "s2" ? i with { Place = "@case" } : i)],
            Parts = [.. Barn.Parts.Select(p => p with { Lights = null })]
        };
        var left = new UnpackThing { Item = "case", Everywhere = true }.Apply(plan);
        Assert.Equal("Light box with three things left at home", left.Label);
        Assert.DoesNotContain(left.Plan!.Items, i => i.Id is "case" or "f4" or "s2" or "aa4");
    }

    [Fact]
    public void Glass_that_leads_to_no_camera_is_refused_with_both_mounts()
    {
        var refused = new Mount { Part = "vows", Person = "second", Position = "left", Body = "b4", Lens = "z24" }.Apply(Barn);
        Assert.Equal("the 24-70 (K) does not fit the Second's body (E), and no adapter leads from one to the other", Assert.Single(refused.Problems).Message);
    }

    [Fact]
    public void What_is_still_to_be_had_and_not_missed_is_said_to_be_so()
    {
        var plan = Barn with { Items = [.. Barn.Items, new Support { Id = "beam", Name = "Beam", Place = "car", Form = "stand", Wanted = true }] };
        Assert.Contains("Still to get: the Beam (", new DayAnalysis(plan).Report(withEvents: false).Verdict, StringComparison.Ordinal);
        Assert.Contains("nothing is missed without it.", new DayAnalysis(plan).Report(withEvents: false).Verdict, StringComparison.Ordinal);
    }

    [Fact]
    public void Where_nothing_copies_that_is_the_reason()
    {
        var plan = Barn with { Items = [.. Barn.Items.Where(i => i is not (Drive or CardReader))] };
        Assert.Contains(": there is no drive or reader in the plan.", string.Concat(CardDay.Of(new DayAnalysis(plan), []).Sentence.Select(s => s.Text)),
            StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(Illumination.Available, "Ambient")]
    [InlineData(Illumination.Bounce, "Ambient Flash")]
    [InlineData(Illumination.Stands, "Ambient Flash Stands")]
    [InlineData(Illumination.Continuous, "Ambient Continuous")]
    public void A_new_day_is_lit_as_one_likes_it(Illumination light, string kinds)
    {
        var plan = NewDay.From(new NewDayRequest("Day", new DateOnly(2027, 6, 12), "wedding-indoor", null, null, false, Habits: new Habits { Light = light }),
            Barn.Items).Plan!;
        Assert.Contains(kinds, plan.Parts.SelectMany(p => p.Needs).Select(n => string.Join(' ', n.Light)));
        if (light == Illumination.Stands) Assert.Contains(plan.Parts.SelectMany(p => p.Needs), n => n.Light.Contains(LightKind.Stands)
            && n.Stands is { DistanceM: 3 });
    }

    [Fact]
    public void Batteries_of_other_makers_stay_where_one_trusts_none()
    {
        var items = Barn.Items.Select(i => i is Battery ? i with { Make = i.Id is "lb1" ? Make.Own : i.Id is "lb2" ? Make.ThirdParty : null } : i).ToList();
        var plan = NewDay.From(new NewDayRequest("Day", new DateOnly(2027, 6, 12), "wedding-indoor", null, null, false,
            Habits: new Habits { OwnMakeOnly = true }), items).Plan!;
        Assert.Contains(plan.Items, i => i.Id == "lb1");
        Assert.DoesNotContain(plan.Items, i => i.Id == "lb2");
    }

    [Theory]
    [InlineData("2:00 pm-3:30 ceremony", "14:00 15:30")]
    [InlineData("14:00-15:30 ceremony", "14:00 15:30")]
    [InlineData("11:00-10:30 talk", "11:00 22:30")]
    [InlineData("23:00-1:00 dance", "23:00 01:00")]
    [InlineData("9:00 am-8:30 am talk", "09:00 08:30")]
    public void An_end_is_after_its_start_by_whatever_clock(string line, string times)
    {
        var part = Assert.Single(NewDay.From(new NewDayRequest("Day", new DateOnly(2027, 6, 12), null, line, null, false), Barn.Items).Plan!.Parts);
        Assert.Equal(times, $"{part.Start:HH:mm} {part.End:HH:mm}");
    }
}
