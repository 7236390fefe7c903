package fairkettle.practice;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.practice.Feeding.Damper;
import fairkettle.practice.Feeding.Outcome;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FeedingTest {

    @ParameterizedTest(name = "{0} mm, vent {1}, valve {2}, damper {3}, pump {4}: {5}")
    @CsvSource({
        "-20, true,  true,  FREE,    false, FLOWS",
        "120, true,  true,  FREE,    false, FLOWS",
        "120, true,  true,  NONE,    false, DRIPS",
        "-20, false, true,  FREE,    false, STARVES",
        "-20, true,  true,  CLOGGED, false, STARVES",
        "-20, true,  false, FREE,    false, NOTHING",
        "-150, true, true,  FREE,    false, AIR",
        "-20, true,  true,  CLOGGED, true,  AIR",
        "0,   true,  false, FREE,    true,  AIR",
        "-30, true,  true,  FREE,    true,  FLOWS",
    })
    void heightPortsAndDamperDecideWhatHappens(
            int height, boolean vent, boolean valve, Damper damper, boolean pump, Outcome outcome) {
        assertThat(new Feeding(height, vent, valve, damper, pump).outcome()).isEqualTo(outcome);
    }

    @Test
    void aTankThatHangsLowerNeverDripsMore() {
        for (var damper : Damper.values()) {
            var drips = IntStream.rangeClosed(-200, 200)
                    .filter(h -> new Feeding(h, true, true, damper, false).outcome() == Outcome.DRIPS)
                    .toArray();
            assertThat(drips).as("%s", damper).isSorted();
            assertThat(IntStream.of(drips).allMatch(h -> h > 0)).isTrue();
            assertThat(drips.length == 0 || drips[drips.length - 1] == 200).isTrue();
        }
    }

    @Test
    void everyQuestionOfALineHasTheAnswerThatIsWorkedOut() {
        assertThat(Drill.LINES.questions())
                .allSatisfy(q -> assertThat(q.answers().getFirst().words())
                        .isEqualTo(((Drawing.Line) java.util.Objects.requireNonNull(q.drawing()))
                                .feeding()
                                .outcome()
                                .words()));
    }

    @Test
    void theSquareThatIsRightIsTheFirstWithoutAGap() {
        assertThat(Drill.SQUARES.questions()).allSatisfy(q -> {
            var offsets = ((Drawing.Squares) java.util.Objects.requireNonNull(q.drawing())).offsets();
            int first = IntStream.range(0, offsets.size())
                    .filter(i -> offsets.get(i) <= 0)
                    .findFirst()
                    .orElseThrow();
            assertThat(q.answers().getFirst().words()).isEqualTo("Square " + (first + 1));
        });
    }
}
