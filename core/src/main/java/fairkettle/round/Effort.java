package fairkettle.round;

/** How long to search: so many placements of a segment, or so much time of the machine; whichever is over first. */
public final class Effort {

    private final long placements;
    private final long nanos;
    private final long seed;
    private long began;

    private Effort(long placements, long nanos, long seed) {
        this.placements = placements;
        this.nanos = nanos;
        this.seed = seed;
    }

    /** The same seed and number give the same plan on every machine. */
    public static Effort placements(long placements, long seed) {
        return new Effort(placements, Long.MAX_VALUE, seed);
    }

    /** At most so long. Not reproducible. */
    public static Effort millis(long millis, long seed) {
        return new Effort(Long.MAX_VALUE, millis * 1_000_000, seed);
    }

    long seed() {
        return seed;
    }

    void begin() {
        began = System.nanoTime();
    }

    /** Share that is spent, at 1 or beyond when it is over. */
    double spent(long placed) {
        double byCount = placed / (double) placements;
        return nanos == Long.MAX_VALUE ? byCount : Math.max(byCount, (System.nanoTime() - began) / (double) nanos);
    }
}
