package fairkettle.clinic;

/** The states that nobody sees, and that evidence speaks of. Their order is that of the table's columns. */
final class Hidden {

    enum Nozzle {
        OK,
        SOFT,
        HARD,
        DEAD,
        DIRT
    }

    enum Air {
        NONE,
        SMALL,
        LINE
    }

    enum Feed {
        OK,
        FILTER,
        SETTLED,
        SHUT,
        GROWTH
    }

    enum Colour {
        CLEAN,
        SMEAR,
        MIXED
    }

    enum Cap {
        SOUND,
        RIM,
        PUMP,
        RUBBER
    }

    enum Dryness {
        NONE,
        YOUNG,
        HARD,
        STUBBORN
    }

    /** How readily dried ink lets go here, whatever is done: pump, hands and ink together. */
    enum Response {
        WEAK,
        USUAL,
        STRONG
    }

    static final int NOZZLES = Nozzle.values().length;
    static final int AIRS = Air.values().length;
    static final int FEEDS = Feed.values().length;
    static final int COLOURS = Colour.values().length;
    static final int CAPS = Cap.values().length;
    static final int DRYNESSES = Dryness.values().length;
    static final int STATES = NOZZLES * AIRS * FEEDS;
    static final int RESPONSES = Response.values().length;
    static final int CONFIGS = RESPONSES * DRYNESSES * CAPS * 2;

    private Hidden() {}

    static int state(int nozzle, int air, int feed) {
        return (nozzle * AIRS + air) * FEEDS + feed;
    }

    static int nozzle(int state) {
        return state / (AIRS * FEEDS);
    }

    static int air(int state) {
        return state / FEEDS % AIRS;
    }

    static int feed(int state) {
        return state % FEEDS;
    }

    static int config(int response, int dryness, int cap, int wiper) {
        return ((response * DRYNESSES + dryness) * CAPS + cap) * 2 + wiper;
    }

    static int response(int config) {
        return config / (DRYNESSES * CAPS * 2);
    }

    static int dryness(int config) {
        return config / (CAPS * 2) % DRYNESSES;
    }

    static int cap(int config) {
        return config / 2 % CAPS;
    }

    static int wiper(int config) {
        return config % 2;
    }
}
