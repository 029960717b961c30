using System.Runtime.InteropServices;

namespace YokePair.Data.Files;

/// <summary>What the framework has no words for: that the names in a folder are on the disk.</summary>
internal static partial class Disk
{
    private const int ReadOnly = 0;

    /// <summary>Waits until a folder's names are on the disk; where the system does not know that, nothing is done.</summary>
    public static void Flush(string folder)
    {
        if (OperatingSystem.IsWindows()) return;
        var file = Open(folder, ReadOnly);
        if (file < 0) return;
        _ = Sync(file);
        _ = Close(file);
    }

    [LibraryImport("libc", EntryPoint = "open", StringMarshalling = StringMarshalling.Utf8)]
    private static partial int Open(string path, int flags);

    [LibraryImport("libc", EntryPoint = "fsync")]
    private static partial int Sync(int file);

    [LibraryImport("libc", EntryPoint = "close")]
    private static partial int Close(int file);
}
