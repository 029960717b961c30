using YokePair.Core.Plans;

namespace YokePair.Core.Library;

/// <summary>What things weigh that nobody has weighed, by their kind.</summary>
public static class UsualWeights
{
    /// <summary>Grams of a thing, so that it is not taken for nothing.</summary>
    public static double Of(Item item) => item switch
    {
        Body => 700,
        Lens => 600,
        Flash => 400,
        Support { IsLightStand: true } => 1200,
        Support { CarriesCamera: false } => 300,
        Support { IsMonopod: true } => 600,
        Support => 1500,
        StandLight => 500,
        Case { InnerMm: not null } => 2500,
        Case => 200,
        Converter => 200,
        Adapter => 120,
        Tube or Trigger => 80,
        _ => 50,
    };
}
