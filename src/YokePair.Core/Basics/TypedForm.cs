using System.Globalization;

namespace YokePair.Core.Basics;

/// <summary>What a field of a form asks for.</summary>
public enum TypedForm
{
    /// <summary>A plain number.</summary>
    Number,

    /// <summary>A whole number.</summary>
    Count,

    /// <summary>A length, metres.</summary>
    Metres,

    /// <summary>Two lengths, metres.</summary>
    MetresRange,

    /// <summary>A length, millimetres.</summary>
    Millimetres,

    /// <summary>One or two focal lengths, millimetres.</summary>
    MillimetresRange,

    /// <summary>Width and height, centimetres.</summary>
    Centimetres,

    /// <summary>Length, width and height, millimetres.</summary>
    Measures,

    /// <summary>A length of time, seconds.</summary>
    Seconds,

    /// <summary>A shutter time, seconds: what is above a second must say so.</summary>
    Shutter,

    /// <summary>An f-number.</summary>
    FNumber,

    /// <summary>Stops of light.</summary>
    Stops,

    /// <summary>Megapixels.</summary>
    Megapixels,

    /// <summary>Frames a second.</summary>
    FramesPerSecond,
}

/// <summary>Reads the fields of forms: the same reader as for lines, tables and timetables.</summary>
public static class TypedFields
{
    /// <summary>The figures a field holds; none where it is empty.</summary>
    public static Reading<IReadOnlyList<double>> Read(TypedForm form, string text)
    {
        if (text.Trim().Length == 0) return Reading.Of<IReadOnlyList<double>>([]);
        return form switch
        {
            TypedForm.Count => One(TypedNumber.Read(text, "12").Unless(n => n != Math.Floor(n), _ => $"\"{text.Trim()}\" is no whole number; write it as 12")),
            TypedForm.Metres => One(TypedQuantity.Read(text, "m")),
            TypedForm.MetresRange => Two(TypedRange.Read(text, "m", "3–5")),
            TypedForm.Millimetres => One(TypedQuantity.Read(text, "mm")),
            TypedForm.MillimetresRange => Two(TypedRange.Read(text, "mm", "85 or 24–70")),
            TypedForm.Centimetres => TypedRange.Sizes(text, "cm") is { Read: true, Value.Count: 2 } sides
                ? sides : Reading.Refused<IReadOnlyList<double>>($"\"{text.Trim()}\" is no print; write it as 60 × 40"),
            TypedForm.Measures => TypedRange.Sizes(text, "mm") is { Read: true, Value.Count: 3 } measures
                ? measures : Reading.Refused<IReadOnlyList<double>>($"\"{text.Trim()}\" are no three measures; write them as 480 × 290 × 170"),
            TypedForm.Seconds => One(TypedQuantity.Read(text, "s")),
            TypedForm.Shutter => One(ShutterOf(text)),
            TypedForm.FNumber => One(TypedRange.FNumbers(text).Unless(
                f => f.Low != f.High, _ => $"\"{text.Trim()}\" are two f-numbers; write one, such as 5.6").As(f => f.Low)),
            TypedForm.Stops => One(TypedQuantity.Read(text, "stops")),
            TypedForm.Megapixels => One(TypedQuantity.Read(text, "MP")),
            TypedForm.FramesPerSecond => One(TypedQuantity.Read(text, "fps")),
            _ => One(TypedNumber.Read(text)),
        };
    }

    /// <summary>A camera's dial says 250 for a 250th of a second: which of the two is meant is asked.</summary>
    private static Reading<double> ShutterOf(string text) => TypedQuantity.Read(text, "s").Unless(
        seconds => seconds > 1 && text.Trim().All(c => char.IsDigit(c) || c is '.' or ','),
        seconds => string.Create(CultureInfo.InvariantCulture, $"\"{text.Trim()}\" may be 1/{seconds} or {seconds} s; write the one you mean"));

    private static Reading<IReadOnlyList<double>> One(Reading<double> read) => read.As<IReadOnlyList<double>>(n => [n]);

    private static Reading<IReadOnlyList<double>> Two(Reading<Interval> read) => read.As<IReadOnlyList<double>>(e => [e.Low, e.High]);
}
