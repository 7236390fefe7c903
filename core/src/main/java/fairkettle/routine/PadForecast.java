package fairkettle.routine;

import fairkettle.machine.Profile;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What still goes into a waste pad.
 *
 * @param cleanings that still fit, and {@code powerCleanings}
 * @param full when it is full at the rate of late, or null
 * @param wontFit what is planned and will not go in any more
 */
public record PadForecast(
        double share,
        int cleanings,
        int powerCleanings,
        @Nullable Instant full,
        List<String> wontFit) {

    /** Waste that is planned. @param mL into the pad */
    public record Planned(String what, Instant at, double mL) {}

    /**
     * @param share used, 0 to 1; @param perDay of late, likewise; @param inked channels that a cleaning draws
     *     from; @param planned in order of time
     */
    public static PadForecast of(
            Profile profile, int inked, double share, double perDay, List<Planned> planned, Instant now) {
        double capacity = profile.padCapacity().mL();
        double room = Math.max(0, capacity * (1 - share));
        var wont = new ArrayList<String>();
        double used = capacity * share;
        for (var act : planned) {
            double then =
                    used + perDay * capacity * Math.max(0, (act.at.getEpochSecond() - now.getEpochSecond()) / 86_400.0);
            if (then + act.mL > capacity) {
                wont.add(
                        "The pad will not survive %s: it has room for %.0f mL then, and %.0f mL go in. Change it first."
                                .formatted(act.what, Math.max(0, capacity - then), act.mL));
            }
            used += act.mL;
        }
        var full = perDay <= 0 ? null : now.plusSeconds(Math.round((1 - share) / perDay * 86_400));
        return new PadForecast(
                share,
                fit(room, profile.draws().cleaning().mL() * inked),
                fit(room, profile.draws().powerCleaning().mL() * inked),
                full,
                wont);
    }

    private static int fit(double room, double each) {
        return each <= 0 ? 0 : (int) Math.floor(room / each + 1e-9);
    }
}
