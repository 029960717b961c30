using System.Text.Json.Serialization.Metadata;
using Microsoft.AspNetCore.Connections;
using Microsoft.AspNetCore.ResponseCompression;
using YokePair.Core.Plans;
using YokePair.Data;
using YokePair.Data.Files;
using YokePair.Web;
using YokePair.Web.After;
using YokePair.Web.Assignments;
using YokePair.Web.Board;
using YokePair.Web.Cards;
using YokePair.Web.House;
using YokePair.Web.Lists;
using YokePair.Web.Locker;
using YokePair.Web.Pocket;
using YokePair.Web.Proposals;
using YokePair.Web.Season;
using YokePair.Web.Security;
using YokePair.Web.Sessions;
using YokePair.Web.Starting;

// No pattern, however it is met, holds a core for longer. It goes by the clock: on a machine that stands
// still for a moment an ordinary line must not be refused.
AppDomain.CurrentDomain.SetData("REGEX_DEFAULT_MATCH_TIMEOUT", TimeSpan.FromSeconds(3));

var builder = WebApplication.CreateBuilder(args);
builder.Logging.AddFilter("Microsoft.EntityFrameworkCore", LogLevel.Warning).AddFilter("Microsoft.AspNetCore", LogLevel.Warning);
builder.WebHost.ConfigureKestrel(server =>
{
    server.AddServerHeader = false;
    server.Limits.MaxRequestBodySize = RequestLimits.EditBytes;
});
const string Usual = "http://127.0.0.1:5710";
var urls = builder.Configuration["urls"] ?? Usual;

var settings = AppSettings.From(builder.Configuration);
DataFolder folder;
bool isCurrent;
HouseSettings? house;
try
{
    house = HouseSettings.From(builder.Configuration);
    if (house is not null) urls = $"{urls};{house.Listen}";
    Start.Check(builder.Environment, urls);
    folder = DataFolder.Take(settings.DataDirectory);
    isCurrent = folder.Check(Database.Migrations);
}
catch (DataFolderException e)
{
    await Console.Error.WriteLineAsync(e.Message);
    return Start.Failed;
}
using var held = folder;
builder.WebHost.UseUrls(urls);
if (house?.Certificate is { } certificate)
    builder.WebHost.ConfigureKestrel(server => server.ConfigureHttpsDefaults(https => https.ServerCertificate = certificate));
builder.Services.AddSingleton(settings);
builder.Services.AddPlanStore(settings.DataDirectory);
builder.Services.AddScoped<Days>();
builder.Services.AddScoped<Book>();
builder.Services.AddSingleton(new Roots(settings.SeedDemo ? [.. settings.Roots, .. StandIns.In(settings.DataDirectory)] : settings.Roots));
builder.Services.AddSingleton<CopyTasks>();
builder.Services.AddSingleton<PictureReadings>();
builder.Services.AddScoped<DaysUsed>();
builder.Services.AddScoped<LearntFigures>();
builder.Services.AddScoped<AfterPages>();
builder.Services.AddSingleton<SeldomMemory>();
builder.Services.AddSingleton<Pairings>();
builder.Services.AddSingleton<PocketPage>();
builder.Services.AddSingleton<PocketMemory>();
if (house is not null) builder.Services.AddSingleton(house);
builder.Services.AddSingleton<SessionCache>();
builder.Services.AddSingleton<ListMemory>();
builder.Services.AddSingleton<QuietTimes>();
builder.Services.AddHostedService(services => services.GetRequiredService<QuietTimes>());
builder.Services.AddSingleton<Searches>();
builder.Services.AddSingleton<Summaries>();
builder.Services.AddHostedService(services => services.GetRequiredService<Summaries>());
builder.Services.AddHostedService<DailyCopies>();
builder.Services.AddSingleton<LockerLooks>();
builder.Services.AddHostedService<FirstAnswers>();
builder.Services.Configure<HostOptions>(host => host.ShutdownTimeout = TimeSpan.FromSeconds(1.5));
builder.Services.AddHealthChecks().AddDbContextCheck<YokeContext>();
builder.Services.AddRequestTimeouts(timeouts => timeouts.DefaultPolicy = RequestLimits.Usual);
builder.Services.AddResponseCompression(compression =>
{
    compression.EnableForHttps = true;
    string[] also = ["application/problem+json", Lines.ContentType, "text/calendar", "text/csv", "image/svg+xml"];
    compression.MimeTypes = [.. ResponseCompressionDefaults.MimeTypes, .. also];
});
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.ConfigureHttpJsonOptions(json =>
{
    PlanFile.Configure(json.SerializerOptions).RespectRequiredConstructorParameters = true;
    json.SerializerOptions.TypeInfoResolver = (json.SerializerOptions.TypeInfoResolver ?? new DefaultJsonTypeInfoResolver()).WithAddedModifier(NoNulls.InLists);
});
builder.Services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
builder.Services.AddProblemDetails(problems => problems.CustomizeProblemDetails = Faults.Named);
builder.Services.AddExceptionHandler<Faults>();
// Before everything, the framework's own looking at the host included.
builder.Services.Insert(0, ServiceDescriptor.Transient<IStartupFilter, PageProtection.First>());
// Which of them at which port, the door of the house says.
builder.Services.AddHostFiltering(filter => filter.AllowedHosts =
    ["127.0.0.1", "localhost", "[::1]", .. house?.Hosts.Select(h => new HostString(h).Host).Distinct() ?? []]);
