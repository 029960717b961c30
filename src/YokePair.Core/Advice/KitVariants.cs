using YokePair.Core.Plans;

namespace YokePair.Core.Advice;

/// <summary>
/// Where things are when others stay at home. Without its camera a lens is in nobody's hand but where it is packed, and
/// what lies on a thing falls to where that was: so leaving one thing at home can bring another nearer. For each such
/// thing the day holds <em>spares</em>, one for every place it can fall to, and this says which one is real.
/// </summary>
internal sealed class KitVariants
{
    private readonly Thing[] things;
    private readonly Hold[][][] holds;
    private readonly int[][] bearersIn;

    public KitVariants(Plan plan, IReadOnlyList<KitOption> options, IReadOnlyList<Item> items)
    {
        var all = items.ToList();
        var at = plan.Items.Select((item, i) => (item.Id, At: i)).ToDictionary(x => x.Id, x => x.At, StringComparer.Ordinal);
        var own = plan.Parts.Select(part => HoldsOf(plan, part, at)).ToList();
        holds = [.. plan.Parts.Select((part, p) => ((int, Hold)[])[.. own[p],
            .. plan.Parts.SelectMany((other, o) => Day.Overlap(part, other) ? own[o].Select(h => (h.Item, h.Hold with { Here = false })) : [])])
            .Select(found => Enumerable.Range(0, plan.Items.Count).Select(i => found.Where(f => f.Item1 == i).Select(f => f.Item2).ToArray()).ToArray())];
        var ofThing = options.Select((option, o) => (option.Thing, o)).ToLookup(x => x.Thing, x => x.o, StringComparer.Ordinal);
        things = [.. Enumerable.Range(0, plan.Items.Count).Select(i =>
        {
            List<Item> on = [.. PlaceReference.Bearers(plan.Items[i], plan.ItemsById())];
            int[] bearers = [.. on.Select(b => at[b.Id])];
            string?[] places = [plan.Items[i].Place, .. on.Select(b => b.Place)];
            int[] spares = [.. places.Select((place, level) =>
                (level == 0 ? holds.Any(part => part[i].Any(h => h.With.Any(Loose))) : bearers.Take(level).All(Loose)) ? Spare(plan.Items[i], place, level)
                : -1)];
            return new Thing(bearers, spares);
        })];
        bearersIn = [.. holds.Select(part => Enumerable.Range(0, plan.Items.Count)
            .SelectMany(i => part[i].SelectMany(h => h.With).Concat(things[i].Spares.Any(s => s >= 0) ? things[i].Bearers : [])).Where(Loose).Distinct()
            .ToArray())];
        Items = all;
        Variants = [.. Enumerable.Range(0, options.Count).Select(o => ofThing[options[o].Thing]
            .Concat(o < things.Length ? things[o].Spares.Where(s => s >= 0) : []).ToArray())];
        Owner = [.. Enumerable.Range(0, all.Count).Select(i => i < options.Count ? i : Array.FindIndex(things, t => t.Spares.Contains(i)))];

        bool Loose(int item) => !options[item].Fixed;

        int Spare(Item item, string? place, int level)
        {
            all.Add(item with { Id = FormattableString.Invariant($"{item.Id}\u0000{level}"), Place = place });
            return all.Count - 1;
        }
    }

    /// <summary>Every option's item, then the spares.</summary>
    public IReadOnlyList<Item> Items { get; }

    /// <summary>By option: the numbers of all items that stand for its thing.</summary>
    public IReadOnlyList<int[]> Variants { get; }

    /// <summary>By item: the option it stands for.</summary>
    public IReadOnlyList<int> Owner { get; }

    /// <summary>Options whose being left at home moves something in a part.</summary>
    public IReadOnlyList<int> Bearers(int part) => bearersIn[part];

    /// <summary>By item number, what is not there in a part with a kit.</summary>
    /// <param name="part">Number of the part.</param>
    /// <param name="chosen">By option number.</param>
    /// <param name="open">Options taken to be both there and not: whatever hangs on them is in every place it could be.</param>
    public bool[] Gone(int part, bool[] chosen, bool[] open)
    {
        var gone = new bool[Items.Count];
        for (var o = 0; o < chosen.Length; o++) gone[o] = !chosen[o];
        for (var i = 0; i < things.Length; i++)
        {
            var (bearers, spares) = things[i];
            foreach (var spare in spares)
                if (spare >= 0) gone[spare] = true;
            var held = holds[part][i];
            if (!chosen[i] || Array.TrueForAll(spares, s => s < 0)) continue;
            if (bearers.Any(b => open[b]) || held.Any(h => h.With.Any(w => open[w])))
            {
                foreach (var spare in spares)
                    if (spare >= 0) gone[spare] = false;
                continue;
            }
            if (Array.Exists(held, h => h.Here && h.Lasts(chosen))) continue;
            if (Array.Exists(held, h => h.Lasts(chosen)))
            {
                gone[i] = Array.Exists(held, h => h.Here);
                continue;
            }
            var level = Array.FindIndex(bearers, b => chosen[b]);
            if (level < 0) level = bearers.Length;
            if (held.Length == 0 && level == 0) continue;
            gone[i] = true;
            if (spares[level] >= 0) gone[spares[level]] = false;
        }
        return gone;
    }

    /// <summary>Who holds what in a part, and with what: a chain of glass goes with its camera and as a whole, all else in a setup with the camera, a light
    /// as a whole.</summary>
    private static IEnumerable<(int Item, Hold Hold)> HoldsOf(Plan plan, Part part, Dictionary<string, int> at)
    {
        foreach (var setup in part.Setups)
        {
            int[] body = setup.Body is { } id ? [at[id]] : [];
            int[] chain = [.. new[] { setup.Lens, setup.Adapter, setup.Converter, setup.Tube }.OfType<string>().Select(piece => at[piece])];
            foreach (var (_, named) in setup.Named())
                yield return (at[named], new Hold([.. (chain.Contains(at[named]) ? [.. body, .. chain] : body).Where(w => w != at[named])], true));
        }
        foreach (var light in part.Lights ?? [])
        {
            int[] pieces = [.. light.Named(plan.HasPerson).Select(n => at[n.Id])];
            foreach (var piece in pieces) yield return (piece, new Hold([.. pieces.Where(w => w != piece)], true));
        }
    }

    /// <summary>What a thing lies on, nearest first, and the number of its spare for each place it can fall to, −1 for none.</summary>
    private sealed record Thing(int[] Bearers, int[] Spares);

    /// <summary>A hand or light that has a thing as long as all of some others come along.</summary>
    private sealed record Hold(int[] With, bool Here)
    {
        public bool Lasts(bool[] chosen) => Array.TrueForAll(With, w => chosen[w]);
    }
}
