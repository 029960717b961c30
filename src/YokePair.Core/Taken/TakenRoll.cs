using System.Globalization;
using YokePair.Core.Basics;

namespace YokePair.Core.Taken;

/// <summary>What one picture file tells of itself (EXIF, CIPA DC-008).</summary>
/// <param name="File">Its path within the folder.</param>
/// <param name="At">When it was taken, by the camera's own clock.</param>
/// <param name="Model">What the camera calls itself.</param>
/// <param name="Serial">The camera's serial number.</param>
/// <param name="LensModel">What the lens calls itself.</param>
/// <param name="LensSerial">The lens's serial number.</param>
/// <param name="LensFocal">Focal lengths of the lens, mm.</param>
/// <param name="LensFNumber">Its widest f-number at the short end.</param>
/// <param name="FocalMm">Focal length used, mm, as marked on the lens.</param>
/// <param name="FNumber">f-number used.</param>
/// <param name="Seconds">Exposure time, s.</param>
/// <param name="Iso">Sensitivity.</param>
/// <param name="Flash">Whether a flash fired that the camera knew of.</param>
/// <param name="LongPx">Pixels along its longer side; 0 = not told.</param>
public sealed record PictureTold(
    string File, DateTime At, string? Model = null, string? Serial = null, string? LensModel = null, string? LensSerial = null, Interval? LensFocal = null,
    double? LensFNumber = null, double? FocalMm = null, double? FNumber = null, double? Seconds = null, double? Iso = null, bool Flash = false, int LongPx = 0);

/// <summary>A camera or a lens as files call it.</summary>
/// <param name="Key">What is remembered of it under.</param>
/// <param name="IsCamera">Whether it is a camera, else glass.</param>
/// <param name="Says">What it calls itself.</param>
/// <param name="Serial">Its serial number; null = not told.</param>
/// <param name="Focal">Of glass, its focal lengths, mm; null = not told.</param>
/// <param name="FNumber">Of glass, its widest f-number; null = not told.</param>
public sealed record SeenThing(string Key, bool IsCamera, string Says, string? Serial, Interval? Focal = null, double? FNumber = null);

/// <summary>A picture that was taken, raw and JPEG of it together.</summary>
/// <param name="File">Name of its file.</param>
/// <param name="At">When, by the camera's own clock.</param>
/// <param name="Camera">Which of the seen things took it.</param>
/// <param name="Glass">Through which of them; -1 = not told.</param>
/// <param name="FocalMm">Focal length, mm.</param>
/// <param name="FNumber">f-number.</param>
/// <param name="Seconds">Exposure time, s.</param>
/// <param name="Iso">Sensitivity.</param>
/// <param name="Flash">Whether a flash fired.</param>
/// <param name="LongPx">Pixels along the longer side; 0 = not told.</param>
/// <param name="Kept">Whether it was delivered.</param>
/// <param name="KeptPx">Pixels along the longer side of what was delivered; 0 = not told.</param>
public sealed record TakenFrame(
    string File, DateTime At, int Camera, int Glass, double? FocalMm, double? FNumber, double? Seconds, double? Iso, bool Flash, int LongPx, bool Kept = false,
    int KeptPx = 0);

