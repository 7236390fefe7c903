package fairkettle.machine;

import java.util.List;
import java.util.Map;

/** A used machine, looked at before money changes hands. */
public final class SecondHand {

    private SecondHand() {}

    /** What is looked at. A no to some ends it; a no to others is bargained over. */
    public enum Look {
        POWER(
                "It was switched on before your eyes",
                true,
                "Nothing is known about a machine that was not seen running."),
        CHECK(
                "It printed a nozzle check",
                true,
                "Without a check the head may be dead, and a head costs more than the machine."),
        HEAD("The check has no dead colour", true, "A colour that is wholly missing may be blocked for good."),
        CARRIAGE("The carriage runs from end to end without noise", true, "A carriage that knocks was forced."),
        INK(
                "It is known which ink was in it",
                false,
                "Plan a full drain, as for unknown ink; food is out of the question."),
        PAD("Waste pad or box has room", false, "Reckon with a new pad."),
        PARTS("Cord, trays and covers are there", false, "List what is missing, and what it costs."),
        OUTSIDE("No crack, no ink outside where none belongs", false, "Ask what was spilt, and look under it."),
        SERIAL(
                "Its serial number can be read, and is free to register",
                false,
                "It cannot be registered; updates and spare parts may be refused.");

        private final String label;
        private final boolean decides;
        private final String ifNot;

        Look(String label, boolean decides, String ifNot) {
            this.label = label;
            this.decides = decides;
            this.ifNot = ifNot;
        }

        public String label() {
            return label;
        }
    }

    public enum Decision {
        GO,
        GO_WITH_NOTES,
        NO_GO
    }

    /** @param notes what follows from every no */
    public record Verdict(Decision decision, List<String> notes) {}

    /** @param seen false, or missing, is a no */
    public static Verdict of(Map<Look, Boolean> seen) {
        var no = List.of(Look.values()).stream()
                .filter(l -> !seen.getOrDefault(l, false))
                .toList();
        var decision = no.stream().anyMatch(l -> l.decides)
                ? Decision.NO_GO
                : no.isEmpty() ? Decision.GO : Decision.GO_WITH_NOTES;
        return new Verdict(
                decision, no.stream().map(l -> l.label + ": no. " + l.ifNot).toList());
    }
}
