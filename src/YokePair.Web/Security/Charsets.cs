using System.Text;
using Microsoft.Net.Http.Headers;

namespace YokePair.Web.Security;

/// <summary>Refuses JSON in anything but UTF-8 (RFC 8259, 8.1), before a reader is looked for that there may be none of.</summary>
internal sealed class Charsets(RequestDelegate next)
{
    public Task InvokeAsync(HttpContext context) =>
        MediaTypeHeaderValue.TryParse(context.Request.ContentType, out var type) && type.Charset is { HasValue: true } charset
        && !charset.Equals(Encoding.UTF8.WebName, StringComparison.OrdinalIgnoreCase) && !charset.Equals("\"utf-8\"", StringComparison.OrdinalIgnoreCase)
            ? Results.Problem(statusCode: StatusCodes.Status415UnsupportedMediaType, title: $"\"{charset}\" cannot be read here; send it in UTF-8.")
                .ExecuteAsync(context)
            : next(context);
}
