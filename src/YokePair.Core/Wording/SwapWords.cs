using YokePair.Core.Basics;
using YokePair.Core.Swaps;

namespace YokePair.Core.Wording;

/// <summary>How the changes of batteries and cards differ after a pull, in a sentence.</summary>
internal static class SwapWords
{
    private static readonly (SwapFate Fate, string Word)[] Fates =
        [(SwapFate.New, "new"), (SwapFate.Dropped, "no longer needed"), (SwapFate.Other, "with another battery or card"), (SwapFate.Stays, "as planned")];

    public static string Headline(IReadOnlyDictionary<SwapFate, int> counts, int without, int were)
    {
        var told = Fates.Where(f => counts.GetValueOrDefault(f.Fate) > 0).Select(f => $"{English.Number(counts[f.Fate])} {f.Word}").ToList();
        var sentence = told.Count == 0 ? "No battery or card has to be changed." : $"Changes of batteries and cards: {English.List(told)}.";
        if (without == 0) return sentence;
        var before = were == 0 ? "" : were == without ? ", as before" : were < without ? $", {English.Number(were)} of them before already"
            : $" ({English.Number(were)} before)";
        return $"{sentence} {English.Capital(English.Number(without))} frames of a busy day find no battery or card{before}.";
    }
}
