package fairkettle.sheet;

/** What a page is for. */
public enum SheetKind {
    PURGE("purge sheet", 'P', "Shows whether supply holds down the page. It cannot show single nozzles: the machine’s own check does."),
    HEALTH("health sheet", 'H', "Shows gaps, fade, streaks and foreign colour on one page."),
    PROOF("proof", 'T', "Shows colours together. It cannot show which nozzle is missing."),
    FRAME("reading frame", 'F', "Lay the strip of the machine’s own nozzle check into the window, and photograph both.");

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

    /** Which question it answers, and which it does not. */
    public String shows() {
        return shows;
    }
}
