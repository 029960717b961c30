using YokePair.Core.Plans;

namespace YokePair.Core.Taken;

/// <summary>Something files speak of that could be several things, or none.</summary>
/// <param name="Key">What the answer is remembered under.</param>
/// <param name="IsCamera">Whether it is a camera, else glass.</param>
/// <param name="Says">What it calls itself.</param>
/// <param name="Serial">Its serial number; null = not told.</param>
/// <param name="On">Of glass with no number of its own, the camera it was on.</param>
/// <param name="Frames">How many pictures it took.</param>
/// <param name="Candidates">Ids of what it may be, the likeliest first.</param>
public sealed record WhichThing(string Key, bool IsCamera, string Says, string? Serial, string? On, int Frames, IReadOnlyList<string> Candidates);

/// <summary>Which of one's own things took the pictures.</summary>
/// <param name="Things">By number of the seen thing, the id of one's own; null = none of one's own, or not known yet.</param>
/// <param name="Asked">What is not clear.</param>
public sealed record Recognition(IReadOnlyList<string?> Things, IReadOnlyList<WhichThing> Asked)
{
    private const double SameFocal = 0.02, SameFNumber = 0.06;

    /// <summary>
    /// Recognises what files speak of: as was answered before; else by serial number; else by name, or of glass by its figures, where only one
    /// thing of the day, or else of the locker, is like that and no other was recognised as it.
    /// </summary>
    /// <param name="roll">The pictures.</param>
    /// <param name="packed">What was taken along.</param>
    /// <param name="atHome">What else is owned.</param>
    /// <param name="answered">By key, the id that somebody said it is; empty = none of one's own.</param>
    // Long: one rule after the other, each on what the one before left open.
    public static Recognition Of(TakenRoll roll, IReadOnlyList<Item> packed, IReadOnlyList<Item> atHome, IReadOnlyDictionary<string, string> answered)
    {
        // Serial numbers are the locker's to know.
        List<Item> all = [.. atHome.Concat(packed).DistinctBy(i => i.Id).Where(i => i is Body or Lens)];
        var along = packed.Select(i => i.Id).ToHashSet(StringComparer.Ordinal);
        var frames = roll.Frames.SelectMany(f => new[] { f.Camera, f.Glass }).CountBy(n => n).ToDictionary();
        var things = new string?[roll.Seen.Count];
        var clear = new bool[things.Length];
        var taken = new HashSet<string>(StringComparer.Ordinal);
        for (var n = 0; n < things.Length; n++)
            if (answered.TryGetValue(roll.Seen[n].Key, out var said)) Is(n, said.Length == 0 || all.All(i => i.Id != said) ? null : said);
            else if (roll.Seen[n].Serial is { } serial
                && all.Find(i => i is Body == roll.Seen[n].IsCamera && Same(i.Serial, serial)) is { } numbered) Is(n, numbered.Id);
        // One that is clear may leave only one for another.
        for (var before = -1; before != clear.Count(c => c);)
        {
            before = clear.Count(c => c);
            for (var n = 0; n < things.Length; n++)
                if (!clear[n] && Alike(n) is [var only]) Is(n, only);
        }
        return new Recognition(things, [.. Enumerable.Range(0, things.Length).Where(n => !clear[n]).Select(Ask).OrderByDescending(a => a.Frames)]);

        void Is(int n, string? thing)
        {
            (things[n], clear[n]) = (thing, true);
            // A camera is one camera; glass without a number is seen once on each camera it was on.
            if (thing is not null && roll.Seen[n].Serial is not null) taken.Add(thing);
        }

        List<string> Alike(int n)
        {
            var like = all.FindAll(i => !taken.Contains(i.Id) && IsLike(i, roll.Seen[n])
                && !(i.Serial is { } own && roll.Seen[n].Serial is { } told && !Same(own, told)));
            var here = like.FindAll(i => along.Contains(i.Id));
            return [.. (here.Count > 0 ? here : like).Select(i => i.Id)];
        }

        WhichThing Ask(int n)
        {
            var seen = roll.Seen[n];
            var likely = Alike(n);
            var rest = all.FindAll(i => i is Body == seen.IsCamera && !likely.Contains(i.Id)).OrderBy(i => !along.Contains(i.Id)).Select(i => i.Id);
            var on = seen is { IsCamera: false, Serial: null } ? roll.Frames.FirstOrDefault(f => f.Glass == n)?.Camera : null;
            return new WhichThing(seen.Key, seen.IsCamera, seen.Says, seen.Serial, on is { } camera ? roll.Seen[camera].Says : null,
                frames.GetValueOrDefault(n), [.. likely, .. rest]);
        }
    }

    private static bool Same(string? one, string other) => string.Equals(one?.Trim(), other, StringComparison.OrdinalIgnoreCase);

    private static bool IsLike(Item item, SeenThing seen) => (item, seen) switch
    {
        (Body, { IsCamera: true }) => Letters(seen.Says) is { Length: > 2 } said && Letters(item.Label) is { Length: > 2 } own
            && (own.Contains(said, StringComparison.Ordinal) || said.Contains(own, StringComparison.Ordinal)),
        (Lens lens, { IsCamera: false, Focal: { } focal }) => Near(lens.Focal.Low, focal.Low) && Near(lens.Focal.High, focal.High)
            && (seen.FNumber is not { } n || Math.Abs(lens.Aperture.Low - n) <= SameFNumber),
        _ => false,
    };

    private static bool Near(double one, double other) => Math.Abs(one - other) <= Math.Max(SameFocal * other, 0.5);

    private static string Letters(string text) => new([.. text.Where(char.IsLetterOrDigit).Select(char.ToLowerInvariant)]);
}
