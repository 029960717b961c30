using System.Text;
using YokePair.Core.Locker;

namespace YokePair.Cli;

/// <summary>The columns of a locker's table, made from the catalogue that reads them.</summary>
public static class Columns
{
    /// <summary>The page as published in docs/locker-columns.md.</summary>
    public static string Text()
    {
        var text = new StringBuilder();
        text.Append("# Columns of the locker's table\n\nMade from the program. `id` and `kind` stand in every table; the rest by name, or in words, in any "
            + "order.\n\n");
        text.Append("| column | unit | form | kinds |\n|---|---|---|---|\n");
        text.Append("| id | | text; empty for a new thing | all |\n");
        text.Append("| kind | | " + string.Join(", ", FigureCatalogue.Kinds) + " | all |\n");
        text.Append("| estimated | | names of figures that are estimates, joined by + | all |\n");
        text.Append("| sensorWidthMm | mm | number, instead of crop | body |\n");
        foreach (var figure in FigureCatalogue.All)
            text.Append(System.Globalization.CultureInfo.InvariantCulture,
                $"| {figure.Name} | {figure.Unit} | {Form(figure)} | "
                    + $"{(figure.Kinds.Count == FigureCatalogue.Kinds.Count ? "all" : string.Join(", ", figure.Kinds))} |\n");
        return text.ToString();
    }

    private static string Form(Figure figure) => figure.Form switch
    {
        FigureForm.Number => "number; decimal comma or point, its unit may stand behind it, 1/200 is understood",
        FigureForm.YesNo => "yes or no",
        FigureForm.Texts => "texts joined by +",
        FigureForm.Range => "85 or 24-70",
        FigureForm.Numbers => "550×350×200",
        FigureForm.Day => "2024-03-15, 2024-03 or 2024",
        FigureForm.Choice => string.Join(", ", figure.Options),
        FigureForm.Slots => "CFexpress-B+SD, with speeds in MB/s CFexpress-B@400+SD@90",
        _ => "text",
    };
}
