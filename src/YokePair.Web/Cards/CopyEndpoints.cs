using System.Buffers;
using YokePair.Core.Plans;
using YokePair.Core.Record;
using YokePair.Data.Files;

namespace YokePair.Web.Cards;

/// <summary>What can be copied from and to, and the copies.</summary>
/// <param name="Folders">Folders in those that were allowed at the start.</param>
/// <param name="Tasks">Copies, the newest first.</param>
public sealed record CopyPage(IReadOnlyList<string> Folders, IReadOnlyList<CopyTask> Tasks);

/// <summary>A copy to be made.</summary>
/// <param name="Source">Full path of a card's folder; with no targets, of a bag that is read again.</param>
/// <param name="Targets">Full paths of the folders that bags go into.</param>
/// <param name="Name">Name of the bag; null = that of the folder.</param>
/// <param name="Card">Id of the card it is of.</param>
/// <param name="Who">Who has the drive.</param>
/// <param name="Day">Key of the assignment.</param>
public sealed record CardCopyRequest(string Source, IReadOnlyList<string>? Targets = null, string? Name = null, string? Card = null, string? Who = null,
    string? Day = null);

/// <summary>Copies of real files.</summary>
internal static class CopyEndpoints
{
    private static readonly SearchValues<char> NotInNames = SearchValues.Create("/\\\0\r\n\t%:");

    /// <summary>Longest path that is looked at.</summary>
    public const int MostLetters = 1000;

    private const int MostTargets = 4;

    public static void MapCopies(this IEndpointRouteBuilder api)
    {
        var copies = api.MapGroup("/copies");
        copies.MapGet("", (Roots roots, CopyTasks tasks) => Results.Ok(new CopyPage(roots.Folders(), tasks.All()))).WithName("ShowCopies").Produces<CopyPage>();
        copies.MapPost("", Begin).WithName("Copy").Produces<CopyTask>(StatusCodes.Status202Accepted).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        copies.MapDelete("/{id:int}", (int id, CopyTasks tasks) => tasks.Stop(id) ? Results.NoContent() : Problems.NotFound("copy"))
            .WithName("StopCopy").Produces(StatusCodes.Status204NoContent).ProducesProblem(StatusCodes.Status404NotFound);
    }

    private static IResult Begin(CardCopyRequest request, Roots roots, CopyTasks tasks, TimeProvider clock)
    {
        try
        {
            if ((request.Targets ?? []).Append(request.Source).Any(p => p.Length > MostLetters)) throw new CopyRefusedException("source", "is too long a path");
            var source = roots.Inside("source", request.Source);
            if (!Directory.Exists(source)) throw new CopyRefusedException("source", $"{source} is not there; is the card in the reader?");
            List<string> targets = [.. (request.Targets ?? []).Select((t, n) => roots.Inside($"targets[{n}]", t)).Distinct(StringComparer.Ordinal)];
            if (targets.Count > MostTargets) throw new CopyRefusedException("targets", $"are more than {MostTargets}");
            foreach (var (target, n) in targets.Select((t, n) => (t, n)))
            {
                if (!Directory.Exists(target)) throw new CopyRefusedException($"targets[{n}]", $"{target} is not there; is the drive connected?");
                if ((source + "/").StartsWith(target + "/", StringComparison.Ordinal) || (target + "/").StartsWith(source + "/", StringComparison.Ordinal))
                    throw new CopyRefusedException($"targets[{n}]", "is the card itself, or in it");
            }
            var name = string.IsNullOrWhiteSpace(request.Name) ? Path.GetFileName(source) : request.Name.Trim();
            if (name.Length > 100 || name.StartsWith('.') || name.AsSpan().ContainsAny(NotInNames))
                throw new CopyRefusedException("name", "is no name of a folder: at most 100 letters, none of / \\ : % and no dot at its beginning");
            var fact = string.IsNullOrWhiteSpace(request.Card) || targets.Count == 0 ? null
                : new Fact(FactKind.Copied, request.Card.Trim(), clock.GetUtcNow().UtcDateTime, request.Day, string.IsNullOrWhiteSpace(request.Who) ? null
                    : request.Who.Trim());
            return Results.Accepted(value: tasks.Begin(new CopyWork(source, targets, name), fact));
        }
        catch (CopyRefusedException e)
        {
            return Problems.Unprocessable("This cannot be copied.", [new PlanProblem(e.Field, e.Message)]);
        }
    }
}
