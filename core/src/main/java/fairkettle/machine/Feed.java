package fairkettle.machine;

/** How ink reaches the head of a machine, after whatever was fitted to it. */
public enum Feed {
    AS_BUILT("as built"),
    REFILLABLE("refillable cartridges"),
    BULK("bulk-fed"),
    FILM("rebuilt for film");

    private final String label;

    Feed(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
