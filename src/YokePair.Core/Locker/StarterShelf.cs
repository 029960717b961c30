namespace YokePair.Core.Locker;

/// <summary>A generic kind of thing with typical figures, as the line one would type for it.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Line">The line; what differs from owner to owner is left out and will be asked for.</param>
public sealed record Starter(string Name, string Line);

/// <summary>Where a locker begins that has nothing in it.</summary>
public static class StarterShelf
{
    /// <summary>Generic kinds, no makes.</summary>
    public static IReadOnlyList<Starter> All { get; } =
    [
        new("Full-frame body, two slots", "body 24MP iso12800 SD+SD 10fps silent"),
        new("High-resolution body", "body 45MP iso12800 CFx-B+SD 10fps silent"),
        new("Crop body", "body 20MP crop1.5 iso6400 SD+SD 10fps"),
        new("Standard zoom", "24-70/2.8 820g"),
        new("Long zoom", "70-200/2.8 takesconverter stab3 1400g"),
        new("Wide zoom", "14-24/2.8"),
        new("Wide prime", "35/1.4"),
        new("Portrait prime", "85/1.4"),
        new("Macro", "100/2.8 macro"),
        new("Travel zoom", "28-105/3.5-5.6"),
        new("Long prime", "300/2.8 takesconverter stab3"),
        new("Converter", "converter 1.4x"),
        new("Adapter", "adapter"),
        new("Extension tube", "tube 16mm"),
        new("Shoe flash", "flash GN36 AA"),
        new("Radio trigger", "trigger"),
        new("Camera batteries", "2x battery"),
        new("Sets of four AA", "4 sets of cells AA"),
        new("Two large cards", "2x card SD 128"),
        new("Charger", "charger"),
        new("Card reader", "reader"),
        new("Copy drive", "drive 1TB"),
        new("Power bank", "powerbank 74Wh"),
        new("Tripod", "tripod 1500g"),
        new("Light stand", "stand 1100g"),
        new("Small LED light", "light"),
        new("Umbrella", "umbrella"),
        new("Spare tripod plate", "other \"Tripod plate\" roles:plate"),
        new("Roller case", "case \"Roller\" 3.4kg cabin:yes lockable:yes"),
    ];
}
