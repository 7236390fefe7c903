package fairkettle.round;

/**
 * What the lateness of a segment costs, in points.
 *
 * @param ideal minute by which it should be done; before today for what is overdue
 * @param latest minute after which it hurts
 * @param soft points a minute after {@code ideal}
 * @param hard points a minute after {@code latest}, on top
 * @param drop points for leaving it for another day
 */
public record Due(int ideal, int latest, int soft, int hard, long drop) {

    public Due {
        if (soft < 0 || hard < 0 || drop < 0) {
            throw new IllegalArgumentException(
                    "Lateness cannot be worth less than nothing (%d, %d, %d).".formatted(soft, hard, drop));
        }
    }

    /** Points for being done at a minute. */
    public long at(int end) {
        return (long) soft * Math.max(0, end - ideal) + (long) hard * Math.max(0, end - latest);
    }
}
