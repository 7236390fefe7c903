package fairkettle.round;

/**
 * What a plan costs, in points: one published scale, so that a broken promise outweighs everything and the rest can be
 * weighed against each other.
 *
 * @param broken promises that cannot be kept
 * @param overdue points of lateness and of what is left for another day
 * @param finish minute at which the last hands come free
 * @param gloves points for changes of gloves; {@code walk} benches passed; {@code moved} points for departing from the
 *     plan before
 * @param dropped segments left for another day
 */
public record Cost(int broken, long overdue, int finish, long gloves, long walk, long moved, int dropped) {

    public static final long PROMISE = 10_000_000;
    public static final long FINISH = 4;
    public static final long OVERRUN = 5_000;
    /** A task that comes or goes. */
    public static final int COMES_OR_GOES = 120;
    /** Another person. */
    public static final int OTHER_PERSON = 150;
    /** Two neighbours of one person's order that changed places. */
    public static final int OTHER_ORDER = 120;

    public long total() {
        return PROMISE * broken + soft();
    }

    /** All but the promises. */
    public long soft() {
        return overdue + FINISH * finish + gloves + walk + moved;
    }

    static long walk(int from, int to) {
        return from < 0 ? 0 : Math.abs(from - to);
    }
}
