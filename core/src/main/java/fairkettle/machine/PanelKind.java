package fairkettle.machine;

/** What a machine answers with, and is told things by. */
public enum PanelKind {
    LAMPS("keys and lamps, no screen"),
    SCREEN("a screen"),
    ARROWS("arrows and keys of a film machine");

    private final String label;

    PanelKind(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
