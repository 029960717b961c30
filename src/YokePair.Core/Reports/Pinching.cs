using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;
using YokePair.Core.Ways;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>
/// Draws the reasons of needs together: from the ways there are and what cuts them, the same for a need, a moment, a pull, a part and the
/// day.
/// </summary>
public static class Pinching
{
    /// <summary>Cameras with glass that are drawn of one need, and of several; the rest is counted.</summary>
    private const int Drawn = 7, NearestDrawn = 3;

    /// <summary>Things of one column that are drawn of a part or a day; the rest is one bundle.</summary>
    private const int OfAColumn = 5;

    private const string End = "picture";

    /// <summary>One need; null when there is none such.</summary>
    public static Pinch? Of(DayAnalysis day, string partId, string needId)
    {
        if (day.PartOf(partId) is not { } part || part.Needs.FirstOrDefault(n => n.Need.Id == needId) is not { } need) return null;
        var drawing = new Drawing(day.Plan);
        var left = drawing.Add(day, part, need, Drawn);
        var more = left == 0 ? null
            : $"{English.Capital(English.Number(left))} more {(left == 1 ? "camera with glass serves" : "cameras with glass serve")} and "
                + $"{(left == 1 ? "is" : "are")} not drawn.";
        var beneath = string.Join(' ', new[] { EstimateWords.Of(part, need), more }.OfType<string>()) is { Length: > 0 } said ? said : null;
        return drawing.Done(Headline(day, part, need), beneath, $"{need.Need.Label}", Waits(need));
    }

    /// <summary>What carries most of one part, or of the whole day; null when there is no such part.</summary>
    public static Pinch? Most(DayAnalysis day, string? partId)
    {
        var parts = partId is null ? day.Parts : day.PartOf(partId) is { } one ? [one] : [];
        if (parts.Count == 0) return null;
        var drawing = new Drawing(day.Plan);
        var needs = 0;
        foreach (var part in parts)
            foreach (var need in part.Needs.Where(n => n.Need.Importance != Importance.Nice))
            {
                needs++;
                drawing.Add(day, part, need, 1);
            }
        var headline = MostWords(drawing, partId is null ? "the day" : parts[0].Part.Label, needs);
        drawing.Fold();
        return drawing.Done(headline, null, $"{English.Capital(English.Number(needs))} {(needs == 1 ? "picture" : "pictures")}", "that matter");
    }

    private static string MostWords(Drawing drawing, string where, int needs)
    {
        var most = drawing.Hanging();
        var camera = drawing.Busiest(PinchColumn.Camera) is var (name, pictures) ? $" {name} takes {pictures} of {needs}." : "";
        if (most.Count == 0) return $"Nothing carries {where} alone: whatever one thing fails, every picture that is covered still is.{camera}";
        var first = most.TakeWhile(k => k.Hanging == most[0].Hanging).Select(k => k.Label).ToList();
        var by = first.Count > 3 ? [.. first.Take(3), $"{English.Number(first.Count - 3)} more"] : first;
        return $"{English.Capital(English.Number(most[0].Hanging))} {(most[0].Hanging == 1 ? "picture hangs" : "pictures hang")} by "
            + $"{English.List(by)}{(first.Count > 1 ? " each" : "")}, more than by anything else.{camera}";
    }

    private static string Waits(NeedFinding need) =>
        need.Need.Importance.ToString().ToLowerInvariant()
            + (double.IsPositiveInfinity(need.Ways.ToleranceSeconds) ? "" : $", within {English.Seconds(need.Ways.ToleranceSeconds)}");

    private static string Headline(DayAnalysis day, PartFindings part, NeedFinding need)
    {
        var kit = part.Ways.Kit;
        if (!need.Outcome.IsMet()) return $"{need.Need.Label} is {(need.Outcome == Outcome.Late ? "late" : "not covered")}: "
            + $"{GapWords.Say(new Names(day.Plan), part.Part, need.Need, GapCause.Of(day, part, need))}.";
        if (need.Margin is not { } margin) return $"{need.Need.Label} holds whatever three things fail.";
        var smallest = CutWords.Fold(
            day.Plan, [.. need.Cuts.Where(c => c.Length == margin).Select(c => (IReadOnlyList<string>)[.. c.Select(i => kit.Items[i].Id)])]);
        return margin > 1 ? $"{need.Need.Label} hangs by no one thing: it takes {smallest[0]} failing together."
            : $"{need.Need.Label} hangs by {English.List([.. smallest.Take(3)])}"
                + (smallest.Count > 3 ? $" and {English.Number(smallest.Count - 3)} more" : "")
                + $": every way passes through {(smallest.Count == 1 ? "it" : "each")}.";
    }

