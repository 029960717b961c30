using CsCheck;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Record;
using YokePair.Core.Reports;

namespace YokePair.Core.Tests;

/// <summary>What is so of a card, and what may be done to it next.</summary>
public sealed class RecordTests
{
    private static readonly CardRules Rules = new();

    private static readonly DateTime Now = new(2027, 6, 12, 20, 0, 0, DateTimeKind.Utc);

    private static Fact F(FactKind kind, string card, string? who = null, string? where = null, string? with = null, bool onTheWay = false,
        string? words = null, string day = "wedding") =>
        new(kind, card, Now, day, who, where, with, onTheWay, words);

    /// <summary>A pair out of a camera, one half with each of two people.</summary>
    private static List<Fact> Pair(bool onTheWay = false) =>
    [
        F(FactKind.Put, "11", where: "Halm", with: "12"), F(FactKind.Put, "12", where: "Halm", with: "11"),
        F(FactKind.Taken, "11", "Lead", "wallet"), F(FactKind.Taken, "12", "Second", "wallet", onTheWay: onTheWay),
    ];

    private static CardBook Book(IEnumerable<Fact> facts) => new(CardBook.Fold(facts), id => $"Card {id}");

    private static string Say(params Fact[] more) => Book([.. Pair(), .. more]).MayClear("12", Rules).Sentence;

    [Fact]
    public void May_I_clear_this_card()
    {
        Assert.Equal("It is clear.", Book([.. Pair(), F(FactKind.Copied, "12", "Lead", "Drive"), F(FactKind.Verified, "12", where: "Drive"),
            F(FactKind.Cleared, "12")])
            .MayClear("12", Rules).Sentence);
        Assert.Equal("No: it is in the Halm.", Book(Pair().Take(2)).MayClear("12", Rules).Sentence);
        Assert.Equal("No: there are two copies, not three.", Say());
        Assert.Equal("No: there are two copies; the copy on Drive was not read back.", Say(F(FactKind.Copied, "11", "Lead", "Drive")));
        Assert.Equal("Yes: three copies in two places.", Say(F(FactKind.Copied, "11", "Lead", "Drive"), F(FactKind.Verified, "11", where: "Drive")));
        // The other half has a third copy, but everything is with one person, or not yet where it goes.
        List<Fact> copied = [.. Pair(onTheWay: true), F(FactKind.Copied, "11", "Lead", "Drive"), F(FactKind.Verified, "11", where: "Drive")];
        Assert.Equal("No: Card 12, its other half, is still on the way with Second.", Book(copied).MayClear("11", Rules).Sentence);
        Assert.Equal("Yes: three copies in two places.", Book([.. copied, F(FactKind.Taken, "12", "Second", "home")]).MayClear("11", Rules).Sentence);
        Assert.Equal("No: all of it is in one place, with Lead.", Book([.. copied, F(FactKind.Taken, "12", "lead", "wallet")]).MayClear("11", Rules).Sentence);
        Assert.Equal("Never: it holds settings.", Book([F(FactKind.Settings, "12")]).MayClear("12", Rules).Sentence);
    }

    /// <summary>The JPEG half is no copy of the raw file; the raw half is one of the JPEG.</summary>
    [Fact]
    public void A_half_of_jpegs_does_not_let_the_raw_half_go()
    {
        List<Fact> facts =
        [
            F(FactKind.Put, "11", where: "Halm", with: "12"), F(FactKind.Put, "12", where: "Halm", with: "11") with { IsJpeg = true },
            F(FactKind.Taken, "11", "Lead", "wallet"), F(FactKind.Taken, "12", "Second", "wallet"), F(FactKind.Copied, "11", "Lead", "Drive"),
            F(FactKind.Verified, "11", where: "Drive"), F(FactKind.Copied, "12", "Second", "Laptop"), F(FactKind.Verified, "12", where: "Laptop"),
        ];
        Assert.Equal("No: there are two copies, not three.", Book(facts).MayClear("11", Rules).Sentence);
        Assert.Equal("Yes: four copies in two places.", Book(facts).MayClear("12", Rules).Sentence);
        // Cleared, it leaves the raw half no copy that it was not.
        Assert.Equal((2, 1), Book([.. facts, F(FactKind.Cleared, "12")]).Count("11"));
    }

    /// <summary>Nobody told that it was used, as most do not; whoever copies it has found pictures on it.</summary>
    [Fact]
    public void A_card_that_nothing_was_said_of_is_not_called_clear_and_holds_pictures_once_it_is_copied()
    {
        Assert.Equal(CardBook.Unheard, Book([]).MayClear("12", Rules).Sentence);
        List<Fact> facts = [F(FactKind.Copied, "12", "Lead", "Drive"), F(FactKind.Verified, "12", where: "Drive")];
        Assert.Null(Book([]).Refuse(facts[0], Rules));
        Assert.Equal("No: there are two copies, not three.", Book(facts).MayClear("12", Rules).Sentence);
        Assert.Equal("wedding", Book(facts)["12"].Day);
        Assert.Equal("Yes: three copies in two places.", Book([.. facts, F(FactKind.Copied, "12", "Second", "Case"), F(FactKind.Verified, "12", where: "Case")])
            .MayClear("12", Rules).Sentence);
    }

