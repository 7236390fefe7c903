package fairkettle.procedure;

/** Kinds of what is owed to a machine, so that one act can settle what another left. */
public enum Owing {
    /** A step that was left out; it is settled when the step is taken up. */
    STEP(""),
    /** Written down by somebody. */
    OWN(""),
    ALIGN("Align the head"),
    REGISTER("Register it with its maker"),
    WASTE_BOTTLE("Look at the outside waste bottle"),
    PRIME("Prime it again"),
    CHECK_AFTER_CURE("Nozzle check after the cure"),
    NEW_HEAD("A new head, or the whites once more");

    private final String words;

    Owing(String words) {
        this.words = words;
    }

    /** As a list says it; empty where whoever writes it down chooses the words. */
    public String words() {
        return words;
    }
}
