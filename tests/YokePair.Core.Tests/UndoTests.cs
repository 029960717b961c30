using System.Collections.Concurrent;
using System.Text;
using System.Text.Json;
using CsCheck;
using YokePair.Core.Editing;
using YokePair.Core.Optics;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>Whatever an edit does, undo gives the same bytes back, and redo the others.</summary>
public sealed class UndoTests
{
    private static readonly Type[] Kinds = [.. typeof(PlanEdit).Assembly.GetTypes().Where(t => t.IsSubclassOf(typeof(PlanEdit)))];

    [Fact]
    [Trait("Takes", "long")]
    public void Undo_forgets_nothing_and_redo_neither()
    {
        var made = new ConcurrentDictionary<Type, int>();
        Gen.Int.Sample(seed =>
        {
            var random = new Random(seed);
            var plan = Strange(seed % 2 == 0 ? RandomPlan.From(seed) : RandomLights.From(seed));
            foreach (var kind in Kinds)
            {
                if (EditResult.Apply(plan, [EditOf(kind, plan, random)]).Plan is not { } next) continue;
                var (before, after) = (PlanFile.Write(plan), PlanFile.Write(next));
                // As the log does it: written, read again, and applied to a plan that was read from its file.
                var undo = PlanDelta.Read(PlanDelta.To(next, plan).Write());
                var redo = PlanDelta.Read(PlanDelta.To(plan, next).Write());
                var undone = undo.ApplyTo(PlanFile.Read(after).Plan!);
                Assert.Equal(Encoding.UTF8.GetString(before), Encoding.UTF8.GetString(PlanFile.Write(undone)));
                Assert.Equal(Encoding.UTF8.GetString(after), Encoding.UTF8.GetString(PlanFile.Write(redo.ApplyTo(undone))));
                if (!before.AsSpan().SequenceEqual(after)) made.AddOrUpdate(kind, 1, (_, n) => n + 1);
            }
        }, iter: 250);
        Assert.All(Kinds, kind => Assert.True(made.GetValueOrDefault(kind) >= 5, $"{kind.Name} changed a plan {made.GetValueOrDefault(kind)} times"));
    }

    [Fact]
    public void A_pair_marked_no_is_there_again_when_the_battery_is()
    {
        var plan = RandomPlan.From(1);
        plan = plan with { Pairs = [new PairRule { A = plan.Items.OfType<Body>().First().Id, B = plan.Items.OfType<Battery>().First().Id, Fit = PairFit.No }] };
        var without = EditResult.Apply(plan, [new UnpackThing { Item = plan.Items.OfType<Battery>().First().Id, Everywhere = true }]).Plan!;
        Assert.Empty(without.Pairs!);
        Assert.Equal(plan.Pairs, PlanDelta.To(without, plan).ApplyTo(PlanFile.Read(PlanFile.Write(without)).Plan!).Pairs);
    }

    [Fact]
    public void What_an_earlier_version_logged_can_still_be_undone()
    {
        var plan = RandomPlan.From(2);
        var (first, second) = (plan.Parts[0], plan.Parts[1]);
        var (part, item) = (JsonSerializer.Serialize(first with { Ev = 3 }, PlanFile.JsonOptions),
            JsonSerializer.Serialize<Item>(new Pack { Id = "back" }, PlanFile.JsonOptions));
        var text = $$"""
            { "parts": [{{part}}], "items": [{{item}}], "gone": ["{{plan.Items[0].Id}}"],
              "order": ["{{second.Id}}", "{{first.Id}}"], "events": [] }
            """;
        var undone = PlanDelta.Read(Encoding.UTF8.GetBytes(text)).ApplyTo(plan with { Events = [new PlannedLoss { Id = "e", Items = [] }] });
        Assert.Equal([second.Id, first.Id], undone.Parts.Select(p => p.Id));
        Assert.Equal(3, undone.Parts[1].Ev);
        Assert.Equal([.. plan.Items.Skip(1).Select(i => i.Id), "back"], undone.Items.Select(i => i.Id));
        Assert.Null(undone.Events);
    }

