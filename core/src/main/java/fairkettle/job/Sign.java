package fairkettle.job;

import fairkettle.clinic.Complaint;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What spoils a print, and what it is a sign of. */
public enum Sign {
    WHITE_LINES("fine white lines across", Complaint.GAPS),
    MISSING_COLOUR("a colour is missing", Complaint.GONE),
    FADE("it fades down the sheet", Complaint.FADES),
    WRONG_COLOUR("a colour is wrong, raw or pressed", Complaint.HUE),
    MIST("mist or specks round the picture", Complaint.SPECKS),
    SMEAR("a smear along the print", Complaint.SPECKS),
    DOUBLED("lines shifted or doubled", Complaint.SHIFTED),
    PRESS("spoiled in the press: ghost, scorch, not taken", null),
    HANDS("cut, dropped, powdered or put on wrongly", null);

    private final String label;
    private final @Nullable Complaint complaint;

    Sign(String label, @Nullable Complaint complaint) {
        this.label = label;
        this.complaint = complaint;
    }

    public String label() {
        return label;
    }

    /** What the clinic is asked with; null where the machine has nothing to do with it. */
    public @Nullable Complaint complaint() {
        return complaint;
    }

    /** One cause of a smear, with the test that tells it from the others. */
    public record Branch(String cause, String test, String then) {}

    /** For a smear, what to look at before the clinic is asked; in this order, the quickest first. */
    public static final List<Branch> SMEARS = List.of(
            new Branch(
                    "the film’s or paper’s edge stands up",
                    "Smears lie at one edge only, and the sheet does not lie flat on the bed there.",
                    "Clamp or tape the edge, flatten the sheet, print again."),
            new Branch(
                    "a thread hangs under the head",
                    "One hairline runs through the whole length, always at the same place across.",
                    "Wipe the plate’s edges and the wiper, print two or three sheets."),
            new Branch(
                    "a clamp stands in the carriage’s way",
                    "The smear begins where the clamp lies, and a knock is heard at each pass.",
                    "Move the clamp clear of the carriage at both ends of its way."),
            new Branch(
                    "the rollers are dirty",
                    "Marks come again at equal distances down the sheet, on blank paper too.",
                    "Feed plain sheets until they come clean; then wipe the rollers."),
            new Branch(
                    "the spit pad is dry or full",
                    "Mist and specks grow from sheet to sheet, most at the side where the head is parked.",
                    "Moisten or change the spit pad, print one sheet, look again."));
}
