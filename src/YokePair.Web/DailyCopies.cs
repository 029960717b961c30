using YokePair.Data;

namespace YokePair.Web;

/// <summary>Makes a copy of the database once a day while the program runs, a little after its start.</summary>
internal sealed partial class DailyCopies(AppSettings settings, TimeProvider clock, ILogger<DailyCopies> log) : BackgroundService
{
    private static readonly TimeSpan First = TimeSpan.FromSeconds(20), Between = TimeSpan.FromHours(1);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        for (var wait = First; ; wait = Between)
        {
            await Task.Delay(wait, clock, stoppingToken);
            MakeOne();
        }
    }

    private void MakeOne()
    {
        try
        {
            if (Backups.MakeDaily(settings.DataDirectory, DateOnly.FromDateTime(clock.GetLocalNow().DateTime))) Made(Backups.FolderIn(settings.DataDirectory));
        }
        catch (DataFolderException e)
        {
            // It is tried again in an hour; what is worked on goes on.
            NotMade(e.Message);
        }
    }

    [LoggerMessage(LogLevel.Information, "Today's copy of the database is in {Folder}.")]
    private partial void Made(string folder);

    [LoggerMessage(LogLevel.Error, "Today's copy of the database could not be made. {Why}")]
    private partial void NotMade(string why);
}
