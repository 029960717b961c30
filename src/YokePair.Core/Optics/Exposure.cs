using YokePair.Core.Basics;

namespace YokePair.Core.Optics;

/// <summary>Exposure at ISO 100, from the definition of exposure value: <c>2^EV = N²/t</c>.</summary>
public static class Exposure
{
    /// <summary>ISO asked: <c>100·N²/(t·2^EV)</c>.</summary>
    /// <param name="fNumber">f-number that counts.</param>
    /// <param name="shutterSeconds">Shutter time, seconds.</param>
    /// <param name="ev">Light at ISO 100.</param>
    public static double Iso(double fNumber, double shutterSeconds, double ev) =>
        100 * fNumber * fNumber / (shutterSeconds * Math.Pow(2, ev));

    /// <summary>Stops by which an ISO is over a body's ceiling; negative = in hand.</summary>
    public static double StopsOver(double iso, double ceiling) => Math.Log2(iso / ceiling);

    /// <summary>At or under the ceiling full, up to one stop over second best, more no.</summary>
    public static Quality Judge(double stopsOver) =>
        Slack.AtMost(stopsOver, 0) ? Quality.Full : Slack.AtMost(stopsOver, 1) ? Quality.SecondBest : Quality.No;

    /// <summary>
    /// Shutter used by hand: what the subject's motion asks, or the hand-held floor <c>2^stops/(equivalent focal · crop)</c>
    /// where that is shorter.
    /// </summary>
    public static double HandHeldShutterSeconds(double motionSeconds, double equivalentMm, double cropFactor, double stabilisationStops) =>
        Math.Min(motionSeconds, Math.Pow(2, stabilisationStops) / (equivalentMm * cropFactor));

    /// <summary>Light at ISO 100 from an exposure that somebody noted: <c>log2(N²/t) − log2(ISO/100)</c>.</summary>
    public static double Ev(double fNumber, double shutterSeconds, double iso) =>
        Math.Log2(fNumber * fNumber / shutterSeconds) - Math.Log2(iso / 100);
}

/// <summary>Continuous lights, by the light they throw at one metre.</summary>
public static class ContinuousLight
{
    /// <summary>Lux that make EV 0 at ISO 100, for an incident-light meter with the constant 250 of ISO 2720.</summary>
    public const double LuxAtEv0 = 2.5;

    /// <summary>Light of a part with a lamp added: lux fall with the square of the distance, and the two add up.</summary>
    /// <param name="partEv">Light of the part, EV at ISO 100.</param>
    /// <param name="luxAtOneM">Lux at one metre.</param>
    /// <param name="distanceM">From lamp to subject, metres.</param>
    /// <param name="lossStops">Stops lost in modifiers.</param>
    public static double Ev(double partEv, double luxAtOneM, double distanceM, double lossStops) =>
        Math.Log2(Math.Pow(2, partEv) + luxAtOneM / (distanceM * distanceM) / Math.Pow(2, lossStops) / LuxAtEv0);
}
