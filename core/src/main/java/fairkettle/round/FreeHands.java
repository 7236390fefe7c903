package fairkettle.round;

import fairkettle.changeover.OpeningHours;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/**
 * Hands that the round leaves free on the coming days, spread evenly over each day’s hours. After the last of the days
 * they are taken to be free at any time: whoever knows the shop’s hours puts them behind with {@link #then}.
 *
 * @param days by time, none overlapping
 */
public record FreeHands(List<Day> days) {

    private static final double A_SECOND = 1 / 60.0;

    /** Nobody does anything else. */
    public static final FreeHands ALWAYS = new FreeHands(List.of());

    public FreeHands {
        days = List.copyOf(days);
    }

    /** @param from when the first comes; {@code to} when the last goes; @param minutes of hands, of all of them */
    public record Day(Instant from, Instant to, double minutes) {

        public Day {
            if (!from.isBefore(to) || minutes < 0) {
                throw new IllegalArgumentException("Hands of %s to %s: %s min.".formatted(from, to, minutes));
            }
        }

        private double hours() {
            return between(from, to);
        }
    }

    /** When so many minutes of hands are done with, if they are begun then. */
    public Instant after(Instant begun, double minutes) {
        return walk(begun, minutes, false);
    }

    /** When a machine that somebody stays by has printed for so many minutes. */
    public Instant printed(Instant begun, double minutes) {
        return walk(begun, minutes, true);
    }

    private Instant walk(Instant begun, double minutes, boolean whole) {
        if (minutes <= 0) {
            return begun;
        }
        double left = minutes;
        var at = begun;
        for (var day : days) {
            if (!at.isBefore(day.to())) {
                continue;
            }
            at = later(at, day.from());
            double pace = whole ? 1 : Math.min(1, day.minutes() / day.hours()); // one press, one pair of hands
            double got = between(at, day.to()) * pace;
            if (got + A_SECOND >= left) { // why: nobody comes back in the morning for that
                return plus(at, Math.min(left / pace, between(at, day.to())));
            }
            left -= got;
            at = day.to();
        }
        return plus(at, left);
    }

    /** The same without what is promised already and comes first. */
    public FreeHands less(double minutes) {
        double left = minutes;
        var rest = new ArrayList<Day>();
        for (var day : days) {
            double taken = Math.min(left, day.minutes());
            rest.add(new Day(day.from(), day.to(), day.minutes() - taken));
            left -= taken;
        }
        return new FreeHands(rest);
    }

    /** The same if the round had nothing to do. */
    public FreeHands idle() {
        return new FreeHands(days.stream()
                .map(d -> new Day(d.from(), d.to(), Math.max(d.minutes(), d.hours())))
                .toList());
    }

    /** Followed by days that nobody has planned yet: in the shop’s hours somebody is free. @param until that day */
    public FreeHands then(OpeningHours hours, LocalDate from, LocalDate until) {
        var all = new ArrayList<>(days);
        for (var day = from; !day.isAfter(until); day = day.plusDays(1)) {
            var open = hours.on(day);
            if (open != null && open.open().isBefore(open.close())) {
                var whole = new Day(
                        day.atTime(open.open()).atZone(hours.zone()).toInstant(),
                        day.atTime(open.close()).atZone(hours.zone()).toInstant(),
                        0);
                all.add(new Day(whole.from(), whole.to(), whole.hours()));
            }
        }
        return new FreeHands(all);
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }

    private static double between(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / 60_000.0;
    }

    private static Instant plus(Instant at, double minutes) {
        return at.plusMillis(Math.round(minutes * 60_000));
    }
}
