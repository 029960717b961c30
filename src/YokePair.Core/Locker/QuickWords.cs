namespace YokePair.Core.Locker;

/// <summary>The craft's words in typed lines, as English, German and French notebooks have them.</summary>
internal static class QuickWords
{
    // By kind, and by form where the kind has some. An underscore is a space.
    private const string KindTable = """
        body:            body bodies camera cameras cam gehäuse kamera kameras boîtier boîtiers boitier appareil camera_body kameragehäuse
        lens:            lens lenses zoom prime objektiv objektive objectif objectifs festbrennweite festbrennweiten focale_fixe macro_lens
        lens:            fisheye superzoom
        adapter:         adapter adaptor mount_adapter lens_adapter bajonettadapter objektivadapter bague_d'adaptation adaptateur
        converter:       converter teleconverter tele-converter tc extender telekonverter konverter multiplicateur téléconvertisseur convertisseur
        tube:            tube extension_tube zwischenring bague-allonge bague_allonge tube-allonge
        filter:          filter filtre polfilter polariser polarizer nd
        filter:          nd_filter graufilter filtre_gris ring step-up_ring step_up_ring stepup_ring filteradapter
        flash:           flash flashes flashgun flashguns strobe strobes blitz blitze blitzgerät blitzgeräte aufsteckblitz aufsteckblitze
        flash:           flash_cobra flash_gun
        trigger:         trigger triggers transmitter sender funkauslöser auslöser émetteur déclencheur flash_trigger radio_trigger
        trigger=receiver: receiver receivers empfänger récepteur
        trigger=relay:   relay relais
        light:           light lamp lamps led_panel led_light video_light lampe lampen leuchte led-leuchte torche panneau_led led
        modifier:        modifier umbrella umbrellas softbox softboxes schirm durchlichtschirm parapluie boîte_à_lumière beauty_dish
        battery:         battery batteries akku akkus accu accus batterie camera_battery camera_batteries
        cells:           cells cell piles pile mignon mignonzellen batterien
        pack:            pack battery_pack flash_pack
        powerbank:       powerbank power_bank powerbanks batterie_externe
        charger:         charger chargers ladegerät ladegeräte akkuladegerät chargeur chargeurs battery_charger ladeschale ladeschalen
        card:            card cards memory_card memory_cards speicherkarte speicherkarten karte karten carte cartes carte_mémoire cartes_mémoire
        reader:          reader card_reader card_readers cardreader kartenleser kartenlesegerät lecteur lecteur_de_cartes lecteur_de_carte
        drive:           drive ssd hdd hard_drive backup_drive festplatte disque disque_dur
        support=tripod:  tripod tripods stativ dreibein trépied trepied
        support=monopod: monopod monopods einbein einbeinstativ monopode
        support=stand:   stand stands lightstand lightstands light_stand light_stands lampenstativ lichtstativ lichtstative pied_d'éclairage pied_de_lumière
        support=clamp:   clamp clamps klemme klammer pince
        carry:           carry harness belt strap holster gurt kameragurt doppelgurt schulterriemen gürtel sangle courroie ceinture harnais camera_strap
        case:            case roller backpack bag pouch shoulder_bag camera_bag tasche kameratasche rucksack koffer rollkoffer sac sac_à_dos valise
        grip:            grip battery_grip batteriegriff hochformatgriff poignée poignée_d'alimentation
        other:           other recorder audio_recorder plate tripod_plate head tripod_head ball_head kugelkopf rotule laptop
        other:           drone drones gimbal monitor tablet smartphone microphone microphones drohne mikrofon micro
        other:           rain_cover rain_sleeve regenhülle housse_de_pluie
        other:           grey_card graukarte gaffer_tape tape klebeband adhésif
        """;

    private const string FlagTable = """
        magnification=1:   macro makro
        silent=yes:        silent silent_shutter lautlos silencieux
        sealed=yes:        sealed weather_sealed weather-sealed abgedichtet tropicalisé tropicalisée
        doubtful=yes:      doubtful sometimes_fails fails_sometimes unreliable flaky wackelkontakt unzuverlässig spinnt_manchmal capricieux parfois_en_panne
        doubtful=yes:      sometimes manchmal parfois
        usbCharging=yes:   usb-c usb_c usb_charging
        takesConverter=yes: takesconverter takes_converter takes_a_converter takes_tc
        highSpeedSync=yes: hss high-speed_sync high_speed_sync
        needsSupport=yes:  needs_support needs_monopod needs_a_monopod
        owner=hired:       hired rented gemietet geliehen loué louée
        make=own:          own-make own_make original originals
        make=thirdParty:   third-party third_party fremdhersteller
        make=cheap:        cheap
        canSend=yes:       can_send sends
        canHear=yes:       can_hear hears built-in_receiver
        crop=1.5:          aps-c apsc
        crop=1:            full-frame full_frame fullframe vollformat plein_format
        charged=no:        empty leer vide
        """;

    // Said to join figures together; they are no part of a name.
    private const string JoinTable = """
        with for and mount the a an of on in x × slot slots each dual two card cards battery type bought since used from new my bays bay as + & - – ,
            mit für und von am auf bajonett
        neu gekauft seit je stück stk pcs pieces avec pour et de du à un une ein eine einen les des la le them monture achat acheté depuis pièces mount: typ
        """;

    /// <summary>Kinds, each with its form where the word names one.</summary>
    public static readonly IReadOnlyDictionary<string, (string Kind, string? Form)> Kinds =
        Table(KindTable).ToDictionary(w => w.Word, w => (w.Of.Split('=')[0], w.Of.Split('=').ElementAtOrDefault(1)), StringComparer.OrdinalIgnoreCase);

    /// <summary>Words that set one figure.</summary>
    public static readonly IReadOnlyDictionary<string, (string Figure, string Value)> Flags =
        Table(FlagTable).ToDictionary(w => w.Word, w => (w.Of.Split('=')[0], w.Of.Split('=')[1]), StringComparer.OrdinalIgnoreCase);

    private static readonly HashSet<string> Joining = new(JoinTable.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries), StringComparer.Ordinal);

    /// <summary>A word for several cells that are used together.</summary>
    public static bool IsSet(string word) =>
        word.ToLowerInvariant() is "set" or "sets" or "satz" or "sätze" or "jeu" or "jeux";

    /// <summary>Whether a word only stands between figures. A capital A is a name.</summary>
    public static bool Joins(string word) => Joining.Contains(word) || (word.Length > 2 && Joining.Contains(word.ToLowerInvariant()));

    /// <summary>Kinds and flags of more than one word.</summary>
    public static readonly IReadOnlyList<string> Phrases = [.. Kinds.Keys.Concat(Flags.Keys).Where(w => w.Contains(' ')).OrderByDescending(w => w.Length)];

    /// <summary>The words of a table: a line for each meaning, its words behind a colon, an underscore for a space.</summary>
    public static IEnumerable<(string Of, string Word)> Table(string table) =>
        from line in table.Split('\n', StringSplitOptions.RemoveEmptyEntries)
        let cut = line.IndexOf(':', StringComparison.Ordinal)
        from word in line[(cut + 1)..].Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)
        select (line[..cut].Trim(), word.Replace('_', ' '));
}
