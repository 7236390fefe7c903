package fairkettle.round;

/** Reproducible chance (xorshift, Marsaglia 2003): the same seed gives the same plan. */
final class Dice {

    private long x;

    Dice(long seed) {
        x = seed * 0x9E3779B97F4A7C15L + 0x1234567L;
        if (x == 0) {
            x = 1;
        }
        for (int i = 0; i < 8; i++) {
            next();
        }
    }

    private long next() {
        x ^= x << 13;
        x ^= x >>> 7;
        x ^= x << 17;
        return x;
    }

    /** 0 up to below a bound. */
    int upTo(int bound) {
        return (int) ((next() >>> 1) % bound);
    }

    /** 0 up to below 1. */
    double share() {
        return (next() >>> 11) * 0x1p-53;
    }

    boolean oneIn(int n) {
        return upTo(n) == 0;
    }
}
