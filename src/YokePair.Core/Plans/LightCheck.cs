namespace YokePair.Core.Plans;

/// <summary>What must be true of the lights of a part.</summary>
internal static class LightCheck
{
    /// <summary>Most lights of a part, and most that a need may ask: what a room holds, and what can be tried in every choice.</summary>
    public const int Most = 10, MostAsked = 6;

    /// <summary>Checks them.</summary>
    /// <param name="part">The part.</param>
    /// <param name="at">Its path in the file.</param>
    /// <param name="named">What its setups name already, with the fields that do.</param>
    /// <param name="ids">Ids of the plan.</param>
    /// <param name="found">Problems.</param>
    public static void Check(Part part, string at, Dictionary<string, string> named, KnownIds ids, ProblemList found)
    {
        var lights = part.Lights ?? [];
        if (lights.Count > Most) found.Add($"{at}.lights", $"holds {lights.Count}; a part may have at most {Most}");
        var heads = new Dictionary<string, int>(StringComparer.Ordinal);
        for (var i = 0; i < lights.Count; i++)
        {
            var light = lights[i];
            var here = $"{at}.lights[{i}]";
            if (new[] { light.Flash, light.Light, light.Relay }.Count(x => x is not null) != 1) found.Add(here,
                "names no light, or more than one; name one flash, one continuous light or one relay");
            foreach (var (field, id) in light.Named(ids.IsPerson))
            {
                ids.Item($"{here}.{field}", id, KindOf(field), found);
                if (field == "pack")
                {
                    heads[id] = heads.GetValueOrDefault(id) + 1;
                    if (ids.Outlets(id) is { } outlets && heads[id] > outlets) found.Add($"{here}.pack",
                        $"\"{id}\" has {outlets} outlets and {heads[id]} heads hang on it; hang one on another pack");
                    if (heads[id] > 1) continue;
                }
                if (!named.TryAdd(id, $"{here}.{field}")) found.Add($"{here}.{field}",
                    $"\"{id}\" is already {named[id]}; one thing cannot be in two places of a part");
            }
        }
    }

    private static Type KindOf(string field) => field switch
    {
        "flash" => typeof(Flash),
        "light" => typeof(StandLight),
        "pack" => typeof(Pack),
        "holder" => typeof(Support),
        _ => typeof(Trigger),
    };
}
