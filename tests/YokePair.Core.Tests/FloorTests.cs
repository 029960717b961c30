using ArchUnitNET.Loader;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>Core's folders are floors: each uses only those below it. Read off the compiled types, method bodies included.</summary>
[Trait("Takes", "long")]
public sealed class FloorTests
{
    /// <summary>From the ground up; docs/how-it-is-built.md says what lives on each.</summary>
    private static readonly string[] Floors =
        ["Basics", "Optics", "Plans", "Record", "Library", "Ways", "Locker", "Failure", "Editing", "Use", "Feeding", "Swaps", "Power", "Cards", "Carry",
            "Verdict", "Advice", "Taken", "Wording", "Reports", "Lists", "Starting", "Pocket", "Season"];

    private const string Root = "YokePair.Core.";

    private static readonly ArchUnitNET.Domain.Architecture Core = new ArchLoader().LoadAssemblies(typeof(Plan).Assembly).Build();

    [Fact]
    public void Every_folder_uses_only_those_below_it()
    {
        var upward =
            from type in Core.Types
            where FloorOf(type.FullName) is not null
            from dependency in type.Dependencies
            let target = dependency.Target.FullName
            where FloorOf(target) is { } other && Array.IndexOf(Floors, other) > Array.IndexOf(Floors, FloorOf(type.FullName))
            select $"{Short(type.FullName)} uses {Short(target)}";
        Assert.Empty(upward.Distinct().Order(StringComparer.Ordinal));
    }

    [Fact]
    public void Every_folder_is_a_floor_and_every_floor_is_seen()
    {
        var seen = Core.Types.Where(t => t.FullName.StartsWith(Root, StringComparison.Ordinal)).Select(t => FloorOf(t.FullName)).Distinct().ToList();
        Assert.DoesNotContain(null, seen);
        Assert.Equal(Floors.Order(), seen.Order());
        // The test would see nothing if the types were not read with what their methods use.
        Assert.True(Core.Types.Sum(t => t.Dependencies.Count) > 5000);
    }

    private static string? FloorOf(string name)
    {
        if (!name.StartsWith(Root, StringComparison.Ordinal)) return null;
        var folder = name[Root.Length..].Split('.', '`', '/', '+')[0];
        return Array.IndexOf(Floors, folder) >= 0 ? folder : null;
    }

    private static string Short(string name) => name[Root.Length..].Split('/', '+', '`')[0];
}
