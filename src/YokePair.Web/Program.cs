using Microsoft.AspNetCore.ResponseCompression;
using YokePair.Core.Plans;
using YokePair.Data;
using YokePair.Web;
using YokePair.Web.Assignments;
using YokePair.Web.Board;
using YokePair.Web.Locker;
using YokePair.Web.Proposals;
using YokePair.Web.Security;
using YokePair.Web.Sessions;
using YokePair.Web.Starting;

var builder = WebApplication.CreateBuilder(args);
builder.Logging.AddFilter("Microsoft.EntityFrameworkCore", LogLevel.Warning).AddFilter("Microsoft.AspNetCore", LogLevel.Warning);
builder.WebHost.ConfigureKestrel(server =>
{
    server.AddServerHeader = false;
    server.Limits.MaxRequestBodySize = RequestLimits.EditBytes;
});
if (builder.Configuration["urls"] is null) builder.WebHost.UseUrls("http://127.0.0.1:5710");

var settings = AppSettings.From(builder.Configuration);
builder.Services.AddSingleton(settings);
builder.Services.AddPlanStore(settings.DataDirectory);
builder.Services.AddScoped<Days>();
builder.Services.AddSingleton<SessionCache>();
builder.Services.AddSingleton<Summaries>();
builder.Services.AddHostedService(services => services.GetRequiredService<Summaries>());
builder.Services.AddHealthChecks().AddDbContextCheck<YokeContext>();
builder.Services.AddRequestTimeouts(timeouts => timeouts.DefaultPolicy = RequestLimits.Usual);
builder.Services.AddResponseCompression(compression =>
{
    compression.EnableForHttps = true;
    string[] also = ["application/problem+json", Lines.ContentType, "text/calendar", "text/csv", "image/svg+xml"];
    compression.MimeTypes = [.. ResponseCompressionDefaults.MimeTypes, .. also];
});
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.ConfigureHttpJsonOptions(json => PlanFile.Configure(json.SerializerOptions));
builder.Services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
builder.Services.AddProblemDetails();
builder.Services.AddExceptionHandler<BadRequests>();
builder.Services.AddHostFiltering(filter => filter.AllowedHosts = ["127.0.0.1", "localhost", "[::1]"]);
builder.Services.AddOpenApi("v1", ApiDocument.Configure);

var app = builder.Build();
await using (var scope = app.Services.CreateAsyncScope())
{
    await Database.PrepareAsync(scope.ServiceProvider.GetRequiredService<YokeContext>());
    if (settings.SeedDemo) await DemoDays.SeedAsync(settings, scope.ServiceProvider.GetRequiredService<PlanStore>(), scope.ServiceProvider.GetRequiredService<LockerStore>());
}

app.UseExceptionHandler();
app.UseStatusCodePages();
app.UseHostFiltering();
app.UseResponseCompression();
app.UseRequestTimeouts();
app.UseMiddleware<PageProtection>();
app.UseMiddleware<CrossSiteWrites>();
app.UseDefaultFiles();
app.UseMiddleware<CompressedFiles>();
app.UseStaticFiles(new StaticFileOptions { OnPrepareResponse = CompressedFiles.Describe, ServeUnknownFileTypes = true });

var api = app.MapGroup("/api");
api.MapAssignments();
api.MapBoard();
api.MapLocker();
api.MapStarting();
api.MapProposals();
api.MapTyped();
app.MapOpenApi();
app.MapFallback("/api/{**rest}", () => Results.Problem(statusCode: StatusCodes.Status404NotFound, title: "There is nothing at this address."));
app.MapHealthChecks("/health");
app.MapFallbackToFile("index.html", new StaticFileOptions { OnPrepareResponse = CompressedFiles.Describe });

await app.RunAsync();

/// <summary>The program, named so that tests can start it.</summary>
public partial class Program;
