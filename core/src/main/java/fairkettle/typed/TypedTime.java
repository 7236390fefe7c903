package fairkettle.typed;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A day or a time as lists have it: ISO 8601, or the day first with points; with slashes only where one reading is
 * left.
 */
public final class TypedTime {

    private static final int MOST = 40; // characters
    private static final Pattern ISO = Pattern.compile("(\\d{4})-(\\d{1,2})-(\\d{1,2})");
    private static final Pattern POINTS = Pattern.compile("(\\d{1,2})\\.(\\d{1,2})\\.(\\d{4})");
    private static final Pattern SLASHES = Pattern.compile("(\\d{1,2})/(\\d{1,2})/(\\d{4})");
    private static final Pattern TIME = Pattern.compile("(\\d{1,2}):(\\d{2})(?::(\\d{2})(?:\\.\\d{1,9})?)?");

    private TypedTime() {}

    /** @throws IllegalArgumentException with a sentence, if it is no day or could be two */
    public static LocalDate day(String text) {
        var typed = text.strip();
        try {
            var iso = ISO.matcher(typed);
            if (iso.matches()) {
                return LocalDate.of(part(iso, 1), part(iso, 2), part(iso, 3));
            }
            var points = POINTS.matcher(typed);
            if (points.matches()) {
                return LocalDate.of(part(points, 3), part(points, 2), part(points, 1));
            }
            var slashes = SLASHES.matcher(typed);
            if (slashes.matches()) {
                return slashed(typed, part(slashes, 1), part(slashes, 2), part(slashes, 3));
            }
        } catch (DateTimeException e) {
            throw new IllegalArgumentException("There is no such day: “%s”.".formatted(shown(typed)), e);
        }
        throw new IllegalArgumentException("“%s” is not a day. Write it like 2026-11-25.".formatted(shown(typed)));
    }

    private static LocalDate slashed(String typed, int first, int second, int year) {
        if (first <= 12 && second <= 12 && first != second) {
            throw new IllegalArgumentException(
                    "“%s” could be two days. Write it like %04d-%02d-%02d.".formatted(typed, year, second, first));
        }
        return first > 12 ? LocalDate.of(year, second, first) : LocalDate.of(year, first, second);
    }

    /**
     * @param zone of times that do not say theirs; the hour that comes twice in autumn is the first of the two
     * @throws IllegalArgumentException with a sentence, if it is no time, could be two, or is one that no clock showed
     */
    public static Instant instant(String text, ZoneId zone) {
        var typed = text.strip();
        if (typed.length() > MOST) {
            throw new IllegalArgumentException(
                    "“%s” is not a time. Write it like 2026-11-25 09:00.".formatted(shown(typed)));
        }
        try {
            return OffsetDateTime.parse(typed.replaceFirst("(?<=\\d) (?=\\d)", "T"))
                    .toInstant();
        } catch (DateTimeException e) {
            // without a zone, then
        }
        var parts = typed.split("[T\\s]+", 2);
        var at = LocalDateTime.of(day(parts[0]), parts.length == 1 ? LocalTime.MIDNIGHT : time(parts[1]));
        if (zone.getRules().getValidOffsets(at).isEmpty()) {
            throw new IllegalArgumentException("No clock showed %s: summer time began that night.".formatted(typed));
        }
        return at.atZone(zone).toInstant();
    }

    private static LocalTime time(String typed) {
        var time = TIME.matcher(typed.strip());
        if (!time.matches() || part(time, 1) > 23 || part(time, 2) > 59) {
            throw new IllegalArgumentException(
                    "“%s” is not a time of day. Write it like 09:00.".formatted(shown(typed)));
        }
        return LocalTime.of(part(time, 1), part(time, 2), time.group(3) == null ? 0 : Math.min(59, part(time, 3)));
    }

    private static int part(Matcher of, int group) {
        return Integer.parseInt(of.group(group));
    }

    private static String shown(String typed) {
        return typed.length() <= MOST ? typed : typed.substring(0, MOST) + "…";
    }
}
