using System.Security.Cryptography;
using System.Text;
using Microsoft.EntityFrameworkCore;

namespace YokePair.Data;

/// <summary>A phone that may see the lists and tick. Its token is kept as a hash alone.</summary>
public sealed class PhoneRow
{
    public int Id { get; init; }

    public required string Name { get; init; }

    /// <summary>SHA-256 of the token.</summary>
    public required byte[] TokenHash { get; init; }

    /// <summary>UTC.</summary>
    public required DateTime PairedAt { get; init; }

    /// <summary>UTC; null = until it is sent away.</summary>
    public DateTime? Until { get; init; }
}

/// <summary>The phones that were let in.</summary>
public sealed class PhoneStore(YokeContext db, TimeProvider clock)
{
    private const int TokenBytes = 32;

    /// <summary>Those that may still come in, the newest first.</summary>
    public async Task<IReadOnlyList<PhoneRow>> AllAsync(CancellationToken cancel = default) =>
        [.. (await db.Phones.AsNoTracking().ToListAsync(cancel)).Where(IsIn).OrderByDescending(p => p.PairedAt)];

    /// <summary>Lets a phone in.</summary>
    /// <param name="name">What it is called.</param>
    /// <param name="length">How long; null = until it is sent away.</param>
    /// <param name="cancel">Ends it.</param>
    /// <returns>Its token, told once.</returns>
    public async Task<string> AddAsync(string name, TimeSpan? length, CancellationToken cancel = default)
    {
        var token = Secret(TokenBytes);
        var now = clock.GetUtcNow().UtcDateTime;
        db.Phones.Add(new PhoneRow { Name = name, TokenHash = HashOf(token), PairedAt = now, Until = now + length });
        await db.SaveChangesAsync(cancel);
        return token;
    }

    /// <summary>The phone that has a token; null where none has, or no longer.</summary>
    public async Task<PhoneRow?> FindAsync(string token, CancellationToken cancel = default)
    {
        var hash = HashOf(token);
        return await db.Phones.AsNoTracking().FirstOrDefaultAsync(p => p.TokenHash == hash, cancel) is { } phone && IsIn(phone) ? phone : null;
    }

    /// <summary>Sends a phone away; false where there is none such.</summary>
    public async Task<bool> RemoveAsync(int id, CancellationToken cancel = default) => await db.Phones.Where(p => p.Id == id).ExecuteDeleteAsync(cancel) > 0;

    /// <summary>Random text that nobody guesses, fit for an address.</summary>
    public static string Secret(int bytes) => Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(bytes));

    private bool IsIn(PhoneRow phone) => phone.Until is not { } until || until > clock.GetUtcNow().UtcDateTime;

    private static byte[] HashOf(string token) => SHA256.HashData(Encoding.UTF8.GetBytes(token));
}
