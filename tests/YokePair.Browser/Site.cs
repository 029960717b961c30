using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Text.Json;
using System.Text.RegularExpressions;

namespace YokePair.Browser;

/// <summary>The built program in a process of its own, on a real SQLite file, as a user runs it.</summary>
public sealed partial class Site : IDisposable
{
    private readonly string directory = Path.Combine(Path.GetTempPath(), $"yoke-site-{Guid.NewGuid():N}");
    // A machine three times as slow, with everything else running besides.
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);

    private readonly bool seed;
    private Process process = null!;

    /// <summary>Starts the program.</summary>
    /// <param name="seed">Whether the demo days are already in it.</param>
    /// <param name="house">Whether it is open to phones too, over plain HTTP at an address of their own.</param>
    public Site(bool seed, bool house = false)
    {
        this.seed = seed;
        if (house) House = new Uri($"http://127.0.0.1:{FreePort()}");
        Start("http://127.0.0.1:0");
    }

    private static readonly Lazy<Site> One = new(() =>
    {
        var site = new Site(seed: true);
        AppDomain.CurrentDomain.ProcessExit += (_, _) => site.Dispose();
        return site;
    });

    /// <summary>One with the demo days and locker for all stories that leave the locker as it is; each page has a wedding of its own there.</summary>
    public static Site Shared => One.Value;

    /// <summary>Whether others are at work in it.</summary>
    internal bool IsShared => One.IsValueCreated && One.Value == this;

    /// <summary>The wedding once more, as if somebody opened it anew; its key.</summary>
    public string AnotherWedding()
    {
        using var client = new HttpClient { BaseAddress = Address };
        using var answer = client.PostAsync(new Uri($"/api/demos/{Wedding}", UriKind.Relative), null).GetAwaiter().GetResult();
        return answer.EnsureSuccessStatusCode().Content.ReadFromJsonAsync<JsonElement>().GetAwaiter().GetResult().GetProperty("key").GetString()!;
    }

    /// <summary>Key of the demo wedding.</summary>
    public const string Wedding = "steamer-wedding";

    /// <summary>Where it listens.</summary>
    public Uri Address { get; private set; } = null!;

    /// <summary>Where phones come in; null = nowhere.</summary>
    public Uri? House { get; }

    private static int FreePort()
    {
        using var probe = new TcpListener(IPAddress.Loopback, 0);
        probe.Start();
        return ((IPEndPoint)probe.LocalEndpoint).Port;
    }

    /// <summary>The checkout.</summary>
    public static string Root { get; } = FindRoot();

    /// <summary>Its data folder.</summary>
    public string Data => directory;

    /// <summary>Kills the program without a warning, as a power cut would, and starts it again on the same file.</summary>
    public void KillAndRestart()
    {
        process.Kill();
        process.WaitForExit();
        process.Dispose();
        Start(Address.ToString());
    }

    public void Dispose()
    {
        process.Kill();
        process.WaitForExit();
        process.Dispose();
        Directory.Delete(directory, recursive: true);
    }

    private void Start(string urls)
    {
        var configuration = AppContext.BaseDirectory.Contains("/Release/", StringComparison.Ordinal) ? "Release" : "Debug";
        var start = new ProcessStartInfo("dotnet")
        {
            ArgumentList =
            {
                Path.Combine(Root, $"src/YokePair.Web/bin/{configuration}/net10.0/YokePair.Web.dll"),
                "--urls", urls, "--data", directory, "--demo", Path.Combine(Root, "demo"), "--seed", seed ? "true" : "false",
                "--webroot", Path.Combine(Root, "web/dist"), "--contentRoot", Path.Combine(Root, "src/YokePair.Web"),
            },
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        if (House is not null) foreach (var said in (string[])["--house", House.ToString(), "--plain", "true"]) start.ArgumentList.Add(said);
        process = Process.Start(start)!;
        using var started = new ManualResetEventSlim();
        process.OutputDataReceived += (_, line) =>
        {
            if (line.Data is null || started.IsSet || Listening().Match(line.Data) is not { Success: true } match) return;
            Address = new Uri(match.Groups[1].Value);
            started.Set();
        };
        process.BeginOutputReadLine();
        if (started.Wait(Patience) && IsHealthy()) return;
        process.Kill();
        throw new InvalidOperationException("The server did not start; build src/YokePair.Web and web first.");
    }

    /// <summary>Whether the program says of itself that it can answer, its file included.</summary>
    private bool IsHealthy()
    {
        using var client = new HttpClient { BaseAddress = Address };
        for (var until = DateTime.UtcNow + Patience; DateTime.UtcNow < until; Thread.Sleep(50))
            try
            {
                if (client.GetAsync(new Uri("/health", UriKind.Relative)).GetAwaiter().GetResult().IsSuccessStatusCode) return true;
            }
            catch (HttpRequestException)
            {
                // Not yet.
            }
        return false;
    }

    private static string FindRoot()
    {
        var at = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(at.FullName, "YokePair.slnx"))) at = at.Parent!;
        return at.FullName;
    }

    [GeneratedRegex(@"Now listening on: (\S+)")]
    private static partial Regex Listening();
}
