package fairkettle.standin.machine;

/** Luck that can be copied with the machine it belongs to (SplitMix64). */
final class Dice {

    private long state;

    private Dice(long state) {
        this.state = state;
    }

    /** Neighbouring seeds begin far apart. */
    static Dice of(long seed) {
        return new Dice(mix(seed * 0xD1342543DE82EF95L + 0x6A09E667F3BCC909L));
    }

    Dice copy() {
        return new Dice(state);
    }

    /** Luck of its own, so that what follows here does not depend on how much is used there. */
    Dice branch() {
        next();
        return new Dice(mix(state ^ 0x6A09E667F3BCC908L));
    }

    double next() {
        state += 0x9E3779B97F4A7C15L;
        return (mix(state) >>> 11) * 0x1.0p-53;
    }

    private static long mix(long z) {
        z = (z ^ z >>> 30) * 0xBF58476D1CE4E5B9L;
        z = (z ^ z >>> 27) * 0x94D049BB133111EBL;
        return z ^ z >>> 31;
    }

    boolean hits(double chance) {
        return next() < chance;
    }

    double between(double least, double most) {
        return least + (most - least) * next();
    }

    int under(int bound) {
        return (int) (next() * bound);
    }

    double gauss() {
        return Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());
    }

    /** Log-normal with this median. */
    double about(double median, double spread) {
        return median * Math.exp(spread * gauss());
    }
}