/// <summary>The pictures of a day.</summary>
/// <param name="Seen">The cameras and the glass that files speak of.</param>
/// <param name="Frames">The pictures, in order of time.</param>
/// <param name="KnowsKept">Whether the delivered ones were shown beside them.</param>
/// <param name="Strange">How many delivered ones are found among none of them.</param>
public sealed record TakenRoll(IReadOnlyList<SeenThing> Seen, IReadOnlyList<TakenFrame> Frames, bool KnowsKept, int Strange = 0)
{
    /// <summary>
    /// Makes it of what files tell. Files of one camera and one name are one picture: a raw file and its JPEG. A delivered file is found by
    /// camera and name, else by camera and time, as many are renamed.
    /// </summary>
    /// <param name="all">All that were taken.</param>
    /// <param name="delivered">Those that were delivered; null = nobody has said.</param>
    public static TakenRoll Of(IEnumerable<PictureTold> all, IReadOnlyCollection<PictureTold>? delivered = null)
    {
        var seen = new List<SeenThing>();
        var numbers = new Dictionary<string, int>(StringComparer.Ordinal);
        var cameras = new Dictionary<(string?, string?), SeenThing>();
        // The raw file is the one that tells the camera's full size.
        var pictures = all.GroupBy(p => (Known(p).Key, Stem(p), p.At)).Select(g => g.MaxBy(p => p.LongPx)!).OrderBy(p => p.At)
            .ThenBy(p => p.File, StringComparer.Ordinal).ToList();
        var found = new Dictionary<PictureTold, int>(ReferenceEqualityComparer.Instance);
        var strange = delivered is null ? 0 : Find(pictures, delivered, found);
        return new TakenRoll(seen, [.. pictures.Select(Frame)], delivered is not null, strange);

        TakenFrame Frame(PictureTold p) => new(
            p.File, p.At, Number(Known(p)), Glass(p, Known(p)) is { } glass ? Number(glass) : -1, p.FocalMm, p.FNumber, p.Seconds, p.Iso, p.Flash, p.LongPx,
            found.ContainsKey(p), found.GetValueOrDefault(p));

        SeenThing Known(PictureTold p) => cameras.TryGetValue((p.Model, p.Serial), out var known) ? known : cameras[(p.Model, p.Serial)] = Camera(p);

        int Number(SeenThing thing)
        {
            if (numbers.TryGetValue(thing.Key, out var known)) return known;
            seen.Add(thing);
            return numbers[thing.Key] = seen.Count - 1;
        }
    }

    /// <summary>Notes which were delivered, and how large; how many are of none of them.</summary>
    private static int Find(List<PictureTold> pictures, IReadOnlyCollection<PictureTold> delivered, Dictionary<PictureTold, int> found)
    {
        var byName = pictures.ToLookup(p => (Camera(p).Key, Stem(p)));
        var byTime = pictures.ToLookup(p => (p.Model, p.At));
        var strange = 0;
        foreach (var one in delivered)
        {
            var same = byName[(Camera(one).Key, Stem(one))].Where(p => p.At == one.At).DefaultIfEmpty(byTime[(one.Model, one.At)].FirstOrDefault()).First();
            if (same is null) strange++;
            else found[same] = Math.Max(found.GetValueOrDefault(same), one.LongPx);
        }
        return strange;
    }

    private static string Stem(PictureTold picture) => Path.GetFileNameWithoutExtension(picture.File).ToUpperInvariant();

    private static SeenThing Camera(PictureTold p)
    {
        var says = string.IsNullOrWhiteSpace(p.Model) ? "a camera that gives no name" : p.Model.Trim();
        return new SeenThing($"camera|{says}|{p.Serial?.Trim()}", true, says, p.Serial?.Trim());
    }

    /// <summary>The glass; where it gives no number of its own, of each camera for itself, as twins are told apart by nothing else.</summary>
    private static SeenThing? Glass(PictureTold p, SeenThing camera)
    {
        var serial = string.IsNullOrWhiteSpace(p.LensSerial) ? null : p.LensSerial.Trim();
        var says = !string.IsNullOrWhiteSpace(p.LensModel) ? p.LensModel.Trim() : p.LensFocal is { } f ? Figures(f, p.LensFNumber)
            : p.FocalMm is > 0 and var mm ? string.Create(CultureInfo.InvariantCulture, $"{Math.Round(mm)} mm glass that gives no name") : null;
        if (says is null) return null;
        var focal = p.LensFocal ?? GlassNames.Focal(says) ?? (p.FocalMm is { } only ? new Interval(only, only) : null);
        return new SeenThing($"glass|{says}|{serial ?? camera.Key}", false, says, serial, focal, p.LensFNumber ?? GlassNames.FNumber(says));
    }

    private static string Figures(Interval focal, double? fNumber) =>
        $"{English.Tenths(focal.Low)}{(focal.High > focal.Low ? "–" + English.Tenths(focal.High) : "")} "
            + $"mm{(fNumber is { } n ? " f/" + English.Tenths(n) : "")}";
}
