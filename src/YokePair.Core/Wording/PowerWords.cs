using System.Globalization;
using YokePair.Core.Basics;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Swaps;

namespace YokePair.Core.Wording;

/// <summary>What charge does not reach, in words.</summary>
internal static class PowerWords
{
    /// <summary>One sentence for each type that is short.</summary>
    public static IEnumerable<TextPiece> Say(Names names, PowerLack lack)
    {
        foreach (var type in lack.WithoutOne)
        {
            var dark = lack.Short.Where(s => s.Type == type.Type).ToList();
            yield return new TextPiece($"{English.Capital(Missing(type))} short: ");
            if (dark.Count > 0)
                foreach (var piece in Dark(names, dark)) yield return piece;
            else if (type.WithoutOne.Count == 0)
                yield return new TextPiece(type.Each is null ? "one may die. " : "one full change for each flash, and one may die. ");
            else
            {
                yield return new TextPiece("with one dead ");
                foreach (var piece in Dark(names, type.WithoutOne)) yield return piece;
            }
        }
        foreach (var own in lack.Short.Where(s => s.Type is null).GroupBy(s => s.Device, StringComparer.Ordinal))
        {
            yield return new TextPiece(names.IsFull(own.Key) ? "Charged once, " : $"Charge the {names.Item(own.Key)} before this: with what is left ");
            foreach (var piece in Dark(names, [.. own])) yield return piece;
        }
    }

    /// <summary>What goes on charge, when what is changed first, and whether it is enough.</summary>
    public static IReadOnlyList<TextPiece> Day(Plan day, PowerPlan power, IReadOnlyList<Charging> nights, IReadOnlyList<string> idle)
    {
        var names = new Names(day);
        var pieces = new List<TextPiece>();
        if (power.Types.Count + power.Alone.Count == 0) return [new TextPiece("No camera is at work that takes a battery.")];
        var wanted = power.Types.Select(t => $"{Math.Min(t.Wanted, t.Carried) * (t.Each ?? 1)} {t.Type}");
        var alone = Few(names, power.Alone.Select(a => a.Device), "more that charge by themselves");
        pieces.Add(new TextPiece($"On charge tonight: {English.List([.. wanted, .. alone])}. "));
        var lack = new PowerLack(power.Short, [.. power.Types.Where(t => t.Short > 0)]);
        if (!lack.IsNone) pieces.AddRange(Say(names, lack));
        else pieces.Add(new TextPiece("That is enough, whichever one of them dies. "));
        var along = Few(names, idle.Where(i => day.ItemOf(i)?.ChargeType() is null), "more");
        if (along.Count > 0) pieces.Add(new TextPiece($"What comes along unasked is charged too: {English.List(along)}. "));
        pieces.AddRange(OnTheWay(day, names, power));
        pieces.AddRange(NotFull(nights));
        pieces.AddRange(FirstChange(day, names, power));
        return pieces;
    }

    private static IEnumerable<TextPiece> OnTheWay(Plan day, Names names, PowerPlan power)
    {
        foreach (var part in power.OnTheWay.GroupBy(c => c.Part, StringComparer.Ordinal))
        {
            var types = part.GroupBy(c => day.ItemOf(c.Battery)!.ChargeType(), StringComparer.Ordinal).Select(t => $"{English.Number(t.Count())} {t.Key}");
            yield return new TextPiece("In ");
            yield return new TextPiece(names.Part(part.Key), Part: part.Key);
            yield return new TextPiece($" put {English.List([.. types])} on charge: it is needed again later. ");
        }
        foreach (var type in power.Types.Where(t => t.Short == 0))
        {
            var more = type.SocketsWithoutOne
                .Where(p => !power.OnTheWay.Any(c => c.Part == p && day.ItemOf(c.Battery)!.ChargeType() == type.Type)).ToList();
            if (more.Count > 0)
            {
                var where = English.List([.. more.Select(names.Part)]);
                yield return new TextPiece($"Should one {type.Type} die, charge what is empty in {where}: it is needed then. ");
            }
        }
    }

    /// <summary>What the chargers do not get full, night by night: of several days each begins with what the night before it gave.</summary>
    public static IEnumerable<TextPiece> NotFull(IReadOnlyList<Charging> nights)
    {
        var order = nights.GroupBy(n => n.Off).OrderBy(g => g.Key).ToList();
        for (var i = 0; i < order.Count; i++)
        {
            var late = order[i].Where(n => n.Short > 0).ToList();
            if (late.Count == 0) continue;
            var who = i == 0 ? "The chargers leave" : $"The {English.Nth(i + 1)} night leaves";
            yield return new TextPiece($"{who} {English.List([.. late.Select(n => $"{n.Short} {n.Type}")])} not full at ");
            yield return Time(order[i].Key);
            var otherwise = late[0].IsBetween ? "put them on before you come home" : "begin a day earlier";
            yield return new TextPiece($": {otherwise}, or take more bays. ");
        }
    }

