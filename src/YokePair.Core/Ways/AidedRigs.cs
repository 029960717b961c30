using YokePair.Core.Optics;

namespace YokePair.Core.Ways;

/// <summary>A rig with some help, as a way takes it.</summary>
/// <param name="Rig">With its small parts and a choice among what is alike; null when a piece cannot be had.</param>
/// <param name="Together">How its pieces get on with one another.</param>
internal readonly record struct AidedRig(Rig? Rig, Quality Together);

/// <summary>One rig with each thing that can help it, made once for all needs of a part: they differ in which serve, not in what those are.</summary>
/// <param name="part">The part.</param>
/// <param name="plain">The rig without.</param>
internal sealed class AidedRigs(PartWays part, Rig plain)
{
    private AidedRig?[]? flashes;
    private Dictionary<LightSet, AidedRig>?[]? lights;
    private Rig[]? supported;
    private AidedRigs? steadied;

    /// <summary>The rig without.</summary>
    public Rig Plain => plain;

    /// <summary>On whatever carries it: on any of those that stand by themselves, and on each that hangs on a small part.</summary>
    public Rig[] Supported => supported ??= [.. part.Supported(plain)];

    /// <summary>The first of those, with what can help it.</summary>
    public AidedRigs Steadied => steadied ??= new AidedRigs(part, Supported[0]);

    /// <summary>With a flash in the shoe.</summary>
    /// <param name="kind">Position among the kit's kinds of flash.</param>
    public AidedRig WithFlash(int kind) => (flashes ??= new AidedRig?[part.Kit.FlashKinds.Length])[kind] ??= part.Whole(
        part.Kit.FlashKinds[kind] is var flash && part.PowerFor(plain.Actor, flash) is { } cells ? plain.WithFlash(part.Kit, part.Layout, flash, cells) : null);

    /// <summary>Firing lights in the room.</summary>
    /// <param name="sender">Position among what the person can fire them by.</param>
    /// <param name="set">The lights.</param>
    public AidedRig WithLights(int sender, LightSet set)
    {
        // Only a need that asks for stands has the lights of the room looked for.
        var senders = part.LightsFor(plain.Actor).Senders;
        var known = (lights ??= new Dictionary<LightSet, AidedRig>?[senders.Count])[sender] ??= [];
        if (!known.TryGetValue(set, out var with))
            known.Add(set, with = part.Whole(plain.WithLights(part.Kit, part.Layout, senders[sender], set)));
        return with;
    }
}