    [Fact]
    public void When_one_half_is_cleared_the_other_has_fewer()
    {
        List<Fact> facts = [.. Pair(), F(FactKind.Copied, "11", "Lead", "Drive"), F(FactKind.Verified, "11", where: "Drive"), F(FactKind.Cleared, "12")];
        Assert.Equal((2, 1), Book(facts).Count("11"));
        // The copy was made of the other half: of these pictures all the same.
        Assert.Equal((2, 2), Book([.. facts.Take(6), F(FactKind.Cleared, "11")]).Count("12"));
        Assert.NotNull(Book(facts).Refuse(F(FactKind.Cleared, "11"), Rules));
        Assert.Null(Book(facts).Refuse(F(FactKind.Put, "12", where: "Halm"), Rules));
    }

    [Fact]
    public void What_is_lost_is_on_its_other_half_or_on_a_copy_or_gone()
    {
        string Lost(params Fact[] more) => Book([.. Pair(), .. more]).MayClear("12", Rules).Sentence;
        Fact[] copied = [F(FactKind.Copied, "12", "Lead", "Drive"), F(FactKind.Verified, "12", where: "Drive")];
        Assert.Equal("It is lost; Card 11 holds its pictures.", Lost(F(FactKind.Lost, "12")));
        Assert.Equal("It is lost, and nothing else holds its pictures.", Lost(F(FactKind.Lost, "12"), F(FactKind.Lost, "11")));
        Assert.Equal("It is lost; Drive holds its pictures.", Lost([.. copied, F(FactKind.Lost, "12"), F(FactKind.Lost, "11")]));
        Assert.Equal("It is lost; nothing was on it.", Book([F(FactKind.Lost, "12") with { Day = null }]).MayClear("12", Rules).Sentence);
        // Of the other half there is one copy less.
        Assert.Equal((1, 1), Book([.. Pair(), F(FactKind.Lost, "12")]).Count("11"));
        Assert.Equal((2, 1), Book([.. Pair(), .. copied, F(FactKind.Lost, "12")]).Count("11"));
        Assert.Equal("Card 12 is lost.", Book([F(FactKind.Lost, "12")]).Refuse(F(FactKind.Put, "12", where: "Halm"), Rules));
    }

    /// <summary>12 stays in while 11 gives way to 13: of its pictures some are on 11 and some on 13, and that counts of which there is least.</summary>
    [Fact]
    public void Of_several_other_halves_each_holds_a_part()
    {
        List<Fact> facts =
        [
            F(FactKind.Put, "11", where: "Halm", with: "12"), F(FactKind.Put, "12", where: "Halm", with: "11"), F(FactKind.Taken, "11", "Lead", "wallet"),
            F(FactKind.Put, "13", where: "Halm", with: "12"), F(FactKind.Taken, "13", "Lead", "wallet"), F(FactKind.Taken, "12", "Second", "wallet"),
        ];
        Assert.Equal(((2, 2), (2, 2), (2, 2)), (Book(facts).Count("11"), Book(facts).Count("12"), Book(facts).Count("13")));
        // A copy of one of them is none of the others' pictures.
        facts.AddRange([F(FactKind.Copied, "13", "Lead", "Drive"), F(FactKind.Verified, "13", where: "Drive")]);
        Assert.Equal(((2, 2), (2, 2), (3, 2)), (Book(facts).Count("11"), Book(facts).Count("12"), Book(facts).Count("13")));
        Assert.NotNull(Book(facts).Refuse(F(FactKind.Cleared, "12"), Rules));
        // A copy of the one that was in all the time is of all.
        List<Fact> whole = [.. facts, F(FactKind.Copied, "12", "Second", "Case"), F(FactKind.Verified, "12", where: "Case")];
        Assert.Equal(((3, 2), (3, 2), (4, 2)), (Book(whole).Count("11"), Book(whole).Count("12"), Book(whole).Count("13")));
        // With 11 lost too, the part that it shared is on 12 alone.
        Assert.Equal((1, 1), Book([.. facts, F(FactKind.Lost, "11")]).Count("12"));
    }

