using System.Text.Json.Nodes;
using YokePair.Core.Basics;
using YokePair.Core.Library;
using YokePair.Core.Locker;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>Usual figures, questions, kinds of part, and what is read from what people type, word for word in <c>Told</c>.</summary>
public sealed class ToldLibrary
{
    private static readonly Plan Barn = PlanFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "Lines/barn-day.json"))).Plan!;

    private static readonly string[] Parts = ["Cocktail hour", "ceremony in the park", "the first dance", "group photos", "Kick-off", "a nap"];

    [Fact]
    public void What_is_usual_is_what_was_agreed() => Told.Compare("library", Readable.Of(new
    {
        Days = DayTemplate.All,
        Kinds = PartKind.All.Select(k => new { Kind = k, PerMinute = FrameEstimate.PerMinute(k.Id) }).ToList(),
        Meant = Parts.Select(t => new { Text = t, PartKind.Meant(t)?.Id }).ToList(),
        Asked = FigureCatalogue.Kinds.Select(k => new { Kind = k, Asked = Typical.Essentials(k).Select(e => $"{e.Figure}: {e.Question} {e.Example}").ToList(), Filled = Typical.Fill(k, new JsonObject { ["kind"] = k, ["id"] = "x" }).ToJsonString() }).ToList(),
        Figures = FigureCatalogue.All,
        Things = Barn.Items.Select(Plain).Select(i => new { i.Id, Weight = UsualWeights.Of(i), Size = UsualSizes.Of(i), Run = UsualRun.MinutesOf(i), Charge = UsualRun.RunsOffCharge(i), Wanted = WantedThing.Say(i), Name = WantedThing.Name(i) }).ToList(),
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
            "", "12", "2.5", "2,5", "1/250", "250", "1/60 s", "2 s", "f/2.8", "2.8-4", "f/4–5.6", "24-70", "85", "24–70 mm", "70-24", "3–5 m", "3 to 5", "10 ft", "6'2\"", "60 x 40", "60×40 cm", "24 in",
            "480 × 290 × 170", "20 inches", "half", "5 min", "1:30", "-3", "abc", "12 kg", "1.200", "1,200", "+2", "3 stops", "24 MP", "20 fps", "about 40",
        ];
        string[] days = ["2027-06-12", "12.6.2027", "12 June 2027", "June 12, 2027", "3 jan 2028", "4 feb", "5 mar 2027", "1 apr 2027", "2 may 2027", "9 jul 2027", "8 aug 2027", "7 sep 2027", "6 oct 2027", "5 nov 2027", "4 dec 2027", "31 feb 2027", "13/14/2027", "soon", "6/7/2027", "2027"];
        string[] times = ["14:00", "2 pm", "2:30pm", "14.30", "1400", "noon", "midnight", "24:00", "12 am", "25:00", "half past three", "3", "0:00", "7h30", "", "13:61"];
        Told.Compare("typed", string.Join('\n',
        [
            .. Enum.GetValues<TypedForm>().SelectMany(f => texts.Select(t => $"{f} \"{t}\": {Say(TypedFields.Read(f, t), n => string.Join(" and ", n))}")),
            .. days.Select(d => $"Day \"{d}\": {Say(TypedDay.Read(d), n => $"{n:yyyy-MM-dd}")}"),
            .. times.Select(t => $"Time \"{t}\": {Say(TypedTime.Read(t), n => $"{n:HH:mm}")}"),
        ]));
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
