package fairkettle.books;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;

/** What idleness and dry air did to heads here: strokes that were newly missing at a check, by what came before it. */
public final class Clogging {

    private static final double[] IDLE = {1.5, 2.5, 4.5, 7.5}; // days, upper ends
    private static final List<String> IDLE_WORDS =
            List.of("used the day before", "2 days", "3 to 4 days", "5 to 7 days", "longer");
    private static final double[] DRY = {.9, 1.4, 1.9}; // kPa, upper ends
    private static final List<String> DRY_WORDS = List.of("damp", "usual", "dry", "very dry");

    private Clogging() {}

    /**
     * A check.
     *
     * @param idle days since ink last went through the machine, the day of the check not counted
     * @param fresh strokes that were not missing at the check before
     * @param deficit vapour-pressure deficit of the room in that time, kPa; null where nobody measured
     */
    public record Look(double idle, int fresh, @Nullable Double deficit) {}

    /** @param struck checks with something newly missing; {@code each} new gaps a check, on average */
    public record Group(String label, int looks, int struck, double each) {
        public double share() {
            return looks == 0 ? 0 : (double) struck / looks;
        }

        @Override
        public String toString() {
            return String.format(Locale.ROOT, "%s: %d of %d, %.2f each", label, struck, looks, each);
        }
    }

    public static List<Group> byIdleness(List<Look> looks) {
        return groups(looks, Look::idle, IDLE, IDLE_WORDS);
    }

    /** Only checks of a time in which the air was measured. */
    public static List<Group> byDryness(List<Look> looks) {
        var measured = looks.stream().filter(l -> l.deficit() != null).toList();
        return groups(measured, l -> l.deficit() == null ? 0 : l.deficit(), DRY, DRY_WORDS);
    }

    private static List<Group> groups(List<Look> looks, ToDoubleFunction<Look> of, double[] ends, List<String> words) {
        var groups = new ArrayList<Group>();
        for (int i = 0; i < words.size(); i++) {
            double above = i == 0 ? Double.NEGATIVE_INFINITY : ends[i - 1];
            double upTo = i < ends.length ? ends[i] : Double.POSITIVE_INFINITY;
            var mine = looks.stream()
                    .filter(l -> of.applyAsDouble(l) > above && of.applyAsDouble(l) <= upTo)
                    .toList();
            groups.add(new Group(
                    words.get(i),
                    mine.size(),
                    (int) mine.stream().filter(l -> l.fresh() > 0).count(),
                    mine.stream().mapToInt(Look::fresh).average().orElse(0)));
        }
        return List.copyOf(groups);
    }
}
