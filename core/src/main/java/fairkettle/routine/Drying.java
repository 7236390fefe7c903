package fairkettle.routine;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/** Drying added up over time: a week in dry air is longer than a week. Never the last reading alone. */
public final class Drying {

    /** How long a reading speaks for the air around it when none follows or precedes it. */
    private static final Duration REACH = Duration.ofHours(18);
    private static final double UNKNOWN = 1; // nobody read: as in reference air

    private Drying() {}

    /**
     * Hours that the time was worth: the integral of the drying factor, clamped before it is integrated. Between readings not
     * further apart than twice their reach the factor goes in a straight line; beyond it counts as 1.
     *
     * @param readings ascending
     */
    public static double hours(List<Air> readings, Instant from, Instant to) {
        if (!to.isAfter(from)) {
            return 0;
        }
        double sum = 0;
        var at = from;
        var stops = stops(readings, from, to);
        for (var next : stops) {
            var middle = at.plus(Duration.between(at, next).dividedBy(2));
            sum += factor(readings, middle) * Duration.between(at, next).toSeconds() / 3600.0; // exact: between stops it is a straight line
            at = next;
        }
        return sum;
    }

    /** The same as an average: how many times as fast as in reference air things dried. */
    public static double average(List<Air> readings, Instant from, Instant to) {
        double elapsed = Duration.between(from, to).toSeconds() / 3600.0;
        return elapsed <= 0 ? UNKNOWN : hours(readings, from, to) / elapsed;
    }

    /** Where the factor may bend or jump, and the end. */
    private static List<Instant> stops(List<Air> readings, Instant from, Instant to) {
        var stops = new ArrayList<Instant>();
        for (var reading : readings) {
            stops.add(reading.at().minus(REACH));
            stops.add(reading.at());
            stops.add(reading.at().plus(REACH));
        }
        stops.removeIf(s -> !s.isAfter(from) || !s.isBefore(to));
        stops.add(to);
        stops.sort(null);
        return stops;
    }

    private static double factor(List<Air> readings, Instant when) {
        Air before = null;
        Air after = null;
        for (var reading : readings) {
            if (reading.at().isAfter(when)) {
                after = reading;
                break;
            }
            before = reading;
        }
        if (before != null && after != null && Duration.between(before.at(), after.at()).compareTo(REACH.multipliedBy(2)) <= 0) {
            double whole = Duration.between(before.at(), after.at()).toMillis();
            double share = whole == 0 ? 1 : Duration.between(before.at(), when).toMillis() / whole;
            return before.drying() + (after.drying() - before.drying()) * share;
        }
        if (before != null && !before.at().plus(REACH).isBefore(when)) {
            return before.drying();
        }
        return after != null && !after.at().minus(REACH).isAfter(when) ? after.drying() : UNKNOWN;
    }
}