    /// <summary>Knots and strands as ways are added.</summary>
    private sealed class Drawing(Plan plan)
    {
        private readonly Dictionary<string, Knot> knots = new(StringComparer.Ordinal);
        private readonly Dictionary<(string From, string To), Strand> strands = [];
        private readonly Dictionary<string, HashSet<(string, string)>> hanging = new(StringComparer.Ordinal);
        private readonly Dictionary<string, HashSet<(string, string)>> carried = new(StringComparer.Ordinal);

        /// <summary>Adds a need's ways, the best first. Returns how many cameras with glass that serve are left out.</summary>
        public int Add(DayAnalysis day, PartFindings part, NeedFinding need, int most)
        {
            var kit = part.Ways.Kit;
            var alone = need.Outcome.IsMet() ? need.Cuts.Where(c => c.Length == 1).Select(c => c[0]).ToHashSet() : [];
            // All of what must be covered all along is drawn, as any stretch of it can be what hangs.
            var ways = need.Bands.SelectMany(band => band.Candidates.GroupBy(c => (c.Rig.Actor, string.Join(',', c.Rig.Whole.Items)))
                .Select(group => Best(day, part, band, [.. group]))).OrderBy(w => w.State).ThenBy(w => w.Seconds).ToList();
            if (ways.Count == 0 && need.Need.Role is null) ways = [.. Nearest(day, part, need)];
            var chosen = Telling(ways, ways.Exists(w => w.State != PinchState.No) ? most : NearestDrawn);
            foreach (var way in chosen) Draw(part, need, way, alone);
            return ways.Count(w => w.State < PinchState.Late && !chosen.Contains(w));

            static Drawable Best(DayAnalysis day, PartFindings part, NeedWays band, Candidate[] alike)
            {
                var (outcome, way) = day.BestOf(band.Only(alike), part.Failed);
                var state = outcome switch
                {
                    Outcome.Holds => PinchState.InTime,
                    Outcome.Thins => PinchState.SecondBest,
                    Outcome.Late => PinchState.Late,
                    _ => PinchState.Gone,
                };
                return new Drawable(state, way?.Seconds ?? double.PositiveInfinity, band, way?.Rig ?? alike[0].Rig.Whole)
                {
                    // With what else out a way in time is left.
                    StaysWithout = failed => day.BestOf(band.Only(alike), failed).Outcome.IsMet(),
                };
            }
        }

        /// <summary>The best, and of the others rather those in which there is something that is not drawn yet.</summary>
        private static List<Drawable> Telling(List<Drawable> ways, int most)
        {
            var chosen = new List<Drawable>();
            var drawn = new HashSet<int>();
            foreach (var fresh in new[] { true, false })
                foreach (var way in ways)
                {
                    if (chosen.Count == most) return chosen;
                    if (!chosen.Contains(way) && (!fresh || way.Rig.Items.Any(i => !drawn.Contains(i))))
                    {
                        chosen.Add(way);
                        drawn.UnionWith(way.Rig.Items);
                    }
                }
            return chosen;
        }

        /// <summary>Where nothing serves, what comes nearest, by how few figures keep it from serving and how far.</summary>
        private static IEnumerable<Drawable> Nearest(DayAnalysis day, PartFindings part, NeedFinding need) =>
            part.Ways.Rigs.Where(r => !r.IsHit(part.Failed) && (need.Need.Who == Need.Anyone || part.Ways.Kit.Plan.People[r.Actor].Id == need.Need.Who))
                .Select(r => (Rig: r, r.Fitted!.Lens, Fit: NeedFit.Ambient(day.Plan.Rules, part.Part, need.Ways.Need, r.Fitted.Glass)))
                .OrderBy(r => System.Numerics.BitOperations.PopCount((uint)r.Fit.NoFor)).ThenBy(r => r.Fit.StopsOver).ThenBy(r => r.Rig.Seconds)
                .DistinctBy(r => r.Lens).Select(r => new Drawable(PinchState.No, r.Rig.Seconds, need.Ways, r.Rig));

