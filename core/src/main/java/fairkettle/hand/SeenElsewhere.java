package fairkettle.hand;

import fairkettle.procedure.Facet;
import fairkettle.procedure.Step;
import fairkettle.safety.Caution;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** What is shown in demonstrations, because it is quick or looks well, and must not be copied. */
public enum SeenElsewhere {
    OPEN_MACHINE(
            "a machine that runs with its covers off, hands beside it",
            step -> step.cautions().contains(Caution.OPEN_POWER)),
    FORCED_CARRIAGE(
            "a carriage pushed under power, or against its lock", step -> changes(step, Facet.CARRIAGE, "free")),
    PUSHED_NIPPLE(
            "a syringe pressed hard onto the head’s nipple, and pushed",
            step -> step.cautions().contains(Caution.HEAD_RISK)
                    && step.cautions().contains(Caution.PRESSURE)),
    EARLY_CHECK(
            "a nozzle check the minute after charging",
            step -> changes(step, Facet.CHARGE, "charged") || changes(step, Facet.REST, "over"));

    private final String words;
    private final Predicate<Step> at;

    SeenElsewhere(String words, Predicate<Step> at) {
        this.words = words;
        this.at = at;
    }

    /** At such a step, in words. */
    public static List<String> at(Step step) {
        return Stream.of(values())
                .filter(s -> s.at.test(step))
                .map(s -> s.words)
                .toList();
    }

    private static boolean changes(Step step, Facet facet, String value) {
        return step.effects().stream()
                .anyMatch(e -> e.facet() == facet && e.value().equals(value));
    }
}
