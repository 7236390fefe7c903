package fairkettle.machine;

/** A place on the ink path that holds liquid, in flow order. */
public enum VesselKind {
    TANK, TUBE, CARTRIDGE, DAMPER, HEAD;

    public String label() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
