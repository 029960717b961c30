using System.Net;
using System.Text.RegularExpressions;
using System.Threading.RateLimiting;
using YokePair.Data;

namespace YokePair.Web.House;

/// <summary>
/// What comes in at the house's own port: to hosts that are known, not too often, the page itself and the lists; with the token of a phone
/// that was let in, and nothing else. What comes in elsewhere must not call itself by the house's names.
/// </summary>
internal sealed partial class HouseDoor(RequestDelegate next, HouseSettings house)
{
    private static readonly TimeSpan Minute = TimeSpan.FromMinutes(1);
    private const int PerMinute = 300, PairingsPerMinute = 30;

    private readonly PartitionedRateLimiter<(IPAddress Who, bool IsPairing)> limiter =
        PartitionedRateLimiter.Create<(IPAddress Who, bool IsPairing), (IPAddress, bool)>(
            asks => RateLimitPartition.GetFixedWindowLimiter(asks, _ => new FixedWindowRateLimiterOptions
            {
                PermitLimit = asks.IsPairing ? PairingsPerMinute : PerMinute,
                Window = Minute,
            }));

    public async Task InvokeAsync(HttpContext context, PhoneStore phones)
    {
        var request = context.Request;
        var isHouse = context.Connection.LocalPort == house.Listen.Port;
        if (isHouse != house.Hosts.Contains(request.Host.Value ?? "") && (isHouse || !IsLocal(request.Host)))
        {
            await Refuse(context, StatusCodes.Status421MisdirectedRequest, "This host is not known here.");
            return;
        }
        if (!isHouse)
        {
            await next(context);
            return;
        }
        var isPairing = request.Path.StartsWithSegments("/api/house", StringComparison.Ordinal);
        using (var lease = limiter.AttemptAcquire((WhoAsks(context), isPairing)))
            if (!lease.IsAcquired)
            {
                context.Response.Headers.RetryAfter = "60";
                await Refuse(context, StatusCodes.Status429TooManyRequests, "Too many at once from this address; wait a minute.");
                return;
            }
        if (isPairing || IsPage(request)) await next(context);
        else if (request.Path == "/") context.Response.Redirect("/house");
        else if (!request.Path.StartsWithSegments("/api", StringComparison.Ordinal))
            await Refuse(context, StatusCodes.Status404NotFound, "There is nothing at this address.");
        else if (TokenOf(request) is not { } token || await phones.FindAsync(token, context.RequestAborted) is null)
            await Refuse(context, StatusCodes.Status401Unauthorized, "This phone is not let in, or no longer; ask at the main screen.");
        else if (!MayAsk(request))
            await Refuse(context, StatusCodes.Status403Forbidden, "A phone may see its day and tick; all else is for the main screen.");
        else await next(context);
    }

    private static bool IsLocal(HostString host) => host.Host is "127.0.0.1" or "localhost" or "[::1]";

    /// <summary>The page and its files.</summary>
    private static bool IsPage(HttpRequest request) => (HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method))
        && (request.Path.Value is "/theme.js" or "/mark.svg" || request.Path.StartsWithSegments("/house", StringComparison.Ordinal)
            || request.Path.StartsWithSegments("/assets", StringComparison.Ordinal));

    private static bool MayAsk(HttpRequest request) => (HttpMethods.IsGet(request.Method) && Shown().IsMatch(request.Path))
        || (HttpMethods.IsPost(request.Method) && Ticked().IsMatch(request.Path));

    private static string? TokenOf(HttpRequest request) =>
        request.Headers.Authorization is [{ } header] && header.StartsWith("Bearer ", StringComparison.Ordinal) ? header["Bearer ".Length..] : null;

    /// <summary>A proxy says last whom it speaks for.</summary>
    private IPAddress WhoAsks(HttpContext context) =>
        house.IsBehind && context.Request.Headers["X-Forwarded-For"].LastOrDefault()?.Split(',')[^1].Trim() is { } told && IPAddress.TryParse(told, out var ip)
            ? ip : context.Connection.RemoteIpAddress ?? IPAddress.None;

    private static Task Refuse(HttpContext context, int status, string why) => Results.Problem(statusCode: status, title: why).ExecuteAsync(context);

    [GeneratedRegex("^/api/assignments(/[^/]+/(board|lists|pocket|pocket-file|paper|rest|late|records))?$")]
    private static partial Regex Shown();

    [GeneratedRegex("^/api/assignments/[^/]+/(lists/(ticks|departures)|records)$")]
    private static partial Regex Ticked();
}
