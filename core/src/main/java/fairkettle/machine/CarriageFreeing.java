package fairkettle.machine;

import java.util.List;
import java.util.stream.Stream;

/**
 * How the carriage comes off its dock, act by act. Each class of machine has one or two ways and no others; the message
 * of the next start belongs to the way. Held keys alone free none.
 */
public enum CarriageFreeing {
    MENU(
            "by its replacement menu; the power may stay on",
            true,
            List.of(
                    "lid still shut: its menu for settings, maintenance, cartridge replacement",
                    "only now the lid is up",
                    "the carriage has run to and fro, and rests"),
            "The lid before the menu: it warns, and says later that cartridges cannot be detected. Lid down, begin"
                    + " again. It slides slowly, and stiffly at first.",
            "“Not shut down correctly”: dismiss it. “Replacement complete?”: yes."),
    MENU_THEN_CORD(
            "by its replacement menu, then the cord",
            true,
            List.of("its menu for maintenance, cartridge replacement", "the carriage stands at its change place"),
            "It may not be pushed while it has power.",
            "“Not shut down correctly”: dismiss it."),
    CORD_IN_PRINT(
            "by pulling the cord in mid-print",
            true,
            List.of(
                    "any page is printing, or the sheet key has fed one",
                    "the carriage is travelling, clear of its dock"),
            "The head stays bare where it stops: over a spot that your hands can reach.",
            "Its lamps may blink for a moment. The sheet has to be out first.",
            "the sheet is drawn out"),
    CORD_AT_START(
            "by pulling the cord at its first movement",
            true,
            List.of("off by its key, and on again", "a hand at the cord: it begins to move"),
            "Too late, and it has locked itself again: cord in, once more.",
            "It may say that it was not shut down correctly: dismiss it."),
    CORD_AS_IT_UNDOCKS(
            "by pulling the cord as it leaves its dock",
            true,
            List.of(
                    "nothing lies in its way, a roller bar lies flat",
                    "a cleaning started",
                    "the head leaves its dock"),
            "Too late, and it is docked again: cord in, once more.",
            "It may show an error. The head homes and locks itself; a restart clears the rest."),
    CORD_WHEN_CENTRAL(
            "by pulling the cord when it is in the middle",
            true,
            List.of(
                    "upper unit open, on its prop",
                    "off by its key, and on again",
                    "the carriage is in the middle of its way"),
            "Switched off by its key it locks itself at the side: then again from the start.",
            "“Printer error”: off, on, and it is gone."),
    LOCK_GEAR(
            "by its lock gear, without power",
            false,
            List.of("off by its key, its question answered with yes"),
            "Stiff: stop, you are turning the wrong way. Never force.",
            "",
            "the gear inside at the front is turned forward until the lock sinks and the carriage slides"),
    ARROWS(
            "by the arrows on its panel",
            true,
            List.of("arrow pressed until the head stands on the clear side"),
            "Off its dock nothing can be drawn. The arrow towards the dock docks it again.",
            "The arrow towards the dock brings it home.");

    /** In this order: so no live end is left in a hand. */
    static final String CORD = "cord out of the wall, then out of the machine";

    private final String label;
    private final boolean underPower;
    private final List<String> acts;
    private final String goesWrong;
    private final String nextStart;
    private final List<String> unplugged;

    CarriageFreeing(
            String label,
            boolean underPower,
            List<String> acts,
            String goesWrong,
            String nextStart,
            String... unplugged) {
        this.label = label;
        this.underPower = underPower;
        this.acts = acts;
        this.goesWrong = goesWrong;
        this.nextStart = nextStart;
        this.unplugged = List.of(unplugged);
    }

    /** "by its replacement menu, then the cord". */
    public String label() {
        return label;
    }

    /** Whether it begins with the machine switched on. */
    public boolean underPower() {
        return underPower;
    }

    /** What the hands do, one after the other, until the carriage is free and no cord is in the machine. */
    public List<String> acts() {
        return Stream.of(acts, List.of(CORD), unplugged, List.of("the carriage is free and still"))
                .flatMap(List::stream)
                .toList();
    }

    /** What can go wrong, and what then. */
    public String goesWrong() {
        return goesWrong;
    }

    /** What the machine says when it is switched on again, and the answer; empty if it says nothing. */
    public String nextStart() {
        return nextStart;
    }
}
