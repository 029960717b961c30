namespace YokePair.Web.Security;

/// <summary>Headers that keep the page to itself: its own scripts, styles, fonts and server, in no frame of another site.</summary>
internal sealed class PageProtection(RequestDelegate next)
{
    private const string Policy =
        "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; connect-src 'self'; "
        + "manifest-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    public Task InvokeAsync(HttpContext context)
    {
        // When the answer begins, so that one that was begun anew because something went wrong has them too.
        context.Response.OnStarting(Protect, context);
        return next(context);
    }

    private static Task Protect(object state)
    {
        var context = (HttpContext)state;
        var headers = context.Response.Headers;
        // A page that stands by itself says by its own hashes what it may run.
        if (headers.ContentSecurityPolicy.Count == 0) headers.ContentSecurityPolicy = Policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "no-referrer";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        headers["Cross-Origin-Resource-Policy"] = "same-origin";
        if (headers.CacheControl.Count == 0 || context.Request.Path.StartsWithSegments("/api", StringComparison.Ordinal)) headers.CacheControl = "no-store";
        return Task.CompletedTask;
    }

    /// <summary>Puts it before all else.</summary>
    internal sealed class First : IStartupFilter
    {
        public Action<IApplicationBuilder> Configure(Action<IApplicationBuilder> next) => app =>
        {
            app.UseMiddleware<PageProtection>();
            next(app);
        };
    }
}
