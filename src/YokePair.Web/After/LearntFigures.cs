using System.Globalization;
using YokePair.Core.Library;
using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Core.Taken;
using YokePair.Core.Wording;
using YokePair.Data;

namespace YokePair.Web.After;

/// <summary>A figure that was learnt, told.</summary>
/// <param name="Figure">The figure.</param>
/// <param name="Said">What it says.</param>
/// <param name="Now">What the locker says of the thing now; null = it is no figure of a thing.</param>
public sealed record LearntLine(LearntFigure Figure, string Said, string? Now);

/// <summary>Whether a figure is to be used.</summary>
/// <param name="Id">Which.</param>
/// <param name="Use">Whether it is used; of a figure of a thing, taken up into the locker.</param>
public sealed record LearntAnswer(string Id, bool Use);

/// <summary>What past assignments teach, and the locker.</summary>
internal sealed class LearntFigures(DaysUsed used, UsedStore answers, LockerStore locker)
{
    /// <summary>Everything that was learnt.</summary>
    public async Task<IReadOnlyList<LearntLine>> LinesAsync(CancellationToken cancel)
    {
        var known = await locker.ThingsAsync(cancel);
        var things = known.Things.ToDictionary(t => t.Id, StringComparer.Ordinal);
        return [.. (await used.LearntAsync(cancel)).Figures.Where(f => f.Thing is null || things.ContainsKey(f.Thing)).Select(f => new LearntLine(
            f, TakenWords.Of(f, id => things.GetValueOrDefault(id)?.Label ?? id, id => known.Kinds.FirstOrDefault(k => k.Id == id)?.Name ?? id),
            Now(f, things)))];
    }

    /// <summary>Says whether a figure is used; null = there is none such.</summary>
    public async Task<LearntLine?> AnswerAsync(LearntAnswer answer, CancellationToken cancel)
    {
        if ((await LinesAsync(cancel)).FirstOrDefault(l => l.Figure.Id == answer.Id) is not { } line) return null;
        await answers.AnswerAsync(DaysUsed.Refusals + answer.Id, answer.Use ? null : "", cancel);
        if (line.Figure.Thing is not null)
        {
            if (answer.Use) await SetAsync(line.Figure, line.Figure.Value, cancel);
            else if (await BeforeAsync(line.Figure, cancel) is { } before) await SetAsync(line.Figure, before, cancel);
        }
        return (await LinesAsync(cancel)).FirstOrDefault(l => l.Figure.Id == answer.Id);
    }

    /// <summary>Takes figures of things up into the locker, but for those that were refused.</summary>
    public async Task TakeUpAsync(LearntKind kind, CancellationToken cancel)
    {
        foreach (var figure in (await used.LearntAsync(cancel)).Used(kind)) await SetAsync(figure, figure.Value, cancel);
    }

    private const string Before = "before|";

    private async Task<double?> BeforeAsync(LearntFigure figure, CancellationToken cancel) =>
        (await answers.AnswersAsync(Before, cancel)).GetValueOrDefault(figure.Id) is { } text
            && double.TryParse(text, CultureInfo.InvariantCulture, out var was)
            ? was : null;

    /// <summary>Sets it as a change of the locker like any other: seen there, undone there, and followed by days yet to come.</summary>
    private async Task SetAsync(LearntFigure figure, double value, CancellationToken cancel)
    {
        var stored = await locker.LoadAsync(cancel);
        if (stored.Things.FirstOrDefault(t => t.Id == figure.Thing) is not { } thing || ValueOf(figure, thing) is not { } now || now == value) return;
        if (await BeforeAsync(figure, cancel) is null) await answers.AnswerAsync(Before + figure.Id, now.ToString(CultureInfo.InvariantCulture), cancel);
        var text = value.ToString(CultureInfo.InvariantCulture);
        var (changed, _) = LockerFigures.Change(thing, [KeyValuePair.Create(NameOf(figure), (string?)text)]);
        if (changed is null) return;
        var label = FormattableString.Invariant(
            $"{thing.Label}: {NameOf(figure)} {text}, as {figure.Assignments} {(figure.Assignments == 1 ? "assignment tells" : "assignments tell")}");
        await locker.ChangeAsync(label, [new LockerChange(thing.Id, stored.Revisions[thing.Id], changed)], cancel);
    }

    private static string NameOf(LearntFigure figure) => figure.Kind switch
    {
        LearntKind.IsoCeiling => "isoCeiling",
        LearntKind.Health => "health",
        _ => "framesPerCharge",
    };

    private static double? ValueOf(LearntFigure figure, Item thing) => (figure.Kind, thing) switch
    {
        (LearntKind.IsoCeiling, Body body) => body.IsoCeiling,
        (LearntKind.FramesPerCharge, Body body) => Charge.FramesOf(body),
        (LearntKind.Health, Battery battery) => battery.Health ?? 1,
        _ => null,
    };

    private static string? Now(LearntFigure figure, Dictionary<string, Item> things) => figure.Thing is { } id && things.GetValueOrDefault(id) is { } thing
        ? ValueOf(figure, thing)?.ToString("0.##", CultureInfo.InvariantCulture) : null;
}