    /// <summary>The plan with fields nobody knows in each of its records, with events and with times.</summary>
    private static Plan Strange(Plan plan)
    {
        static Dictionary<string, JsonElement> Unknown(int n) => new() { ["later"] = JsonDocument.Parse($$"""{ "n": {{n}} }""").RootElement };
        return plan with
        {
            Extra = Unknown(1),
            Assignment = plan.Assignment with { Extra = Unknown(2) },
            Rules = plan.Rules with { Extra = Unknown(3) },
            People = [.. plan.People.Select((p, i) => p with { Name = $"Person {i}", Extra = Unknown(4) })],
            Places = [.. plan.Places.Select(p => p with { Extra = Unknown(5) })],
            Items =
            [
                .. plan.Items.Select(i => i with { Extra = Unknown(6), Wanted = i == plan.Items[0] }),
                new Case { Id = "box", Place = plan.Places[0].Id, Contents = [plan.Items[0].Id] },
            ],
            Events = [new PlannedLoss { Id = "feared", Name = "Feared", Items = [plan.Items[0].Id, plan.Items[1].Id] }],
            Parts = [.. plan.Parts.Select((p, i) => p with { Extra = Unknown(7), Start = new DateTime(2027, 6, 12, 10 + i, 0, 0),
                End = new DateTime(2027, 6, 12, 11 + i, 0, 0) })],
        };
    }

