package fairkettle.ink;

/** What an ink is made for. A machine's channels each hold one family, or none. */
public enum Family {
    MAKERS_DYE("maker's dye"),
    MAKERS_PIGMENT("maker's pigment"),
    SUBLIMATION("sublimation"),
    FILM("film"),
    EDIBLE("edible");

    private final String label;

    Family(String label) {
        this.label = label;
    }

    /** In the words of the bench: "maker's dye". */
    public String label() {
        return label;
    }

    public boolean food() {
        return this == EDIBLE;
    }

    /** Inks the machine was built for: they need no conversion and end no warranty. */
    public boolean makers() {
        return this == MAKERS_DYE || this == MAKERS_PIGMENT;
    }
}
