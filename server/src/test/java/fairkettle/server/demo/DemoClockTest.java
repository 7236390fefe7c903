package fairkettle.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The demo’s own time: always a working morning, never back behind what was done. */
class DemoClockTest {

    @ParameterizedTest(name = "{0} shows {1}")
    @CsvSource({
        "2026-11-30T10:30:00Z, 2026-11-30T10:10:00Z", // a Monday: its own morning
        "2026-11-30T23:02:00Z, 2026-11-30T10:10:00Z", // late in the evening: the morning of that day
        "2026-11-29T16:00:00Z, 2026-11-30T10:10:00Z", // a Sunday: the Monday after it
        "2026-12-25T09:00:00Z, 2026-12-28T10:10:00Z", // Christmas, a Friday: the Monday after it
        "2026-07-01T03:00:00Z, 2026-07-01T09:10:00Z" // summer time: ten past ten on the shop’s wall
    })
    void aNewShopStandsInAMorning(Instant real, Instant shown) {
        assertThat(DemoClock.morning(real, null)).isEqualTo(shown);
    }

    @ParameterizedTest(name = "{0} after {1} shows {2}")
    @CsvSource({
        "2026-11-30T23:05:00Z, 2026-11-30T11:40:00Z, 2026-11-30T11:41:00Z", // stopped for a while: it goes on
        "2026-11-30T23:05:00Z, 2026-11-30T16:20:00Z, 2026-12-01T10:10:00Z", // the day was as good as over
        "2026-12-04T20:00:00Z, 2026-12-04T16:20:00Z, 2026-12-07T10:10:00Z", // and it was a Friday
        "2026-12-09T20:00:00Z, 2026-11-30T11:40:00Z, 2026-12-09T10:10:00Z", // started again after days
        "2026-11-30T08:00:00Z, 2026-12-02T11:40:00Z, 2026-12-02T11:41:00Z" // ahead of the real date: it stays ahead
    })
    void anOldOneGoesOn(Instant real, Instant last, Instant shown) {
        assertThat(DemoClock.morning(real, last)).isEqualTo(shown);
    }

    @Test
    void atEveryHourOfTheYearTheShopIsOpenAndNothingIsUndone() {
        var last = Instant.parse("2026-01-01T00:00:00Z");
        for (var real = last; real.isBefore(Instant.parse("2027-01-05T00:00:00Z")); real = real.plusSeconds(5 * 3600)) {
            var shown = DemoClock.morning(real, last);
            assertThat(shown).isAfter(last);
            assertThat(DemoClock.isWorkday(LocalDate.ofInstant(shown, DemoClock.ZONE)))
                    .isTrue();
            assertThat(LocalTime.ofInstant(shown, DemoClock.ZONE)).isBetween(LocalTime.of(9, 40), LocalTime.of(15, 31));
            last = shown;
        }
    }

    @Test
    void somethingAtAnotherTimeStopsNobodyElsesClock() {
        var real = Instant.parse("2026-11-30T10:30:00Z");
        var clock = DemoClock.startingIn(Clock.fixed(real, ZoneOffset.UTC), null);
        var seen = new ArrayList<Instant>();
        clock.at(Instant.parse("2026-09-01T09:00:00Z"), () -> seen.add(clock.instant()));
        seen.add(clock.instant());
        assertThat(seen)
                .isEqualTo(List.of(Instant.parse("2026-09-01T09:00:00Z"), Instant.parse("2026-11-30T10:10:00Z")));
    }

    @Test
    void theLastDayOnWhichItWasOpenLiesBeforeTheWeekendAndTheHolidays() {
        assertThat(DemoClock.workdayBefore(LocalDate.of(2026, 12, 1))).isEqualTo(LocalDate.of(2026, 11, 30));
        assertThat(DemoClock.workdayBefore(LocalDate.of(2026, 11, 30))).isEqualTo(LocalDate.of(2026, 11, 27));
        assertThat(DemoClock.workdayBefore(LocalDate.of(2026, 12, 28))).isEqualTo(LocalDate.of(2026, 12, 24));
    }
}
