using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Taken;

namespace YokePair.Data.Pictures;

/// <summary>The pictures that a planned day might have given, made up from the plan, so that the evening can be tried through without any.</summary>
public static class StandInDay
{
    private const double SecondClockSeconds = 47, KeptShare = 0.3, LateMinutes = 6, LateChange = 0.8;

    /// <summary>Makes them up: the same for the same plan and seed.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="seed">What differs from day to day.</param>
    public static IReadOnlyList<PictureTold> Of(Plan plan, int seed = 1)
    {
        var random = new Random(seed);
        var pictures = new List<PictureTold>();
        var counts = new Dictionary<string, int>(StringComparer.Ordinal);
        var before = new Dictionary<(string, string), Setup>();
        foreach (var part in Day.InOrder(plan).Where(p => p is { Start: not null, End: not null }))
        {
            List<Setup> hands = [.. part.Setups.Where(s => plan.ItemOf(s.Body) is Body && plan.ItemOf(s.Lens) is Lens)];
            if (hands.Count == 0) continue;
            // Glass is seldom changed as soon as it was planned.
            var late = hands.ConvertAll(h => before.TryGetValue((h.Person, h.Position), out var was) && was.Lens != h.Lens && was.Body == h.Body ? was : null);
            foreach (var hand in hands) before[(hand.Person, hand.Position)] = hand;
            var from = LateChange * random.NextDouble();
            // The cameras rest before a part, and the later ones begin a little late.
            var start = part.Start!.Value.AddMinutes(2 + (LateMinutes * random.NextDouble()));
            var minutes = Math.Max(1, (part.End!.Value - start).TotalMinutes - 1);
            var moments = (int)(minutes * FrameEstimate.PerMinute(part.Kind) / 3);
            for (var m = 0; m < moments; m++)
            {
                var at = start.AddMinutes(minutes * random.NextDouble());
                // The left hand takes most; what matters both take at once.
                var first = random.NextDouble() < 0.62 ? 0 : random.Next(hands.Count);
                Burst(part, (at - start).TotalMinutes < from * minutes ? late[first] ?? hands[first] : hands[first], at);
                if (random.NextDouble() < 0.25 && hands.Find(h => h.Person != hands[first].Person) is { } other) Burst(part, other, at);
            }
        }
        return [.. pictures.OrderBy(p => p.At)];

        void Burst(Part part, Setup setup, DateTime at)
        {
            var (body, lens) = ((Body)plan.ItemOf(setup.Body)!, (Lens)plan.ItemOf(setup.Lens)!);
            var focal = Focal(lens, random);
            var n = Math.Max(lens.Aperture.Low, 2);
            var seconds = part.Ev >= 8 ? 1.0 / 500 : 1.0 / 200;
            var iso = Math.Max(100, Exposure.Iso(n, seconds, part.Ev + (random.NextDouble() - 0.5)));
            var ahead = setup.Person == plan.People[0].Id ? 0 : SecondClockSeconds;
            for (var k = random.Next(1, 5); k > 0; k--, at = at.AddMilliseconds(150))
            {
                var number = counts[body.Id] = counts.GetValueOrDefault(body.Id) + 1;
                pictures.Add(new PictureTold(
                    $"{body.Id}/P{number:0000}.RAW", at.AddSeconds(ahead), Model(body), body.Serial ?? "S-" + body.Id, null, null, lens.Focal,
                        lens.Aperture.Low, focal, n,
                    seconds, Rounded(iso), false, (int)Math.Sqrt(body.Megapixels * 1.5e6)));
            }
        }
    }

    /// <summary>Those of them that were delivered, as JPEGs; some are cropped.</summary>
    public static IReadOnlyList<PictureTold> Delivered(IReadOnlyList<PictureTold> pictures, int seed = 1)
    {
        var random = new Random(seed);
        return [.. pictures.Where(_ => random.NextDouble() < KeptShare)
            .Select(p => p with { File = Path.ChangeExtension(p.File, ".jpg"), LongPx = random.NextDouble() < 0.2 ? (int)(p.LongPx / 1.4) : p.LongPx })];
    }

    /// <summary>Writes them into a folder.</summary>
    public static void Write(string folder, IReadOnlyList<PictureTold> pictures)
    {
        foreach (var picture in pictures)
        {
            var path = Path.Combine(folder, picture.File);
            Directory.CreateDirectory(Path.GetDirectoryName(path)!);
            File.WriteAllBytes(path, StandInPicture.Of(picture));
        }
    }

    /// <summary>A camera does not know the number its owner painted on it.</summary>
    private static string Model(Body body) => body.Label.Split(" no.")[0];

    private static double Focal(Lens lens, Random random) => lens.Focal.Low == lens.Focal.High ? lens.Focal.Low
        : random.NextDouble() switch
        {
            < 0.45 => lens.Focal.High,
            < 0.6 => lens.Focal.Low,
            var x => Math.Round(lens.Focal.Low + ((lens.Focal.High - lens.Focal.Low) * x)),
        };

    private static double Rounded(double iso) => IsoSteps.Of(iso);
}
