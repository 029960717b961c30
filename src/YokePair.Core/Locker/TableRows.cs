using System.Globalization;
using YokePair.Core.Basics;
using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>The things a row of a table speaks of.</summary>
public static class TableRows
{
    private const int MostOfARow = 200;

    /// <summary>
    /// Reads a row. Where no column says the kind, what the thing is called does, as in a typed line; figures in its name fill those that no
    /// column has. A row of six is six things.
    /// </summary>
    /// <param name="line">Line in the file.</param>
    /// <param name="columns">Columns, matched.</param>
    /// <param name="cells">Its cells.</param>
    public static IEnumerable<FiledThing> Of(int line, IReadOnlyList<TableColumn> columns, IReadOnlyList<string> cells)
    {
        var texts = columns.Zip(cells, (column, cell) => (column.Figure, Said: TableColumns.Said(column, cell)))
            .Where(c => c.Figure is not null && c.Said.Length > 0).ToDictionary(c => c.Figure!, c => c.Said, StringComparer.Ordinal);
        var label = texts.GetValueOrDefault("name", texts.GetValueOrDefault("id", texts.GetValueOrDefault(TableColumns.Kind, "")));
        var problems = new List<PlanProblem>();
        if (cells.Count > columns.Count) problems.Add(new PlanProblem("",
            "this row has more columns than the first line; is a text with the separator in it not in quotation marks?"));
        // What a locker wrote says its kinds; nothing is read into it.
        var own = texts.ContainsKey("id");
        var (kind, form) = texts.Remove(TableColumns.Kind, out var said) ? TableColumns.KindOf(said) : own ? ("", null) : KindByName(texts);
        if (kind.Length == 0) problems.Add(new PlanProblem("kind", "is empty; say what it is"));
        else if (!FigureCatalogue.Kinds.Contains(kind))
        {
            var kinds = string.Join(", ", FigureCatalogue.Kinds);
            problems.Add(new PlanProblem("kind", $"\"{said}\" is no kind; kinds are {kinds}"));
        }
        else
        {
            if (form is not null && FigureCatalogue.Find(kind, "form") is not null) texts.TryAdd("form", form);
            if (!own) FillFromWords(kind, texts);
            Place(kind, texts, problems);
        }
        var count = own ? 1 : CountOf(texts, problems);
        for (var n = 0; n < count; n++)
        {
            yield return new FiledThing(line, label.Length > 0 ? label : kind, kind, count == 1 ? texts : OneOf(texts, n, count), null, problems);
        }
    }

    private static (string Kind, string? Form) KindByName(Dictionary<string, string> texts) =>
        QuickKind.In(QuickPatterns.WordsOf(string.Join(' ', texts.Values)), KnownWords.None) is { Kind.Length: > 0 } found ? (found.Kind, found.Form)
            : ("", null);

    /// <summary>What no column has is in the name, and what that lacks too may be in the notes: 24 MP, 2x SD.</summary>
    private static void FillFromWords(string kind, Dictionary<string, string> texts)
    {
        FillFromName(kind, texts);
        if (!texts.TryGetValue("notes", out var notes)) return;
        var read = QuickAdd.Read($"{kind} {notes}", KnownWords.None);
        foreach (var (figure, text) in read.Figures.Where(f => read.Problems.Count == 0 || IsEssential(f.Name))) texts.TryAdd(figure, text);

        bool IsEssential(string figure) => Typical.Essentials(kind).Any(e => e.Figure == figure);
    }

    /// <summary>24-70/2.8 K2 under a heading "item" says focal length, f-number and mount; what is left of it is what it is called.</summary>
    private static void FillFromName(string kind, Dictionary<string, string> texts)
    {
        if (!texts.TryGetValue("name", out var name) || !name.Any(char.IsDigit)) return;
        var known = new KnownWords(Said("mount"), Said("batteryType"), Said("radioSystem"));
        var read = QuickAdd.Read($"{kind} {name} {texts.GetValueOrDefault("mount")}", known);
        // Where the columns said it all, the name is a name.
        var told = read.Figures.Where(f => !texts.ContainsKey(f.Name)).ToList();
        foreach (var (figure, text) in told) texts[figure] = text;
        if (read.Problems.Count == 0 && told.Count > 0) texts["name"] = read.Called;

        HashSet<string> Said(string figure) => texts.TryGetValue(figure, out var text) ? [text] : [];
    }

    /// <summary>A column that another kind has says nothing of this one; a type or a battery has its own figure for each.</summary>
    private static void Place(string kind, Dictionary<string, string> texts, List<PlanProblem> problems)
    {
        foreach (var name in texts.Keys.Where(n => n is not ("id" or "estimated" or LockerFigures.SensorWidth)
            && FigureCatalogue.Find(kind, n) is null).ToList())
        {
            texts.Remove(name, out var text);
            var other = name switch
            {
                "type" or "batteryType" when FigureCatalogue.Find(kind, "batteryTypes") is not null => "batteryTypes",
                "type" when kind == "reader" => "cardTypes",
                "type" when kind == "body" => "slots",
                "mount" when kind == "adapter" => "bodyMount",
                "focal" when kind == "tube" => "extensionMm",
                "filterThreadMm" when kind == "filter" => "threadMm",
                "radioSystem" when kind == "trigger" => "sends",
                _ => null,
            };
            if (other is not null) texts.TryAdd(other, text!);
            else problems.Add(new PlanProblem(name, $"\"{text}\": a {kind} has no such figure; empty this cell, or choose another meaning for its column"));
        }
    }

    private static int CountOf(Dictionary<string, string> texts, List<PlanProblem> problems)
    {
        if (!texts.Remove("count", out var said)) return 1;
        var read = TypedFields.Read(TypedForm.Count, said.Trim('x', '×', ' '));
        if (!read.Read || read.Value.Count == 0 || read.Value[0] is < 1 or > MostOfARow)
        {
            problems.Add(new PlanProblem("count", read.Problem ?? $"\"{said}\" is not between 1 and {MostOfARow}"));
            return 1;
        }
        return (int)read.Value[0];
    }

    private static Dictionary<string, string> OneOf(Dictionary<string, string> texts, int n, int count)
    {
        var one = new Dictionary<string, string>(texts, StringComparer.Ordinal) { ["number"] = NumberOf(texts, n) };
        // As many serial numbers as there are things: one each.
        if (texts.GetValueOrDefault("serial")?.Split([',', ';', '/'], StringSplitOptions.TrimEntries) is { } serials && serials.Length == count)
            one["serial"] = serials[n];
        return one;
    }

    private static string NumberOf(Dictionary<string, string> texts, int n) =>
        ((texts.TryGetValue("number", out var from) && int.TryParse(from, NumberStyles.None, CultureInfo.InvariantCulture, out var first) ? first
            : 1) + n).ToString(CultureInfo.InvariantCulture);
}
