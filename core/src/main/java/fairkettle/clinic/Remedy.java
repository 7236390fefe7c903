package fairkettle.clinic;

import java.util.List;
import java.util.stream.Stream;

/** What is tried, in this order, when the ink path is not at fault: none of it costs ink. */
public enum Remedy {
    CLICK_IN(
            Complaint.CHIP,
            "Unclip it and press until it clicks",
            "A grey icon shows which one. The lid is opened through the menu, not by hand; the icon lights when it"
                    + " sits."),
    CHIP_AT_ITS_END(
            Complaint.CHIP,
            "Let the chip reset itself, or hold its button",
            "Auto-reset: out, filled to the top, back. Button: OK, let the carriage park, hold five to ten seconds,"
                    + " only then."),
    CHIP_CONTACTS(
            Complaint.CHIP,
            "Wipe the chip’s contacts dry",
            "Ink on gold makes a good chip a stranger. A dry, lint-free cloth; nothing wet."),
    CHIP_PROCEED(
            Complaint.CHIP,
            "“Not genuine; continue?”: yes",
            "Expected with refills. An update that is offered now would make it worse: no, later."),
    LOOK_AT_LEVEL(
            Complaint.SAYS_EMPTY,
            "Look at the level itself",
            "The machine counts drops. If ink stands above the line, it is not empty; a stained window deceives, so"
                    + " tilt or weigh it."),
    CONFIRM_FULL(
            Complaint.SAYS_EMPTY,
            "Tell it that it is full",
            "Fill to the top first: then its count and the ink agree again."),
    RESET_COUNT(Complaint.SAYS_EMPTY, "Reset the chip with the carriage parked", "Before that a reset is not taken."),
    THREAD_UNDER_HEAD(
            Complaint.SPECKS,
            "Look for a thread, raised film or a clamp under the head",
            "A smear along the print is drawn by something that touches. Unplug before fingers go in."),
    ROLLERS(
            Complaint.SPECKS,
            "Run three blank sheets",
            "Black marks that get fainter from sheet to sheet come from rollers, not from nozzles."),
    SPIT_PAD(
            Complaint.SPECKS,
            "Look at the spit pad",
            "Caked or missing, it throws mist back at the head: soak it, or put it back."),
    TANKS_TOO_HIGH(
            Complaint.SPECKS,
            "Look whether outside tanks stand too high",
            "Drops on paper and a wet underside: level them with the cartridges."),
    PLATE_EDGE(
            Complaint.SPECKS,
            "Wipe the plate’s edge",
            "Hair and paste there draw hairlines. Lint-free, the family’s fluid, never over the plate."),
    RAIL(
            Complaint.SHIFTED,
            "Clean the rail, and lubricate it",
            "A dry rail jerks. Unplug first; hair and sleeves away."),
    STRIP(
            Complaint.SHIFTED,
            "Wipe the encoder strip and its wheel",
            "One spot of ink is read as a wrong place. A damp cloth, then dry; no pure alcohol."),
    BACK_IN(
            Complaint.SHIFTED,
            "Look whether the strip sits in its sensor",
            "A strip that slipped off its hook is the usual cause after the cover was open."),
    BELT(
            Complaint.SHIFTED,
            "Only now the belt",
            "With the rail clean and oiled a belt seldom skips. Teeth whole, taut, not singing; its tensioner before a"
                    + " new one."),
    ALIGN(
            Complaint.SHIFTED,
            "Align the head",
            "With a check that has no gaps, and again after every move of the head.");

    private final Complaint complaint;
    private final String title;
    private final String say;

    Remedy(Complaint complaint, String title, String say) {
        this.complaint = complaint;
        this.title = title;
        this.say = say;
    }

    public Complaint complaint() {
        return complaint;
    }

    public String title() {
        return title;
    }

    public String say() {
        return say;
    }

    /** In the order they are tried. */
    public static List<Remedy> against(Complaint complaint) {
        return Stream.of(values()).filter(r -> r.complaint == complaint).toList();
    }
}
