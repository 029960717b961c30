using System.Threading.RateLimiting;

namespace YokePair.Web.Proposals;

/// <summary>
/// Searches at work: at most two at once, behind whoever edits; the others wait their turn and are told so. Each ends
/// by itself after a while, when its client goes, and when the program ends. What it took is given back when it is quiet again:
/// a collection at once would hold up whoever edits meanwhile.
/// </summary>
internal sealed class Searches(IHostApplicationLifetime program) : IDisposable
{
    private const int AtOnce = 2, MostWaiting = 20;

    /// <summary>A search that nobody stops ends by itself, with its bound.</summary>
    private static readonly TimeSpan Longest = TimeSpan.FromMinutes(2);

    // The limiter that the framework's own middleware is made of; that one cannot say that somebody waits.
    private readonly ConcurrencyLimiter turns = new(new ConcurrencyLimiterOptions { PermitLimit = AtOnce, QueueLimit = MostWaiting });

    /// <summary>Answers line by line once it is its turn.</summary>
    /// <param name="http">The request.</param>
    /// <param name="waits">The line that says that it waits.</param>
    /// <param name="search">Tells the lines, until its token ends it.</param>
    /// <param name="cancel">Ends it when the request is given up.</param>
    public async Task<IResult> AnswerAsync<T>(HttpContext http, T waits, Action<Action<T>, CancellationToken> search, CancellationToken cancel)
    {
        using var ends = CancellationTokenSource.CreateLinkedTokenSource(cancel, program.ApplicationStopping);
        var asked = turns.AcquireAsync(1, ends.Token);
        if (!asked.IsCompleted) await Lines.WriteAsync(http, waits, ends.Token);
        using var turn = await asked;
        if (!turn.IsAcquired)
            return Results.Problem(statusCode: StatusCodes.Status503ServiceUnavailable,
                title: $"{MostWaiting} searches wait already; stop some, or try again later.");
        ends.CancelAfter(Longest);
        await Lines.StreamAsync<T>(http, (tell, _) => search(tell, ends.Token), cancel, isBehind: true);
        return Results.Empty;
    }

    /// <inheritdoc/>
    public void Dispose() => turns.Dispose();
}
