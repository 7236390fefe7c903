package fairkettle.machine;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * How hands get at a machine: what the sentences on its cards are made from.
 *
 * @param screws groups to take out to reach the dampers, in that order
 * @param wasteLines that a hand reaches
 * @param powerFirst true if the machine's own start guide leads through filling with the power on
 * @param headsByUser true if the user snaps the heads in
 * @param kit of a bulk feed: the one it has, or the one that its class usually gets
 * @param trays ways in for what is printed on
 */
public record Handling(
        CarriageFreeing freeing,
        Panel panel,
        List<Screws> screws,
        WasteLines wasteLines,
        boolean powerFirst,
        boolean headsByUser,
        BulkKit kit,
        List<Tray> trays) {

    public Handling {
        screws = List.copyOf(screws);
        trays = List.copyOf(trays);
    }

    /** What a sentence on a card rests on, and a person can put right from where it turned out wrong. */
    public enum Matter {
        FREEING,
        SCREWS,
        WASTE_LINES,
        KIT,
        CHECK,
        CLEANING,
        POWER_CLEANING,
        CHARGE,
        UPDATE_MODE,
        CHIP_RESET;

        public static Matter of(Panel.Act act) {
            return valueOf(act.name());
        }
    }

    /** What a person has taught a machine that is like its profile but not it; null and missing is as the profile. */
    public record Taught(
            @Nullable CarriageFreeing freeing,
            @Nullable PanelKind panel,
            Map<Panel.Act, Panel.How> ways,
            @Nullable List<Screws> screws,
            @Nullable WasteLines wasteLines,
            @Nullable BulkKit kit,
            @Nullable List<Tray> trays) {

        public static final Taught NOTHING = new Taught(null, null, Map.of(), null, null, null, null);

        public Taught {
            ways = Map.copyOf(ways);
            screws = screws == null ? null : List.copyOf(screws);
            trays = trays == null ? null : List.copyOf(trays);
        }
    }

    public Handling with(Taught taught) {
        return new Handling(
                taught.freeing() == null ? freeing : taught.freeing(),
                panel.with(taught.panel() == null ? panel.kind() : taught.panel(), taught.ways()),
                taught.screws() == null ? screws : taught.screws(),
                taught.wasteLines() == null ? wasteLines : taught.wasteLines(),
                powerFirst,
                headsByUser,
                taught.kit() == null ? kit : taught.kit(),
                taught.trays() == null ? trays : taught.trays());
    }

    public Handling freed(CarriageFreeing way) {
        return new Handling(way, panel, screws, wasteLines, powerFirst, headsByUser, kit, trays);
    }

    public Handling fed(BulkKit other) {
        return new Handling(freeing, panel, screws, wasteLines, powerFirst, headsByUser, other, trays);
    }

    /** What is otherwise than before, in sentences. */
    public List<String> since(Handling before) {
        var words = new ArrayList<String>();
        if (freeing != before.freeing) {
            words.add("its carriage is freed " + freeing.label());
        }
        if (panel.kind() != before.panel.kind()) {
            words.add("it has " + panel.kind().label());
        }
        for (var act : Panel.Act.values()) {
            if (!panel.how(act).equals(before.panel.how(act))) {
                words.add("%s: %s".formatted(act.label(), panel.how(act).words()));
            }
        }
        if (!screws.equals(before.screws)) {
            words.add(
                    screws.isEmpty()
                            ? "no screws"
                            : "screws: "
                                    + String.join(
                                            ", ",
                                            screws.stream()
                                                    .map(s -> s.count() + " " + s.which())
                                                    .toList()));
        }
        if (wasteLines != before.wasteLines) {
            words.add("waste lines: " + wasteLines.label());
        }
        if (!kit.equals(before.kit)) {
            words.add("its bulk feed: " + String.join(", ", kit.parts()));
        }
        if (!trays.equals(before.trays)) {
            words.add("paper goes into its "
                    + String.join(" or its ", trays.stream().map(Tray::label).toList()));
        }
        return words;
    }

    static Map<Panel.Act, Panel.How> both(Map<Panel.Act, Panel.How> first, Map<Panel.Act, Panel.How> better) {
        var all = new EnumMap<Panel.Act, Panel.How>(Panel.Act.class);
        all.putAll(first);
        all.putAll(better);
        return all;
    }
}
