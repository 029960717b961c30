using System.Text.Json;
using System.Threading.Channels;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace YokePair.Web;

/// <summary>Answers that come line by line, as they are found; closing the connection stops the search.</summary>
internal static class Lines
{
    public const string ContentType = "application/x-ndjson";

    /// <summary>Writes each line as soon as it is told.</summary>
    /// <param name="http">The request.</param>
    /// <param name="search">What tells the lines; it is handed the token that ends it.</param>
    /// <param name="cancel">Ends it when the request is given up.</param>
    /// <param name="isBehind">Whether it may take its time where somebody edits meanwhile.</param>
    public static async Task StreamAsync<T>(
        HttpContext http, Action<Action<T>, CancellationToken> search, CancellationToken cancel, bool isBehind = false)
    {
        var lines = Channel.CreateUnbounded<T>();
        var work = isBehind ? Behind.RunAsync(Search) : Task.Run(Search, CancellationToken.None);
        await foreach (var line in lines.Reader.ReadAllAsync(cancel)) await WriteAsync(http, line, cancel);
        await work;

        void Search()
        {
            try
            {
                search(line => lines.Writer.TryWrite(line), cancel);
                lines.Writer.Complete();
            }
            catch (Exception e) when (lines.Writer.TryComplete(e))
            {
                // The reader below throws it, so that it is logged with its request.
            }
        }
    }

    /// <summary>Writes one line at once.</summary>
    public static async Task WriteAsync<T>(HttpContext http, T line, CancellationToken cancel)
    {
        var options = http.RequestServices.GetRequiredService<IOptions<JsonOptions>>().Value.SerializerOptions;
        if (!http.Response.HasStarted) http.Response.ContentType = ContentType;
        await http.Response.Body.WriteAsync(JsonSerializer.SerializeToUtf8Bytes(line, options), cancel);
        await http.Response.Body.WriteAsync("\n"u8.ToArray(), cancel);
        await http.Response.Body.FlushAsync(cancel);
    }

    /// <summary>Tells at once, in the order things happen.</summary>
    public sealed class Callback<T>(Action<T> tell) : IProgress<T>
    {
        public void Report(T value) => tell(value);
    }
}
