package fairkettle.check;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.TreeSet;

/**
 * One channel through its last checks.
 *
 * @param standing strokes that are missing in the newest check and in the ones before, as far back as {@code since}
 * @param since of the oldest check of that unbroken row
 * @param checks in that row
 * @param falling true if each of the last three checks was worse than the one before it
 */
public record Course(List<Integer> standing, Instant since, int checks, boolean falling) {

    /** Purge pages after which it is time to look at the nozzles again. */
    public static final int PAGES_BETWEEN_CHECKS = 3;

    private static final int ENOUGH = 3; // two alike may be chance

    public Course {
        standing = List.copyOf(standing);
    }

    /** @param at when; @param missing strokes */
    public record Seen(Instant at, Collection<Integer> missing) {}

    /**
     * @param newestFirst at least one
     * @throws IllegalArgumentException if there is none
     */
    public static Course of(List<Seen> newestFirst) {
        if (newestFirst.isEmpty()) {
            throw new IllegalArgumentException("No check, no course.");
        }
        var newest = newestFirst.getFirst();
        var standing = new TreeSet<>(newest.missing());
        int rows = 1;
        for (var earlier : newestFirst.subList(1, newestFirst.size())) {
            var both = new TreeSet<>(standing);
            both.retainAll(earlier.missing());
            if (both.isEmpty() || both.size() * 2 < standing.size()) {
                break;
            }
            standing = both;
            rows++;
        }
        return new Course(List.copyOf(standing), newestFirst.get(rows - 1).at(), rows, falling(newestFirst));
    }

    private static boolean falling(List<Seen> newestFirst) {
        return newestFirst.size() >= 3
                && newestFirst.get(0).missing().size()
                        > newestFirst.get(1).missing().size()
                && newestFirst.get(1).missing().size()
                        > newestFirst.get(2).missing().size();
    }

    /** Whether the same strokes were missing often enough to say that they stand. */
    public boolean stands() {
        return checks >= ENOUGH && !standing.isEmpty();
    }
}
