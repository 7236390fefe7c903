package fairkettle.routine;

import fairkettle.changeover.OpeningHours;
import fairkettle.routine.DueTimes.Standing;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.TextStyle;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;

/**
 * Closed days ahead, and what they ask for before they begin.
 *
 * @param lastOpen day with hours before it; {@code opens} the day after it
 * @param days closed in a row
 * @param prepare what to do before, for each machine
 */
public record Absence(LocalDate lastOpen, LocalDate opens, int days, List<Preparation> prepare) {

    /** Idle for longer than this, a machine is better parked. */
    private static final int PARK_DAYS = 14;
    /** So many closed days in a row are more than a weekend. */
    private static final int LONG = 3;

    private static final int IN_SIGHT = 35;

    /** @param routine whose need it is, or “park”; {@code day} by which, or on which somebody must come */
    public record Preparation(long machine, String name, String routine, String words, boolean park, LocalDate day) {}

    public record Standings(long machine, String name, boolean parked, List<Standing> all) {

        private Preparation needs(String routine, String words, boolean park, LocalDate day) {
            return new Preparation(machine, name, routine, words, park, day);
        }
    }

    /** The next closed days, and every long stretch of them in sight; none if the shop opens every day. */
    public static List<Absence> ahead(OpeningHours hours, Instant now, List<Standings> machines) {
        var today = LocalDate.ofInstant(now, hours.zone());
        var all = new ArrayList<Absence>();
        for (var day = today; day.isBefore(today.plusDays(IN_SIGHT)); day = day.plusDays(1)) {
            if (hours.opensOn(day) && !hours.opensOn(day.plusDays(1))) {
                var opens = hours.nextOpen(day.plusDays(1));
                int days = (int) ChronoUnit.DAYS.between(day.plusDays(1), opens);
                if (all.isEmpty() || days >= LONG) {
                    all.add(new Absence(day, opens, days, prepare(hours, day, opens, days, machines)));
                }
            }
        }
        return all;
    }

    private static List<Preparation> prepare(
            OpeningHours hours, LocalDate lastOpen, LocalDate opens, int days, List<Standings> machines) {
        var all = new ArrayList<Preparation>();
        var closes = lastOpen.atTime(Objects.requireNonNull(hours.on(lastOpen)).close())
                .atZone(hours.zone())
                .toInstant();
        var reopening = hours.on(opens);
        var back = opens.atTime(reopening == null ? LocalTime.NOON : reopening.open())
                .atZone(hours.zone())
                .toInstant();
        for (var machine : machines) {
            if (machine.parked) {
                continue;
            }
            if (days > PARK_DAYS) {
                all.add(machine.needs(
                        "park",
                        "Park it: %d days without printing. Fluid in, capped, labelled.".formatted(days),
                        true,
                        lastOpen));
                continue;
            }
            var purged = machine.all.stream()
                    .filter(s -> s.routine().credit() == Routine.Credit.INK_LAID
                            && lasts(s, closes).isBefore(back))
                    .map(Standing::key)
                    .map(Upkeep.Key::channel)
                    .map(String::valueOf)
                    .toList();
            if (!purged.isEmpty()) {
                all.add(machine.needs(
                        "purge",
                        "A purge sheet last thing before closing (%s); it dries before the shop opens again, so somebody prints one meanwhile or it waits with a fresh cap."
                                .formatted(String.join(" ", purged)),
                        false,
                        lastOpen));
            }
            var white = machine.all.stream()
                    .filter(s -> s.key().routine().equals("move-white"))
                    .toList();
            var first = white.stream()
                    .map(s -> lasts(s, closes))
                    .min(Comparator.naturalOrder())
                    .orElse(Instant.MAX);
            if (first.isBefore(back)) {
                all.add(machine.needs(
                        "move-white",
                        "Move the white last thing (%s), and somebody comes on %s; or park the white line."
                                .formatted(
                                        String.join(
                                                " ",
                                                white.stream()
                                                        .map(s -> String.valueOf(
                                                                s.key().channel()))
                                                        .toList()),
                                        weekday(LocalDate.ofInstant(first, hours.zone()))),
                        false,
                        lastOpen));
            }
            if (days >= LONG) {
                all.add(machine.needs(
                        "cap-rim",
                        "Rim wiped and cap wet last thing; off at its own key, so that it parks capped.",
                        false,
                        lastOpen));
            }
        }
        return all;
    }

    /**
     * How long it is good if it is done as the shop closes: as long as it was from when it counts to when it is due.
     */
    private static Instant lasts(Standing standing, Instant closes) {
        return standing.due() == null
                ? Instant.MAX
                : closes.plus(Duration.between(standing.mark().since(), standing.due()));
    }

    private static String weekday(LocalDate day) {
        return day.getDayOfWeek().getDisplayName(TextStyle.FULL, Locale.ENGLISH);
    }
}
