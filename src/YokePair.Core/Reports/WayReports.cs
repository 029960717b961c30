using YokePair.Core.Ways;

namespace YokePair.Core.Reports;

/// <summary>Turns a way into ids and ordered steps.</summary>
internal static class WayReports
{
    public static WayReport Of(Kit kit, PartLayout layout, Way way) => new(
        kit.Plan.People[way.Rig.Actor].Id,
        way.Rig.Fitted is { } body ? kit.Items[body.Body].Id : null,
        way.Rig.Fitted is { } glass ? kit.Items[glass.Lens].Id : null,
        [.. way.Items.Select(i => kit.Items[i].Id)],
        way.Quality,
        way.Seconds,
        Steps(kit, layout, way));

    public static List<Step> Steps(Kit kit, PartLayout layout, Way way)
    {
        var hands = kit.SecondsOf(way.Rig.Actor);
        var rig = way.Rig;
        var steps = new List<Step>();
        var fetched = rig.Fetched(layout).Concat(way.Picks.Where(p => !p.From.InPlace).Select(p => (p.Item, p.From.Source)));
        foreach (var source in fetched.GroupBy(f => f.Item2, f => f.Item1))
        {
            var seconds = layout.Cost(rig.Actor, source.Key);
            var hand = layout.HandsOf(source.Key);
            if (hand == rig.Actor) continue;
            string[] items = [.. source.Select(Id)];
            var from = source.Key == layout.Room ? null : hand >= 0 ? kit.Plan.People[hand].Id : kit.Plan.Places[source.Key].Id;
            steps.Add(new Step(hand >= 0 && from is not null ? StepAction.Borrow : StepAction.Fetch, items[0], seconds, from, items));
        }
        if (rig.Fitted is { } fitted && rig.Hands == rig.Actor) steps.Add(new Step(StepAction.Raise, Id(fitted.Body), hands.Raise));
        if (rig.ChangesLens) steps.Add(new Step(StepAction.ChangeLens, Id(rig.Fitted!.Lens), hands.ChangeLens));
        foreach (var piece in rig.Fitting(kit, layout)) steps.Add(new Step(StepAction.FitAdapter, Id(piece), hands.FitAdapter));
        if (rig.FitsShoe) steps.Add(new Step(StepAction.FitFlash, Id(rig.Shoe), hands.FitFlash));
        foreach (var filter in rig.Filters) steps.Add(new Step(StepAction.FitFilter, Id(filter), hands.FitFilter));
        if (rig.Lights?.StandIn is { } spare) steps.Add(new Step(StepAction.PlaceLight, Id(spare), hands.PlaceLight));
        foreach (var pick in way.Picks)
            if (!pick.From.InPlace && pick.Want != Want.Sender)
                steps.Add(new Step(ActionOf(pick.Want), Id(pick.Item), pick.From.ChangeSeconds));
        return steps;

        string Id(int item) => kit.Items[item].Id;
    }

    private static StepAction ActionOf(Want want) => want switch
    {
        Want.Card => StepAction.ChangeCard,
        Want.Support => StepAction.FitSupport,
        Want.SmallPart => StepAction.FitAdapter,
        _ => StepAction.ChangeBattery,
    };
}
