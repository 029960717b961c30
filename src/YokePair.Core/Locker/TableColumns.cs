using System.Text.RegularExpressions;

namespace YokePair.Core.Locker;

/// <summary>A column of somebody's table and the figure it was matched to.</summary>
/// <param name="Heading">As written in the table.</param>
/// <param name="Figure">The figure, or <c>kind</c>, <c>id</c> or <c>estimated</c>; null where no thing has such a one.</param>
/// <param name="Unit">Unit in the heading, for cells that have none.</param>
/// <param name="Samples">The first cells that hold anything.</param>
public sealed record TableColumn(string Heading, string? Figure, string? Unit, IReadOnlyList<string> Samples)
{
    /// <summary>Which mark its cells put between thousands, where one of them shows it: "2.899,00" says what "9.800" is.</summary>
    internal char? Thousands { get; init; }
}

/// <summary>Matches the headings of spreadsheets to figures: by name, by synonym, and where that leaves a choice by what stands below.</summary>
public static partial class TableColumns
{
    /// <summary>What says of which kind a thing is.</summary>
    public const string Kind = "kind";

    // An underscore is a space.
    private const string SynonymTable = """
        kind:        kind category what art kategorie gattung catégorie genre item_type equipment_type gear_type product_type
        name:        name item description model bezeichnung modell artikel gegenstand nom désignation modèle equipment gear title
        name:        make/model make_model brand_model marke/modell product
        number:      number no nr num nummer numéro n°
        count:       qty quantity count pieces pcs anzahl menge stück quantité nombre how_many
        focal:       focal focal_length focal_lengths brennweite focale distance_focale mm
        aperture:    aperture f-stop f-number f max_aperture max_ap maximum_aperture widest blende lichtstärke ouverture ouverture_max
        mount:       mount lens_mount bajonett anschluss monture
        lensMount:   from_mount lens_side
        bodyMount:   to_mount body_side
        megapixels:  megapixels mp mpx resolution auflösung megapixel mégapixels définition
        isoCeiling:  iso max_iso iso_max highest_iso iso_limit iso_ceiling höchste_iso
        slots:       slots card_slots kartenslots kartenfächer logements
        batteryType: battery_type camera_battery akkutyp
        weightG:     weight mass gewicht poids kg g lb
        gigabytes:   capacity size storage kapazität größe speicher capacité taille gb
        serial:      serial serial_no serial_number s/n sn seriennummer numéro_de_série
        firstUse:    first_use bought purchased purchase_date date_of_purchase since gekauft gekauft_am kaufdatum acheté date_d'achat year
        value:       value price cost worth wert preis neupreis prix valeur € €_new eur chf usd gbp new_price
        owner:       owner whose besitzer eigentümer propriétaire belongs_to
        notes:       notes note remarks comment comments bemerkung bemerkungen notizen remarque remarques
        guideNumber: guide_number gn leitzahl lz nombre_guide ng
        wattHours:   watt_hours wh energy energie énergie
        filterThreadMm: filter filter_thread filter_size thread filtergewinde filterdurchmesser diamètre_filtre
        fps:         fps frames_per_second burst serienbilder rafale
        stabilisationStops: stabilisation stabilization ibis is stabilisator
        radioSystem: radio radio_system funksystem
        doubtful:    doubtful unreliable defect unzuverlässig
        """;

    private static readonly Dictionary<string, string> Synonyms =
        QuickWords.Table(SynonymTable).DistinctBy(w => Bare(w.Word)).ToDictionary(w => Bare(w.Word), w => w.Of, StringComparer.Ordinal);

    /// <summary>Matches all headings of a table.</summary>
    /// <param name="headings">Headings, in order.</param>
    /// <param name="rows">Rows of cells; the first few are looked at.</param>
    /// <param name="chosen">Figures chosen for headings; an empty one leaves a column out.</param>
    public static IReadOnlyList<TableColumn> Match(IReadOnlyList<string> headings, IReadOnlyList<IReadOnlyList<string>> rows,
        IReadOnlyDictionary<string, string>? chosen = null)
    {
        const int looked = 30;
        var columns = new List<TableColumn>();
        var said = headings.Any(h => Bare(h) == Kind);
        for (var c = 0; c < headings.Count; c++)
        {
            string[] cells = [.. rows.Take(looked).Select(r => c < r.Count ? r[c].Trim() : "").Where(t => t.Length > 0)];
            var (words, unit) = Parts(headings[c]);
            var figure = chosen?.GetValueOrDefault(headings[c]) is { } wanted ? (wanted.Length == 0 ? null : wanted)
                : FigureOf(headings[c], words, cells, said);
            columns.Add(new TableColumn(headings[c], figure, unit, [.. cells.Take(3)]) { Thousands = ThousandsOf(cells) });
        }
        // Two columns for one figure: the first stands, unless somebody chose.
        var seen = new HashSet<string>(StringComparer.Ordinal);
        return [.. columns.Select(c => c.Figure is null || seen.Add(c.Figure) ? c : c with { Figure = null })];
    }

