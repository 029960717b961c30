using YokePair.Core.Basics;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Starting;

/// <summary>Where spare cameras and glass live.</summary>
public enum BackupHome
{
    /// <summary>On the body.</summary>
    Worn,

    /// <summary>In the bag.</summary>
    Bag,

    /// <summary>In the car.</summary>
    Car,

    /// <summary>With the second photographer.</summary>
    Partner,
}

/// <summary>How one works, where photographers differ. It only fills in a new day; everything can be changed afterwards.</summary>
/// <param name="LivesAtMm">Equivalent focal length one lives at: the prime of the hand that is nearest to it.</param>
/// <param name="Light">Light one likes; null = as the phrases have it.</param>
/// <param name="TwoRecords">Whether every frame goes to two cards; null = yes.</param>
/// <param name="OwnMakeOnly">Whether batteries of other makers stay at home.</param>
/// <param name="Backups">Where spares live; null = in the bag.</param>
/// <param name="Glass">Glass one takes to each kind of part, ranked; null = as the style has it.</param>
public sealed record Habits(
    double? LivesAtMm = null, Illumination? Light = null, bool? TwoRecords = null, bool OwnMakeOnly = false, BackupHome? Backups = null,
        IReadOnlyList<UsualGlass>? Glass = null)
{
    /// <summary>Below this a focal length belongs to the left hand, from it on to the right.</summary>
    private const double BetweenHandsMm = 60;

    /// <summary>A style whose primes follow the focal length one lives at; zooms hold it anyway.</summary>
    internal StartingStyle Follow(StartingStyle style) =>
        LivesAtMm is not { } mm || !style.Primes ? style
        : mm < BetweenHandsMm ? style with { Left = new Interval(mm, mm) }
        : style with { Right = new Interval(mm, mm) };

    /// <summary>Whoever lives at up to this comes closer to people than the phrases have it.</summary>
    private const double CloseWorkerMm = 50;

    /// <summary>Equivalent focal length whose distances the phrases have, mm.</summary>
    private const double UsualMm = 70;

    /// <summary>
    /// A need from where one stands who lives at a focal length: people from nearer by <c>max(0.5, L / 70)</c> for one who works close, where
    /// the distance is one's own to choose.
    /// </summary>
    internal Need From(Need need, bool ownDistance)
    {
        if (LivesAtMm is not <= CloseWorkerMm || !ownDistance || need.Framing is not { HeightM: not null } frame) return need;
        var nearer = Math.Max(0.5, LivesAtMm.Value / UsualMm);
        return need with { Framing = frame with { DistanceM = new Interval(frame.DistanceM.Low * nearer, frame.DistanceM.High * nearer) } };
    }

    /// <summary>What of it is kept with the person; null where nothing was said.</summary>
    internal WorkHabits? Kept(string? style) => LivesAtMm is null && Light is null && Glass is null && style is null
        ? null
        : new WorkHabits { LivesAtMm = LivesAtMm, Light = Light, Style = style, Glass = Glass ?? [] };

    /// <summary>Whether flash sits on the camera where it is dark: not for whoever likes the light there is, lamps, or lights on stands.</summary>
    internal bool UsesFlash => Light is null or Illumination.Bounce;

    /// <summary>Whether a thing comes along.</summary>
    internal bool Takes(Item thing) => !OwnMakeOnly || thing is not (Battery or Cells) || thing.Make is null or Make.Own;

    /// <summary>A need by the light one likes; what is banned in its part stays so, and nothing is bounced where there is no ceiling.</summary>
    internal Need Lit(Need need, Part part) => Light switch
    {
        null => need,
        Illumination.Bounce when part.Flash == FlashRule.Banned || need.FlashPath(part) is null => need with { Light = [LightKind.Ambient] },
        Illumination.Available => need with { Light = [LightKind.Ambient] },
        Illumination.Bounce => need with { Light = [LightKind.Ambient, LightKind.Flash] },
        Illumination.Stands => need with
        {
            Light = [LightKind.Ambient, LightKind.Flash, LightKind.Stands],
            Stands = need.Stands
            ?? new StandLighting { DistanceM = 3 }
        },
        _ => need with { Light = [LightKind.Ambient, LightKind.Continuous] },
    };

    /// <summary>Place of a spare camera or lens.</summary>
    internal string SpareAt(bool second, string pouch) => Backups switch
    {
        BackupHome.Worn => pouch,
        BackupHome.Car => "car",
        BackupHome.Partner when second => "pouch",
        _ => "roller",
    };
}
