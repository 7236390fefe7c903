package fairkettle.routine;

import java.time.Duration;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * Where a routine stands for a machine or one of its channels.
 *
 * @param since from when its time counts. A part credit moves it forward in proportion: half a purge sheet makes half
 *     of the idle time undone.
 * @param sheets since it was last done; {@code ink} mL and {@code cleanings} likewise
 * @param entry of the log that moved it last, or null
 */
public record Mark(
        Instant since,
        double sheets,
        double ink,
        double cleanings,
        @Nullable Long entry) {

    public static Mark begun(Instant at) {
        return new Mark(at, 0, 0, 0, null);
    }

    /** Done: all counts from nothing. */
    public Mark done(Instant at, @Nullable Long by) {
        return at.isBefore(since) ? this : new Mark(at, 0, 0, 0, by);
    }

    /** Part of it was done by other means. @param share 0 to 1 */
    public Mark credited(Instant at, double share, @Nullable Long by) {
        if (share <= 0 || at.isBefore(since)) {
            return this;
        }
        if (share >= 1) {
            return done(at, by);
        }
        var credit = Duration.ofMillis(Math.round(Duration.between(since, at).toMillis() * share));
        return new Mark(since.plus(credit), sheets * (1 - share), ink * (1 - share), cleanings * (1 - share), by);
    }

    Mark used(double moreSheets, double moreInk, double moreCleanings) {
        return new Mark(since, sheets + moreSheets, ink + moreInk, cleanings + moreCleanings, entry);
    }

    double counted(Driver driver) {
        return switch (driver) {
            case SHEETS -> sheets;
            case INK -> ink;
            case CLEANINGS -> cleanings;
            case CLOCK, IDLE, SETTLED, WASTE, DATE -> 0;
        };
    }
}
