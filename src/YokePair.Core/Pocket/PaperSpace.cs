using YokePair.Core.Basics;

namespace YokePair.Core.Pocket;

/// <summary>
/// What fits on a card: four sides of A6, the first begun with people and the worst losses. Lines are counted by letters, with some in hand, so that
/// what is said to fit does.
/// </summary>
internal static class PaperSpace
{
    private const int Sides = 4;

    /// <summary>Lines of a side and letters of a line, as it is set usually, and small.</summary>
    private static readonly (double Lines, int Letters) Usual = (34, 62), Small = (38.8, 70);

    /// <summary>The card as it fits: small where it must be, then with less said of what is safe anyway, then with fewer parts, and saying so.</summary>
    public static PaperCard Fitted(PaperCard card)
    {
        foreach (var (size, isSmall) in new[] { (Usual, false), (Small, true) })
            if (Fits(card, card.Parts, size)) return card with { IsSmall = isSmall };
        var brief = card.Parts.ToArray();
        var silent = new List<string>();
        // What survives any one failure needs no word of what to do, the least exposed first.
        var safe = Enumerable.Range(0, brief.Length).Where(i => brief[i].Strands >= 2)
            .OrderByDescending(i => brief[i].Strands).ThenByDescending(i => i).ToList();
        foreach (var at in safe)
        {
            brief[at] = brief[at] with { Hands = [.. brief[at].Hands.Select(h => h with { Dies = null })] };
            silent.Add(brief[at].Name);
            if (Fits(card with { LeftOut = Left([], silent) }, brief, Small)) return card with { Parts = brief, IsSmall = true, LeftOut = Left([], silent) };
        }
        var kept = brief.ToList();
        var gone = new List<string>();
        while (kept.Count > 1 && !Fits(card with { LeftOut = Left(gone, silent) }, kept, Small))
        {
            gone.Insert(0, kept[^1].Name);
            kept.RemoveAt(kept.Count - 1);
        }
        silent.RemoveAll(gone.Contains);
        return card with { Parts = kept, IsSmall = true, LeftOut = Left(gone, silent) };
    }

    private static string Left(List<string> gone, List<string> silent) => string.Join(" ", new[]
    {
        gone.Count > 0 ? $"Left out, as there is no room: {English.List(gone)}." : "",
        silent.Count > 0 ? $"Left out of {English.List(silent)}: what to do when a camera dies; they survive it." : "",
    }.Where(t => t.Length > 0));

    /// <summary>On which side each part stands.</summary>
    public static IReadOnlyList<int> SidesOf(PaperCard card) => [.. Placed(card, card.Parts, card.IsSmall ? Small : Usual)];

    /// <summary>Whether the parts go on the sides, none of them torn in two.</summary>
    private static bool Fits(PaperCard card, IReadOnlyList<PaperPart> parts, (double Lines, int Letters) size) =>
        Placed(card, parts, size).All(side => side < Sides) && parts.All(p => LinesOf(p, size.Letters) <= size.Lines);

    private static IEnumerable<int> Placed(PaperCard card, IReadOnlyList<PaperPart> parts, (double Lines, int Letters) size)
    {
        var (side, used) = (0, CoverLines(card, size.Letters));
        foreach (var lines in parts.Select(p => LinesOf(p, size.Letters)))
        {
            if (used > 0 && used + lines > size.Lines) (side, used) = (side + 1, 0);
            used += lines;
            yield return side;
        }
    }

    private static double CoverLines(PaperCard card, int letters)
    {
        const double title = 2, heading = 1.5;
        return (title * Lines(card.Title, letters / 2)) + 1 + card.People.Sum(p => Lines(p, letters)) + (card.Worst.Count > 0 ? heading : 0)
            + card.Worst.Sum(w => Lines($"1. {w.Name}: {w.Costs}", letters - 4) + Lines($"→ {w.Then}", letters - 4)) + Lines(card.LeftOut ?? "", letters);
    }

    private static double LinesOf(PaperPart part, int letters)
    {
        const double head = 1.9, held = 1.25;
        return head + Lines(part.Rules, letters) + Lines(Before(part), letters)
            + part.Hands.Sum(h => (held * Lines($"{h.Position} {h.Glass}, {h.Shoe}", letters)) + Lines(Dies(h), letters));
    }

    private static int Lines(string text, int letters) => (text.Length + letters - 1) / letters;

    private static string Before(PaperPart part) => part.Before.Count == 0 ? "" : $"before: {string.Join("; ", part.Before)}";

    private static string Dies(PaperHand hand) => hand.Dies is { } dies ? $"if {hand.Position} dies → {dies}" : "";
}