        /// <summary>What pictures hang by, the most first.</summary>
        public List<Knot> Hanging() => [.. knots.Values.Where(k => k.Hanging > 0).OrderByDescending(k => k.Hanging).ThenBy(k => k.Column)];

        /// <summary>What most of the pictures pass in a column, with how many; null where nothing is there.</summary>
        public (string Label, int Pictures)? Busiest(PinchColumn column) =>
            knots.Values.Where(k => k.Column == column).MaxBy(k => carried[k.Id].Count) is { } knot ? (knot.Label, carried[knot.Id].Count) : null;

        /// <summary>Of several needs: says how many pictures each thing carries, and makes one bundle of a column's least.</summary>
        public void Fold()
        {
            foreach (var column in knots.Values.GroupBy(k => k.Column).ToList())
            {
                var ordered = column.OrderByDescending(k => k.Hanging).ThenByDescending(k => carried[k.Id].Count).ToList();
                foreach (var knot in ordered) knots[knot.Id] = knot with { Figure = Pictures(carried[knot.Id].Count) };
                var rest = ordered.Count > OfAColumn ? ordered.Skip(OfAColumn - 1).ToList() : [];
                if (rest.Count == 0) continue;
                var bundle = $"more:{column.Key}";
                knots[bundle] = new Knot(bundle, column.Key, [], $"{rest.Count} more",
                    Pictures(rest.SelectMany(k => carried[k.Id]).Distinct().Count()), rest.Min(k => k.State), 0);
                var gone = rest.Select(k => k.Id).ToHashSet(StringComparer.Ordinal);
                foreach (var id in gone) knots.Remove(id);
                var moved = strands.Values.ToList();
                strands.Clear();
                foreach (var strand in moved.Select(s => s with
                {
                    From = gone.Contains(s.From) ? bundle : s.From,
                    To = gone.Contains(s.To) ? bundle : s.To,
                }).Where(s => s.From != s.To))
                    strands[(strand.From, strand.To)] = strands.TryGetValue((strand.From, strand.To), out var known)
                        ? known with { Ways = known.Ways + strand.Ways, State = Better(known.State, strand.State) }
                        : strand;
            }

            static string Pictures(int n) => n == 1 ? "one picture" : $"{n} pictures";
        }

        public Pinch Done(string headline, string? beneath, string picture, string waits)
        {
            if (strands.Count > 0) knots.TryAdd(End, new Knot(End, PinchColumn.Picture, [], picture, waits, strands.Values.Min(s => s.State), 0));
            return new Pinch(headline, beneath, [.. knots.Values.OrderBy(k => k.Column).ThenByDescending(k => k.Hanging)
                .ThenByDescending(k => carried.GetValueOrDefault(k.Id)?.Count ?? 0).ThenBy(k => k.State)], [.. strands.Values]);
        }

        private void Draw(PartFindings part, NeedFinding need, Drawable way, HashSet<int> alone)
        {
            var kit = part.Ways.Kit;
            List<string> path = [Put(Person(plan, kit, part, way), way.State, alone, part, need)];
            // What every way passes stands last in its column: ways that list the same things otherwise would seem to lead around it.
            bool IsPassed(Knot knot) => knot.Items.Any(i => alone.Contains(kit.IndexOf(i)));
            foreach (var knot in Things(kit, part, way).OrderBy(k => k.Column).ThenBy(IsPassed).ThenBy(k => k.Id, StringComparer.Ordinal))
                path.Add(Put(knot, way.State, alone, part, need));
            path.Add(End);
            foreach (var (from, to) in path.Zip(path.Skip(1)))
                strands[(from, to)] = strands.TryGetValue((from, to), out var known)
                    ? known with { Ways = known.Ways + 1, State = Better(known.State, way.State) }
                    : new Strand(from, to, way.State, 1);
        }

