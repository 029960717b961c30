using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;

namespace YokePair.Web;

/// <summary>
/// Asks for what the page asks for first, as soon as the program listens: the code behind it is compiled when it is first used, which
/// whoever opens the page would wait for.
/// </summary>
internal sealed partial class FirstAnswers(IHostApplicationLifetime program, IServer server, ILogger<FirstAnswers> log) : BackgroundService
{
    private static readonly string[] First = ["/", "/api/assignments", "/api/locker", "/api/starting"];

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        var listens = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
        using var started = program.ApplicationStarted.Register(listens.SetResult);
        using var ended = stoppingToken.Register(() => listens.TrySetCanceled(stoppingToken));
        await listens.Task;
        if (server.Features.Get<IServerAddressesFeature>()?.Addresses.FirstOrDefault() is not { } address) return;
        using var client = new HttpClient { BaseAddress = new Uri(address) };
        try
        {
            foreach (var path in First) (await client.GetAsync(new Uri(path, UriKind.Relative), stoppingToken)).Dispose();
        }
        catch (HttpRequestException e)
        {
            // Who asks is told.
            NotAsked(e);
        }
    }

    [LoggerMessage(LogLevel.Debug, "The first questions came to nothing.")]
    private partial void NotAsked(Exception cause);
}
