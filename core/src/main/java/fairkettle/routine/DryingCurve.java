package fairkettle.routine;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;

/**
 * Drying added up over time: a week in dry air is longer than a week. Never the last reading alone. The factor is
 * clamped before it is integrated; between readings not further apart than twice their reach it goes in a straight
 * line; beyond it counts as 1.
 */
public final class DryingCurve {

    /** How long a reading speaks for the air around it when none follows or precedes it. */
    public static final Duration REACH = Duration.ofHours(18);

    private static final double UNKNOWN = 1; // nobody read: as in reference air
    private static final double SPELL = 1.5;
    private static final Duration DAY = Duration.ofDays(1);

    /** Corners: hours since the first, the factor there, and the integral up to there. */
    private final Instant origin;

    private final double[] at;
    private final double[] factor;
    private final double[] sum;

    /** @param readings ascending */
    public DryingCurve(List<Air> readings) {
        origin = readings.isEmpty() ? Instant.EPOCH : readings.getFirst().at().minus(REACH);
        var times = new double[readings.size() * 4 + 2];
        var factors = new double[times.length];
        int n = 0;
        for (int i = 0; i < readings.size(); i++) {
            var reading = readings.get(i);
            boolean joinedBefore = i > 0 && joined(readings.get(i - 1), reading);
            boolean joinedAfter = i + 1 < readings.size() && joined(reading, readings.get(i + 1));
            double here = hours(reading.at());
            double reach = REACH.toHours();
            if (!joinedBefore) {
                times[n] = here - reach;
                factors[n++] = UNKNOWN;
                times[n] = here - reach;
                factors[n++] = reading.drying();
            }
            times[n] = here;
            factors[n++] = reading.drying();
            if (!joinedAfter) {
                times[n] = here + reach;
                factors[n++] = reading.drying();
                if (n == times.length) {
                    times = Arrays.copyOf(times, n + 8);
                    factors = Arrays.copyOf(factors, n + 8);
                }
                times[n] = here + reach;
                factors[n++] = UNKNOWN;
            }
            if (n + 5 > times.length) {
                times = Arrays.copyOf(times, times.length * 2 + 8);
                factors = Arrays.copyOf(factors, times.length);
            }
        }
        at = Arrays.copyOf(times, n);
        factor = Arrays.copyOf(factors, n);
        sum = new double[n];
        for (int i = 1; i < n; i++) {
            sum[i] = sum[i - 1] + (at[i] - at[i - 1]) * (factor[i] + factor[i - 1]) / 2;
        }
    }

    private static boolean joined(Air before, Air after) {
        return Duration.between(before.at(), after.at()).compareTo(REACH.multipliedBy(2)) <= 0;
    }

    private double hours(Instant instant) {
        return Duration.between(origin, instant).toMillis() / 3_600_000.0;
    }

    /** Hours that the time was worth. */
    public double hours(Instant from, Instant to) {
        return to.isAfter(from) ? integral(hours(to)) - integral(hours(from)) : 0;
    }

    /** The same as an average: how many times as fast as in reference air things dried. */
    public double average(Instant from, Instant to) {
        double elapsed = Duration.between(from, to).toSeconds() / 3600.0;
        return elapsed <= 0 ? UNKNOWN : hours(from, to) / elapsed;
    }

    /** How many times as fast as in reference air things dry at that moment. */
    public double at(Instant moment) {
        double hour = hours(moment);
        for (int i = at.length - 1; i > 0; i--) {
            if (at[i - 1] <= hour && hour < at[i]) {
                return factor[i - 1] + (factor[i] - factor[i - 1]) * (hour - at[i - 1]) / (at[i] - at[i - 1]);
            }
        }
        return UNKNOWN;
    }

    private double integral(double hour) {
        int n = at.length;
        if (n == 0 || hour <= at[0]) {
            return hour - (n == 0 ? 0 : at[0]);
        }
        if (hour >= at[n - 1]) {
            return sum[n - 1] + hour - at[n - 1];
        }
        int found = Arrays.binarySearch(at, hour);
        int i = found >= 0 ? found : -found - 2;
        double width = at[i + 1 < n ? i + 1 : i] - at[i];
        double there = width <= 0 ? factor[i] : factor[i] + (factor[i + 1] - factor[i]) * (hour - at[i]) / width;
        return sum[i] + (hour - at[i]) * (factor[i] + there) / 2;
    }

    /** Whether some whole day since then was much drier than usual. */
    public boolean spellSince(Instant since, Instant now) {
        for (int i = 0; i < at.length; i++) {
            var end = origin.plusMillis(Math.round(at[i] * 3_600_000));
            if (end.isAfter(since) && !end.isAfter(now) && average(end.minus(DAY), end) > SPELL) {
                return true;
            }
        }
        return average(now.minus(DAY), now) > SPELL;
    }
}
