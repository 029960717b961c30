using System.Text;
using System.Text.Json;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>
/// The plan file's errors are read off messages of the runtime's JSON library. Each message is named here as the library words it, so that a new
/// runtime that words one otherwise is seen here and not by somebody whose file is refused.
/// </summary>
public sealed class LibraryMessages
{
    private const string Head = "\"format\": \"yoke-pair/plan\", \"version\": 1";

    public static TheoryData<string, string, string, string> Messages => new()
    {
        // MissingProperties and QuotedName
        { "{ " + Head + ", \"people\": [ { \"name\": \"You\" } ] }", "missing required properties including: 'id'.", "people[0].id", "is missing" },
        { "{ " + Head + ", \"parts\": [ { } ] }", "missing required properties including: 'id', 'ev'.", "parts[0].id", "is missing" },
        // WrongType, and OwnType for a word that is none of a set
        { "{ " + Head + ", \"places\": [ { \"id\": \"bag\", \"reachSeconds\": \"soon\" } ] }",
            "The JSON value could not be converted to System.Double. Path: $.places[0].reachSeconds", "places[0].reachSeconds", "expected a number" },
        { "{ " + Head + ", \"rules\": { \"dualRecord\": 2 } }", "The JSON value could not be converted to System.Boolean. Path: ", "rules.dualRecord",
            "expected true or false" },
        { "{ " + Head + ", \"people\": [ { \"id\": 1 } ] }", "The JSON value could not be converted to System.String. Path: ", "people[0].id",
            "expected a text" },
        { "{ " + Head + ", \"people\": 3 }",
            "The JSON value could not be converted to System.Collections.Generic.IReadOnlyList`1[YokePair.Core.Plans.Person]. Path: ", "people",
            "expected a list" },
        { "{ " + Head + ", \"parts\": [ { \"id\": \"p\", \"ev\": 1, \"quiet\": \"loud\" } ] }",
            "The JSON value could not be converted to YokePair.Core.Plans.QuietRule. Path: ", "parts[0].quiet", "expected \"no\"" },
        // The kind of an item
        { "{ " + Head + ", \"items\": [ { \"kind\": \"kite\", \"id\": \"k\" } ] }", "unrecognized type discriminator", "items[0]",
            "this kind of item is not known" },
        // What is no JSON at all, with and without PathSuffix to take off
        { "{ " + Head + ", \"people\": [ }", "is an invalid start of a value. Path: $.people", "people", "not valid JSON: " },
        { "{ " + Head + ", " + string.Concat(Enumerable.Repeat("\"x\": { ", 70)), "The maximum configured depth of", "", "nested deeper than" },
        { "{ " + Head + ", \"people\": [ { \"id\": \"a\", \"id\": \"b\" } ] }", "Duplicate property 'id' encountered", "people[0]",
            "the same field is given twice" },
        { "{ " + Head + ", \"people\": null }", "doesn't allow", "people", "null is not allowed here" },
    };

    [Theory]
    [MemberData(nameof(Messages))]
    public void What_the_library_says_is_what_is_looked_for(string json, string library, string field, string ours)
    {
        var thrown = Assert.ThrowsAny<JsonException>(() => JsonSerializer.Deserialize<Plan>(json, PlanFile.JsonOptions));
        Assert.Contains(library, thrown.Message, StringComparison.Ordinal);
        var problem = PlanFile.Read(Encoding.UTF8.GetBytes(json)).Problems[0];
        Assert.StartsWith(field, problem.Field, StringComparison.Ordinal);
        Assert.Contains(ours, problem.Message, StringComparison.Ordinal);
        Assert.DoesNotContain("Path:", problem.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_thing_without_a_kind_is_told_by_where_it_stands()
    {
        // PathText
        var json = "{ " + Head + ", \"items\": [ { \"id\": \"k\" } ] }";
        var thrown = Assert.ThrowsAny<NotSupportedException>(() => JsonSerializer.Deserialize<Plan>(json, PlanFile.JsonOptions));
        Assert.Contains("Path: $.items[0]", thrown.Message, StringComparison.Ordinal);
        Assert.StartsWith("items[0]", PlanFile.Read(Encoding.UTF8.GetBytes(json)).Problems[0].Field, StringComparison.Ordinal);
    }
}
