using System.Text.Json.Nodes;
using YokePair.Core.Basics;
using YokePair.Core.Carry;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Starting;

namespace YokePair.Core.Tests;

/// <summary>Usual figures, questions, kinds of part, and what is read from what people type, word for word in <c>Told</c>.</summary>
public sealed class ToldLibrary
{
    private static readonly Plan Barn = BarnDay.Plan;

    private static readonly string[] Parts = ["Cocktail hour", "ceremony in the park", "the first dance", "group photos", "Kick-off", "a nap"];

    [Fact]
    public void What_is_usual_is_what_was_agreed() => Told.Compare("library", Readable.Of(new
    {
        Days = DayTemplate.All,
        Kinds = PartKind.All.Select(k => new { Kind = k, PerMinute = FrameEstimate.PerMinute(k.Id) }).ToList(),
        Meant = Parts.Select(t => new { Text = t, PartKind.Meant(t)?.Id }).ToList(),
        Asked = FigureCatalogue.Kinds.Select(k => new
        {
            Kind = k,
            Asked = Typical.Essentials(k).Select(e => $"{e.Figure}: {e.Question} {e.Example}").ToList(),
            Filled = Typical.Fill(k, new JsonObject { ["kind"] = k, ["id"] = "x" }).ToJsonString()
        }).ToList(),
        Figures = FigureCatalogue.All,
        Things = Barn.Items.Select(Plain).Select(i => new
        {
            i.Id,
            Weight = UsualWeights.Of(i),
            Size = UsualSizes.Of(i),
            Run = UsualRun.MinutesOf(i),
            Charge = UsualRun.RunsOffCharge(i),
            Wanted = WantedThing.Say(i),
            Name = WantedThing.Name(i)
        }).ToList(),
        Subjects = Enum.GetValues<Subject>().Select(s => Phrases.Need($"{s}", Importance.Must, s, 3, 5, Motion.Talking, 3)).ToList(),
        Speeds = Enum.GetValues<Motion>().Select(m => Phrases.ShutterSeconds(m)).ToList(),
        Groups = new[] { (4, 1), (12, 2), (60, 5) }.Select(g => Phrases.GroupFrame(g.Item1, g.Item2, 4, 9)).ToList(),
        Cold = new double?[] { null, 20, 10, 0, -5, -20, -40 }.Select(c => Charge.InTheCold(c)).ToList(),
        Ceilings = new double[] { 100, 6400, 6401, 30_000, 1e6 }.Select(c => CanBeHad.CeilingFor(c) ?? 0).ToList(),
    }));

    [Fact]
    public void What_is_read_from_each_field_is_what_was_agreed()
    {
        string[] texts =
        [
            "", "12", "2.5", "2,5", "1/250", "250", "1/60 s", "2 s", "f/2.8", "2.8-4", "f/4–5.6", "24-70", "85", "24–70 mm", "70-24", "3–5 m", "3 to 5",
                "10 ft", "6'2\"", "60 x 40", "60×40 cm", "24 in",
            "480 × 290 × 170", "20 inches", "half", "5 min", "1:30", "-3", "abc", "12 kg", "1.200", "1,200", "+2", "3 stops", "24 MP", "20 fps", "about 40",
        ];
        string[] days = ["2027-06-12", "12.6.2027", "12 June 2027", "June 12, 2027", "3 jan 2028", "4 feb", "5 mar 2027", "1 apr 2027", "2 may 2027",
            "9 jul 2027", "8 aug 2027", "7 sep 2027", "6 oct 2027", "5 nov 2027", "4 dec 2027", "31 feb 2027", "13/14/2027", "soon", "6/7/2027", "2027"];
        string[] times = ["14:00", "2 pm", "2:30pm", "14.30", "1400", "noon", "midnight", "24:00", "12 am", "25:00", "half past three", "3", "0:00", "7h30",
            "", "13:61"];
        Told.Compare("typed", string.Join('\n',
        [
            .. Enum.GetValues<TypedForm>().SelectMany(f => texts.Select(t => $"{f} \"{t}\": {Say(TypedFields.Read(f, t), n => string.Join(" and ", n))}")),
            .. days.Select(d => $"Day \"{d}\": {Say(TypedDay.Read(d), n => $"{n:yyyy-MM-dd}")}"),
            .. times.Select(t => $"Time \"{t}\": {Say(TypedTime.Read(t), n => $"{n:HH:mm}")}"),
        ]));
    }

