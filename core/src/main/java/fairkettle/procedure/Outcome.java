package fairkettle.procedure;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** What came of an act. */
public sealed interface Outcome {

    /** @param changed false if it had been done before: a double tap */
    record Went(Card card, boolean changed) implements Outcome {}

    /** The work ends here, and why. */
    record Stopped(String words) implements Outcome {}

    /** Nothing changed, and why. */
    record Refused(List<Reason> reasons) implements Outcome {
        static Refused because(String message, @Nullable String cell) {
            return new Refused(List.of(new Reason(message, cell, null)));
        }
    }

    /**
     * @param cell the cell it is about, or null
     * @param remedy the id of the step that would mend it, or null
     */
    record Reason(
            String message, @Nullable String cell, @Nullable String remedy) {}
}
