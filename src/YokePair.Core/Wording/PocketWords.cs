using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Wording;

/// <summary>What one sees at a glance: short, from where somebody stands.</summary>
internal sealed class PocketWords(Plan plan)
{
    private readonly Names names = new(plan);

    /// <summary>Glass as one says it: 85, 70–200, with what is between it and the camera.</summary>
    public string Glass(Setup? setup) => Glass(setup, withF: false);

    /// <summary>The same with its f-number.</summary>
    public string GlassAndF(Setup setup) => Glass(setup, withF: true);

    private string Glass(Setup? setup, bool withF) => setup?.Lens is not { } lens ? "no glass"
        : string.Join(" + ", new[] { withF ? $"{Glass(lens)} {FNumber(lens)}".Trim() : Glass(lens) }
            .Concat(new[] { setup.Converter, setup.Tube, setup.Adapter }.OfType<string>().Select(names.Item)));

    /// <summary>A lens as one says it.</summary>
    public string Glass(string lens) => plan.ItemOf(lens) is Lens { Focal: var focal }
        ? focal.Low >= focal.High ? English.Whole(focal.Low) : $"{English.Whole(focal.Low)}–{English.Whole(focal.High)}" : names.Item(lens);

    /// <summary>Its f-number as it is engraved.</summary>
    public string? FNumber(string? lens) => plan.ItemOf(lens) is Lens { Aperture: var f }
        ? f.Low >= f.High ? $"f/{English.Tenths(f.Low)}" : $"f/{English.Tenths(f.Low)}–{English.Tenths(f.High)}" : null;

    /// <summary>By which hand a picture is taken: left hand, 35; Second shoots it, right hand, 85; another body, 28–105.</summary>
    /// <param name="part">The part.</param>
    /// <param name="reader">Id of whoever reads it.</param>
    /// <param name="person">Id of who acts.</param>
    /// <param name="body">Body id; null where a role is served.</param>
    /// <param name="lens">Lens id.</param>
    public string Hand(Part part, string reader, string person, string? body, string? lens)
    {
        var whose = person == reader ? "" : $"{names.Person(person)} shoots it, ";
        if (body is null) return $"{whose}another one for it";
        var glass = lens is null ? "" : Glass(lens);
        if (part.Setups.FirstOrDefault(s => s.Body == body) is not { } setup) return $"{whose}{names.Item(body)}, {glass}";
        var hand = setup.Person == person ? $"{setup.Position} hand" : $"{names.Person(setup.Person)}'s {setup.Position} hand";
        return setup.Lens == lens ? $"{whose}{hand}, {Glass(setup)}" : $"{whose}{hand}, {glass} on it";
    }

    /// <summary>What a part asks of everybody, in words.</summary>
    public IEnumerable<string> Rules(Part part)
    {
        if (part.Flash == FlashRule.Banned) yield return "no flash";
        if (part.Quiet == QuietRule.Required) yield return "silent";
        if (part.Quiet == QuietRule.Preferred) yield return "quiet";
        if (part.StayBehindM is { } line) yield return $"a line {English.Tenths(line)} m off";
        foreach (var place in part.Unreachable) yield return $"{English.Lower(names.Place(place))} out of reach";
    }
}
