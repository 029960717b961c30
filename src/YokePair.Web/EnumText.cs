using System.Text.Json;
using YokePair.Core.Plans;

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
