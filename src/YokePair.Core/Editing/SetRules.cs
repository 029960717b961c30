using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>Changes how the day is reckoned. What is not given stays as it is.</summary>
public sealed record SetRules : PlanEdit
{
    /// <summary>Whether every frame is to be recorded twice at once.</summary>
    public bool? DualRecord { get; init; }

    /// <summary>Fewest megapixels left after any crop.</summary>
    public double? MinMegapixels { get; init; }

    /// <summary>How many times too long a lens may be for what can be stitched.</summary>
    public double? StitchLimit { get; init; }

    /// <summary>ISO at which on-camera flash is reckoned.</summary>
    public double? FlashIso { get; init; }

    /// <summary>How long what happens once may wait, seconds.</summary>
    public double? OnceSeconds { get; init; }

    /// <summary>How long what must be had may wait, seconds.</summary>
    public double? MustSeconds { get; init; }

    /// <summary>Whether what happens once is begun with a full battery.</summary>
    public bool? FreshBeforeOnce { get; init; }

    /// <summary>How batteries and cells are used and charged.</summary>
    public PowerRules? Power { get; init; }

    /// <summary>How cards are changed, shared out and copied.</summary>
    public CardRules? Cards { get; init; }

    /// <summary>The rules of the house.</summary>
    public House? House { get; init; }

    /// <summary>What the carrier takes.</summary>
    public CarrierRules? Carrier { get; init; }

    /// <summary>Seconds of single operations.</summary>
    public OwnSeconds? Seconds { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        var old = plan.Rules;
        var next = plan with
        {
            Rules = old with
            {
                DualRecord = DualRecord ?? old.DualRecord,
                MinMegapixels = MinMegapixels ?? old.MinMegapixels,
                StitchLimit = StitchLimit ?? old.StitchLimit,
                FlashIso = FlashIso ?? old.FlashIso,
                FreshBeforeOnce = FreshBeforeOnce ?? old.FreshBeforeOnce,
                Power = Power is null ? old.Power : Power with { Extra = Power.Extra ?? old.Power.Extra },
                Cards = Cards is null ? old.Cards : Cards with { Extra = Cards.Extra ?? old.Cards.Extra },
                Tolerance = old.Tolerance with { Once = OnceSeconds ?? old.Tolerance.Once, Must = MustSeconds ?? old.Tolerance.Must },
                House = House is null ? old.House : House with { Extra = House.Extra ?? old.House.Extra },
                Carrier = Carrier is null ? old.Carrier : Carrier with { Extra = Carrier.Extra ?? old.Carrier?.Extra },
                Seconds = Seconds?.Over(old.Seconds) ?? old.Seconds,
            },
        };
        var wrong = PlanCheck.Usable(next).FirstOrDefault(p => p.Field.StartsWith("rules", StringComparison.Ordinal));
        return wrong is not null ? Refuse(FieldOf(wrong.Field), wrong.Message) : new EditResult(next, Said(), []);
    }

    private static string FieldOf(string field) => field switch
    {
        "rules.tolerance.once" => "onceSeconds",
        "rules.tolerance.must" => "mustSeconds",
        _ => field["rules.".Length..],
    };

    private string Said()
    {
        if (DualRecord is { } two) return two ? "Two records of every frame" : "One record of a frame is enough";
        if (FreshBeforeOnce is { } fresh) return fresh ? "A full battery before what happens once" : "As few changes of batteries as can be";
        if (OnceSeconds is { } once) return FormattableString.Invariant($"What happens once waits {once} s");
        if (MustSeconds is { } must) return FormattableString.Invariant($"What must be had waits {must} s");
        if (Power is not null) return "How batteries are used and charged";
        if (Cards is not null) return "How cards are changed and copied";
        if (House is not null) return "Rules of the house";
        if (Carrier is not null) return "What the carrier takes";
        return Seconds is not null ? "Seconds of an operation" : "How the day is reckoned";
    }
}
