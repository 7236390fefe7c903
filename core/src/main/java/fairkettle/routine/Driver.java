package fairkettle.routine;

/** What brings a routine on. */
public enum Driver {
    CLOCK("days"),
    IDLE("days without ink laid down"),
    SHEETS("sheets"),
    INK("mL"),
    CLEANINGS("cleanings"),
    SETTLED("of the white has settled"),
    WASTE("of the pad is full"),
    DATE("the bottle’s date");

    private final String unit;

    Driver(String unit) {
        this.unit = unit;
    }

    public String unit() {
        return unit;
    }

    /** Whether it goes on by itself, printing or not. */
    boolean byTime() {
        return this == CLOCK || this == IDLE;
    }

    /** Whether it counts something since the routine was last done. */
    boolean counts() {
        return this == SHEETS || this == INK || this == CLEANINGS;
    }
}
