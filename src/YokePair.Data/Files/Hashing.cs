using System.Buffers;
using System.Security.Cryptography;

namespace YokePair.Data.Files;

/// <summary>SHA-256, and reading in pieces that do not grow with the file.</summary>
internal static class Hashing
{
    /// <summary>Bytes at once.</summary>
    public const int Piece = 1024 * 1024;

    public static string Of(byte[] bytes) => Convert.ToHexStringLower(SHA256.HashData(bytes));

    /// <summary>Reads a file from beginning to end.</summary>
    /// <param name="file">Full path.</param>
    /// <param name="each">Told of each piece.</param>
    /// <param name="stop">Ends the reading.</param>
    /// <returns>Its SHA-256 in hexadecimal.</returns>
    public static string Read(string file, Action<ReadOnlyMemory<byte>> each, CancellationToken stop)
    {
        using var source = new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.Read, 0, FileOptions.SequentialScan);
        using var sum = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        var piece = ArrayPool<byte>.Shared.Rent(Piece);
        try
        {
            for (int read; (read = source.Read(piece, 0, Piece)) > 0;)
            {
                stop.ThrowIfCancellationRequested();
                sum.AppendData(piece, 0, read);
                each(piece.AsMemory(0, read));
            }
            return Convert.ToHexStringLower(sum.GetHashAndReset());
        }
        finally
        {
            ArrayPool<byte>.Shared.Return(piece);
        }
    }
}
