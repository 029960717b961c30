using System.Buffers.Binary;
using System.Globalization;
using System.Text;
using YokePair.Core.Taken;

namespace YokePair.Data.Pictures;

/// <summary>
/// A file in place of a picture: nothing is to be seen on it, but it tells of itself what a camera's would (EXIF in a JPEG, or a TIFF as raw
/// files are within).
/// </summary>
public static class StandInPicture
{
    private const ushort Ascii = 2, Short = 3, Long = 4, Rational = 5;

    private sealed record Entry(ushort Tag, ushort Type, int Count, byte[] Value);

    /// <summary>The bytes of one; a JPEG, or a raw file where its name does not end as one.</summary>
    public static byte[] Of(PictureTold told)
    {
        var isJpeg = told.File.EndsWith(".jpg", StringComparison.OrdinalIgnoreCase);
        var tiff = Tiff(told);
        if (!isJpeg) return tiff;
        var segment = new byte[2 + 2 + 6 + tiff.Length];
        segment[0] = 0xFF;
        segment[1] = 0xE1;
        BinaryPrimitives.WriteUInt16BigEndian(segment.AsSpan(2), (ushort)(segment.Length - 2));
        "Exif\0\0"u8.CopyTo(segment.AsSpan(4));
        tiff.CopyTo(segment, 10);
        return [0xFF, 0xD8, .. segment, 0xFF, 0xD9];
    }

    private static byte[] Tiff(PictureTold told)
    {
        List<Entry> own =
        [
            Numbers(0x829A, told.Seconds is { } t ? Exposure(t) : null), Numbers(0x829D, told.FNumber is { } n ? [((uint)Math.Round(n * 10), 10)] : null),
            Number(0x8827, Short, (uint?)told.Iso), Text(0x9003, told.At.ToString("yyyy:MM:dd HH:mm:ss", CultureInfo.InvariantCulture)),
            Number(0x9209, Short, told.Flash ? 1u : 0), Numbers(0x920A, told.FocalMm is { } f ? [((uint)Math.Round(f * 10), 10)] : null),
            Text(0x9291, told.At.Millisecond == 0 ? null : told.At.ToString("fff", CultureInfo.InvariantCulture)),
            Number(0xA002, Long, told.LongPx == 0 ? null : (uint)told.LongPx), Text(0xA431, told.Serial),
            Numbers(0xA432, told.LensFocal is { } l ? [Tenths(l.Low), Tenths(l.High), Tenths(told.LensFNumber ?? 0), (0, 0)] : null),
            Text(0xA434, told.LensModel), Text(0xA435, told.LensSerial),
        ];
        own.RemoveAll(e => e.Count == 0);
        List<Entry> first = [Text(0x0110, told.Model)];
        first.RemoveAll(e => e.Count == 0);
        const int header = 8;
        var afterFirst = header + SizeOf([.. first, Number(0x8769, Long, 0)]);
        first.Add(Number(0x8769, Long, (uint)afterFirst));
        var bytes = new byte[afterFirst + SizeOf(own)];
        "II*\0"u8.CopyTo(bytes);
        BinaryPrimitives.WriteUInt32LittleEndian(bytes.AsSpan(4), header);
        Write(bytes, header, first);
        Write(bytes, afterFirst, own);
        return bytes;
    }

    /// <summary>A time as a camera writes it: one over a whole number where it is short.</summary>
    private static (uint, uint)[] Exposure(double seconds) => seconds < 0.3 ? [(1, (uint)Math.Round(1 / seconds))] : [((uint)Math.Round(seconds * 10), 10)];

    private static (uint, uint) Tenths(double value) => ((uint)Math.Round(value * 10), 10);

    private static Entry Text(ushort tag, string? text) => text is null ? new Entry(tag, Ascii, 0, [])
        : Encoding.ASCII.GetBytes(text + "\0") is var value ? new Entry(tag, Ascii, value.Length, value) : null!;

    private static Entry Number(ushort tag, ushort type, uint? number)
    {
        var value = new byte[4];
        BinaryPrimitives.WriteUInt32LittleEndian(value, number ?? 0);
        return new Entry(tag, type, number is null ? 0 : 1, value);
    }

    private static Entry Numbers(ushort tag, (uint Over, uint Under)[]? numbers)
    {
        if (numbers is null) return new Entry(tag, Rational, 0, []);
        var value = new byte[numbers.Length * 8];
        for (var n = 0; n < numbers.Length; n++)
        {
            BinaryPrimitives.WriteUInt32LittleEndian(value.AsSpan(n * 8), numbers[n].Over);
            BinaryPrimitives.WriteUInt32LittleEndian(value.AsSpan(n * 8 + 4), numbers[n].Under);
        }
        return new Entry(tag, Rational, numbers.Length, value);
    }

    private static int SizeOf(List<Entry> entries) => 2 + entries.Count * 12 + 4 + entries.Where(e => e.Value.Length > 4).Sum(e => Even(e.Value.Length));

    private static int Even(int length) => length + (length & 1);

    private static void Write(byte[] bytes, int at, List<Entry> entries)
    {
        BinaryPrimitives.WriteUInt16LittleEndian(bytes.AsSpan(at), (ushort)entries.Count);
        var (entryAt, valueAt) = (at + 2, at + 2 + entries.Count * 12 + 4);
        foreach (var entry in entries.OrderBy(e => e.Tag))
        {
            BinaryPrimitives.WriteUInt16LittleEndian(bytes.AsSpan(entryAt), entry.Tag);
            BinaryPrimitives.WriteUInt16LittleEndian(bytes.AsSpan(entryAt + 2), entry.Type);
            BinaryPrimitives.WriteUInt32LittleEndian(bytes.AsSpan(entryAt + 4), (uint)entry.Count);
            if (entry.Value.Length <= 4) entry.Value.CopyTo(bytes, entryAt + 8);
            else
            {
                BinaryPrimitives.WriteUInt32LittleEndian(bytes.AsSpan(entryAt + 8), (uint)valueAt);
                entry.Value.CopyTo(bytes, valueAt);
                valueAt += Even(entry.Value.Length);
            }
            entryAt += 12;
        }
    }
}
