package fairkettle.changeover;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.machine.Profiles;
import fairkettle.procedure.Step;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class DaysTest {

    private static final Instant MONDAY_NINE = Instant.parse("2026-11-30T09:00:00Z");

    private static OpeningHours open(String from, String to) {
        var week = new EnumMap<DayOfWeek, OpeningHours.Span>(DayOfWeek.class);
        for (var day : DayOfWeek.values()) {
            if (day.getValue() < 6) {
                week.put(day, new OpeningHours.Span(LocalTime.parse(from), LocalTime.parse(to)));
            }
        }
        return new OpeningHours(ZoneId.of("UTC"), week, Set.of());
    }

    private static Plan drained() {
        var dye = new Holding.Inked(Family.MAKERS_DYE, "maker", false);
        var job = Shops.job(Profiles.named("six-ink-tank"), dye, Family.SUBLIMATION, 0.005);
        return ((Answer.Planned) Planner.plan(job, Shops.terms(Map.of()))).plan();
    }

    private static List<Days.Day> days(OpeningHours hours, Instant now) {
        var procedure = drained().procedure();
        return Days.of(procedure.startState(), procedure.steps(), hours, now);
    }

    @Test
    void whatIsBegunWithTheHeadOffItsDockIsEndedOnTheSameDay() {
        var days = days(open("09:00", "17:00"), MONDAY_NINE.plusSeconds(6 * 3600 + 1800));
        assertThat(days)
                .hasSizeGreaterThan(1)
                .allSatisfy(d -> assertThat(d.mayStand()).isTrue());
        assertThat(days.getFirst().last())
                .as("bottles are matched today")
                .isEqualTo("Match every bottle with its slot");
        assertThat(days.get(1).first()).as("and it is opened tomorrow").isEqualTo("Free the carriage, unplug");
        assertThat(days.get(1).from()).isEqualTo(Instant.parse("2026-12-01T09:00:00Z"));
    }

    @Test
    void aDayThatIsTooShortIsSaidToBeSo() {
        var days = days(open("09:00", "11:00"), MONDAY_NINE);
        assertThat(days).anyMatch(d -> !d.mayStand());
    }

    @Test
    void everyDayLiesWithinItsHoursAndTheyFollowEachOther() {
        for (int begun = 0; begun < 72; begun++) {
            var hours = open("08:30", "16:00");
            var days = days(hours, MONDAY_NINE.plusSeconds(begun * 3600L));
            var titles = drained().procedure().steps().stream().map(Step::title).toList();
            assertThat(days.getFirst().first()).isEqualTo(titles.getFirst());
            assertThat(days.getLast().last()).isEqualTo(titles.getLast());
            for (int i = 0; i < days.size(); i++) {
                assertThat(hours.firstOpen(days.get(i).from()))
                        .isEqualTo(days.get(i).from());
                assertThat(days.get(i).until()).isAfterOrEqualTo(days.get(i).from());
                if (i > 0) {
                    assertThat(days.get(i).from())
                            .isAfterOrEqualTo(days.get(i - 1).until());
                }
            }
        }
    }

    @Test
    void aRestRunsOverNightByItself() {
        var days = days(open("09:00", "17:00"), MONDAY_NINE);
        assertThat(days.getFirst().last()).isEqualTo("Let it rest");
        assertThat(days.get(1).from()).isEqualTo(Instant.parse("2026-12-01T09:00:00Z"));
    }
}
