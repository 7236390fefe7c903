package fairkettle.sheet;

/** What a page is for. */
public enum SheetKind {
    PURGE(
            "purge sheet",
            'P',
            "Shows whether supply holds down the page. It cannot show single nozzles: the machine’s own check does."),
    HEALTH("health sheet", 'H', "Shows gaps, fade, streaks and foreign colour on one page."),
    PROOF("proof", 'T', "Shows colours together. It cannot show which nozzle is missing."),
    FRAME(
            "reading frame",
            'F',
            "Lay the strip of the machine’s own nozzle check into the window, and photograph both."),
    DARK_FRAME(
            "reading frame for white",
            'D',
            "Lay the clear film with the machine’s own white check into the dark window, and photograph both."),
    WHITE_HEALTH("white health sheet", 'W', "Shows gaps, fade and streaks of white. On clear film, laid on dark card.");

    private final String label;
    private final char letter;
    private final String shows;

    SheetKind(String label, char letter, String shows) {
        this.label = label;
        this.letter = letter;
        this.shows = shows;
    }

    public String label() {
        return label;
    }

    char letter() {
        return letter;
    }

    /** Whether the machine’s own pattern is laid into it. */
    public boolean frame() {
        return this == FRAME || this == DARK_FRAME;
    }

    /** Whether everything on it is printed in white, and lighter than its ground. */
    public boolean inverted() {
        return this == WHITE_HEALTH;
    }

    /** Which question it answers, and which it does not. */
    public String shows() {
        return shows;
    }
}
