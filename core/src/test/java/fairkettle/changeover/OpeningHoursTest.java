package fairkettle.changeover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class OpeningHoursTest {

    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final OpeningHours.Span DAY = new OpeningHours.Span(LocalTime.of(9, 0), LocalTime.of(17, 0));
    private static final OpeningHours SUNDAYS =
            new OpeningHours(LONDON, Map.of(DayOfWeek.SUNDAY, DAY, DayOfWeek.MONDAY, DAY), Set.of());

    @Test
    void theClocksGoForwardAndNineIsStillNine() {
        // 28 March 2027: at 01:00 UTC London goes to summer time, so Sunday opens at 08:00 UTC
        assertThat(SUNDAYS.afterWork(Instant.parse("2027-03-27T12:00:00Z"), Duration.ofHours(1)))
                .isEqualTo(Instant.parse("2027-03-28T09:00:00Z"));
        assertThat(SUNDAYS.afterWork(Instant.parse("2027-03-20T12:00:00Z"), Duration.ofHours(1)))
                .isEqualTo(Instant.parse("2027-03-21T10:00:00Z"));
    }

    @RepeatedTest(60)
    void workInTwoPartsIsDoneWhenTheWholeIs(RepetitionInfo round) {
        var random = new Random(round.getCurrentRepetition());
        var start = Instant.parse("2026-11-25T00:00:00Z").plusSeconds(random.nextInt(3_000_000));
        var first = Duration.ofMinutes(1 + random.nextInt(900));
        var second = Duration.ofMinutes(1 + random.nextInt(900));
        assertThat(SUNDAYS.afterWork(SUNDAYS.afterWork(start, first), second))
                .isEqualTo(SUNDAYS.afterWork(start, first.plus(second)));
    }

    @RepeatedTest(60)
    void moreWorkIsNeverDoneEarlier(RepetitionInfo round) {
        var random = new Random(round.getCurrentRepetition());
        var start = Instant.parse("2026-11-25T00:00:00Z").plusSeconds(random.nextInt(3_000_000));
        var work = Duration.ofMinutes(random.nextInt(2000));
        assertThat(SUNDAYS.afterWork(start, work.plusMinutes(1))).isAfter(SUNDAYS.afterWork(start, work));
    }

    @Test
    void aShopThatIsNeverOpenIsRefused() {
        assertThatThrownBy(() -> new OpeningHours(LONDON, Map.of(), Set.of())).hasMessageContaining("never open");
        assertThatThrownBy(() -> new OpeningHours.Span(LocalTime.NOON, LocalTime.of(9, 0)))
                .hasMessageContaining("cannot close");
        var everyDayOff = new java.util.HashSet<LocalDate>();
        for (int day = 0; day < 900; day++) {
            everyDayOff.add(LocalDate.of(2026, 11, 25).plusDays(day));
        }
        var shut = new OpeningHours(LONDON, Map.of(DayOfWeek.MONDAY, DAY), everyDayOff);
        assertThatThrownBy(() -> shut.afterWork(Instant.parse("2026-11-26T00:00:00Z"), Duration.ofMinutes(1)))
                .hasMessageContaining("closed for more than");
    }
}
