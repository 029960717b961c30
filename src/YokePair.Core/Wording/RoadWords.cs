using System.Globalization;
using YokePair.Core.Basics;
using YokePair.Core.Carry;
using YokePair.Core.Plans;

namespace YokePair.Core.Wording;

/// <summary>What stands in the way of a journey, in words.</summary>
internal static class RoadWords
{
    private const int Named = 3;

    /// <summary>A sentence for one thing to be seen to.</summary>
    public static IReadOnlyList<TextPiece> Say(Plan plan, RoadLine line)
    {
        var names = new Names(plan);
        var isOne = line.Items.Count == 1;
        var (bag, things) = (names.Place(line.Place), List(names, line.Items));
        var where = plan.PlaceOf(line.Place)?.Travels == Travel.Hold ? "hold" : "cabin";
        return line.Trouble switch
        {
            RoadTrouble.TooHeavy => [new TextPiece($"{bag} is "), new TextPiece("", Grams: line.By), new TextPiece($" too heavy for the {where}.")],
            RoadTrouble.TooLarge => [new TextPiece($"{bag} is {line.By.ToString("0", CultureInfo.InvariantCulture)} mm too large for the cabin.")],
            RoadTrouble.NotInHold => [new TextPiece($"Not in the hold: {things} {(isOne ? "is" : "are")} in {bag}. "
                + "Spare lithium batteries and power banks go into the cabin, contacts covered.")],
            RoadTrouble.NotInAir => [new TextPiece($"Not in an aircraft at all: {things}, over 160 Wh.")],
            RoadTrouble.AskCarrier => [new TextPiece($"Ask your carrier: {things}, 100 to 160 Wh; two at the most"
                + (line.By > 0 ? $", so that {English.Number((int)line.By)} must stay." : "."))],
            RoadTrouble.WattHoursUnknown => [new TextPiece($"Nobody has said how many watt-hours {things} {(isOne ? "has" : "have")}: "
                + $"look at what is printed on {(isOne ? "it" : "them")}, volts times ampere-hours.")],
            _ => [new TextPiece($"Off {(isOne ? "its body" : "their bodies")} for the journey: {things}.")],
        };
    }

    private static string List(Names names, IReadOnlyList<string> items) =>
        English.List(English.Few([.. items.Select(i => $"the {names.Item(i)}")], Named));
}