    // Long: one line for each kind of edit.
    private static PlanEdit EditOf(Type kind, Plan plan, Random random)
    {
        T Pick<T>(IEnumerable<T> from) => from.ElementAt(random.Next(from.Count()));
        var part = Pick(plan.Parts);
        var person = Pick(plan.People).Id;
        var lens = Pick(plan.Items.OfType<Lens>());
        return kind.Name switch
        {
            nameof(Mount) => new Mount
            {
                Part = part.Id,
                Person = person,
                Position = Pick(["left", "right"]),
                Body = Pick(plan.Items.OfType<Body>()).Id,
                Lens = lens.Id
            },
            nameof(SetPart) => new SetPart { Part = part.Id, Ev = random.Next(0, 15), Unreachable = [Pick(plan.Places).Id], Name = "Otherwise" },
            nameof(PinChange) => new PinChange
            {
                Body = Pick(plan.Items.OfType<Body>()).Id,
                Part = part.Id,
                From = random.Next(2) == 0 ? null
                : Pick(plan.Parts).Id
            },
            nameof(SetSending) => new SetSending
            {
                Part = random.Next(2) == 0 ? null : part.Id,
                Item = Pick(plan.Items).Id,
                Sends = random.Next(3) == 0 ? null : new Sending { To = "desk", Confirmed = true },
            },
            nameof(SetUse) => new SetUse
            {
                Part = part.Id,
                Item = Pick(plan.Items).Id,
                Frames = random.Next(2) == 0 ? null : random.Next(0, 900),
                VideoMinutes = 5
            },
            nameof(MoveItem) => new MoveItem { Item = Pick(plan.Items).Id, Place = Pick(plan.Places).Id },
            nameof(PackThing) => new PackThing { Thing = "new", Place = Pick(plan.Places).Id, Found = lens with { Id = "new" } },
            nameof(UnpackThing) => new UnpackThing { Item = Pick(plan.Items).Id, Everywhere = true },
            nameof(BorrowThing) => new BorrowThing { Item = lens with { Id = "borrowed", Place = Pick(plan.Places).Id } },
            nameof(AddPart) => new AddPart { Kind = "ceremony" },
            nameof(RemovePart) => new RemovePart { Part = part.Id },
            nameof(SplitPart) => new SplitPart { Part = part.Id },
            nameof(JoinParts) => new JoinParts { Part = plan.Parts[0].Id },
            nameof(SetPlace) => new SetPlace { Place = Pick(plan.Places).Id, Part = random.Next(2) == 0 ? part.Id : null, ReachSeconds = random.Next(1, 99) },
            nameof(SetLights) => new SetLights
            {
                Part = part.Id,
                Lights = part.Lights is null && plan.Items.OfType<Flash>().FirstOrDefault() is { } flash
                ? [new PlacedLight { Flash = flash.Id }] : []
            },
            nameof(Equip) => new Equip
            {
                Part = part.Id,
                Person = part.Setups.Count > 0 ? part.Setups[0].Person : person,
                Position = "left",
                Shoe = plan.Items.OfType<Flash>().FirstOrDefault()?.Id,
                Unattended = true
            },
            nameof(SetPerson) => new SetPerson
            {
                Person = new Person
                {
                    Id = random.Next(2) == 0 ? "" : person,
                    Name = "Ned",
                    Seconds = new OwnSeconds { Raise = 4 }
                }
            },
            nameof(SetAssignment) => new SetAssignment { Name = "Otherwise", Day = new DateOnly(2027, 9, random.Next(1, 28)) },
            nameof(AddDay) => new AddDay(),
            nameof(SlideDay) => new SlideDay { From = plan.Parts[0].Id, Minutes = 20 },
            nameof(FollowLocker) => new FollowLocker
            {
                Things =
                [new ChangedThing(lens, lens with { WeightG = random.Next(200, 2000), Estimated = ["weightG"] })]
            },
            nameof(StartAgain) => new StartAgain { Made = RandomPlan.From(random.Next(1000)) },
            nameof(PutNeed) => new PutNeed
            {
                Part = part.Id,
                Need =
                new Need { Id = "", Name = "Cake", ShutterSeconds = 0.01, Bounce = new Bounce { CeilingM = 3, Colour = BounceColour.Dark } }
            },
            nameof(RemoveNeed) => new RemoveNeed { Part = part.Id, Need = part.Needs.Count > 0 ? part.Needs[0].Id : "none" },
            nameof(PutEvent) => new PutEvent { Event = new PlannedLoss { Id = random.Next(2) == 0 ? "" : "feared", Name = "Rain", Items = [lens.Id] } },
            nameof(RemoveEvent) => new RemoveEvent { Event = "feared" },
            nameof(MoveItems) => new MoveItems { Items = [.. plan.Items.Take(random.Next(1, 4)).Select(i => i.Id)], Place = Pick(plan.Places).Id },
            nameof(PackTogether) => new PackTogether
            {
                Name = "Box",
                Items = [.. plan.Items.Take(random.Next(1, 4)).Select(i => i.Id)],
                Place = Pick(plan.Places).Id,
            },
            nameof(SetContents) => new SetContents { Box = "box", Contents = [lens.Id] },
            nameof(PutPlace) => new PutPlace { Place = new Place { Id = random.Next(2) == 0 ? "" : Pick(plan.Places).Id, Name = "Sling", ReachSeconds = 4 } },
            nameof(RemovePlace) => new RemovePlace { Place = plan.Places[0].Id, To = plan.Places[^1].Id },
            nameof(AddPosition) => new AddPosition { Person = person, Position = "third", Body = Pick(plan.Items.OfType<Body>()).Id },
            nameof(RenamePosition) => new RenamePosition
            {
                Person = part.Setups.Count > 0 ? part.Setups[0].Person : person,
                Position = part.Setups.Count > 0
                ? part.Setups[0].Position : "left",
                Name = "slung"
            },
            nameof(RemovePosition) => new RemovePosition
            {
                Person = part.Setups.Count > 0 ? part.Setups[0].Person : person,
                Position = part.Setups.Count > 0
                ? part.Setups[0].Position : "left"
            },
            nameof(KeepThing) => new KeepThing { Item = Pick(plan.Items).Id, Always = random.Next(2) == 0 },
            nameof(GotThing) => new GotThing { Item = plan.Items[0].Id },
            nameof(SetRules) => new SetRules
            {
                MustSeconds = random.Next(10, 900),
                DualRecord = random.Next(2) == 0,
                Seconds = new OwnSeconds { ChangeLens = 15 }
            },
            _ => throw new InvalidOperationException($"say how to make a {kind.Name}"),
        };
    }
}
