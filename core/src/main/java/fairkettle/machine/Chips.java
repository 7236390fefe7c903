package fairkettle.machine;

/** How a machine counts cartridges, and what is done about it. */
public enum Chips {
    NONE("no chips"),
    MAKERS("the maker’s chips"),
    AUTO_RESET("chips that reset themselves"),
    BUTTON("chips with a reset button"),
    IGNORED("firmware that ignores chips");

    private final String label;

    Chips(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
