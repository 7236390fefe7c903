package fairkettle.machine;

/** How ink travels from bottle to head. */
public enum Architecture {
    TANK("tank machine"),
    CARTRIDGE("cartridge machine"),
    BULK("bulk-fed machine"),
    BAY("machine with bags inside"),
    FILM("film machine"),
    SNAP_IN("snap-in head machine");

    private final String label;

    Architecture(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /**
     * Light cleanings that it takes in a row before it must rest: more only pulls air. Three, and two where no more
     * than a small cartridge feeds the head.
     */
    public int cleaningsInARow() {
        return this == CARTRIDGE ? 2 : 3;
    }

    /** Fixed tanks that are filled from bottles in place. */
    public boolean tanks() {
        return this == TANK || this == SNAP_IN;
    }
}