        private string Put(Knot knot, PinchState state, HashSet<int> alone, PartFindings part, NeedFinding need)
        {
            var known = knots.GetValueOrDefault(knot.Id);
            var merged = known is null ? knot with { State = state }
                : known with { State = Better(known.State, state), Figure = state < known.State ? knot.Figure : known.Figure };
            // What is a spare to one way or another is one bundle.
            if (known is { Items.Count: > 1 }) merged = Together(known, merged, knot);
            Count(carried);
            // A bundle hangs as soon as all of it is one thing.
            if (state < PinchState.Late && knot.Items.Any(i => alone.Contains(part.Ways.Kit.IndexOf(i)))) merged = merged with { Hanging = Count(hanging) };
            knots[knot.Id] = merged;
            return knot.Id;

            int Count(Dictionary<string, HashSet<(string, string)>> of)
            {
                if (!of.TryGetValue(knot.Id, out var pictures)) of.Add(knot.Id, pictures = []);
                pictures.Add((part.Part.Id, need.Need.Id));
                return pictures.Count;
            }
        }

        private static Knot Together(Knot known, Knot merged, Knot more)
        {
            string[] all = [.. known.Items.Union(more.Items)];
            return merged with { Items = all, Label = known.Label.Replace($"any of {known.Items.Count} ", $"any of {all.Length} ", StringComparison.Ordinal) };
        }

        private static PinchState Better(PinchState one, PinchState other) => one < other ? one : other;

        private static Knot Person(Plan plan, Kit kit, PartFindings part, Drawable way)
        {
            var person = plan.People[way.Rig.Actor];
            var there = part.Ways.Layout.IsPresent(way.Rig.Actor);
            return new Knot($"person:{person.Id}", PinchColumn.Hands, [], person.Name ?? person.Id, !there ? "not there"
                : way.Rig.Hands == way.Rig.Actor ? $"raise {English.Seconds(kit.SecondsOf(way.Rig.Actor).Raise)}" : "left alone", way.State, 0);
        }

        // Long: one way from the camera to the cards, with the words for where each thing is.
        private static IEnumerable<Knot> Things(Kit kit, PartFindings part, Drawable way)
        {
            var rig = way.Rig;
            if (rig.Fitted is { } fitted)
            {
                yield return One(fitted.Body, PinchColumn.Camera, Where(fitted.Body));
                yield return One(fitted.Lens, PinchColumn.Glass, Figure(RigFit.Of(kit, part.Part, way.Band.Need, rig)));
            }
            foreach (var item in rig.Items.Where(i => i != rig.Fitted?.Body && i != rig.Fitted?.Lens)) yield return One(item, PinchColumn.Besides, Where(item));
            foreach (var ask in rig.Asks.Where(a => a.Kind is Want.Support or Want.SmallPart or Want.Sender)) yield return Bundle(
                ask.Kind, PinchColumn.Besides, ask.Groups);
            foreach (var ask in rig.Asks.Where(a => a.Kind is Want.Battery or Want.Cells)) yield return Bundle(ask.Kind, PinchColumn.Power, ask.Groups);
            foreach (var ask in rig.Asks.Where(a => a.Kind == Want.Card)) yield return Bundle(Want.Card, PinchColumn.Cards, ask.Groups);
            if (rig.Cards is { } cards) yield return Bundle(Want.Card, PinchColumn.Cards, cards.OneCard);

            Knot One(int item, PinchColumn column, string figure) => new(
                kit.Items[item].Id, column, [kit.Items[item].Id], kit.Items[item].Label, part.Failed[item] ? Gone(item) : figure, way.State, 0);

            string Gone(int item) => Day.Of(part.Part) is { } date && kit.WhyAway(item, date) is { } away ? away : "gone";

            string Where(int item)
            {
                var source = part.Ways.Layout.SourceOf(item);
                if (source == part.Ways.Layout.Room) return "in the room";
                if (part.Ways.Layout.SetupOf(item) is { } setup) return $"{setup.Position} hand";
                if (kit.RestsOn[item] is var on and not Kit.None) return $"on the {kit.Items[on].Label}";
                return source == PartLayout.Nowhere ? "cannot be got at" : Fetched(source);
            }

            string Fetched(int source)
            {
                var seconds = part.Ways.Layout.Cost(rig.Actor, source);
                var hand = part.Ways.Layout.HandsOf(source);
                var from = source == part.Ways.Layout.Room ? "the room" : hand >= 0 ? kit.Plan.People[hand].Name ?? kit.Plan.People[hand].Id
                    : kit.Plan.Places[source].Name ?? kit.Plan.Places[source].Id;
                return double.IsPositiveInfinity(seconds) ? $"{from}: out of reach" : $"{from}, {English.Seconds(seconds)}";
            }

            // Of a way in time a spare is only what keeps it in time by itself, with all that must be fetched besides.
            int[] Spares(OptionGroup[] groups)
            {
                int[] working = [.. groups.SelectMany(g => g.Items).Distinct().Where(i => !part.Failed[i]).Order()];
                if (way.State >= PinchState.Late) return working;
                return [.. working.Where(only =>
                {
                    var failed = (bool[])part.Failed.Clone();
                    foreach (var other in working) failed[other] = other != only;
                    return way.StaysWithout(failed);
                })];
            }

            Knot Bundle(Want kind, PinchColumn column, OptionGroup[] groups)
            {
                var working = Spares(groups);
                if (working.Length == 1) return One(working[0], column, groups.First(g => g.Items.Contains(working[0])) is { InPlace: false } only
                    ? Fetched(only.Source) : "in place");
                string[] ids = [.. working.Select(i => kit.Items[i].Id)];
                var types = working.Select(i => TypeOf(kit.Items[i])).Distinct().ToList();
                var label = working.Length == 0 ? $"no {Called(kind)}" : $"any of {working.Length} {(types.Count == 1 ? types[0] : Called(kind))}";
                var figure = groups.FirstOrDefault(g => g.Items.Any(working.Contains)) switch
                {
                    null => "none left",
                    { InPlace: true } => "in place",
                    var first => Fetched(first.Source),
                };
                return new Knot($"{kind}:{string.Join('+', types)}", column, ids, label, figure, way.State, 0);
            }
        }

