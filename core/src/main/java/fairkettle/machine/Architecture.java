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

    /** Fixed tanks that are filled from bottles in place. */
    public boolean tanks() {
        return this == TANK || this == SNAP_IN;
    }
}
