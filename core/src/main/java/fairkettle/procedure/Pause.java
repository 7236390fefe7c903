package fairkettle.procedure;

import java.time.Duration;
import org.jspecify.annotations.Nullable;

/**
 * A wait that the step starts and that must be over before it is done.
 *
 * @param max null if nothing spoils by waiting longer
 * @param machine true if the machine is working, false if it only stands
 */
public record Pause(String label, Duration min, @Nullable Duration max, boolean machine) {

    /** "45 s", "12 min". */
    public static String words(Duration time) {
        return time.toSeconds() < 60 ? time.toSeconds() + " s" : Math.ceilDiv(time.toSeconds(), 60) + " min";
    }

    public Pause {
        if (min.isNegative() || (max != null && max.compareTo(min) < 0)) {
            throw new IllegalArgumentException(
                    "The wait (%s) from (%s) to (%s) runs backwards.".formatted(label, min, max));
        }
    }
}
