using YokePair.Core.Basics;

namespace YokePair.Core.Wording;

/// <summary>How the rest of a day stands, in a sentence that says only what is so.</summary>
public static class RestWords
{
    /// <summary>Of so many pictures that matter, how many are not covered, and how many hang by one thing.</summary>
    public static string Of(int needs, int open, int hanging)
    {
        const string Whose = "of the rest of the day";
        string[] wrong =
        [
            .. open == 0 ? (string[])[] : [English.Count(open, "is not covered", "are not covered")],
            .. hanging == 0 ? (string[])[] : [English.Count(hanging, "hangs by one thing", "hang by one thing")],
        ];
        return (needs, open + hanging) switch
        {
            (0, _) => "No picture that matters is left.",
            (1, 0) => $"The one picture {Whose} survives any one failure.",
            (1, _) => $"The one picture {Whose} {(open > 0 ? "is not covered" : "hangs by one thing")}.",
            (_, 0) => $"{(needs == 2 ? "Both" : $"All {English.Number(needs)}")} pictures {Whose} survive any one failure.",
            _ => $"Of the {English.Number(needs)} pictures {Whose} {English.List(wrong)}.",
        };
    }
}
