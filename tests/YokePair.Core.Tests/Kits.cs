using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Core.Starting;

namespace YokePair.Core.Tests;

/// <summary>A kit as its owner would type it, how they work, and the usual day it is started on.</summary>
/// <param name="Name">What kind of photographer it is.</param>
/// <param name="Lines">The gear, a line each.</param>
/// <param name="Style">Starting style.</param>
/// <param name="Template">Usual day.</param>
/// <param name="Second">Whether a second photographer comes along.</param>
/// <param name="Habits">How they work.</param>
public sealed record Kit(string Name, string Lines, string Style, string Template, bool Second = false, Habits? Habits = null)
{
    private const string Spares = "\n4x cells AA\n4x cells AA\n6x card SD 64GB\n";

    public override string ToString() => Name;

    public IReadOnlyList<Item> Things()
    {
        var known = new KnownWords(new HashSet<string>(), new HashSet<string>(), new HashSet<string>());
        var lines = QuickAdd.ReadAll(Lines + Spares, known);
        Assert.All(lines, l =>
            Assert.True(l.Ready, $"{l.Things.Count} {string.Join(", ", l.Problems)} {string.Join(", ", l.Missing.Select(m => m.Question))}"));
        var taken = new HashSet<string>(StringComparer.Ordinal);
        return [.. lines.SelectMany(l => l.Things).Select(t =>
        {
            var id = ItemIds.New(ItemKinds.Of(t), t.Label, taken);
            taken.Add(id);
            return t with { Id = id };
        })];
    }

    public Plan Start()
    {
        var reading = NewDay.From(new NewDayRequest(Name, new DateOnly(2027, 7, 3), Template, null, Style, Second, Habits: Habits), Things());
        Assert.True(reading.Plan is not null, string.Join("; ", reading.Problems));
        return reading.Plan;
    }

    public static IReadOnlyList<Kit> All { get; } =
    [
        new("two primes, close", """
            2x body Halm 45 M1 24MP iso12800 SD+SD LB7 10fps silent
            35/1.4 M1 600g
            85/1.4 M1 900g
            50/1.8 M1
            100 f/2.8 macro M1
            2x flash GN36 AA R1 canSend:yes canHear:yes
            5x battery LB7
            """, "two-primes", "wedding-indoor", Habits: new Habits(LivesAtMm: 35)),
        new("two zooms, a couple", """
            2x body Orrin M2 45MP iso12800 SD+SD LB2 9fps silent
            2x body Orrin small M2 24MP iso6400 SD+SD LB2 9fps silent @second
            24-70/2.8 M2
            70-200/2.8 M2
            24-70/2.8 M2 @second
            70-200/4 M2 @second
            85/1.8 M2
            90 f/2.8 macro M2
            4x flash GN36 AA R1 canSend:yes canHear:yes
            9x battery LB2
            """, "two-zooms", "wedding-outdoor", true),
        new("one long zoom each", """
            2x body Tarn M3 24MP iso6400 SD+SD LB5 8fps silent
            24-105/4 M3 700g stab3
            24-105/4 M3 700g stab3 @second
            50/1.4 M3
            85/1.8 M3
            16-35/4 M3
            tube 16mm M3
            2x flash GN42 AA R1 canSend:yes canHear:yes
            5x battery LB5
            """, "one-zoom", "wedding-small", true),
        new("one body, open roller", """
            body Veld M4 36MP iso12800 SD+SD LB1 6fps silent
            body Veld old M4 24MP iso6400 SD LB1 5fps
            24-70/2.8 M4
            35/1.4 M4
            85/1.4 M4
            70-200/2.8 M4
            100 f/2.8 macro M4
            2x flash GN40 AA R1 canSend:yes canHear:yes
            4x battery LB1
            """, "open-roller", "wedding-outdoor"),
        new("old glass on adapters", """
            2x body Brask M5 33MP iso12800 SD+SD LB3 10fps silent
            3x adapter M6>M5
            35/1.4 M6
            85/1.4 M6
            24-70/2.8 M6
            100 f/2.8 macro M6
            2x flash GN36 AA R1 canSend:yes canHear:yes
            5x battery LB3
            """, "two-primes", "wedding-indoor"),
        new("three bodies, an assistant", """
            3x body Halm M1 45MP iso12800 SD+SD LB7 10fps silent
            24-70/2.8 M1
            70-200/2.8 M1
            14-24/2.8 M1
            300/2.8 M1
            50/1.2 M1
            60 f/2.8 macro M1
            3x flash GN40 AA R1 canSend:yes canHear:yes
            7x battery LB7
            """, "three-bodies", "wedding-indoor"),
        new("field sport", """
            2x body Orrin sport M2 20MP iso25600 SD+SD LB9 20fps
            400/2.8 M2
            70-200/2.8 M2
            24-70/2.8 M2
            converter 1.4x M2
            monopod
            4x battery LB9
            """, "two-zooms", "sport-field"),
        new("hall sport", """
            2x body Halm fast M1 24MP iso25600 SD+SD LB7 12fps
            70-200/2.8 M1
            24-70/2.8 M1
            85/1.8 M1
            300/2.8 M1
            monopod
            4x battery LB7
            """, "two-zooms", "sport-hall"),
        new("concert", """
            2x body Tarn M3 24MP iso12800 SD+SD LB5 10fps silent
            24-70/2.8 M3
            70-200/2.8 M3
            35/1.4 M3
            3x battery LB5
            """, "two-zooms", "event-concert"),
        new("dance", """
            2x body Brask M5 24MP iso12800 SD+SD LB3 10fps silent
            35/1.4 M5
            85/1.4 M5
            24-70/2.8 M5
            3x flash GN42 AA R1 canSend:yes canHear:yes
            trigger sends:R1 cellsType:AA
            2x stand
            4x battery LB3
            """, "two-primes", "event-dance", Habits: new Habits(LivesAtMm: 35, Light: Illumination.Bounce)),
    ];
}
