using YokePair.Core.Basics;
using YokePair.Core.Verdict;

namespace YokePair.Core.Wording;

/// <summary>What one cause would take together, as a sentence.</summary>
internal static class CauseWords
{
    private const int Named = 3;

    public static string Say(Names names, CauseFacts cause) => cause.Kind switch
    {
        CauseKind.OneBag => $"The {names.Item(cause.Items[0])} and its only backup, the {names.Item(cause.Items[1])}, are both in the "
            + $"{Lower(names.Place(cause.About!))}: {Needs(names, cause)}.",
        CauseKind.OneAdapter =>
            $"The {names.Item(cause.Items[0])} is the only sound adapter for {English.Number(cause.Items.Count - 1)} lenses: "
                + $"{List(names, cause.Items.Skip(1))}.",
        CauseKind.OneRadio => $"Every light that stands in a room hears radio {cause.About} alone: {List(names, cause.Items)}. If it is jammed, none fires.",
        CauseKind.OnePack => $"{English.Capital(English.Number(cause.Items.Count - 1))} heads hang on the {names.Item(cause.Items[0])} in "
            + $"{names.Part(cause.Part!)}.",
        CauseKind.OneShoe => $"The {names.Item(cause.Items[0])} fits the shoe of the {names.Item(cause.Items[1])} only.",
        CauseKind.OneCharger =>
            $"One charger, the {names.Item(cause.Items[0])}, for {(cause.Count == 2 ? "both" : "all " + English.Number(cause.Count))} {cause.About} batteries.",
        CauseKind.OneReader => $"One reader, the {names.Item(cause.Items[0])}, for every card.",
        CauseKind.OneWallet => $"Both halves of {cause.Count} frames lie in the wallet of {names.Person(cause.About!)}: {Needs(names, cause)}.",
        CauseKind.OneDrive => $"One drive, the {names.Item(cause.Items[0])}, for every copy.",
        _ => $"All {English.Number(cause.Items.Count)} {cause.About} cards have been in use since {English.Date(cause.Since!.Value)}: one lot, for "
            + $"{English.Number(cause.Count)} bodies.",
    };

    private static string Needs(Names names, CauseFacts cause)
    {
        var labels = cause.Hits.Select(h => names.Need(h.Part, h.Need)).Distinct().ToList();
        return English.List([.. labels.Take(Named)]) + (labels.Count > Named ? " and more" : "");
    }

    private static string List(Names names, IEnumerable<string> items) => English.List([.. items.Select(names.Item)]);

    private static string Lower(string name) => name.Length > 0 ? char.ToLowerInvariant(name[0]) + name[1..] : "";
}
