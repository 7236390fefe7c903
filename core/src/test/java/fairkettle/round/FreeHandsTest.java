package fairkettle.round;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fairkettle.changeover.OpeningHours;
import fairkettle.round.FreeHands.Day;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class FreeHandsTest {

    private static final Instant NINE = Instant.parse("2026-11-03T09:00:00Z");

    private static Instant at(double hours) {
        return NINE.plusMillis(Math.round(hours * 3_600_000));
    }

    private static FreeHands two(double first, double second) {
        return new FreeHands(List.of(new Day(at(0), at(8), first), new Day(at(24), at(32), second)));
    }

    @Test
    void whoIsHalfFreeTakesTwiceAsLong() {
        assertThat(two(240, 240).after(NINE, 60)).isEqualTo(at(2));
        assertThat(two(480, 0).after(NINE, 60)).isEqualTo(at(1));
    }

    @Test
    void whatTheDayDoesNotHoldGoesOnTheNext() {
        assertThat(two(60, 480).after(NINE, 90)).isEqualTo(at(24.5));
        assertThat(two(0, 0).after(NINE, 90)).as("nobody has planned further").isEqualTo(at(33.5));
    }

    @Test
    void aMachinePrintsWhileSomebodyIsThereHoweverBusy() {
        assertThat(two(0, 0).printed(at(7), 120)).isEqualTo(at(25));
    }

    @Test
    void nothingToDoIsDoneAtOnce() {
        assertThat(two(0, 0).after(at(10), 0)).isEqualTo(at(10));
        assertThat(FreeHands.ALWAYS.after(NINE, 30)).isEqualTo(at(.5));
    }

    @Test
    void whatComesFirstIsTakenFromTheFirstDays() {
        assertThat(two(60, 480).less(100).after(NINE, 440)).isEqualTo(at(32));
    }

    @Test
    void daysThatNobodyHasPlannedAreFreeInTheShopsHours() {
        var hours = new OpeningHours(
                ZoneOffset.UTC,
                Map.of(DayOfWeek.WEDNESDAY, new OpeningHours.Span(LocalTime.of(10, 0), LocalTime.of(12, 0))),
                Set.of());
        var tuesday = new FreeHands(List.of(new Day(at(0), at(8), 480)));

        var week = tuesday.then(hours, LocalDate.of(2026, 11, 4), LocalDate.of(2026, 11, 30));

        assertThat(week.after(at(7), 90)).isEqualTo(at(25.5));
        assertThat(week.after(at(7), 240)).as("a week later").isEqualTo(at(24 * 8 + 2));
        assertThat(tuesday.then(hours, LocalDate.of(2026, 11, 4), LocalDate.of(2020, 1, 1)))
                .isEqualTo(tuesday);
    }

    @Test
    void aDayHasAnEndAndNoFewerHandsThanNone() {
        assertThatThrownBy(() -> new Day(at(1), at(1), 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Day(at(1), at(2), -1)).isInstanceOf(IllegalArgumentException.class);
    }

    /** For any days: in two goes it takes as long as in one, and less free hands never make it sooner. */
    @Test
    void workIsNeitherLostNorGained() {
        for (int seed = 0; seed < 500; seed++) {
            var random = new Random(seed);
            var days = new ArrayList<Day>();
            for (int day = 0; day < 1 + random.nextInt(6); day++) {
                double opens = day * 24 + random.nextInt(3);
                double hours = 1 + random.nextInt(9);
                days.add(new Day(at(opens), at(opens + hours), random.nextInt((int) (hours * 120))));
            }
            var hands = new FreeHands(days);
            double first = random.nextInt(400);
            double second = random.nextInt(400);

            assertThat(hands.after(hands.after(NINE, first), second))
                    .as("seed %d", seed)
                    .isCloseTo(hands.after(NINE, first + second), within(1, ChronoUnit.SECONDS));
            assertThat(hands.less(random.nextInt(300)).after(NINE, second))
                    .as("seed %d", seed)
                    .isAfterOrEqualTo(hands.after(NINE, second).minus(Duration.ofSeconds(1)));
        }
    }
}
