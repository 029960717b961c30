using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json;

namespace YokePair.Web.Tests;

/// <summary>
/// The program killed without a warning while it starts, is edited, takes plans in and undoes: what was acknowledged is there at the next
/// start, and there is a next start. A long run is <c>./yoke torture [KILLS] [SEED]</c>.
/// </summary>
public sealed class TortureTests : IDisposable
{
    private static readonly int Kills = Number("YOKE_TORTURE_KILLS", 6), Seed = Number("YOKE_TORTURE_SEED", 1);

    private readonly string folder = Path.Combine(Path.GetTempPath(), $"yoke-torture-{Guid.NewGuid():N}");
    private readonly Random random = new(Seed);
    private readonly Dictionary<string, Known> known = new(StringComparer.Ordinal);
    private int things, asked, imports;

    /// <summary>What is known of a day: the last state that was acknowledged, and what was asked since and not answered.</summary>
    private sealed record Known(int Revision, string Place, string? InFlight);

    public void Dispose()
    {
        if (Directory.Exists(folder)) Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task What_was_acknowledged_outlives_every_kill_and_every_start_opens()
    {
        int during = 0, edits = 0;
        for (var kill = 0; kill < Kills; kill++)
        {
            using var program = Start(out var address);
            if (random.Next(3) == 0)
            {
                during++;
                await Task.Delay(random.Next(0, 900), TestContext.Current.CancellationToken);
                await KillAsync(program);
                continue;
            }
            using var client = new HttpClient { BaseAddress = await address.WaitAsync(TimeSpan.FromSeconds(60), TestContext.Current.CancellationToken) };
            await CheckAsync(client);
            if (known.Count == 0) await ImportAsync(client);
            var end = Task.Delay(random.Next(20, 1500), TestContext.Current.CancellationToken).ContinueWith(_ => program.Kill(), TaskScheduler.Default);
            try
            {
                for (; ; edits++) await ActAsync(client);
            }
            catch (Exception e) when (e is HttpRequestException or IOException or TaskCanceledException)
            {
                // It is gone.
            }
            await end;
            await program.WaitForExitAsync(TestContext.Current.CancellationToken);
        }
        using var last = Start(out var listening);
        using (var client = new HttpClient
        {
            BaseAddress = await listening.WaitAsync(TimeSpan.FromSeconds(60),
            TestContext.Current.CancellationToken)
        }) await CheckAsync(client);
        await KillAsync(last);
        TestContext.Current.TestOutputHelper!.WriteLine(
            $"{Kills} kills, {during} of them while it started, {edits} changes acknowledged between; seed {Seed}: nothing lost, every start opened");
    }

    private async Task ActAsync(HttpClient client)
    {
        switch (random.Next(8))
        {
            case 0 when imports < 40:
                await ImportAsync(client);
                return;
            case 1:
                var text = string.Create(CultureInfo.InvariantCulture, $"{20 + ++asked}/1.8 K2 300g");
                (await client.PostAsJsonAsync("/api/locker/things", new { text })).EnsureSuccessStatusCode();
                things++;
                return;
        }
        var key = known.Keys.ElementAt(random.Next(known.Count));
        var now = known[key];
        var undo = now.Revision > 1 && random.Next(3) == 0;
        var place = now.Place == "car" ? "roller" : "car";
        known[key] = now with { InFlight = undo ? "?" : place };
        using var answer = await client.PostAsJsonAsync($"/api/assignments/{key}/{(undo ? "undo" : "edits")}", undo
            ? new { baseRevision = now.Revision } : (object)new
            {
                baseRevision = now.Revision,
                edits = new[] { new { type = "moveItem", item = "z70", place } }
            });
        if (answer.StatusCode == System.Net.HttpStatusCode.UnprocessableEntity)
        {
            // There was nothing to undo.
            known[key] = now;
            return;
        }
        var board = await answer.EnsureSuccessStatusCode().Content.ReadFromJsonAsync<JsonElement>();
        known[key] = new Known(board.GetProperty("revision").GetInt32(), PlaceIn(board), null);
    }

    private async Task ImportAsync(HttpClient client)
    {
        imports++;
        using var answer = await client.Import(App.Demo("steamer-wedding"));
        var key = (await answer.EnsureSuccessStatusCode().Json()).GetProperty("key").GetString()!;
        known[key] = new Known(1, PlaceIn(await client.Json($"/api/assignments/{key}/board")), null);
    }

    /// <summary>Every day is as it was acknowledged, or as what was asked last and not answered would make it: whole either way.</summary>
    private async Task CheckAsync(HttpClient client)
    {
        foreach (var (key, was) in known.ToList())
        {
            var board = await PatientlyAsync(client, $"/api/assignments/{key}/board");
            var (revision, place) = (board.GetProperty("revision").GetInt32(), PlaceIn(board));
            if (revision == was.Revision) Assert.Equal(was.Place, place);
            else
            {
                Assert.True(was.InFlight is not null && revision == was.Revision + 1, $"{key} is at {revision}, {was} was acknowledged");
                if (was.InFlight != "?") Assert.Equal(was.InFlight, place);
            }
            known[key] = new Known(revision, place, null);
        }
        Assert.InRange((await client.Json("/api/assignments")).GetArrayLength(), known.Count, imports);
        Assert.InRange((await client.Json("/api/locker")).GetProperty("revisions").EnumerateObject().Count(), things, asked);
    }

    /// <summary>On a machine that has much else to do an answer may be given up, and says so: it is asked for again.</summary>
    private static async Task<JsonElement> PatientlyAsync(HttpClient client, string path)
    {
        for (var left = 5; ; left--)
        {
            try
            {
                return await client.Json(path);
            }
            catch (HttpRequestException e) when (left > 0 && e.StatusCode is null or System.Net.HttpStatusCode.ServiceUnavailable)
            {
                await Task.Delay(TimeSpan.FromSeconds(1));
            }
        }
    }

    private static string PlaceIn(JsonElement board) =>
        board.GetProperty("plan").GetProperty("items").EnumerateArray().First(i => i.GetProperty("id").GetString() == "z70").GetProperty("place").GetString()!;

    private Process Start(out Task<Uri> address)
    {
        var listening = new TaskCompletionSource<Uri>(TaskCreationOptions.RunContinuationsAsynchronously);
        address = listening.Task;
        var program = StartTests.Program(folder, "--webroot", Path.Combine(App.Root, "web/dist"), "--urls", "http://127.0.0.1:0");
        program.OutputDataReceived += (_, line) =>
        {
            if (line.Data?.IndexOf("http://127", StringComparison.Ordinal) is { } at and >= 0) listening.TrySetResult(new Uri(line.Data[at..].Trim()));
        };
        program.ErrorDataReceived += (_, line) =>
        {
            if (!string.IsNullOrEmpty(line.Data)) listening.TrySetException(new InvalidOperationException("shut out: " + line.Data));
        };
        program.BeginOutputReadLine();
        program.BeginErrorReadLine();
        return program;
    }

    private static async Task KillAsync(Process program)
    {
        program.Kill();
        await program.WaitForExitAsync();
    }

    private static int Number(string variable, int usual) => int.TryParse(Environment.GetEnvironmentVariable(variable), CultureInfo.InvariantCulture,
        out var set) ? set : usual;
}
