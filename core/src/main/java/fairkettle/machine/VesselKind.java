package fairkettle.machine;

/** A place on the ink path that holds liquid, in flow order. */
public enum VesselKind {
    TANK,
    TUBE,
    CARTRIDGE,
    DAMPER,
    HEAD;

    public String label() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }

    /** mm that ink stands high in a full one; for a tube its bore. */
    double usualDepth() {
        return switch (this) {
            case TANK -> 110;
            case TUBE -> 3;
            case CARTRIDGE -> 45;
            case DAMPER -> 14;
            case HEAD -> 2;
        };
    }
}
