using System.Globalization;
using YokePair.Core.Basics;
using YokePair.Core.Carry;
using YokePair.Core.Plans;

namespace YokePair.Core.Wording;

/// <summary>Whether things go into a bag, in words.</summary>
internal static class FitWords
{
    /// <summary>What is too thick first, then what finds no room and by how much, then what is only guessed.</summary>
    public static IReadOnlyList<TextPiece> Say(Plan plan, BagLayout layout)
    {
        var (names, room) = (new Names(plan), layout.Room);
        var bag = names.Place(room.Place);
        var said = new List<TextPiece>();
        if (room.Things.Count == 0) return [new TextPiece($"Nothing in {bag} needs room of its own.")];
        foreach (var deep in layout.TooDeep)
        {
            said.Add(new TextPiece("The "));
            said.Add(new TextPiece(names.Item(deep.Item), Item: deep.Item));
            said.Add(new TextPiece($" is {Mm(deep.MissingMm)} too thick to lie in {bag}. "));
        }
        if (layout.Out.Count > 0) said.AddRange(NoRoom(names, bag, layout));
        if (layout.Fits) said.Add(new TextPiece($"All {room.Things.Count} lie side by side in {bag}{Usual(room.Things.Count(t => t.IsUsual))}. "));
        string[] guessed = [.. layout.TooDeep.Select(t => t.Item).Concat(layout.Out).Where(id => room.Things.Any(t => t.Item == id && t.IsUsual))];
        if (guessed.Length > 0)
            said.Add(new TextPiece($"Nobody has said how large {English.List([.. guessed.Select(g => $"the {names.Item(g)}")])} "
                + $"{(guessed.Length == 1 ? "is" : "are")}: reckoned as usual; measure first. "));
        if (room.Small.Count > 0)
            said.Add(new TextPiece($"{English.Capital(English.Count(room.Small.Count, "small thing goes", "small things go"))} into pouches and between."));
        return said;
    }

    private static IEnumerable<TextPiece> NoRoom(Names names, string bag, BagLayout layout)
    {
        var more = (layout.LongerMm, layout.WiderMm) switch
        {
            ({ } longer, { } wider) => $": {bag} would have to be {Mm(longer)} longer, or {Mm(wider)} wider. ",
            ({ } longer, null) => $": {bag} would have to be {Mm(longer)} longer. ",
            (null, { } wider) => $": {bag} would have to be {Mm(wider)} wider. ",
            _ => ". ",
        };
        for (var i = 0; i < layout.Out.Count; i++)
        {
            yield return new TextPiece(i == 0 ? "The " : i == layout.Out.Count - 1 ? " and the " : ", the ");
            yield return new TextPiece(names.Item(layout.Out[i]), Item: layout.Out[i]);
        }
        yield return new TextPiece($" {(layout.Out.Count == 1 ? "finds" : "find")} no room{(layout.Proven ? "" : ", as far as was found in the time")}{more}");
    }

    private static string Usual(int count) => count == 0 ? "" : $"; {English.Number(count)} of a size as usual, drawn with dashes";

    private static string Mm(double mm) => Math.Ceiling(mm).ToString("0", CultureInfo.InvariantCulture) + " mm";
}
