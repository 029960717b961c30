using YokePair.Core.Locker;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>Where the glass of a locker reaches, and where it does not.</summary>
public sealed class CasesOfLocker
{
    private static List<string> Said(params (double Low, double High)[] zooms)
    {
        Item[] glass = [.. zooms.Select((z, n) => TakenDays.Glass($"z{n}", z.Low, z.High, 4))];
        return [.. GlassRule.Lay(glass, new Compatibility(glass, []), null, new DateOnly(2027, 6, 12)).Stretches.Select(s => s.Words)];
    }

    [Fact]
    public void Of_four_that_take_turns_the_whole_stretch_is_told_once() =>
        Assert.Single(Said((10, 100), (20, 200), (30, 300), (90, 400)), w => w.StartsWith("Between", StringComparison.Ordinal));

    [Fact]
    public void Of_one_after_another_each_is_told_alone() =>
        Assert.Equal(["Between 35 and 70 nothing reaches.", "From 70 to 200 only the 70–200 f/4 reaches.", "From 16 to 35 only the 16–35 f/4 reaches."],
            Said((16, 35), (70, 200)));

    [Fact]
    public void A_line_that_is_too_long_and_one_too_many_are_told_by_their_number()
    {
        var known = new KnownWords(new HashSet<string> { "K" }, new HashSet<string>(), new HashSet<string>());
        var page = string.Join('\n', ["lens 24-70 f/2.8 K", new string('x', TypedLimits.LineLetters + 1), .. Enumerable.Repeat("flash", TypedLimits.Lines)]);
        var wrong = QuickAdd.ReadAll(page, known).SelectMany(l => l.Problems.Where(p => p.Field == "text").Select(p => (l.At, p.Line))).ToList();
        Assert.Equal([(2, 2), (TypedLimits.Lines + 1, TypedLimits.Lines + 1)], wrong);
    }
}
