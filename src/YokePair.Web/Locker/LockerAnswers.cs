using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Data;

namespace YokePair.Web.Locker;

/// <summary>An assignment by name and day.</summary>
public sealed record AssignmentDay(string Key, string Name, DateOnly? Day);

/// <summary>Everything the locker's page shows, in one answer.</summary>
/// <param name="Day">The day it speaks of.</param>
/// <param name="Report">What the locker says about itself.</param>
/// <param name="Glass">The glass on its rule.</param>
/// <param name="Body">Id of the body the glass is seen through; null = real focal lengths.</param>
/// <param name="Revisions">Revision of each thing; a change says which one it was made on.</param>
/// <param name="Undo">What undo would take back.</param>
/// <param name="Redo">What redo would make again.</param>
/// <param name="Starters">Generic kinds to begin with.</param>
/// <param name="Assignments">Days one may look at.</param>
/// <param name="Figures">Every figure things can have.</param>
/// <param name="HasDemo">Whether there is a made-up locker to look at.</param>
/// <param name="Unreadable">What is kept but cannot be read, to be saved as it is or removed.</param>
public sealed record LockerPage(DateOnly Day, LockerReport Report, GlassRule Glass, string? Body, IReadOnlyDictionary<string, int> Revisions,
    string? Undo, string? Redo, IReadOnlyList<Starter> Starters, IReadOnlyList<AssignmentDay> Assignments, IReadOnlyList<Figure> Figures,
    bool HasDemo, IReadOnlyList<UnreadableRow> Unreadable);

/// <summary>One figure of a thing, to be read and typed over.</summary>
public sealed record FigureValue(string Name, string Words, string? Unit, FigureForm Form, IReadOnlyList<string> Options, string Text, bool Estimated,
    bool Essential);

/// <summary>How another thing gets on with the one shown.</summary>
public sealed record Neighbour(string Id, string Name, string Kind, PairFit Fit, string Reason, string? By, bool Overruled);

/// <summary>One thing with all that is known of it.</summary>
public sealed record ThingDetail(string Id, string Kind, string Name, int Revision, IReadOnlyList<FigureValue> Figures, IReadOnlyList<Neighbour> Around,
    IReadOnlyList<AssignmentDay> Plans, IReadOnlyList<string> Idle);

/// <summary>Lines to be read.</summary>
public sealed record QuickText(string Text);

/// <summary>A thing as it was seen.</summary>
public sealed record SeenThing(string Id, int Revision);

/// <summary>Figures to be set on things.</summary>
public sealed record FigureChange(IReadOnlyList<SeenThing> Things, IReadOnlyDictionary<string, string> Set);

/// <summary>Copies of a thing, numbered on.</summary>
public sealed record CopyRequest(string Id, int Copies);

/// <summary>What becomes of a thing in the days that take it along, when it is deleted from the locker.</summary>
public enum WhenPlanned
{
    /// <summary>It is not deleted, and the days are told.</summary>
    Ask,

    /// <summary>The days keep it as their own.</summary>
    Keep,

    /// <summary>It is taken out of the days yet to come; those that are past keep it.</summary>
    TakeOut,
}

/// <summary>Things to be deleted.</summary>
public sealed record RemoveRequest(IReadOnlyList<SeenThing> Things, WhenPlanned Planned = WhenPlanned.Ask);

/// <summary>A box or bag with what belongs in it.</summary>
/// <param name="Id">Its id in the plan.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Contents">Ids of what belongs in it; what is not one's own is left out.</param>
public sealed record KeptBox(string Id, string Name, IReadOnlyList<string> Contents);

/// <summary>How two things get on; no fit takes back what was said.</summary>
public sealed record PairRequest(string A, string B, PairFit? Fit, string? Note);

/// <summary>Things a change was about, and the days yet to come that took it over.</summary>
public sealed record LockerChanged(IReadOnlyList<string> Ids, IReadOnlyList<string>? Followed);

/// <summary>What a column of a table may mean.</summary>
public sealed record ColumnMeaning(string Name, string Words);

/// <summary>What an import would do, or did, and the days yet to come that took it over.</summary>
/// <param name="Columns">Columns of a table with the figures they were matched to; empty for a locker file.</param>
/// <param name="Meanings">What a column may be chosen to mean.</param>
public sealed record ImportAnswer(IReadOnlyList<ImportRow> Rows, int Added, int Changed, int Same, int Refused, IReadOnlyList<TableColumn> Columns,
    IReadOnlyList<ColumnMeaning> Meanings, string ReadAs, bool Kept, IReadOnlyList<string>? Followed);
