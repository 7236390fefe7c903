package fairkettle.routine;

import fairkettle.changeover.OpeningHours;
import fairkettle.routine.DueTimes.Standing;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;

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
    /** A single closed day asks for nothing of its own. */
    private static final int LEAST = 1;

    /** @param routine whose need it is, or “park”; {@code day} by which, or on which somebody must come */
    public record Preparation(long machine, String name, String routine, String words, boolean park, LocalDate day) {}

    /** @param white whether a line of white would lie on its floor meanwhile */
    public record Standings(long machine, String name, boolean parked, boolean white, List<Standing> all) {}

    /** The next closed days within a fortnight and a half; empty if the shop opens every day. */
    public static Optional<Absence> next(OpeningHours hours, Instant now, List<Standings> machines) {
        var today = LocalDate.ofInstant(now, hours.zone());
        for (var day = today; day.isBefore(today.plusDays(35)); day = day.plusDays(1)) {
            if (hours.opensOn(day) && !hours.opensOn(day.plusDays(1))) {
                var opens = hours.nextOpen(day.plusDays(1));
                int days = (int) Duration.between(day.plusDays(1).atStartOfDay(), opens.atStartOfDay()).toDays();
                if (days >= LEAST) {
                    return Optional.of(new Absence(day, opens, days, prepare(hours, day, opens, days, machines)));
                }
            }
        }
        return Optional.empty();
    }

    private static List<Preparation> prepare(OpeningHours hours, LocalDate lastOpen, LocalDate opens, int days, List<Standings> machines) {
        var all = new ArrayList<Preparation>();
        var closes = lastOpen.atTime(hours.on(lastOpen) == null ? LocalTime.NOON : Objects.requireNonNull(hours.on(lastOpen)).close()).atZone(hours.zone()).toInstant();
        var back = opens.atTime(Objects.requireNonNull(hours.on(opens)).open()).atZone(hours.zone()).toInstant();
        for (var machine : machines) {
            if (machine.parked) {
                continue;
            }
            if (days > PARK_DAYS) {
                all.add(new Preparation(machine.machine, machine.name, "park", "Park it: %d days without printing. Fluid in, capped, labelled.".formatted(days), true, lastOpen));
                continue;
            }
            for (var standing : machine.all) {
                var key = standing.key();
                if (key.routine().equals("move-white")) {
                    var freshUntil = closes.plus(standing.due() == null ? Duration.ZERO : Duration.between(standing.mark().since(), standing.due()));
                    if (freshUntil.isBefore(back)) {
                        var comes = LocalDate.ofInstant(freshUntil, hours.zone());
                        all.add(new Preparation(machine.machine, machine.name, key.routine(), "%s: move the white last thing, and somebody comes on %s; or park the white line.".formatted(key.channel(), weekday(comes)), false, lastOpen));
                    }
                } else if (standing.routine().credit() == Routine.Credit.INK_LAID && standing.dueBy(back)) {
                    all.add(new Preparation(machine.machine, machine.name, key.routine(), "%s: a purge sheet last thing before closing.".formatted(key.channel()), false, lastOpen));
                }
            }
            if (days >= 3) {
                all.add(new Preparation(machine.machine, machine.name, "cap-rim", "Cap wet and rim wiped last thing; power off at its own key, so that it parks capped.", false, lastOpen));
            }
        }
        return all;
    }

    private static String weekday(LocalDate day) {
        return day.getDayOfWeek().getDisplayName(TextStyle.FULL, Locale.ENGLISH);
    }
}
