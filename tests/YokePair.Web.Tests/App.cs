using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.Logging;

namespace YokePair.Web.Tests;

/// <summary>The real program on a real SQLite file in a directory of its own.</summary>
public sealed class App : WebApplicationFactory<Program>
{
    private readonly string directory = Path.Combine(Path.GetTempPath(), $"yoke-web-{Guid.NewGuid():N}");

    /// <summary>Does something to the file behind the program's back.</summary>
    public void Tamper(string sql, byte[]? bytes = null)
    {
        using var db = new Microsoft.Data.Sqlite.SqliteConnection($"Data Source={Path.Combine(directory, "yoke-pair.db")}");
        db.Open();
        using var command = db.CreateCommand();
        command.CommandText = sql;
        command.Parameters.AddWithValue("$bytes", bytes ?? []);
        command.ExecuteNonQuery();
    }

    /// <summary>The checkout.</summary>
    public static string Root { get; } = FindRoot();

    public static byte[] Demo(string name) => File.ReadAllBytes(Path.Combine(Root, "demo", name + ".yoke.json"));

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.ConfigureLogging(log => log.ClearProviders());
        builder.UseSetting("data", directory);
        builder.UseSetting("demo", Path.Combine(Root, "demo"));
    }

    protected override void Dispose(bool disposing)
    {
        base.Dispose(disposing);
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        if (disposing && Directory.Exists(directory)) Directory.Delete(directory, recursive: true);
    }

    private static string FindRoot()
    {
        var at = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(at.FullName, "YokePair.slnx"))) at = at.Parent!;
        return at.FullName;
    }
}

/// <summary>Short ways of asking.</summary>
internal static class Asking
{
    public static Task<HttpResponseMessage> Import(this HttpClient client, byte[] file) =>
        client.PostAsync(new Uri("/api/assignments/import", UriKind.Relative),
            new ByteArrayContent(file) { Headers = { ContentType = new("application/json") } });

    public static Task<HttpResponseMessage> Import(this HttpClient client, string file) => client.Import(Encoding.UTF8.GetBytes(file));

    public static async Task<JsonElement> Json(this HttpClient client, string path) => await client.GetFromJsonAsync<JsonElement>(path);

    /// <summary>Asks for a search.</summary>
    public static Task<HttpResponseMessage> Ask(this HttpClient client, string path) => client.PostAsync(new Uri(path, UriKind.Relative), null);

    /// <summary>The lines of a search.</summary>
    public static async Task<string> AskText(this HttpClient client, string path) => await (await client.Ask(path)).Content.ReadAsStringAsync();

    /// <summary>An answer that comes line by line.</summary>
    public static async Task<IReadOnlyList<JsonElement>> Lines(this HttpClient client, string path) =>
        [.. (await client.GetStringAsync(new Uri(path, UriKind.Relative))).Split('\n', StringSplitOptions.RemoveEmptyEntries)
            .Select(line => JsonDocument.Parse(line).RootElement)];

    public static async Task<JsonElement> Json(this HttpResponseMessage response) => await response.Content.ReadFromJsonAsync<JsonElement>();

    public static Task<HttpResponseMessage> Post(this HttpClient client, string path, object body) => client.PostAsJsonAsync(path, body);
}
