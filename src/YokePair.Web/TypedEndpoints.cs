using YokePair.Core.Basics;

namespace YokePair.Web;

/// <summary>A field of a form as it was typed.</summary>
/// <param name="Name">Name of the field, given back.</param>
/// <param name="Form">What it asks for.</param>
/// <param name="Text">As typed.</param>
public sealed record TypedField(string Name, TypedForm Form, string Text);

/// <summary>A field, read.</summary>
/// <param name="Name">Name of the field.</param>
/// <param name="Values">Its figures, in the unit it asks for; empty where nothing was typed.</param>
/// <param name="Problem">What would do instead; null where it was read.</param>
public sealed record ReadField(string Name, IReadOnlyList<double> Values, string? Problem);

/// <summary>Reads what is typed into forms, so that the page reads nothing by itself.</summary>
internal static class TypedEndpoints
{
    private const int MostLetters = 200;

    public static void MapTyped(this IEndpointRouteBuilder api) => api.MapPost("/typed", Read).WithName("ReadFields").Produces<IReadOnlyList<ReadField>>();

    private static IResult Read(IReadOnlyList<TypedField?> typed) => Results.Ok(typed.OfType<TypedField>().Select(field =>
    {
        if (field.Text.Length > MostLetters) return new ReadField(field.Name, [], $"is longer than {MostLetters} letters; write a figure");
        var read = TypedFields.Read(field.Form, field.Text);
        return new ReadField(field.Name, read.Read ? read.Value : [], read.Problem);
    }));
}
