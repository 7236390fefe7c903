package fairkettle.server.access;

/** What somebody may do here. */
public enum Role {
    /** everything, and who else may come in */
    OWNER("owner"),
    /** the work at the benches, and all that belongs to it */
    HAND("bench hand"),
    /** nothing but look */
    LOOKER("looker-on");

    private final String label;

    Role(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
