using System.Text.RegularExpressions;

namespace YokePair.Core.Locker;

/// <summary>What is known of the words one may type: those of the craft, and those the owner's own locker already uses.</summary>
/// <param name="Mounts">Lens mounts.</param>
/// <param name="BatteryTypes">Camera battery types.</param>
/// <param name="RadioSystems">Radio systems.</param>
public sealed record KnownWords(IReadOnlySet<string> Mounts, IReadOnlySet<string> BatteryTypes, IReadOnlySet<string> RadioSystems)
{
    /// <summary>Nothing known yet.</summary>
    public static KnownWords None { get; } = new(new HashSet<string>(), new HashSet<string>(), new HashSet<string>());

    /// <summary>Both together.</summary>
    public KnownWords And(KnownWords more)
    {
        return new KnownWords(Both(Mounts, more.Mounts), Both(BatteryTypes, more.BatteryTypes), Both(RadioSystems, more.RadioSystems));

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
            Set(all.SelectMany(i => i switch { Plans.Flash f => [f.RadioSystem], Plans.Trigger t => [t.Sends, t.Hears], _ => Array.Empty<string?>() }).OfType<string>()));

        static HashSet<string> Set(IEnumerable<string> words) => new(words, StringComparer.OrdinalIgnoreCase);
    }
}

/// <summary>Words and patterns of quick-add lines.</summary>
internal static partial class QuickWords
{
    public static readonly IReadOnlyDictionary<string, (string Kind, string? Form)> Kinds = new Dictionary<string, (string, string?)>(StringComparer.OrdinalIgnoreCase)
    {
        ["tripod"] = ("support", "tripod"),
        ["monopod"] = ("support", "monopod"),
        ["stand"] = ("support", "stand"),
        ["clamp"] = ("support", "clamp"),
        ["umbrella"] = ("modifier", null),
        ["softbox"] = ("modifier", null),
        ["harness"] = ("carry", null),
        ["belt"] = ("carry", null),
        ["strap"] = ("carry", null),
        ["roller"] = ("case", null),
        ["backpack"] = ("case", null),
        ["bag"] = ("case", null),
        ["lamp"] = ("light", null),
        ["receiver"] = ("trigger", null),
        ["relay"] = ("trigger", null),
        ["nd"] = ("filter", null),
        ["ring"] = ("filter", null),
        ["batteries"] = ("battery", null),
        ["cards"] = ("card", null),
    };

    /// <summary>Words that set one figure.</summary>
    public static readonly IReadOnlyDictionary<string, (string Figure, string Value)> Flags = new Dictionary<string, (string, string)>(StringComparer.OrdinalIgnoreCase)
    {
        ["macro"] = ("magnification", "1"),
        ["silent"] = ("silent", "yes"),
        ["sealed"] = ("sealed", "yes"),
        ["doubtful"] = ("doubtful", "yes"),
        ["usb-c"] = ("usbCharging", "yes"),
        ["takesconverter"] = ("takesConverter", "yes"),
        ["hss"] = ("highSpeedSync", "yes"),
        ["hired"] = ("owner", "hired"),
        ["own-make"] = ("make", "own"),
        ["third-party"] = ("make", "thirdParty"),
        ["cheap"] = ("make", "cheap"),
    };

    [GeneratedRegex(@"(?<=\d)\s*(?:mm)?\s+f/?(?=\d)", RegexOptions.IgnoreCase)]
    public static partial Regex SpacedAperture();

    [GeneratedRegex(@"""[^""]*""|[^\s""]+:""[^""]*""|\S+")]
    public static partial Regex Tokens();

    [GeneratedRegex(@"^(\d{1,3})[x×]$", RegexOptions.IgnoreCase)]
    public static partial Regex Copies();

    [GeneratedRegex(@"^#(\d{1,5})(?:[-–](\d{1,5}))?$")]
    public static partial Regex Numbers();

    [GeneratedRegex(@"^(\d+(?:[.,]\d+)?)(?:[-–](\d+(?:[.,]\d+)?))?(?:mm)?/f?(\d+(?:[.,]\d+)?)(?:[-–](\d+(?:[.,]\d+)?))?$", RegexOptions.IgnoreCase)]
    public static partial Regex Glass();

    [GeneratedRegex(@"^f/?(\d+(?:[.,]\d+)?)(?:[-–](\d+(?:[.,]\d+)?))?$", RegexOptions.IgnoreCase)]
    public static partial Regex ApertureAlone();

    [GeneratedRegex(@"^\d{4}-\d{2}(-\d{2})?$")]
    public static partial Regex Date();

    [GeneratedRegex(@"^1:(\d+(?:[.,]\d+)?)$")]
    public static partial Regex Reproduction();

    [GeneratedRegex(@"^([\w.]{1,8})(?:>|→|->)([\w.]{1,8})$")]
    public static partial Regex MountToMount();

    [GeneratedRegex(@"^(\d+(?:[.,]\d+)?)(g|kg|wh|gb|tb|mp|fps|mm|w|%|x|×|h)$", RegexOptions.IgnoreCase)]
    public static partial Regex Measure();

    [GeneratedRegex(@"^(iso|crop|gn|stab|ø)(\d+(?:[.,]\d+)?)$", RegexOptions.IgnoreCase)]
    public static partial Regex Named();

    [GeneratedRegex(@"^([A-Za-z]\w*):(.+)$")]
    public static partial Regex Explicit();

    [GeneratedRegex(@"^[A-Za-z]{1,4}-?\d{1,3}[A-Za-z]?$")]
    public static partial Regex Code();
}
