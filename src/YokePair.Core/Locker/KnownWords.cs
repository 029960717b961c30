namespace YokePair.Core.Locker;

/// <summary>What is known of the words one may type: those of the craft, and those the owner's own locker already uses.</summary>
/// <param name="Mounts">Lens mounts.</param>
/// <param name="BatteryTypes">Camera battery types.</param>
/// <param name="RadioSystems">Radio systems.</param>
public sealed record KnownWords(IReadOnlySet<string> Mounts, IReadOnlySet<string> BatteryTypes, IReadOnlySet<string> RadioSystems)
{
    /// <summary>Nothing known yet.</summary>
    public static KnownWords None { get; } = new(new HashSet<string>(), new HashSet<string>(), new HashSet<string>());

    /// <summary>Highest number of the things that share a kind and a name; 1 where there is one without a number.</summary>
    public IReadOnlyDictionary<(string Kind, string Name), int> Numbers { get; init; } = new Dictionary<(string, string), int>();

    /// <summary>Both together.</summary>
    public KnownWords And(KnownWords more)
    {
        return new KnownWords(Both(Mounts, more.Mounts), Both(BatteryTypes, more.BatteryTypes), Both(RadioSystems, more.RadioSystems))
        {
            Numbers = Numbers.Concat(more.Numbers).GroupBy(n => n.Key).ToDictionary(g => g.Key, g => g.Max(n => n.Value)),
        };

        static IReadOnlySet<string> Both(IReadOnlySet<string> one, IReadOnlySet<string> other) =>
            other.All(one.Contains) ? one : new HashSet<string>(one.Concat(other), StringComparer.OrdinalIgnoreCase);
    }

    /// <summary>What a locker's things use.</summary>
    public static KnownWords Of(IEnumerable<Plans.Item> things)
    {
        var all = things.ToList();
        return new KnownWords(
            Set(all.SelectMany(i => i switch
            {
                Plans.Body b => b.Mount,
                Plans.Lens l => [l.Mount],
                Plans.Adapter a => new[] { a.LensMount, a.BodyMount }.OfType<string>(),
                Plans.Converter { Mount: { } m } => [m],
                Plans.Tube { Mount: { } m } => [m],
                _ => (IEnumerable<string>)[],
            })),
            Set(all.Select(i => i switch { Plans.Body b => b.BatteryType, Plans.Battery b => b.Type, _ => null }).OfType<string>()),
            Set(all.SelectMany(i => i switch
            {
                Plans.Flash f => [f.RadioSystem],
                Plans.Trigger t => [t.Sends, t.Hears],
                _ => Array.Empty<string?>()
            }).OfType<string>()))
        {
            Numbers = all.GroupBy(t => (Plans.ItemKinds.Of(t), Naming.Stem(t))).ToDictionary(g => g.Key, g => g.Max(t => t.Number ?? 1)),
        };

        static HashSet<string> Set(IEnumerable<string> words) => new(words, StringComparer.OrdinalIgnoreCase);
    }
}
