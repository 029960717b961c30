using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Wording;

namespace YokePair.Core.Pocket;

/// <summary>A day of one person on a sheet of paper that folds to the size of a hand.</summary>
/// <param name="Title">Name of the assignment.</param>
/// <param name="Who">Whose it is.</param>
/// <param name="Day">The day.</param>
/// <param name="People">Who is there, with what they hold at first.</param>
/// <param name="Worst">The three losses that cost most, and what one does.</param>
/// <param name="Parts">A line a part.</param>
/// <param name="LeftOut">What did not fit, in words; null = nothing.</param>
/// <param name="IsSmall">Whether it is set small, as it would not fit otherwise.</param>
public sealed record PaperCard(
    string Title, string Who, DateOnly? Day, IReadOnlyList<string> People, IReadOnlyList<PaperLoss> Worst, IReadOnlyList<PaperPart> Parts,
    string? LeftOut, bool IsSmall)
{
    /// <summary>On which side each part of a card stands; 0 is the cover.</summary>
    public static IReadOnlyList<int> SidesOf(PaperCard card) => PaperSpace.SidesOf(card);
}

/// <summary>One of the worst losses of a day.</summary>
/// <param name="Name">What goes.</param>
/// <param name="Costs">What it costs, and where.</param>
/// <param name="Then">What one does.</param>
public sealed record PaperLoss(string Name, string Costs, string Then);

/// <summary>One part on the card.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Start">When it begins, local time.</param>
/// <param name="End">When it ends.</param>
/// <param name="Rules">Where it is and what it asks, in words.</param>
/// <param name="Hands">What is in each hand.</param>
/// <param name="Before">What is changed before it, and in it; empty = nothing.</param>
/// <param name="Strands">How many strands carry it.</param>
public sealed record PaperPart(
    string Name, DateTime? Start, DateTime? End, string Rules, IReadOnlyList<PaperHand> Hands, IReadOnlyList<string> Before, int Strands);

/// <summary>One hand on the card.</summary>
/// <param name="Position">Which: left, right.</param>
/// <param name="Glass">The glass on it, with its f-number.</param>
/// <param name="Shoe">What is on the shoe, and what it stands on; empty = nothing.</param>
/// <param name="Dies">What one does when its camera dies; null = left out.</param>
public sealed record PaperHand(string Position, string Glass, string Shoe, string? Dies);

/// <summary>Makes the cards.</summary>
public sealed class PaperCards
{
    private const int WorstLosses = 3, MostGroups = 2;

    private readonly DayAnalysis day;
    private readonly PocketWords words;
    private readonly Names names;
    private readonly LossAnswers answers;
    private readonly Duties duties;
    private readonly string reader;

    internal PaperCards(DayAnalysis day, LossAnswers answers, Duties duties, string reader) =>
        (this.day, words, names, this.answers, this.duties, this.reader) = (day, new PocketWords(day.Plan), new Names(day.Plan), answers, duties, reader);

    /// <summary>The cards of a person, one for each day of work.</summary>
    internal IReadOnlyList<PaperCard> All(IReadOnlyList<LossRow> rows) => [.. Day.Stretches(day.Plan).Select(parts => Of(parts, rows))];

    private PaperCard Of(IReadOnlyList<Part> parts, IReadOnlyList<LossRow> rows)
    {
        List<Part> mine = [.. parts.Where(IsMine)];
        var team = day.Plan.People.Where(p => parts.Any(part => part.Present?.Contains(p.Id) != false)).ToList();
        var card = new PaperCard(
            day.Plan.Assignment.Name, names.Person(reader), parts.Select(Day.Of).Min(), [.. team.Select(p => Holds(p, parts))],
            [.. Worst(rows, [.. mine.Select(p => p.Id)])], [.. mine.Select(PartOf)], null, false);
        return PaperSpace.Fitted(card);
    }

    private bool IsMine(Part part) => part.Present?.Contains(reader) != false;

    private string Holds(Person person, IReadOnlyList<Part> parts)
    {
        var name = person.Id == reader ? $"{names.Person(person.Id)} (you)" : names.Person(person.Id);
        var first = parts.FirstOrDefault(p => p.Setups.Any(s => s.Person == person.Id && s.Body is not null));
        var held = first?.Setups.Where(s => s.Person == person.Id && s.Body is not null).Select(s => $"{s.Position} {names.Item(s.Body!)}");
        return held is null ? name : $"{name}: {string.Join(", ", held)}";
    }

