namespace YokePair.Core.Optics;

/// <summary>How the light falls around sunset, out of doors.</summary>
public static class Dusk
{
    private const double AtSunset = 8, StopsPerMinute = 3.0 / 20;

    /// <summary>Night: from an hour after sunset on it gets no darker.</summary>
    private const double NightMinutes = 60;

    /// <summary>The light of an open sky: 8 at sunset, three stops less every 20 minutes until it is night.</summary>
    /// <param name="minutesAfterSunset">Minutes since sunset; negative before it.</param>
    /// <returns>EV at ISO 100.</returns>
    public static double Ev(double minutesAfterSunset) => AtSunset - StopsPerMinute * Math.Min(minutesAfterSunset, NightMinutes);
}
