using YokePair.Cli;
using YokePair.Core.Library;

namespace YokePair.Web.Tests;

/// <summary>What others build on: the OpenAPI document, the plan file's schema, the columns of the locker's table. <c>./yoke types</c> writes them
/// anew.</summary>
public sealed class Snapshots(App app) : IClassFixture<App>
{
    [Fact]
    public async Task The_page_s_types_are_made_from_the_document_the_server_builds() =>
        Compare("web/openapi.json", await app.CreateClient().GetStringAsync(new Uri("/openapi/v1.json", UriKind.Relative),
            TestContext.Current.CancellationToken));

    [Fact]
    public void The_published_schema_is_that_of_the_reader() => Compare("docs/plan-file.schema.json", Schema.Text());

    [Fact]
    public void The_published_schema_of_kinds_of_part_is_that_of_the_reader() => Compare("docs/part-kinds.schema.json", Schema.Kinds());

    [Fact]
    public void The_kinds_of_part_that_ship_are_as_their_schema_says()
    {
        var schema = Json.Schema.JsonSchema.FromText(Schema.Kinds());
        Assert.True(schema.Evaluate(System.Text.Json.JsonDocument.Parse(KindFile.ShippedBytes()).RootElement).IsValid);
        var misspelt = System.Text.Encoding.UTF8.GetString(KindFile.ShippedBytes()).Replace("\"momentSeconds\"", "\"momentSecs\"", StringComparison.Ordinal);
        Assert.False(schema.Evaluate(System.Text.Json.JsonDocument.Parse(misspelt).RootElement).IsValid);
    }

    [Fact]
    public void The_published_columns_are_those_of_the_table() => Compare("docs/locker-columns.md", Columns.Text());

    private static void Compare(string file, string now)
    {
        var path = Path.Combine(App.Root, file);
        if (Environment.GetEnvironmentVariable("YOKE_WRITE_SNAPSHOTS") == "1") File.WriteAllText(path, now.TrimEnd() + "\n");
        Assert.True(File.Exists(path) && File.ReadAllText(path).TrimEnd() == now.TrimEnd(), $"{file} is stale; run ./yoke types");
    }
}
