package fairkettle.routine;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/** What the room's air asks for, in plain words. */
public final class RoomAdvice {

    private static final double DRY = 35; // % relative
    private static final double DAMP = 65;
    private static final double SPELL = 1.5; // times as fast, over a day
    private static final double COLD = 15; // °C
    private static final double HOT = 30;
    private static final Duration STALE = Duration.ofHours(36);

    private RoomAdvice() {}

    /** @param readings ascending; @return most pressing first; never empty */
    public static List<String> of(List<Air> readings, Instant now) {
        var last = readings.isEmpty() ? null : readings.getLast();
        if (last == null || last.at().plus(STALE).isBefore(now)) {
            return List.of(
                    "Nobody has read the room lately: intervals count as in usual air. Read the thermometer twice a"
                            + " day, or enter a probe.");
        }
        var says = new ArrayList<String>();
        double day = Drying.average(readings, now.minus(Duration.ofDays(1)), now);
        if (day > SPELL) {
            says.add(
                    "Things have dried %.1f times as fast as usual for a day: flush caps and cap lines now, and look at nozzles sooner."
                            .formatted(day));
        }
        if (last.humidity() < DRY) {
            says.add(
                    "%.0f %% is too dry: bring the room to 45 to 55 %% with a humidifier or wet cloths by the heater, not beside a machine."
                            .formatted(last.humidity()));
        } else if (last.humidity() > DAMP) {
            says.add(
                    "%.0f %% is damp: film powder clumps and paper cockles. Air the room, keep powder and paper closed."
                            .formatted(last.humidity()));
        }
        if (last.celsius() < COLD) {
            says.add("%.0f °C is cold: ink is thick, and fluid works slowly. Warm the room before you clean."
                    .formatted(last.celsius()));
        } else if (last.celsius() > HOT) {
            says.add("%.0f °C is hot: shade the machines, and never leave a head uncapped.".formatted(last.celsius()));
        }
        return says.isEmpty()
                ? List.of("The air is fine: between 40 and 60 % and neither hot nor cold, nothing needs doing.")
                : says;
    }
}
