using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using YokePair.Core.Pocket;

namespace YokePair.Web.Pocket;

/// <summary>Cards of paper as HTML: four sides of A6 on a sheet, the two that are folded over upside down; on a screen one below the other.</summary>
internal static class CardHtml
{
    private const int Sides = 4;

    public static string Of(IEnumerable<PaperCard> cards) => string.Concat(cards.Select(Sheet));

    private static string Sheet(PaperCard card)
    {
        var sides = Split(card);
        var html = new StringBuilder($"""<article class="sheet{(card.IsSmall ? " small" : "")}" aria-label="{Text($"Card of {card.Who}")}">""");
        for (var i = 0; i < Sides; i++)
            html.Append(CultureInfo.InvariantCulture,
                $"""<section class="side{Folded(i)}">{(i == 0 ? Cover(card) : "")}{string.Concat(sides[i].Select(Part))}</section>""");
        return html.Append("</article>").ToString();
    }

    /// <summary>The first and the last side are folded over.</summary>
    private static string Folded(int side) => side switch
    {
        0 => " over",
        Sides - 1 => " over last",
        _ => "",
    };

    private static List<PaperPart>[] Split(PaperCard card)
    {
        var sides = new List<PaperPart>[] { [], [], [], [] };
        foreach (var (part, side) in card.Parts.Zip(PaperCard.SidesOf(card))) sides[side].Add(part);
        return sides;
    }

    private static string Cover(PaperCard card)
    {
        var day = card.Day?.ToString(", dddd d MMMM yyyy", CultureInfo.InvariantCulture);
        var html = new StringBuilder($"<h1>{Text(card.Title)}</h1><p>{Text(card.Who)}{day}</p>");
        html.Append("<ul class=\"people\">");
        foreach (var person in card.People) html.Append(CultureInfo.InvariantCulture, $"<li>{Text(person)}</li>");
        html.Append("</ul>");
        if (card.Worst.Count > 0) html.Append("<h2>The worst that can go</h2><ol>");
        foreach (var loss in card.Worst)
            html.Append(CultureInfo.InvariantCulture, $"<li><b>{Text(loss.Name)}</b>: {Text(loss.Costs)}<br>→ {Text(loss.Then)}</li>");
        if (card.Worst.Count > 0) html.Append("</ol>");
        if (card.LeftOut is { } left) html.Append(CultureInfo.InvariantCulture, $"<p class=\"left\">{Text(left)}</p>");
        return html.ToString();
    }

    private static string Part(PaperPart part)
    {
        var html = new StringBuilder($"<section class=\"part\"><h2><b>{Time(part.Start)}</b> {Text(part.Name)}<span> to {Time(part.End)}</span></h2>");
        if (part.Rules.Length > 0) html.Append(CultureInfo.InvariantCulture, $"<p class=\"rules\">{Text(part.Rules)}</p>");
        if (part.Before.Count > 0) html.Append(CultureInfo.InvariantCulture, $"<p>before: {Text(string.Join("; ", part.Before))}</p>");
        foreach (var hand in part.Hands)
        {
            var shoe = hand.Shoe.Length > 0 ? $", {Text(hand.Shoe)}" : "";
            html.Append(CultureInfo.InvariantCulture, $"<p><i>{Text(hand.Position)}</i> <b>{Text(hand.Glass)}</b>{shoe}</p>");
            if (hand.Dies is { } dies) html.Append(CultureInfo.InvariantCulture, $"<p class=\"dies\">if {Text(hand.Position)} dies → {Text(dies)}</p>");
        }
        return html.Append("</section>").ToString();
    }

    private static string Time(DateTime? at) => at is { } time ? time.ToString("H:mm", CultureInfo.InvariantCulture) : "";

    private static string Text(string text) => HtmlEncoder.Default.Encode(text);
}