builder.Services.AddOpenApi("v1", ApiDocument.Configure);

await using var app = builder.Build();
var quiet = app.Services.GetRequiredService<QuietTimes>();
if (!isCurrent || settings.SeedDemo)
    await using (var scope = app.Services.CreateAsyncScope())
    {
        if (!isCurrent) await Database.PrepareAsync(scope.ServiceProvider.GetRequiredService<YokeContext>());
        if (settings.SeedDemo) StandIns.Make(settings.DataDirectory);
        if (settings.SeedDemo) await DemoDays.SeedAsync(
            settings, scope.ServiceProvider.GetRequiredService<PlanStore>(), scope.ServiceProvider.GetRequiredService<LockerStore>());
        if (settings.SeedDemo) await StandIns.MakePicturesAsync(settings, scope.ServiceProvider.GetRequiredService<LockerStore>());
    }

app.Use((context, next) =>
{
    quiet.Note();
    return next(context);
});
app.UseExceptionHandler();
app.UseStatusCodePages();
app.UseHostFiltering();
if (house is not null) app.UseMiddleware<HouseDoor>();
app.UseResponseCompression();
app.UseRequestTimeouts();
app.UseMiddleware<WholeAnswers>();
app.UseMiddleware<CrossSiteWrites>();
app.UseMiddleware<Charsets>();
app.UseDefaultFiles();
app.UseMiddleware<CompressedFiles>();
app.UseStaticFiles(new StaticFileOptions { OnPrepareResponse = CompressedFiles.Describe, ServeUnknownFileTypes = true });

var api = app.MapGroup("/api");
api.MapAfter();
api.MapAssignments();
api.MapBoard();
api.MapBags();
api.MapCards();
api.MapCopies();
api.MapCharge();
api.MapLists();
api.MapLocker();
api.MapPhones();
api.MapPocket();
api.MapRecords();
api.MapSeason();
api.MapStarting();
api.MapProposals();
api.MapTyped();
app.MapOpenApi();
app.MapHealthChecks("/health");
// Not of the API: what it does not know is said by status, a wrong method and a wrong type of content too.
app.MapFallbackToFile(@"{*path:nonfile:regex(^(?!api(/|$)))}", "index.html", new StaticFileOptions { OnPrepareResponse = CompressedFiles.Describe });

try
{
    await app.StartAsync();
    if (house is not null) await Console.Error.WriteLineAsync(house.Said);
    await app.WaitForShutdownAsync();
    return 0;
}
catch (IOException e) when (e.InnerException is AddressInUseException)
{
    // Taken since it was looked at.
    await Console.Error.WriteLineAsync(e.Message);
    return Start.Failed;
}

/// <summary>The program, named so that tests can start it.</summary>
public partial class Program;
