using System.Globalization;
using MetadataExtractor;
using MetadataExtractor.Formats.Exif;
using YokePair.Core.Basics;
using YokePair.Core.Taken;
using ExifDirectory = MetadataExtractor.Formats.Exif.ExifDirectoryBase;

namespace YokePair.Data.Pictures;

/// <summary>Reads what a picture file tells of itself. It is opened for reading alone.</summary>
public static class PictureFile
{
    private const int FlashFired = 1;

    /// <summary>Endings of files that are looked at: JPEG, HEIF, and raw files, which are TIFF or ISO media files within.</summary>
    private static readonly HashSet<string> Endings = new(StringComparer.OrdinalIgnoreCase)
    {
        ".jpg", ".jpeg", ".heic", ".heif", ".tif", ".tiff", ".dng", ".raw", ".arw", ".cr2", ".cr3", ".crw", ".nef", ".nrw", ".orf", ".pef", ".raf", ".rw2",
        ".rwl", ".srw", ".3fr", ".fff", ".iiq", ".mos", ".x3f",
    };

    /// <summary>Whether a file is a picture by its name.</summary>
    public static bool IsNamedSo(string path) => Endings.Contains(Path.GetExtension(path));

    /// <summary>Reads one.</summary>
    /// <param name="path">Full path.</param>
    /// <param name="name">Its path within the folder.</param>
    /// <returns>What it tells, or why it tells nothing.</returns>
    public static (PictureTold? Told, string? Why) Read(string path, string name)
    {
        try
        {
            using var stream = new FileStream(path, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete, 65536);
            if (stream.Length == 0) return (null, "is empty");
            return Told(name, ImageMetadataReader.ReadMetadata(stream));
        }
        catch (ImageProcessingException)
        {
            return (null, "is no picture file that can be read, whatever its name says");
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return (null, "cannot be read: " + e.Message);
        }
        catch (Exception e) when (e is IndexOutOfRangeException or ArgumentException or OverflowException or InvalidOperationException or FormatException
            or NullReferenceException or MetadataException)
        {
            // Whatever a damaged file does to the reader, it is that file alone which is lost.
            return (null, "is damaged");
        }
    }

    private static (PictureTold? Told, string? Why) Told(string name, IReadOnlyList<MetadataExtractor.Directory> directories)
    {
        var exif = directories.OfType<ExifSubIfdDirectory>().ToList();
        var first = directories.OfType<ExifIfd0Directory>().FirstOrDefault();
        if (exif.Select(TakenAt).FirstOrDefault(t => t is not null) is not { } at) return (null, "does not tell when it was taken");
        var spec = Rationals(ExifDirectory.TagLensSpecification);
        return (new PictureTold(
            name, at, first?.GetString(ExifDirectory.TagModel), Text(ExifDirectory.TagBodySerialNumber), Text(ExifDirectory.TagLensModel),
            Text(ExifDirectory.TagLensSerialNumber), spec is [> 0 and var low, > 0 and var high, ..] ? new Interval(low, high) : null,
            spec is [_, _, > 0 and var widest, ..] ? widest : null, Number(ExifDirectory.TagFocalLength), Number(ExifDirectory.TagFNumber),
            Number(ExifDirectory.TagExposureTime), Number(ExifDirectory.TagIsoEquivalent),
            ((int?)Number(ExifDirectory.TagFlash) & FlashFired) == FlashFired, LongSide(directories)), null);

        string? Text(int tag) => exif.Select(d => d.GetString(tag)?.Trim(' ', '\0')).FirstOrDefault(t => !string.IsNullOrEmpty(t));

        double? Number(int tag) => exif.Select(d => d.TryGetDouble(tag, out var value) && double.IsFinite(value) ? value : (double?)null)
            .FirstOrDefault(n => n is not null);

        double[]? Rationals(int tag) => exif.Select(d => d.GetRationalArray(tag)).FirstOrDefault(r => r is not null)
            ?.Select(r => r.Denominator == 0 ? 0 : r.ToDouble()).ToArray();
    }

    private static DateTime? TakenAt(ExifSubIfdDirectory exif)
    {
        var text = exif.GetString(ExifDirectory.TagDateTimeOriginal);
        if (!DateTime.TryParseExact(text, "yyyy:MM:dd HH:mm:ss", CultureInfo.InvariantCulture, DateTimeStyles.None, out var at)) return null;
        var fraction = exif.GetString(ExifDirectory.TagSubsecondTimeOriginal)?.Trim(' ', '\0');
        return double.TryParse("0." + fraction, CultureInfo.InvariantCulture, out var seconds) ? at.AddSeconds(seconds) : at;
    }

    /// <summary>The largest size that is told: a raw file holds previews too.</summary>
    private static int LongSide(IReadOnlyList<MetadataExtractor.Directory> directories) => directories.SelectMany(d => d.Tags
        .Where(t => t.Name is "Image Width" or "Image Height" or "Exif Image Width" or "Exif Image Height")
        .Select(t => d.TryGetInt32(t.Type, out var pixels) ? pixels : 0)).DefaultIfEmpty(0).Max();
}
