namespace YokePair.Core.Ways;

/// <summary>What can keep a way from being full.</summary>
[Flags]
public enum Shortfalls
{
    /// <summary>Nothing.</summary>
    None = 0,

    /// <summary>Focal length too short; the frame is cropped.</summary>
    TooShort = 1 << 0,

    /// <summary>Focal length too long; frames are stitched, or the framing cannot be had.</summary>
    TooLong = 1 << 1,

    /// <summary>Too few megapixels left after cropping.</summary>
    Megapixels = 1 << 2,

    /// <summary>Not close enough.</summary>
    NotCloseEnough = 1 << 3,

    /// <summary>A tube is on and the wanted frame is wider than it lets the lens focus, or the need is no close-up.</summary>
    TubeTooClose = 1 << 4,

    /// <summary>ISO over the body's ceiling.</summary>
    Iso = 1 << 5,

    /// <summary>The shutter is heard.</summary>
    Noise = 1 << 6,

    /// <summary>Too few frames per second.</summary>
    FrameRate = 1 << 7,

    /// <summary>The need is not to be photographed by the light there is.</summary>
    LightNotWanted = 1 << 8,

    /// <summary>The flash cannot light it: too weak, too slow to recycle, or shutter faster than sync.</summary>
    FlashShort = 1 << 9,

    /// <summary>A piece only sometimes works.</summary>
    Doubtful = 1 << 10,

    /// <summary>Every frame is on one card only.</summary>
    OneRecord = 1 << 11,

    /// <summary>The lens is used on a tripod or monopod only.</summary>
    Support = 1 << 12,

    /// <summary>More light than the lowest ISO and the fastest shutter take at the f-number wanted.</summary>
    TooMuchLight = 1 << 13,

    /// <summary>The background cannot be kept as soft as wanted.</summary>
    NotSoftEnough = 1 << 14,

    /// <summary>The silent shutter bands under this light.</summary>
    Banding = 1 << 15,

    /// <summary>The flash does not match the colour of the place.</summary>
    Colour = 1 << 16,

    /// <summary>Shutter too short for the blur wanted.</summary>
    NoBlur = 1 << 17,

    /// <summary>Shutter asked is shorter than the body has.</summary>
    ShutterTooFast = 1 << 18,

    /// <summary>A wider picture than asked, and still the picture.</summary>
    WiderThanAsked = 1 << 19,

    /// <summary>A tighter picture than asked, and still the picture.</summary>
    TighterThanAsked = 1 << 20,

    /// <summary>Fewer lights than asked.</summary>
    FewerLights = 1 << 21,

    /// <summary>The flash is on the camera instead of on a stand.</summary>
    OnCamera = 1 << 22,

    /// <summary>The buffer is full before the burst is over.</summary>
    BufferFull = 1 << 23,

    /// <summary>Still writing the burst away when what follows begins.</summary>
    StillWriting = 1 << 24,
}
