using System.Text.Json;
using YokePair.Core.Advice;
using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Locker;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Starting;
using YokePair.Core.Swaps;
using YokePair.Core.Verdict;
using YokePair.Core.Ways;
using YokePair.Core.Wording;

namespace YokePair.Web;

/// <summary>Words of a closed set in addresses, written as JSON writes them.</summary>
internal static class EnumText
{
    public static bool Read<T>(string text, out T value) where T : struct, Enum
    {
        foreach (var known in Enum.GetValues<T>())
            if (Text(known) == text)
            {
                value = known;
                return true;
            }
        value = default;
        return false;
    }

    public static PlanProblem Unknown<T>(string field, string text) where T : struct, Enum =>
        new(field, $"\"{text}\" is none of {string.Join(", ", Enum.GetValues<T>().Select(Text))}");

    private static string Text<T>(T value) where T : struct, Enum => JsonNamingPolicy.CamelCase.ConvertName(value.ToString());
}
