package fairkettle.check;

/** What people see and take for clogs, and what else it is: asked before anything is cleaned. */
public enum EyeHelp {
    WHICH_PAGE(
            "Which page tells me what?",
            "The machine’s own check: which nozzles. A purge sheet: whether supply holds down the page. The health"
                + " sheet: both, and foreign colour. The proof: colours together. If one page is clean and the prints"
                + " are bad, print the other."),
    CHECK_FINE_PRINT_NOT(
            "The check is whole, the print is not",
            "Not the nozzles, so no cleaning. Supply first: a purge sheet that fades says so. Then feed and film path,"
                    + " smears from a roller, the image and its settings."),
    SAME_SMEAR(
            "A smear at the same place on every sheet, fainter each time",
            "A dirty roller, not a nozzle. Run three blank sheets and compare them; clean the roller if the third"
                    + " still shows it."),
    DULL(
            "Colours dull, black brownish",
            "Normal for sublimation before heat. Judge after pressing a scrap; only a hue that is wrong then is wrong"
                    + " ink."),
    HOLE_IN_THE_WHEEL(
            "A colour is missing from the proof’s wheel",
            "Red, blue and skin gone: magenta. Blue and green gone: cyan. Red and green gone: yellow. Shadows and text"
                    + " gone: black."),
    CLOTH(
            "No paper at hand",
            "Lower the head on a wet cloth for a moment: every channel leaves a dot. A missing dot is a channel to"
                    + " look at; it says nothing of single nozzles.");

    private final String question;
    private final String answer;

    EyeHelp(String question, String answer) {
        this.question = question;
        this.answer = answer;
    }

    public String question() {
        return question;
    }

    public String answer() {
        return answer;
    }
}
