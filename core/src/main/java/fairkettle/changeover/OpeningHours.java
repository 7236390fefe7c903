package fairkettle.changeover;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** When somebody is there to lend a hand; machines and rests go on by themselves. */
public record OpeningHours(ZoneId zone, Map<DayOfWeek, Span> week, Set<LocalDate> holidays) {

    /** @param close after open, on the same day */
    public record Span(LocalTime open, LocalTime close) {
        public Span {
            if (!open.isBefore(close)) {
                throw new IllegalArgumentException(
                        "The shop cannot close (%s) before it opens (%s).".formatted(close, open));
            }
        }
    }

    public OpeningHours {
        week = Map.copyOf(week);
        holidays = Set.copyOf(holidays);
        if (week.isEmpty()) {
            throw new IllegalArgumentException("The shop is never open. Enter at least one opening day.");
        }
    }

    /** Whether there are hours on that day. */
    public boolean opensOn(LocalDate day) {
        return week.containsKey(day.getDayOfWeek()) && !holidays.contains(day);
    }

    /** The moment itself if the shop is open then, else the last closing before it. */
    public Instant lastOpen(Instant moment) {
        var at = ZonedDateTime.ofInstant(moment, zone);
        for (int day = 0; day < 800; day++) {
            var span = opensOn(at.toLocalDate()) ? week.get(at.getDayOfWeek()) : null;
            if (span != null && !at.toLocalTime().isBefore(span.open())) {
                return (at.toLocalTime().isAfter(span.close()) ? at.with(span.close()) : at).toInstant();
            }
            at = at.toLocalDate().atStartOfDay(zone).minusNanos(1);
        }
        return moment;
    }

    /** The moment itself if the shop is open then, else the next opening after it. */
    public Instant firstOpen(Instant moment) {
        var at = ZonedDateTime.ofInstant(moment, zone);
        var span = on(at.toLocalDate());
        if (span != null && !at.toLocalTime().isAfter(span.close())) {
            return (at.toLocalTime().isBefore(span.open()) ? at.with(span.open()) : at).toInstant();
        }
        var day = nextOpen(at.toLocalDate().plusDays(1));
        var then = on(day);
        return then == null ? moment : day.atTime(then.open()).atZone(zone).toInstant();
    }

    /** Hours of a day, or null if it stays shut. */
    public @Nullable Span on(LocalDate day) {
        return opensOn(day) ? week.get(day.getDayOfWeek()) : null;
    }

    /** The next day with hours, from a day on, that day included. */
    public LocalDate nextOpen(LocalDate from) {
        return Stream.iterate(from, d -> d.plusDays(1))
                .limit(800)
                .filter(this::opensOn)
                .findFirst()
                .orElse(from);
    }

    /** The moment at which so much work is done, begun at the start or at the next opening after it. */
    public Instant afterWork(Instant start, Duration work) {
        var at = ZonedDateTime.ofInstant(start, zone);
        var left = work;
        for (int day = 0; day < 800; day++) {
            var span = holidays.contains(at.toLocalDate()) ? null : week.get(at.getDayOfWeek());
            if (span != null) {
                var open = at.with(span.open());
                var from = at.isBefore(open) ? open : at;
                var close = at.with(span.close());
                if (from.isBefore(close)) {
                    var room = Duration.between(from, close);
                    if (left.compareTo(room) <= 0) {
                        return from.plus(left).toInstant();
                    }
                    left = left.minus(room);
                }
            }
            at = at.toLocalDate().plusDays(1).atStartOfDay(zone);
        }
        throw new IllegalArgumentException(
                "The shop is closed for more than two years ahead. Check opening days and holidays.");
    }
}
