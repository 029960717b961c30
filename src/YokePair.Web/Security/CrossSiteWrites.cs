namespace YokePair.Web.Security;

/// <summary>
/// Refuses writes that another site's page asks the browser to make. Browsers say where a request comes from in
/// Sec-Fetch-Site, older ones in Origin; programs that are no browsers send neither and carry no one's session.
/// </summary>
internal sealed class CrossSiteWrites(RequestDelegate next)
{
    public Task InvokeAsync(HttpContext context)
    {
        var request = context.Request;
        var safe = HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method) || HttpMethods.IsOptions(request.Method);
        return safe || FromHere(request)
            ? next(context)
            : Results.Problem(statusCode: StatusCodes.Status403Forbidden, title: "This change was asked for by another site and was not made.")
                .ExecuteAsync(context);
    }

    private static bool FromHere(HttpRequest request)
    {
        var site = request.Headers["Sec-Fetch-Site"].ToString();
        if (site.Length > 0) return site is "same-origin" or "none";
        var origin = request.Headers.Origin.ToString();
        return origin.Length == 0 || origin == $"{request.Scheme}://{request.Host}";
    }
}
