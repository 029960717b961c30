using YokePair.Core.Editing;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>Bags come and go, people take one camera more or less.</summary>
public sealed class PlaceEditTests
{
    private static Plan Plan { get; } = new()
    {
        Format = Plans.Plan.FormatName,
        Version = 1,
        People = [new Person { Id = "lead", Name = "Lead" }, new Person { Id = "second" }],
        Places = [new Place { Id = "belt", Name = "Belt", ReachSeconds = 5 }, new Place { Id = "bag", Name = "Bag", ReachSeconds = 60 }],
        Items = [Body("b1"), Body("b2"), new Battery { Id = "bat", Place = "@b1", Type = "LB" }],
        Parts =
        [
            Part("p0", [new Setup { Person = "lead", Position = "left", Body = "b1" }]) with { ReachSeconds = new Dictionary<string, double> { ["bag"] = 10 },
                Unreachable = ["bag"] },
            Part("p1", [new Setup { Person = "lead", Position = "left", Body = "b1" }, new Setup { Person = "second", Position = "left", Body = "b2" }]),
            Part("p2", []) with { Present = ["second"] },
        ],
    };

    private static Body Body(string id) => new()
    {
        Id = id,
        Place = "bag",
        Mount = ["K"],
        Megapixels = 24,
        IsoCeiling = 6400,
        BatteryType = "LB",
        Slots = [new CardSlot { Type = "SD" }]
    };

    private static Part Part(string id, IReadOnlyList<Setup> setups) => new() { Id = id, Ev = 10, Setups = setups };

    private static Plan Made(PlanEdit edit) => EditResult.Apply(Plan, [edit]) is { Plan: { } plan } ? plan : throw new InvalidOperationException("refused");

    private static string Refused(PlanEdit edit)
    {
        var result = EditResult.Apply(Plan, [edit]);
        Assert.Null(result.Plan);
        return result.Problems[0].ToString();
    }

    [Fact]
    public void A_bag_is_added_renamed_and_given_to_somebody()
    {
        var added = Made(new PutPlace { Place = new Place { Id = "", Name = "Sling", ReachSeconds = 3 } }).Places[^1];
        Assert.Equal(("Sling", 3.0), (added.Name, added.ReachSeconds));
        Assert.DoesNotContain(Plan.Places, p => p.Id == added.Id);
        var changed = Made(new PutPlace { Place = Plan.Places[1] with { Name = "Roller", Person = "second" } });
        Assert.Equal([("belt", "Belt", null), ("bag", "Roller", "second")], changed.Places.Select(p => (p.Id, p.Name, p.Person)));
        Assert.Contains("place.name", Refused(new PutPlace { Place = new Place { Id = "", Name = " ", ReachSeconds = 3 } }), StringComparison.Ordinal);
        Assert.Contains("place.reachSeconds", Refused(new PutPlace { Place = new Place { Id = "", Name = "Sling", ReachSeconds = -3 } }),
            StringComparison.Ordinal);
        Assert.Contains("place.person", Refused(new PutPlace { Place = new Place { Id = "", Name = "Sling", ReachSeconds = 3, Person = "nobody" } }),
            StringComparison.Ordinal);
    }

    [Fact]
    public void A_bag_left_at_home_gives_what_is_in_it_to_another_and_no_part_speaks_of_it_any_more()
    {
        var without = Made(new RemovePlace { Place = "bag", To = "belt" });
        Assert.Equal(["belt"], without.Places.Select(p => p.Id));
        Assert.Equal(["belt", "belt", "@b1"], without.Items.Select(i => i.Place));
        Assert.All(without.Parts, p => Assert.True(p.ReachSeconds is null && p.Unreachable.Count == 0));
        Assert.Contains("two things are in Bag", Refused(new RemovePlace { Place = "bag" }), StringComparison.Ordinal);
        Assert.Equal(["bag"], Made(new RemovePlace { Place = "belt" }).Places.Select(p => p.Id));
    }

    [Fact]
    public void Several_things_move_together_or_none_does()
    {
        Assert.Equal(["belt", "belt", "@b1"], Made(new MoveItems { Items = ["b1", "b2"], Place = "belt" }).Items.Select(i => i.Place));
        Assert.Contains("no item", Refused(new MoveItems { Items = ["b1", "gone"], Place = "belt" }), StringComparison.Ordinal);
    }

    [Fact]
    public void One_more_camera_is_held_where_its_owner_is_and_it_is_free()
    {
        var more = Made(new AddPosition { Person = "lead", Position = "right", Body = "b2" });
        Assert.Equal([2, 2, 0], more.Parts.Select(p => p.Setups.Count));
        Assert.Contains("is in another hand in every part", Refused(new AddPosition { Person = "lead", Position = "right", Body = "b1" }),
            StringComparison.Ordinal);
        Assert.Contains("there is a left already", Refused(new AddPosition { Person = "lead", Position = "left ", Body = "b2" }), StringComparison.Ordinal);
    }

    [Fact]
    public void A_camera_is_called_otherwise_or_left_out_all_day()
    {
        Assert.Equal(["slung", "slung", "left"], Made(new RenamePosition { Person = "lead", Position = "left", Name = "slung" })
            .Parts.SelectMany(p => p.Setups).Select(s => s.Position));
        Assert.Equal(["second"], Made(new RemovePosition { Person = "lead", Position = "left" }).Parts.SelectMany(p => p.Setups).Select(s => s.Person));
        Assert.Contains("there is no right", Refused(new RemovePosition { Person = "lead", Position = "right" }), StringComparison.Ordinal);
        Assert.Contains("is empty", Refused(new RenamePosition { Person = "lead", Position = "left", Name = "" }), StringComparison.Ordinal);
    }
}