    [Fact]
    public void What_is_told_of_things_of_every_kind_is_what_was_agreed()
    {
        var things = Barn.Items.Concat([.. Barn.Items.Where(i => i.Id is "b1" or "z24" or "f1")
            .Select(i => i with { Id = i.Id + "x", Count = 2, Status = Availability.Lent })]).ToList();
        var day = new DateOnly(2027, 6, 12);
        IReadOnlyList<Item> without = [.. things.Where(i => i.Id is not ("ad1" or "rd" or "ch" or "aa3" or "lb2"))];
        Told.Compare("locker.barn", Readable.Of(new
        {
            Report = LockerReport.Of(things, new Compatibility(things, Barn.Pairs!), day),
            Alone = new[] { things, without, [.. things.DistinctBy(i => i.GetType())] }.Select(t => Alone.Find(t, new Compatibility(t, []), day)).ToList(),
            Empty = LockerReport.Of([], new Compatibility([], []), day).Headline,
            Pairs = things.DistinctBy(i => i.GetType()).SelectMany(a => things.Select(b => (a, b, Answer: new Compatibility(things, Barn.Pairs!).Of(a, b))))
                .Where(x => x.Answer.Fit is not null).Select(x => $"{x.a.Id} and {x.b.Id}: {x.Answer.Fit}, {x.Answer.Reason}").ToList(),
        }));
    }

    [Fact]
    public void What_is_said_of_a_locker_that_is_read_is_what_was_agreed()
    {
        string[] files =
        [
            "[]", "{", """{"format":"x"}""", """{"format":"yoke-pair/locker"}""",
            """{"format":"yoke-pair/locker","things":[],"pairs":[{"a":"b"}]}""",
            """{"format":"yoke-pair/locker","things":[],"kinds":{}}""",
            """{"format":"yoke-pair/locker","things":[],"kinds":[{"id":"","name":"x"}]}""",
            """{"format":"yoke-pair/locker","things":[],"kinds":[{"id":"x","name":""}]}""",
            """{"format":"yoke-pair/locker","things":[],"kinds":[null]}""",
            """
            {"format":"yoke-pair/locker","things":[3,{"kind":"lens"},{"name":"A","kind":"sled"},{"name":"B"},{"id":"a:b","kind":"other","name":"C"},
              {"id":"z24","kind":"body","name":"D"},{"id":"lb1","kind":"battery","type":"LB","health":0.7,"charged":false},
              {"id":"lb1","kind":"battery","type":"LB"},{"kind":"card","type":"SD","gigabytes":64,"name":"New card"}]}
            """,
        ];
        Told.Compare("locker.files", Readable.Of(files.Select(f => LockerFile.Read(System.Text.Encoding.UTF8.GetBytes(f))).Select(read => new
        {
            Problems = read.Problems.Select(p => (p with { Line = null }).ToString()).ToList(),
            Weighed = WeighedImport.Of(Barn.Items, read.Things)
                .Rows.Select(r => $"{r.Line} {r.Action} {r.Kind} {r.Name}: {string.Join("; ", r.What)} {string.Join("; ", r.Problems)}").ToList(),
        }).ToList()));
        Dictionary<string, string[]> changes = new()
        {
            ["b1"] = ["sensorWidthMm=23.5", "sensorWidthMm=0", "slots=SD 90 MB/s + CF", "slots=SD x", "learnt=a + b", "silent=maybe", "silent=yes", "silent=y",
                "silent=ja", "silent=-", "silent=nein", "slots=microSD@90+cf+sdxc+cfx a", "silentShutter=some", "id=other", "nothing=1", "crop=",
                "syncSeconds=1/200", "status=lent"],
            ["rd"] = ["cardTypes=microsd + cf + cfx a", "megabytesPerSecond=abc"],
            ["l"] = [],
            ["z24"] = ["focal=24-105", "focal=0", "aperture=f/4", "owner=second", "weightG=1 kg", "firstUse=3 may 2024", "value=1.200"],
        };
        Told.Compare("locker.changes", string.Join('\n', changes.SelectMany(c => c.Value.Select(v => v.Split('=')).Select(v =>
        {
            var (item, problems) = LockerFigures.Change(Barn.ItemOf(c.Key)!, [new(v[0], v[1])]);
            return $"{c.Key} {v[0]} = {v[1]}: {string.Join("; ", problems)}{(item is null ? "" : FigureCatalogue.ToJson(item).ToJsonString())}";
        }))));
    }