    private PaperPart PartOf(Part part)
    {
        var found = day.PartOf(part.Id)!;
        string[] rules = [.. new[] { part.Location }.OfType<string>(), .. words.Rules(part)];
        return new PaperPart(part.Label, part.Start, part.End, string.Join(" · ", rules),
            [.. part.Setups.Where(s => s.Person == reader && s.Body is not null).Select(s => HandOf(found, s))],
            [.. duties.Of(part, reader).Select(j => j.At is { } at ? FormattableString.Invariant($"{at:HH:mm} {j.Text}") : j.Text)],
            found.Needs.Where(n => n.Need.Importance != Importance.Nice).Select(n => n.Strands).DefaultIfEmpty(3).Min());
    }

    private PaperHand HandOf(PartFindings part, Setup setup)
    {
        var shoe = setup.Besides().Select(names.Item);
        return new PaperHand(setup.Position, words.GlassAndF(setup), string.Join(", ", shoe), Dies(part, [day.Kit.IndexOf(setup.Body!)]));
    }

    /// <summary>What one does when some things are gone: pictures that are had alike together, the worst first.</summary>
    private string Dies(PartFindings part, int[] gone)
    {
        var left = answers.Without(part, gone).Where(l => l.Need.Need.Importance != Importance.Nice).ToList();
        if (left.Count == 0) return "no picture changes";
        var alike = left.OrderByDescending(l => l.Outcome).ThenBy(l => l.Need.Need.Importance).GroupBy(l => Say(part.Part, l)).ToList();
        if (alike is [var all] && left.Count > 1) return all.Key;
        var said = alike.Take(MostGroups).Select(g => $"{English.List([.. g.Select(l => l.Need.Need.Label)])}: {g.Key}").ToList();
        var more = alike.Skip(MostGroups).Sum(g => g.Count());
        return string.Join("; ", said) + (more > 0 ? $"; {English.Number(more)} more" : "");
    }

    private string Say(Part part, LeftOfNeed left)
    {
        if (left.Answer.Now is not { } way) return left.Answer.Picture is { } picture ? $"LOST as meant; {picture}" : "LOST, nothing left does it";
        var late = left.Outcome == Outcome.Late ? "LATE, " : "";
        var how = left.Answer.Picture is { } said ? $", {said}" : "";
        return $"{late}{words.Hand(part, reader, way.Person, way.Body, way.Lens)}{how}, {English.Seconds(way.Seconds)}";
    }

    private IEnumerable<PaperLoss> Worst(IReadOnlyList<LossRow> rows, IReadOnlyList<string> parts)
    {
        var costly = rows.Where(r => r.Costs > 0 && r.Kind is LossKind.Item or LossKind.Rig or LossKind.Place or LossKind.Person && r.Id != reader)
            .OrderByDescending(r => r.Costs).ThenBy(r => r.Kind)
            .Select(r => (Row: r, Cell: r.Cells.Where(c => c.Worst is not null).OrderByDescending(c => c.Worst).ThenByDescending(c => parts.Contains(c.Part))
                .ThenByDescending(c => c.Needs.Count).First()));
        var all = costly.ToList();
        // Three losses of the same picture are one lesson, as long as there are others.
        var lessons = all.DistinctBy(r => (r.Cell.Part, r.Cell.Needs[0])).ToList();
        foreach (var (row, cell) in lessons.Concat(all.Except(lessons)).Take(WorstLosses))
        {
            var part = day.PartOf(cell.Part)!;
            var need = part.Needs.Where(n => cell.Needs.Contains(n.Need.Id)).MinBy(n => n.Need.Importance)!;
            var others = row.Costs - 1;
            yield return new PaperLoss(English.Capital(LossWords.Row(names, row.Kind, row.Id)),
                $"{need.Need.Label} in {part.Part.Label}{(others > 0 ? $" and {English.Number(others)} more" : "")}", Then(row, part, need));
        }
    }

    private string Then(LossRow row, PartFindings part, NeedFinding need)
    {
        var loss = Losses.Find(day.Kit, row.Kind, row.Id)!;
        var left = loss.ItemsIn is { } itemsIn ? answers.Without(part, itemsIn(part.Ways.Layout))
            : LossAnswers.Changed(day, day.Changed(loss)!, loss, part);
        return left.FirstOrDefault(l => l.Need == need) is { } found ? Say(part.Part, found) : "nothing left does it";
    }
}
