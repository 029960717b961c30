using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Net.Http.Headers;

namespace YokePair.Web.Security;

/// <summary>
/// Hands out the files of the page as they were compressed when it was built, to whoever takes them so, and says how long they keep:
/// a file whose name holds a hash never changes.
/// </summary>
internal sealed class CompressedFiles(RequestDelegate next, IWebHostEnvironment host)
{
    private static readonly (string Coding, string Suffix)[] Codings = [("br", ".br"), ("gzip", ".gz")];
    private static readonly FileExtensionContentTypeProvider Types = new();

    public Task InvokeAsync(HttpContext context)
    {
        var path = context.Request.Path.Value;
        if (path is not null && HttpMethods.IsGet(context.Request.Method) && Types.TryGetContentType(path, out var type))
            foreach (var (coding, suffix) in Codings)
                if (Takes(context.Request, coding) && host.WebRootFileProvider.GetFileInfo(path + suffix).Exists)
                {
                    context.Items[nameof(CompressedFiles)] = (coding, type);
                    context.Request.Path = path + suffix;
                    break;
                }
        return next(context);
    }

    public static void Describe(StaticFileResponseContext file)
    {
        var headers = file.Context.Response.Headers;
        headers.Vary = HeaderNames.AcceptEncoding;
        headers.CacheControl = file.Context.Request.Path.StartsWithSegments("/assets", StringComparison.Ordinal) ? "public, max-age=31536000, immutable"
            : "no-cache";
        if (file.Context.Items[nameof(CompressedFiles)] is not (string coding, string type)) return;
        headers.ContentEncoding = coding;
        headers.ContentType = type;
    }

    private static bool Takes(HttpRequest request, string coding) =>
        request.GetTypedHeaders().AcceptEncoding.Any(a => a.Value.Equals(coding, StringComparison.OrdinalIgnoreCase) && a.Quality is not 0);
}
