package fairkettle.job;

import fairkettle.job.InkUse.Measured;
import fairkettle.job.Separation.Tone;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What the readings of one tank teach of the jobs between them. What a reading corrects is shared among all that drew
 * from the tank meanwhile; where jobs drew less than half of it, it teaches nothing.
 */
public final class InkHistory {

    private static final double MOSTLY = .5;

    private InkHistory() {}

    /**
     * A job as it was booked.
     *
     * @param full mL that the profile reckons with for its area fully covered
     * @param mL that were booked
     */
    public record Laid(Instant at, double full, Tone tone, double mL) {}

    /**
     * @param reading whether it corrected the account; @param out mL that left the channel, below nothing for what came
     *     in
     */
    public record Moved(Instant at, boolean reading, double out) {}

    /** @param moved the oldest first */
    public static List<Measured> measured(List<Laid> laid, List<Moved> moved) {
        var measured = new ArrayList<Measured>();
        Instant from = null;
        double drawn = 0;
        for (var m : moved) {
            if (!m.reading()) {
                drawn += Math.max(0, m.out());
                continue;
            }
            var taught = from == null ? null : between(laid, from, m, drawn);
            if (taught != null) {
                measured.add(taught);
            }
            from = m.at();
            drawn = 0;
        }
        return measured;
    }

    private static @Nullable Measured between(List<Laid> laid, Instant from, Moved reading, double drawn) {
        var jobs = laid.stream()
                .filter(l -> l.at().isAfter(from) && !l.at().isAfter(reading.at()))
                .toList();
        double booked = jobs.stream().mapToDouble(Laid::mL).sum();
        double full = jobs.stream().mapToDouble(Laid::full).sum();
        if (full <= 0 || booked <= MOSTLY * drawn) {
            return null;
        }
        double lost = booked + reading.out() * booked / Math.max(booked, drawn);
        return new Measured(
                full,
                new Tone(
                        jobs.stream()
                                        .mapToDouble(l -> l.full() * l.tone().mean())
                                        .sum()
                                / full,
                        jobs.stream()
                                        .mapToDouble(l -> l.full() * l.tone().middle())
                                        .sum()
                                / full),
                Math.max(0, lost));
    }
}
