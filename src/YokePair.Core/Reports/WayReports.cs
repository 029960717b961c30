using YokePair.Core.Ways;

namespace YokePair.Core.Reports;

/// <summary>Turns a way into ids and ordered steps.</summary>
internal static class WayReports
{
    public static WayReport Of(Kit kit, PartLayout layout, Way way) => new(
        kit.Plan.People[way.Rig.Actor].Id,
        kit.Items[way.Rig.Fitted.Body].Id,
        kit.Items[way.Rig.Fitted.Lens].Id,
        [.. way.Items.Select(i => kit.Items[i].Id)],
        way.Quality,
        way.Seconds,
        Steps(kit, layout, way));

    private static List<Step> Steps(Kit kit, PartLayout layout, Way way)
    {
        var hands = kit.Plan.Rules.Seconds;
        var rig = way.Rig;
        var steps = new List<Step>();
        var fetched = rig.Fetched(layout).Concat(way.Picks.Where(p => !p.From.InPlace).Select(p => (p.Item, p.From.Source)));
        foreach (var source in fetched.GroupBy(f => f.Item2, f => f.Item1))
        {
            var seconds = layout.Cost(rig.Actor, source.Key);
            var hand = layout.HandsOf(source.Key);
            if (hand == rig.Actor) continue;
            string[] items = [.. source.Select(Id)];
            steps.Add(hand >= 0
                ? new Step(StepAction.Borrow, items[0], seconds, kit.Plan.People[hand].Id, items)
                : new Step(StepAction.Fetch, items[0], seconds, kit.Plan.Places[source.Key].Id, items));
        }
        steps.Add(new Step(StepAction.Raise, Id(rig.Fitted.Body), hands.Raise));
        if (rig.ChangesLens) steps.Add(new Step(StepAction.ChangeLens, Id(rig.Fitted.Lens), hands.ChangeLens));
        foreach (var piece in rig.Fitting(kit, layout)) steps.Add(new Step(StepAction.FitAdapter, Id(piece), hands.FitAdapter));
        if (rig.FitsFlash) steps.Add(new Step(StepAction.FitFlash, Id(rig.Flash), hands.FitFlash));
        foreach (var pick in way.Picks)
            if (!pick.From.InPlace)
                steps.Add(new Step(pick.Want == Want.Card ? StepAction.ChangeCard : StepAction.ChangeBattery, Id(pick.Item), pick.From.ChangeSeconds));
        return steps;

        string Id(int item) => kit.Items[item].Id;
    }
}
