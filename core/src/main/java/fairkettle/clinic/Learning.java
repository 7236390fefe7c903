package fairkettle.clinic;

import fairkettle.clinic.Hidden.Air;
import fairkettle.clinic.Hidden.Nozzle;
import fairkettle.ink.Family;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a shop's own cases say of treatments. Counts per treatment, kind of gap and family; the table's figure counts as
 * so many cases of its own (a beta prior), so that three lucky soaks do not make a rule.
 */
public final class Learning {

    private static final double PRIOR_WEIGHT = 6; // cases that the table's own figure counts for
    private static final double SURE = .5;

    private Learning() {}

    /** Kinds of gaps whose cure is learned; the order is that of the table's columns. */
    public enum Kind {
        SOFT("young dried ink", 0),
        HARD("hard dried ink", 1),
        DIRT("dirt", 2),
        AIR("air", 4);

        private final String label;
        private final int column;

        Kind(String label, int column) {
            this.label = label;
            this.column = column;
        }

        public String label() {
            return label;
        }

        /** What a channel's gaps mostly are, if anybody can say. */
        static Optional<Kind> of(Belief belief, int channel) {
            double soft = belief.nozzle(channel, Nozzle.SOFT);
            double hard = belief.nozzle(channel, Nozzle.HARD);
            double dirt = belief.nozzle(channel, Nozzle.DIRT);
            double air = belief.air(channel, Air.SMALL) + belief.air(channel, Air.LINE);
            if (soft + hard >= SURE) {
                return Optional.of(soft >= hard ? SOFT : HARD);
            }
            return dirt >= SURE ? Optional.of(DIRT) : air >= SURE ? Optional.of(AIR) : Optional.empty();
        }
    }

    /** @param worked half of the channel's gaps or more came back */
    public record Outcome(Treatment treatment, Kind kind, Family family, boolean worked) {}

    /**
     * What was learned of one.
     *
     * @param prior what the table says; {@code now} what is reckoned with here
     */
    public record Learned(
            Treatment treatment, Kind kind, Family family, int worked, int times, double prior, double now) {}

    private record Key(Treatment treatment, Kind kind, Family family) {}

    /**
     * What the outcomes come to, most often tried first. Kinds on which a treatment has no believed effect are left
     * out.
     */
    public static List<Learned> of(Table table, Collection<Outcome> outcomes) {
        var counts = new java.util.LinkedHashMap<Key, int[]>();
        for (var outcome : outcomes) {
            var count = counts.computeIfAbsent(
                    new Key(outcome.treatment(), outcome.kind(), outcome.family()), _ -> new int[2]);
            count[0] += outcome.worked() ? 1 : 0;
            count[1]++;
        }
        var all = new ArrayList<Learned>();
        counts.forEach((key, count) -> {
            double prior = table.row("act." + key.treatment().name())[key.kind().column];
            if (prior > 0) {
                all.add(new Learned(
                        key.treatment(),
                        key.kind(),
                        key.family(),
                        count[0],
                        count[1],
                        prior,
                        (prior * PRIOR_WEIGHT + count[0]) / (PRIOR_WEIGHT + count[1])));
            }
        });
        all.sort(java.util.Comparator.comparingInt(Learned::times).reversed());
        return all;
    }

    /** The table as this shop should read it for machines of a family. */
    public static Table applied(Table table, Collection<Outcome> outcomes, Family family) {
        Map<Treatment, List<Learned>> mine = new EnumMap<>(Treatment.class);
        of(table, outcomes).stream()
                .filter(l -> l.family() == family)
                .forEach(l -> mine.computeIfAbsent(l.treatment(), _ -> new ArrayList<>())
                        .add(l));
        return mine.isEmpty()
                ? table
                : table.with((key, row) -> {
                    if (key.startsWith("act.")) {
                        mine.getOrDefault(Treatment.valueOf(key.substring(4)), List.of())
                                .forEach(l -> row[l.kind().column] = Math.clamp(l.now(), .01, .97));
                    }
                    return row;
                });
    }
}
