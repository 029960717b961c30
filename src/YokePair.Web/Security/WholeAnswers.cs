namespace YokePair.Web.Security;

/// <summary>
/// Cuts the connection of an answer that was given up while it was written. What writes JSON ends quietly then, and half of it would pass
/// for the whole.
/// </summary>
internal sealed class WholeAnswers(RequestDelegate next)
{
    public async Task InvokeAsync(HttpContext context)
    {
        await next(context);
        if (!context.RequestAborted.IsCancellationRequested) return;
        var written = context.Response.BodyWriter;
        if (context.Response.HasStarted || !written.CanGetUnflushedBytes || written.UnflushedBytes > 0) context.Abort();
        // Nothing is told yet: whoever asked is told that it took too long.
        else context.RequestAborted.ThrowIfCancellationRequested();
    }
}
