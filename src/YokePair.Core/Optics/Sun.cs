namespace YokePair.Core.Optics;

/// <summary>
/// The sun, by the solar equations that almanacs give for everyday use: declination and equation of time from the sun's mean elements
/// (J. Meeus, Astronomical Algorithms, chapters 25 and 28), set when its centre stands at 90.833° from the zenith (34′ of refraction, 16′ of
/// its radius). Good to a minute or two between the polar circles.
/// </summary>
public static class Sun
{
    private const double SetDegrees = 90.833, MinutesPerDegree = 4, NoonMinutes = 720;

    /// <summary>When the sun sets.</summary>
    /// <param name="day">The day, as it is counted where the sun sets.</param>
    /// <param name="latitude">Degrees, north positive.</param>
    /// <param name="longitude">Degrees, east positive.</param>
    /// <returns>UTC; null where it does not set that day.</returns>
    public static DateTime? SetsAt(DateOnly day, double latitude, double longitude)
    {
        var midnight = day.ToDateTime(TimeOnly.MinValue, DateTimeKind.Utc);
        // The sun moves while the day goes on: taken at noon first, then at the hour found.
        var minutes = NoonMinutes + 6 * 60 - MinutesPerDegree * longitude;
        for (var turn = 0; turn < 3; turn++)
        {
            var (declination, equation) = At(midnight.AddMinutes(minutes));
            var cosine = (Math.Cos(Radians(SetDegrees)) - Math.Sin(Radians(latitude)) * Math.Sin(declination))
                / (Math.Cos(Radians(latitude)) * Math.Cos(declination));
            if (cosine is < -1 or > 1 or double.NaN) return null;
            minutes = NoonMinutes - equation + MinutesPerDegree * (Degrees(Math.Acos(cosine)) - longitude);
        }
        return midnight.AddMinutes(minutes);
    }

    /// <summary>Declination, radians, and equation of time, minutes.</summary>
    private static (double Declination, double Equation) At(DateTime utc)
    {
        var century = (utc - new DateTime(2000, 1, 1, 12, 0, 0, DateTimeKind.Utc)).TotalDays / 36525;
        var meanLongitude = Radians((280.46646 + century * (36000.76983 + century * 0.0003032)) % 360);
        var anomaly = Radians(357.52911 + century * (35999.05029 - century * 0.0001537));
        var eccentricity = 0.016708634 - century * (0.000042037 + century * 0.0000001267);
        var centre = Math.Sin(anomaly) * (1.914602 - century * (0.004817 + century * 0.000014))
            + Math.Sin(2 * anomaly) * (0.019993 - century * 0.000101) + Math.Sin(3 * anomaly) * 0.000289;
        var node = Radians(125.04 - 1934.136 * century);
        var apparent = meanLongitude + Radians(centre - 0.00569 - 0.00478 * Math.Sin(node));
        var obliquity = Radians(23.439291 - century * 0.0130042 + 0.00256 * Math.Cos(node));
        var y = Math.Pow(Math.Tan(obliquity / 2), 2);
        var equation = y * Math.Sin(2 * meanLongitude) - 2 * eccentricity * Math.Sin(anomaly)
            + 4 * eccentricity * y * Math.Sin(anomaly) * Math.Cos(2 * meanLongitude)
            - 0.5 * y * y * Math.Sin(4 * meanLongitude) - 1.25 * eccentricity * eccentricity * Math.Sin(2 * anomaly);
        return (Math.Asin(Math.Sin(obliquity) * Math.Sin(apparent)), MinutesPerDegree * Degrees(equation));
    }

    private static double Radians(double degrees) => degrees * Math.PI / 180;

    private static double Degrees(double radians) => radians * 180 / Math.PI;
}
