using YokePair.Core.Swaps;
using YokePair.Core.Use;
using YokePair.Core.Ways;

namespace YokePair.Core.Cards;

/// <summary>A card takes some frames of a camera in a part.</summary>
/// <param name="Body">Number of the body.</param>
/// <param name="Slot">Slot from 0.</param>
/// <param name="Part">Number of the part.</param>
/// <param name="From">First frame of the part, from 0.</param>
/// <param name="To">The frame after the last.</param>
/// <param name="Card">Id of the card, or a name of one that is only thought of; null = none.</param>
internal sealed record CardUse(int Body, int Slot, int Part, double From, double To, string? Card)
{
    /// <summary>As the slots are planned.</summary>
    public static IEnumerable<CardUse> Of(CameraDay day, List<FedSlot> fed) =>
        fed.OrderBy(f => f.Work.Draws[0].Part).SelectMany(f => new SlotReel(day.Kit, f).Uses());

    /// <summary>With one card in each slot that all fits on.</summary>
    public static IEnumerable<CardUse> OneBigPair(CameraDay day, List<CameraWork> work) =>
        InSlots(day, work, (body, slot, _) => $"{body}/{slot}");

    /// <summary>With a card for each part; where JPEGs go one stays in.</summary>
    public static IEnumerable<CardUse> PerPart(CameraDay day, List<CameraWork> work) =>
        InSlots(day, work, (body, slot, part) => day.Kit.Plan.Rules.TakesJpeg(slot) ? $"{body}/{slot}" : $"{body}/{slot}/{part}");

    /// <summary>With another card from each of some parts on; where JPEGs go one stays in.</summary>
    public static IEnumerable<CardUse> ChangedBefore(CameraDay day, List<CameraWork> work, IReadOnlyList<int> joins) =>
        InSlots(day, work, (body, slot, part) => day.Kit.Plan.Rules.TakesJpeg(slot) ? $"{body}/{slot}"
            : $"{body}/{slot}/{joins.Count(j => j <= part)}");

    private static IEnumerable<CardUse> InSlots(CameraDay day, List<CameraWork> work, Func<int, int, int, string> card) =>
        work.SelectMany(w => Enumerable.Range(0, SlotWork.SlotsOf(day.Kit, w.Body))
            .Select(slot => new CardUse(w.Body, slot, w.Part, 0, w.Frames, card(w.Body, slot, w.Part))));

    /// <summary>One slot through the day: the card in it, and with one record the cards that follow one another.</summary>
    private sealed class SlotReel(Kit kit, FedSlot slot)
    {
        private readonly List<CardUse> uses = [];
        private Queue<int> cards = new(slot.Work.Items);
        private double room;

        public List<CardUse> Uses()
        {
            room = RoomOfFirst();
            var made = slot.Follow(kit).Swaps;
            for (var d = 0; d < slot.Work.Draws.Count; d++)
            {
                var done = 0.0;
                foreach (var change in made.Where(m => m.Swap.Draw == d))
                {
                    done = Take(d, done, change.Swap.AfterFrames);
                    cards = change.In == Kit.None ? [] : new Queue<int>([change.In]);
                    room = RoomOfFirst();
                }
                Take(d, done, slot.Work.Draws[d].Frames);
            }
            return uses;
        }

        private double RoomOfFirst() => cards.TryPeek(out var card) ? slot.Work.FramesOf(kit, card) : 0;

        private double Take(int d, double from, double to)
        {
            var (draw, camera) = (slot.Work.Draws[d], slot.Work.Work[d]);
            while (from < to)
            {
                // The last of them takes what is left: the planner has seen that it fits.
                var until = cards.Count > 1 ? Math.Min(to, from + room) : to;
                if (until > from && camera.Frames > 0)
                    uses.Add(new CardUse(slot.Work.Body, slot.Work.Slot, draw.Part, from * camera.Frames / draw.Frames, until * camera.Frames / draw.Frames,
                        cards.TryPeek(out var card) ? kit.Items[card].Id : null));
                room -= until - from;
                from = until;
                if (from >= to) break;
                cards.Dequeue();
                room = RoomOfFirst();
            }
            return to;
        }
    }
}
