package fairkettle.server.journal;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * What happened, as the books see it.
 *
 * @param entry of the log that says it
 * @param machine 0 for what concerns no machine
 * @param card 0 for what was done outside cards
 * @param step of the card; empty where it concerns the whole card
 */
public record Act(long entry, long machine, long card, String step, Instant at) {

    static Act of(long entry, @Nullable Long machine, @Nullable Long card, @Nullable String step, Instant at) {
        return new Act(entry, machine == null ? 0 : machine, card == null ? 0 : card, step == null ? "" : step, at);
    }

    /** The card's id for a column that may be empty. */
    public @Nullable Long cardOrNone() {
        return card == 0 ? null : card;
    }
}