    [Fact]
    public void What_cannot_be_so_is_refused_in_words()
    {
        var book = Book(Pair());
        Assert.Equal("Card 12 holds pictures. No: there are two copies, not three. Take a clear one.",
            book.Refuse(F(FactKind.Put, "12", where: "Orrin"), Rules));
        Assert.Equal("Type in full: clear Card 12 with two copies in two places", book.Refuse(F(FactKind.Overridden, "12", words: "clear"), Rules));
        Assert.Null(book.Refuse(F(FactKind.Overridden, "12", words: " clear Card 12 with two copies in two places "), Rules));
        Assert.NotNull(book.Refuse(F(FactKind.Verified, "12", where: "Drive"), Rules));
        Assert.Equal("Card 13 holds settings.", Book([F(FactKind.Settings, "13")]).Refuse(F(FactKind.Copied, "13", where: "Drive"), Rules));
        Assert.Equal("Card 12 is lost.", Book([.. Pair(), F(FactKind.Lost, "12")]).Refuse(F(FactKind.Copied, "12", where: "Drive"), Rules));
        Assert.NotNull(book.Refuse(F(FactKind.Settings, "12"), Rules));
        Assert.NotNull(Book([F(FactKind.Settings, "12")]).Refuse(F(FactKind.Put, "12", where: "Halm"), Rules));
        Assert.NotNull(Book([F(FactKind.NotOurs, "12")]).Refuse(F(FactKind.Put, "12", where: "Halm"), Rules));
        Assert.Null(Book([F(FactKind.NotOurs, "12"), F(FactKind.Ours, "12")]).Refuse(F(FactKind.Put, "12", where: "Halm"), Rules));
    }

    [Fact]
    public void A_card_that_is_not_clear_is_not_free_for_another_day()
    {
        var plan = CardTests.Day(new CardRules());
        List<Fact> facts = [F(FactKind.Put, "c3", where: "Halm"), F(FactKind.Taken, "c3", "Lead"), F(FactKind.Settings, "c4")];
        string State(string day, string card) => ((Card)CardBook.With(plan, day, CardBook.Fold(facts)).ItemOf(card)!).State;
        Assert.Equal(("shot", "clear", "settings", "clear"), (State("sunday", "c3"), State("wedding", "c3"), State("sunday", "c4"), State("sunday", "c5")));
        Assert.Same(plan, CardBook.With(plan, "sunday", CardBook.Fold([])));
        var told = CardDay.Of(new DayAnalysis(CardBook.With(plan, "sunday", CardBook.Fold(facts))), []).Sentence;
        Assert.StartsWith("c3 is not clear: it holds pictures of another day. c4 holds settings. ", string.Concat(told.Select(t => t.Text)),
            StringComparison.Ordinal);
    }

    private static Gen<string?> Of(params string?[] texts) => Gen.Int[0, texts.Length - 1].Select(n => texts[n]);

    private static readonly Gen<Fact> AnyFact = Gen.Select(
        Gen.Enum<FactKind>(), Of("11", "12", "13"), Of("Lead", "Second", null), Of("Halm", "Drive", "Case", null), Of("11", "12", "13", null), Gen.Bool,
        (kind, card, who, where, with, way) => F(kind, card!, who, where, with == card ? null : with, way));

    /// <summary>Whatever is asked in whatever order: what is taken never loses a picture that has not three copies in two places.</summary>
    [Fact]
    public void No_picture_is_cleared_before_its_time() => AnyFact.Array[1, 40].Sample(asked =>
    {
        var taken = new List<Fact>();
        // Told without the book: which cards are written to, and what a whole copy of each is on.
        var written = new HashSet<string>();
        var shot = new HashSet<string>();
        var lost = new HashSet<string>();
        foreach (var fact in asked)
        {
            var book = Book(taken);
            if (book.Refuse(fact, Rules) is not null) continue;
            taken.Add(fact);
            switch (fact.Kind)
            {
                case FactKind.Put:
                    Assert.DoesNotContain(fact.Thing, written);
                    written.Add(fact.Thing);
                    break;
                case FactKind.Copied when written.Add(fact.Thing):
                    shot.Add(fact.Thing);
                    break;
                case FactKind.Taken when written.Contains(fact.Thing) || lost.Remove(fact.Thing):
                    written.Add(fact.Thing);
                    shot.Add(fact.Thing);
                    break;
                case FactKind.Cleared:
                    Assert.Contains(fact.Thing, shot);
                    var copies = taken.Where(f => f.Kind == FactKind.Verified).Select(f => f.Where).Distinct().Count();
                    Assert.True(copies >= 1, "cleared without a copy that was read back");
                    written.Remove(fact.Thing);
                    shot.Remove(fact.Thing);
                    break;
                case FactKind.Lost:
                    lost.Add(fact.Thing);
                    written.Remove(fact.Thing);
                    shot.Remove(fact.Thing);
                    break;
                case FactKind.Overridden:
                    Assert.Fail("nothing was typed");
                    break;
            }
        }
        // Folding all at once is folding one by one.
        var states = CardBook.Fold(taken);
        Assert.Equal(written.Order(), states.Values.Where(s => s.HoldsPictures).Select(s => s.Card).Order());
    });
}
