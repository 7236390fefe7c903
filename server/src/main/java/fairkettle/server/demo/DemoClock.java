package fairkettle.server.demo;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.MonthDay;
import java.time.ZoneId;
import java.util.List;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * The demo’s own time: whenever it is started its shop stands in the middle of a working morning, and from there on
 * time passes as everywhere. What lies behind is lived through at its own hours by {@link #at}.
 */
final class DemoClock implements InstantSource {

    static final ZoneId ZONE = ZoneId.of("Europe/London");
    static final LocalTime OPENS = LocalTime.of(9, 0);
    static final LocalTime CLOSES = LocalTime.of(17, 0);

    private static final LocalTime MORNING = LocalTime.of(10, 10);
    private static final LocalTime TOO_EARLY = LocalTime.of(9, 40);
    private static final LocalTime TOO_LATE = LocalTime.of(15, 30);
    private static final Duration A_MOMENT = Duration.ofMinutes(1);
    private static final Set<MonthDay> CLOSED = Set.of(MonthDay.of(12, 25), MonthDay.of(12, 26), MonthDay.of(1, 1));
    private static final ScopedValue<Instant> HELD = ScopedValue.newInstance();

    private final InstantSource real;
    private final Duration ahead;

    DemoClock(InstantSource real, Duration ahead) {
        this.real = real;
        this.ahead = ahead;
    }

    /** @param last when something was done in the shop last, or null in a new one */
    static DemoClock startingIn(InstantSource real, @Nullable Instant last) {
        return new DemoClock(real, Duration.between(real.instant(), morning(real.instant(), last)));
    }

    /**
     * A moment of a working morning near the real date. A new shop may begin earlier in the day than it really is; one
     * in which something was done goes on after that, and if its day is as good as over, on the next morning.
     */
    static Instant morning(Instant real, @Nullable Instant last) {
        var today = LocalDate.ofInstant(real, ZONE);
        if (last == null) {
            return MORNING.atDate(workday(today)).atZone(ZONE).toInstant();
        }
        var lastDay = LocalDate.ofInstant(last, ZONE);
        if (today.isAfter(lastDay)) {
            return MORNING.atDate(workday(today)).atZone(ZONE).toInstant();
        }
        var next = last.plus(A_MOMENT);
        var hour = LocalTime.ofInstant(next, ZONE);
        return isWorkday(lastDay) && !hour.isBefore(TOO_EARLY) && hour.isBefore(TOO_LATE)
                ? next
                : MORNING.atDate(workday(hour.isBefore(TOO_EARLY) ? lastDay : lastDay.plusDays(1)))
                        .atZone(ZONE)
                        .toInstant();
    }

    /** Monday to Friday, and no holiday: on Saturdays it closes at one. */
    static boolean isWorkday(LocalDate day) {
        return day.getDayOfWeek().compareTo(DayOfWeek.FRIDAY) <= 0 && !CLOSED.contains(MonthDay.from(day));
    }

    static List<LocalDate> holidays(int... years) {
        return IntStream.of(years)
                .boxed()
                .flatMap(year -> CLOSED.stream().sorted().map(d -> d.atYear(year)))
                .toList();
    }

    /** The last day before this one on which the shop was open. */
    static LocalDate workdayBefore(LocalDate day) {
        var before = day.minusDays(1);
        while (!isWorkday(before)) {
            before = before.minusDays(1);
        }
        return before;
    }

    private static LocalDate workday(LocalDate from) {
        var day = from;
        while (!isWorkday(day)) {
            day = day.plusDays(1);
        }
        return day;
    }

    /** Does something at another time, on this thread. */
    void at(Instant when, Runnable work) {
        ScopedValue.where(HELD, when).run(work);
    }

    /** Looks at something as it was, or will be, at another time, on this thread. */
    <T> T seenAt(Instant when, Supplier<T> look) {
        return ScopedValue.where(HELD, when).call(look::get);
    }

    @Override
    public Instant instant() {
        return HELD.isBound() ? HELD.get() : real.instant().plus(ahead);
    }
}
