using YokePair.Core.Plans;
using YokePair.Core.Taken;
using YokePair.Core.Wording;
using YokePair.Data;
using YokePair.Data.Files;
using YokePair.Web.Sessions;

namespace YokePair.Web.After;

/// <summary>What is known of a day afterwards.</summary>
/// <param name="Name">What the assignment is called.</param>
/// <param name="Folders">Folders whose pictures may be read.</param>
/// <param name="Reading">How the reading stands; null = none was begun.</param>
/// <param name="Used">What the day used; null = nothing was read yet.</param>
/// <param name="Learnt">What past assignments teach that bears on this one, or came of it.</param>
public sealed record AfterPage(
    string Name, IReadOnlyList<string> Folders, PictureReading? Reading, UsedPage? Used, IReadOnlyList<LearntLine> Learnt);

/// <summary>What a day used, told.</summary>
/// <param name="Headline">First what it comes to.</param>
/// <param name="At">When the pictures were read, UTC.</param>
/// <param name="Folder">Where from.</param>
/// <param name="Day">The figures.</param>
/// <param name="Names">What things are called, by id.</param>
/// <param name="Ends">By glass, that it was at one end too often.</param>
/// <param name="Bursts">The longest burst of each camera.</param>
/// <param name="Lacks">What was lacking.</param>
/// <param name="Asked">What is not clear of cameras and glass.</param>
/// <param name="Clocks">Clocks that are wrong.</param>
/// <param name="Batteries">What is asked of batteries.</param>
/// <param name="Faulty">Files that could not be read.</param>
/// <param name="Strange">Delivered pictures that are found among none of all.</param>
/// <param name="Light">Whether what each picture told has been let go of.</param>
public sealed record UsedPage(
    IReadOnlyList<TextPiece> Headline, DateTime At, string Folder, TakenDay Day, IReadOnlyDictionary<string, string> Names, IReadOnlyDictionary<string,
        string> Ends,
    IReadOnlyList<string> Bursts, IReadOnlyList<string> Lacks, IReadOnlyList<WhichThing> Asked, IReadOnlyList<WrongClock> Clocks,
    IReadOnlyList<BatteryQuestion> Batteries, IReadOnlyList<UnsafeFile> Faulty, int Strange, bool Light);

/// <summary>A clock that is wrong, or was set right.</summary>
/// <param name="Camera">Key of the camera as files speak of it.</param>
/// <param name="Said">What is wrong.</param>
/// <param name="Seconds">Seconds it is before the others.</param>
/// <param name="Reckoned">Whether that is reckoned with.</param>
public sealed record WrongClock(string Camera, string Said, double Seconds, bool Reckoned);

/// <summary>How many batteries of a type were changed.</summary>
/// <param name="Type">The type.</param>
/// <param name="Cameras">Names of the cameras that took pictures with them.</param>
/// <param name="Frames">How many pictures.</param>
/// <param name="Answer">What was said; null = nothing yet.</param>
public sealed record BatteryQuestion(string Type, IReadOnlyList<string> Cameras, int Frames, BatteriesUsed? Answer);

/// <summary>Makes the page.</summary>
internal sealed class AfterPages(Days days, UsedStore used, DaysUsed reckoned, LearntFigures learnt, PictureReadings readings, Roots roots)
{
    /// <summary>Of an assignment; null when there is none such.</summary>
    public async Task<AfterPage?> OfAsync(string key, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return null;
        // In this order: whoever is told that nothing is being read any more is told what was.
        var reading = readings.Of(key);
        var stored = await used.FindAsync(key, cancel);
        var lines = (await learnt.LinesAsync(cancel)).Where(l => Bears(l.Figure, session.Plan)).ToList();
        return new AfterPage(session.Plan.Assignment.Name, roots.Folders(), reading, stored is null ? null
            : await UsedOfAsync(session, stored, cancel), lines);
    }

    private async Task<UsedPage> UsedOfAsync(Session session, UsedStored stored, CancellationToken cancel)
    {
        var (plan, day) = (session.Plan, stored.Figures);
        var items = plan.Items.Concat((await days.LockerAsync(cancel)).Things).DistinctBy(i => i.Id).ToDictionary(i => i.Id, StringComparer.Ordinal);
        var recognition = stored.Roll is { } roll ? await reckoned.RecogniseAsync(plan, roll, cancel) : null;
        return new UsedPage(
            TakenWords.Headline(day, [.. items.Values]), stored.At, stored.Folder, day,
            items.Values.Where(i => i is Body or Lens).ToDictionary(i => i.Id, i => i.Label, StringComparer.Ordinal),
            day.Glass.Where(g => g.Glass is not null && items.GetValueOrDefault(g.Glass) is Lens)
                .Select(g => (g.Glass, Said: TakenWords.AtAnEnd(g, (Lens)items[g.Glass!], [.. plan.Items.OfType<Lens>()]))).Where(g => g.Said is not null)
                .ToDictionary(g => g.Glass!, g => g.Said!, StringComparer.Ordinal),
            [.. day.Bodies.Where(b => b.Body is not null).Select(b => TakenWords.Burst(b, Name(b.Body!))).OfType<string>()],
            [.. Lacking.Of([day], [.. items.Values]).Select(l => TakenWords.Of(l, Name)), .. RunningLate.Of([day]).Select(l => TakenWords.Of(l))],
            recognition?.Asked ?? [], stored.Roll is null || recognition is null ? [] : Clocks(stored.Roll, recognition, stored.Told, Name),
            [.. day.Bodies.Where(b => b.BatteryType is not null).GroupBy(b => b.BatteryType!).Select(g => new BatteryQuestion(
                g.Key, [.. g.Select(b => Name(b.Body!))], g.Sum(b => b.Taken), stored.Told.Batteries.GetValueOrDefault(g.Key)))],
            stored.Faulty, stored.Roll?.Strange ?? 0, stored.Roll is null);

        string Name(string id) => items.GetValueOrDefault(id)?.Label ?? id;
    }

    /// <summary>Each camera against the one that took most: that one's clock is the day's.</summary>
    private static List<WrongClock> Clocks(TakenRoll roll, Recognition things, ToldOfDay told, Func<string, string> name)
    {
        const double small = 2;
        var times = roll.Frames.ToLookup(f => f.Camera, f => f.At);
        var cameras = times.OrderByDescending(c => c.Count()).ToList();
        var wrong = new List<WrongClock>();
        foreach (var camera in cameras.Skip(1))
        {
            var seen = roll.Seen[camera.Key];
            if (ClockDifference.Between(times[cameras[0].Key], camera) is not { } clock || Math.Abs(clock.Seconds) < small) continue;
            wrong.Add(new WrongClock(seen.Key, TakenWords.Of(clock, Called(camera.Key), Called(cameras[0].Key)), clock.Seconds,
                told.Clocks.ContainsKey(seen.Key)));
        }
        return wrong;

        string Called(int camera) => things.Things[camera] is { } id ? "the " + name(id) : $"the {roll.Seen[camera].Says}";
    }

    /// <summary>Figures of its places, kinds of part and things.</summary>
    private static bool Bears(LearntFigure figure, Plan plan) => figure switch
    {
        { Place: { } place } => plan.Parts.Any(p => p.Location is { } at && Learnt.PlaceKey(at) == Learnt.PlaceKey(place)),
        { PartKind: { } kind } => plan.Parts.Any(p => p.Kind == kind),
        _ => plan.HasItem(figure.Thing!),
    };
}
