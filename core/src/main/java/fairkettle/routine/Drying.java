package fairkettle.routine;

import java.time.Instant;
import java.util.List;

/** Drying over one stretch of time; for many of them over the same readings build a {@link DryingCurve} once. */
public final class Drying {

    private Drying() {}

    /** Hours that the time was worth. @param readings ascending */
    public static double hours(List<Air> readings, Instant from, Instant to) {
        return new DryingCurve(readings).hours(from, to);
    }

    /** How many times as fast as in reference air things dried. */
    public static double average(List<Air> readings, Instant from, Instant to) {
        return new DryingCurve(readings).average(from, to);
    }
}
