using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Core.Record;
using YokePair.Core.Starting;

namespace YokePair.Core.Tests;

/// <summary>Cards that share pictures, charge that is known, things alike by chance, lines at their limit: one case each.</summary>
public sealed class CasesOfRecord
{
    private static readonly DateTime Noon = new(2027, 6, 12, 12, 0, 0);

    private static readonly Plan Barn = BarnDay.Plan;

    private static Fact Put(string card, string? with = null, string? who = null) => new(FactKind.Put, card, Noon, "barn", who, "Body one", with);

    [Fact]
    public void A_card_knows_each_that_shares_its_pictures_once()
    {
        var states = CardBook.Fold([Put("a", "c"), Put("b", "a"), Put("b", "a"), new(FactKind.Taken, "b", Noon), Put("b", "a")]);
        Assert.Equal(["c", "b"], states["a"].Halves.Select(h => h.Card));
        Assert.Equal(["a"], states["b"].Halves.Select(h => h.Card));
    }

    [Fact]
    public void A_card_is_with_somebody_or_else_in_something()
    {
        var states = CardBook.Fold([Put("a"), Put("b", who: "Lead")]);
        Assert.Equal(("Body one", "Lead"), (states["a"].Place, states["b"].Place));
    }

    [Fact]
    public void A_plan_whose_cards_are_free_stays_the_one_it_is()
    {
        Assert.Same(Barn, CardBook.With(Barn, "barn", new Dictionary<string, CardState>()));
        Assert.Same(Barn, CardBook.With(Barn, "barn", CardBook.Fold([Put("c1"), Put("elsewhere")])));
        Assert.Equal("shot", ((Card)CardBook.With(Barn, "party", CardBook.Fold([Put("c1")])).ItemOf("c1")!).State);
    }

    [Fact]
    public void What_is_full_or_not_of_the_plan_is_no_charge_that_is_lacking()
    {
        Fact Charged(string thing, double left) => new(FactKind.Charged, thing, Noon, "before", Left: left);
        Assert.Null(ChargeBook.With(Barn, "barn", [Charged("lb1", 1), Charged("nothing", 0.3)]).Left);
        Assert.Equal([("lb1", 0.3)], ChargeBook.With(Barn, "barn", [Charged("lb1", 0.3), Charged("lb2", 1)]).Left!.Select(l => (l.Key, l.Value)));
    }

    [Fact]
    public void Things_are_one_by_id_name_and_mount_not_by_id_alone()
    {
        var (body, lens) = ((Body)Barn.ItemOf("b1")!, (Lens)Barn.ItemOf("z24")!);
        Assert.True(body.IsOneWith(body with { Megapixels = 45 }));
        Assert.False(body.IsOneWith(body with { Name = "Another" }));
        Assert.False(body.IsOneWith(body with { Id = "other" }));
        Assert.False(body.IsOneWith(body with { Mount = ["E"] }));
        Assert.False(lens.IsOneWith(lens with { Mount = "E" }));
        Assert.True(lens.IsOneWith(lens with { WeightG = 1 }));
        Assert.False(new Pack { Id = "x", Name = "X" }.IsOneWith(new Drive { Id = "x", Name = "X" }));
        Assert.True(new Pack { Id = "x", Name = "X" }.IsOneWith(new Pack { Id = "x", Name = "X", Outlets = 3 }));
    }

    [Fact]
    public void Each_line_says_which_it_was() =>
        Assert.Equal([1, 3, 4], QuickAdd.ReadAll("35 f1.8 K2\n\n85 f1.8 K2\n2x battery LB7", KnownWords.Of([])).Select(l => l.At));

    [Fact]
    public void A_line_at_its_limit_is_read_and_one_beyond_is_not()
    {
        Assert.Null(TypedLimits.Beyond("lines", new string('x', TypedLimits.LineLetters), TypedLimits.Lines));
        Assert.Contains("letters", TypedLimits.Beyond("lines", new string('x', TypedLimits.LineLetters + 1), 1)!.Message, StringComparison.Ordinal);
        Assert.Contains("not read", TypedLimits.Beyond("lines", "x", TypedLimits.Lines + 1)!.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Who_has_no_days_behind_them_has_no_ways_yet() => Assert.Equal(new UsualWays(), UsualWays.Of([]));
}