    /// <summary>What goes on charge as it is: by name as long as they are few.</summary>
    private static IReadOnlyList<string> Few(Names names, IEnumerable<string> things, string more)
    {
        const int named = 3;
        return English.Few([.. things.Select(t => $"the {names.Item(t)}")], named, more);
    }

    /// <summary>When something is changed: as the part begins, or as its frames come to it; null without times.</summary>
    public static DateTime? MinuteOf(Plan day, PowerPlan power, Swap change)
    {
        if (day.PartOf(change.Part) is not { } part) return null;
        var frames = power.Use.FirstOrDefault(u => u.Part == change.Part && u.Body == change.Body)?.Frames ?? 0;
        return change.AfterFrames is not { } after || frames <= 0 ? part.Start : PowerPlans.MinuteOf(part, Math.Min(1, (double)after / frames));
    }

    private static IEnumerable<TextPiece> FirstChange(Plan day, Names names, PowerPlan power)
    {
        if (power.Changes is not [var first, ..])
        {
            yield return new TextPiece("No battery has to be changed all day.");
            yield break;
        }
        var together = power.Changes.TakeWhile(c => c.Part == first.Part && c.AfterFrames is null == first.AfterFrames is null).ToList();
        yield return new TextPiece("Change ");
        for (var i = 0; i < together.Count; i++)
        {
            if (i > 0) yield return new TextPiece(i == together.Count - 1 ? " and " : ", ");
            yield return new TextPiece($"the {names.Item(together[i].Body)}", Item: together[i].Body);
        }
        yield return new TextPiece(first.AfterFrames is null ? " before " : " in ");
        yield return new TextPiece(names.Part(first.Part), Part: first.Part);
        if (MinuteOf(day, power, first) is { } at)
        {
            yield return new TextPiece(first.AfterFrames is null ? " at " : ", about ");
            yield return Time(at);
        }
        int[] shown = [.. together.Select(c => c.ShownPercent).OfType<int>()];
        var about = shown.Length == 0 ? "" : shown.Max() - shown.Min() < 5 ? $"{shown[0]}" : $"{shown.Min()} to {shown.Max()}";
        if (shown.Length > 0) yield return new TextPiece($"; {(together.Count == 1 ? "it" : "they")} will show about {about} %");
        var later = power.Changes.Count - together.Count;
        yield return new TextPiece(later == 0 ? ". Nothing is changed after that."
            : $". {English.Capital(English.Number(later))} more {(later == 1 ? "change" : "changes")} later.");
    }

    /// <summary>The day in a few words, where nothing else is wrong.</summary>
    public static string Headline(PowerLack lack)
    {
        var dark = lack.Short.Select(s => s.Device).Distinct(StringComparer.Ordinal).Count();
        var missing = English.List([.. lack.WithoutOne.Select(Missing)]);
        return dark > 0
            ? $"{English.Capital(English.Number(dark))} {(dark == 1 ? "thing goes" : "things go")} dark on a busy day."
            : $"Every picture holds, but {missing} {(lack.WithoutOne.Sum(t => t.Short) == 1 ? "is" : "are")} short.";
    }

    private static string Missing(PowerType type) =>
        type.Each is null ? $"{English.Number(type.Short)} {type.Type}" : $"{English.Number(type.Short)} {(type.Short == 1 ? "set" : "sets")} of {type.Type}";

    /// <summary>A local time where no reader's own way of writing it is known.</summary>
    public static TextPiece Time(DateTime at) => new(at.ToString("HH:mm", CultureInfo.InvariantCulture), Time: at);

    /// <summary>The first of them with its minute, and how many more there are.</summary>
    public static IEnumerable<TextPiece> Dark(Names names, IReadOnlyList<PowerShort> dark)
    {
        var first = dark[0];
        yield return new TextPiece($"the {names.Item(first.Device)}", Item: first.Device);
        yield return new TextPiece(" goes dark ");
        if (first.At is { } at)
        {
            yield return new TextPiece("at ");
            yield return Time(at);
            yield return new TextPiece(" ");
        }
        yield return new TextPiece("in ");
        yield return new TextPiece(names.Part(first.Part), Part: first.Part);
        var more = dark.Select(d => d.Device).Distinct(StringComparer.Ordinal).Count() - 1;
        yield return new TextPiece(more == 0 ? ". " : $", and {English.Number(more)} more later. ");
    }
}
