package fairkettle.clinic;

/** What brought the machine here, in the words of who stands before it. */
public enum Complaint {
    GAPS("Gaps in the check", "Some strokes are missing.", true),
    GONE("A colour is missing altogether", "One colour does not come at all.", true),
    FADES("Fades down the page", "Strong at the top, weak at the foot.", true),
    HUE("A colour is wrong", "The hue is off, or a colour lies in another’s place.", true),
    AFTER_CLEANING(
            "Worse after cleaning",
            "Gaps that were not there before the last cleaning, or cleanings that do less and less.",
            true),
    CHIP("“Cartridge not recognised”", "The machine speaks of a chip, a cartridge or a tank.", false),
    SAYS_EMPTY("Says empty, but is full", "The machine counts drops; it does not look.", false),
    SPECKS("Specks and smears on the print", "Dots, lines or a smear that are not in the picture.", false),
    SHIFTED("Shifted or doubled lines", "Lines beside their place, banging, a position error.", false);

    private final String label;
    private final String say;
    private final boolean ink;

    Complaint(String label, String say, boolean ink) {
        this.label = label;
        this.say = say;
        this.ink = ink;
    }

    public String label() {
        return label;
    }

    public String say() {
        return say;
    }

    /** Whether the ink path may be at fault; the others are solved without a drop of ink. */
    public boolean ink() {
        return ink;
    }
}