    [Fact]
    public void What_is_said_of_a_bag_that_is_too_small_and_of_a_day_that_cannot_be_made_is_what_was_agreed()
    {
        var day = new DayAnalysis(Barn);
        var room = BagRoom.Of(Barn, Barn.PlaceOf("bag")!, [])!;
        var smaller = Barn.Items.OfType<Lens>().Where(l => l.Id is "z70" or "m90")
            .SelectMany(l => new[] { (60.0, l.Aperture.Low), (90, 4.5), (100, 5.6), (110, 8) }.Select(s => l with
            {
                Id = $"{l.Id}-{s.Item1}",
                Name = $"Small {l.Label} {s.Item1}",
                SizeMm = [s.Item1, 60, 60],
                Place = null,
                Aperture = new(s.Item2, s.Item2),
            })).ToList();
        BagLayout Laid(string[] outs, TooDeep[] deep, double? longer = null, double? wider = null, bool proven = true) =>
            new(room, [], deep, outs, longer, wider, proven);
        Told.Compare("bag.fit", Readable.Of(new[]
        {
            Laid([], []), Laid(["z70"], [], 30, 20), Laid(["z70", "f2", "m90"], [], 30), Laid(["z70"], [], wider: 12, proven: false),
                Laid([], [new("z70", 12.2)]), Laid(["m90"], [new("f3", 3)]),
        }.Select(l => BagFitDay.Of(day, l, smaller, r => r.Things.Sum(t => t.SizeMm.Aggregate(1.0, (v, mm) => v * mm)) < 1e9))
            .Select(f => new { f.Sentence, f.Instead }).ToList()));
        NewDayRequest request = new("Day", new DateOnly(2027, 6, 12), "wedding-indoor", null, null, false);
        NewDayRequest[] asked =
        [
            request with { Name = "" }, request with { Template = "none" }, request with { Template = null }, request with { Style = "none" },
                request with { Template = null, Timetable = " " }, request with { Days = 20 }, request with { Days = 0 },
            request with { Habits = new Habits { LivesAtMm = 3 } }, request with { TimeZone = "Nowhere/Nothing" }, request with { Again = "weekly" },
                request with { Template = null, Timetable = "14:00 ceremony, chapel 40 min\n13:00 tea\nnonsense\n25:00 dance" },
        ];
        Told.Compare("new.refused", string.Join('\n', asked.Select(a => NewDay.From(a, Barn.Items))
            .Select(a => $"{string.Join("; ", a.Problems)} {Parts(a.Plan)}")));

        static string Parts(Plan? plan) => plan is null ? "no day" : string.Join(", ", plan.Parts.Select(p => $"{p.Name} {p.Start:HH:mm}"));
    }

    private static string Say<T>(Reading<T> reading, Func<T, string> value) => reading.Problem ?? value(reading.Value);

    /// <summary>Without what it says of its own weight, size and running time.</summary>
    private static Item Plain(Item item) => item switch
    {
        StandLight light => light with { RunMinutes = null, WeightG = null },
        Trigger trigger => trigger with { RunMinutes = null, WeightG = null },
        OtherThing other => other with { RunMinutes = null, WeightG = null },
        _ => item with { WeightG = null },
    };
}