        private static string TypeOf(Item item) => item switch
        {
            Battery { Type: { } type } => type,
            Cells { Type: { } type } => type,
            Card { Type: { } type } => type,
            _ => item.Label,
        };

        private static string Called(Want kind) => kind switch
        {
            Want.Card => "cards",
            Want.Battery => "batteries",
            Want.Cells => "sets of cells",
            Want.Support => "tripods",
            _ => "small parts",
        };

        /// <summary>The figure that decides about glass.</summary>
        private static string Figure(NeedFit fit)
        {
            if (fit.NoFor.HasFlag(Shortfalls.Megapixels)) return $"leaves {English.Tenths(fit.MegapixelsLeft)} MP";
            if (fit.NoFor.HasFlag(Shortfalls.TooLong)) return $"{English.Tenths(fit.Framing.Factor)}× too long";
            if (fit.NoFor.HasFlag(Shortfalls.FrameRate)) return $"{English.Tenths(fit.Fps)} frames a second";
            if (fit.NoFor.HasFlag(Shortfalls.Noise)) return "is heard";
            if (fit.CloseUp is { } close) return $"frame {English.Whole(close.FrameMm)} mm{(fit.Quality == Quality.Full ? "" : ", second best")}";
            if (fit.SecondBestFor.HasFlag(Shortfalls.WiderThanAsked)) return "wider than asked";
            if (fit.SecondBestFor.HasFlag(Shortfalls.TighterThanAsked)) return "tighter than asked";
            if (fit.SecondBestFor.HasFlag(Shortfalls.TooShort)) return $"crop to {English.Tenths(fit.MegapixelsLeft)} MP";
            if (fit.SecondBestFor.HasFlag(Shortfalls.TooLong)) return "to be stitched";
            if (fit.FlashPower is { } power) return $"flash at {English.Whole(power * 100)} %";
            return fit.StopsOver > 0 ? $"{English.Tenths(fit.StopsOver)} stops over" : $"ISO {English.Iso(fit.Iso)}";
        }
    }

    /// <summary>A way to be drawn: the best of those that differ only in what is a bundle.</summary>
    private sealed record Drawable(PinchState State, double Seconds, NeedWays Band, Rig Rig)
    {
        /// <summary>Whether it is still in time when more has failed.</summary>
        public Func<bool[], bool> StaysWithout { get; init; } = _ => false;
    }
}
