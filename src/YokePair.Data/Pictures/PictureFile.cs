using System.Globalization;
using MetadataExtractor;
using MetadataExtractor.Formats.Exif;
using MetadataExtractor.Formats.Jpeg;
using MetadataExtractor.Util;
using YokePair.Core.Basics;
using YokePair.Core.Taken;
using ExifDirectory = MetadataExtractor.Formats.Exif.ExifDirectoryBase;

namespace YokePair.Data.Pictures;

/// <summary>Reads what a picture file tells of itself. It is opened for reading alone.</summary>
public static class PictureFile
{
    private const int FlashFired = 1;

    /// <summary>What is told of a picture lies at its beginning, and rarely fills more than this.</summary>
    private const int BufferBytes = 8192;

    private static readonly int[] Sides =
        [ExifDirectory.TagImageWidth, ExifDirectory.TagImageHeight, ExifDirectory.TagExifImageWidth, ExifDirectory.TagExifImageHeight];

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
            using var stream = new FileStream(path, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete, BufferBytes);
            if (stream.Length == 0) return (null, "is empty");
            return Told(name, Headers(stream));
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

    /// <summary>Of a JPEG only the camera's words and the size: other programs' words beside them can be long, and nothing asks for them.</summary>
    private static IReadOnlyList<MetadataExtractor.Directory> Headers(Stream stream)
    {
        var kind = FileTypeDetector.DetectFileType(stream);
        stream.Position = 0;
        return kind == FileType.Jpeg ? JpegMetadataReader.ReadMetadata(stream, [new JpegReader(), new ExifReader()]) : ImageMetadataReader.ReadMetadata(stream);
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
    private static int LongSide(IReadOnlyList<MetadataExtractor.Directory> directories) => directories.SelectMany(d => (d is ExifDirectory ? Sides : SidesOf(d))
        .Select(side => d.TryGetInt32(side, out var pixels) ? pixels : 0)).DefaultIfEmpty(0).Max();

    /// <summary>Of what is no EXIF, each format numbers them its own way.</summary>
    private static IEnumerable<int> SidesOf(MetadataExtractor.Directory directory) =>
        directory.Tags.Where(t => t.Name is "Image Width" or "Image Height").Select(t => t.Type);
}
