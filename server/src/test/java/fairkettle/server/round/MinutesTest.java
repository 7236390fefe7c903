package fairkettle.server.round;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.round.RoundSituation.Minutes;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A round is walked by the clock on the wall, also on the days on which it is set. */
class MinutesTest {

    private static final ZoneId LONDON = ZoneId.of("Europe/London");
    private static final int NINE = 540;

    @ParameterizedTest
    @CsvSource({
        "2026-11-25, 2026-11-25T09:00:00Z", // winter
        "2027-03-28, 2027-03-28T08:00:00Z", // an hour of the night was left out
        "2027-06-01, 2027-06-01T08:00:00Z", // summer
        "2027-10-31, 2027-10-31T09:00:00Z" // one came twice
    })
    void theShopOpensAtNineOfItsClock(LocalDate day, Instant nine) {
        assertThat(new Minutes(day, LONDON).at(NINE)).isEqualTo(nine);
        assertThat(new Minutes(day, LONDON).of(nine)).isEqualTo(NINE);
    }

    @ParameterizedTest
    @CsvSource({"2026-11-25", "2027-03-28", "2027-10-31"})
    void eachMinuteOfTheDayAndOfThoseBesideItComesBackAsItself(LocalDate day) {
        var minutes = new Minutes(day, LONDON);
        for (int minute = -1440 + 120; minute < 2880; minute++) {
            boolean leftOut = day.getMonthValue() == 3 && minute >= 60 && minute < 120;
            assertThat(minutes.of(minutes.at(minute))).isEqualTo(leftOut ? minute + 60 : minute);
        }
    }
}
