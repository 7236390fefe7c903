package fairkettle.changeover;

/**
 * How often the hands that do it have done a changeover: what takes a practised hand an hour takes a beginner more than
 * an hour and a half, mostly with looking twice. The factors are ours.
 */
public enum Experience {
    FIRST_TIME("never done it", 1.6),
    ONCE_OR_TWICE("done it once or twice", 1.25),
    PRACTISED("done it often", 1);

    private static final int PRACTISED_AFTER = 3;

    private final String label;
    private final double factor;

    Experience(String label, double factor) {
        this.label = label;
        this.factor = factor;
    }

    /** @param finished changeovers that these hands brought to their end */
    public static Experience of(int finished) {
        return finished == 0 ? FIRST_TIME : finished < PRACTISED_AFTER ? ONCE_OR_TWICE : PRACTISED;
    }

    public String label() {
        return label;
    }

    /** How many times as long as practised hands it takes them. */
    public double factor() {
        return factor;
    }
}
