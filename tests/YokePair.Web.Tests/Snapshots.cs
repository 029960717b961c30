using YokePair.Cli;

namespace YokePair.Web.Tests;

/// <summary>What others build on: the OpenAPI document and the plan file's schema. <c>./yoke types</c> writes them anew.</summary>
public sealed class Snapshots(App app) : IClassFixture<App>
{
    [Fact]
    public async Task The_page_s_types_are_made_from_the_document_the_server_builds() =>
        Compare("web/openapi.json", await app.CreateClient().GetStringAsync(new Uri("/openapi/v1.json", UriKind.Relative), TestContext.Current.CancellationToken));

    [Fact]
    public void The_published_schema_is_that_of_the_reader() => Compare("docs/plan-file.schema.json", Schema.Text());

    private static void Compare(string file, string now)
    {
        var path = Path.Combine(App.Root, file);
        if (Environment.GetEnvironmentVariable("YOKE_WRITE_SNAPSHOTS") == "1") File.WriteAllText(path, now.TrimEnd() + "\n");
        Assert.True(File.ReadAllText(path).TrimEnd() == now.TrimEnd(), $"{file} is stale; run ./yoke types");
    }
}