    /// <summary>
    /// What a cell says: nothing where it is only a dash; its thousands as its column writes them; in the unit of the heading where it has none.
    /// </summary>
    public static string Said(TableColumn column, string cell)
    {
        if (cell is "-" or "–" or "—" or "?" or "n/a" or "N/A") return "";
        if (column.Thousands is { } mark && Grouped().IsMatch(cell)) cell = cell.Replace(mark.ToString(), "", StringComparison.Ordinal);
        return column.Unit is not null && cell.Length > 0 && char.IsDigit(cell[^1]) ? $"{cell} {column.Unit}" : cell;
    }

    private static char? ThousandsOf(string[] cells) =>
        Array.Exists(cells, c => CommaBeforeDecimals().IsMatch(c)) ? '.' : Array.Exists(cells, c => PointBeforeDecimals().IsMatch(c)) ? ',' : null;

    /// <summary>The kind a word means, with its form; as it was written where it means none.</summary>
    public static (string Kind, string? Form) KindOf(string word) =>
        FigureCatalogue.Kinds.Contains(word.Trim().ToLowerInvariant()) ? (word.Trim().ToLowerInvariant(), null)
        : QuickKind.In(QuickPatterns.WordsOf(word), KnownWords.None) is { Kind.Length: > 0 } found ? (found.Kind, found.Form)
            : (word.Trim().ToLowerInvariant(), null);

    private static string? FigureOf(string heading, string words, string[] cells, bool kindSaid)
    {
        var bare = Bare(heading);
        if (bare is "id" or Kind or "estimated") return bare;
        if (bare == Bare(LockerFigures.SensorWidth) || bare == "sensorwidth") return LockerFigures.SensorWidth;
        // A column "type" says the kind where kinds stand in it, else the type of card, battery or cell.
        if (Bare(words) is "type" or "typ") return !kindSaid && cells.Length > 0 && cells.Count(c => IsKind(c)) * 2 > cells.Length ? Kind : "type";
        // A column "item" says the kind where nothing but kinds stands in it.
        if (!kindSaid && cells.Length > 1 && Synonyms.GetValueOrDefault(bare) == "name" && cells.Count(IsOnlyKind) * 2 > cells.Length) return Kind;
        if (Bare(words) is "size" or "größe" && cells.Any(c => c.Contains('x', StringComparison.OrdinalIgnoreCase) || c.Contains('×'))) return "sizeMm";
        return FigureCatalogue.All.FirstOrDefault(f =>
            f.Name == heading.Trim())?.Name ?? Synonyms.GetValueOrDefault(bare) ?? Synonyms.GetValueOrDefault(Bare(words))
            ?? FigureCatalogue.All.FirstOrDefault(f => Bare(f.Name) == bare || Bare(f.Words) == bare || Bare(f.Words + f.Unit) == bare
                || Bare(f.Words) == Bare(words))?.Name;
    }

    private static bool IsOnlyKind(string cell) => QuickPatterns.WordsOf(cell) is [var word] && QuickKind.In([word], KnownWords.None).Kind.Length > 0;

    private static bool IsKind(string cell) => FigureCatalogue.Kinds.Contains(KindOf(cell).Kind);

    /// <summary>The words of a heading and the unit behind them: Weight (kg), Focal length [mm], Gewicht in g.</summary>
    private static (string Words, string? Unit) Parts(string heading)
    {
        if (Known().IsMatch(heading.Trim())) return (heading, heading.Trim());
        if (UnitBehind().Match(heading) is not { Success: true } match) return (heading, null);
        var unit = match.Groups["unit"].Value;
        return (heading[..match.Index], Known().IsMatch(unit) ? unit : null);
    }

    private static string Bare(string text) => string.Concat(text.Where(c => char.IsLetterOrDigit(c) || c is '/' or '°')).ToLowerInvariant();

    [GeneratedRegex(
        @"\s*(?:[\(\[](?<unit>[^\)\]]*)[\)\]]|\bin\s+(?<unit>\w+)|,\s*(?<unit>\w+)|\s(?<unit>kg|g|lb|lbs|oz|mm|cm|gb|tb|mp|wh))\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex UnitBehind();

    [GeneratedRegex(@"^\d{1,3}(?:[.,]\d{3})+$")]
    private static partial Regex Grouped();

    /// <summary>2.899,00 or 0,72: the comma stands before the decimals.</summary>
    [GeneratedRegex(@"^\d{1,3}(?:\.\d{3})*,\d{1,2}$")]
    private static partial Regex CommaBeforeDecimals();

    [GeneratedRegex(@"^\d{1,3}(?:,\d{3})*\.\d{1,2}$")]
    private static partial Regex PointBeforeDecimals();

    [GeneratedRegex(@"^(?:kg|g|lbs?|oz|mm|cm|m|in|gb|tb|mp|wh|w|s|h|min|stops|fps)$", RegexOptions.IgnoreCase)]
    private static partial Regex Known();
}
