package fairkettle.routine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.machine.Architecture;
import fairkettle.machine.Channel;
import fairkettle.machine.Profiles;
import org.junit.jupiter.api.Test;

class WhitePrintTest {

    private static final Channel WHITE = Profiles.ALL.stream()
            .filter(p -> p.architecture() == Architecture.FILM)
            .flatMap(p -> p.channels().stream())
            .filter(c -> c.code().white())
            .findFirst()
            .orElseThrow();

    private static WhitePrint after(double days, int shaken, int moved, double sheets) {
        return WhitePrint.of(WHITE, Settling.USUAL, days, shaken, moved, sheets, 0.7);
    }

    @Test
    void freshWhiteIsEven() {
        assertThat(after(0, 0, 0, 10).density()).allSatisfy(d -> assertThat(d).isCloseTo(1, within(1e-9)));
        assertThat(after(0, 0, 0, 10).words()).contains("Even");
    }

    @Test
    void daysOfStandingMakeItDenseFirstAndThinAfter() {
        var print = after(4, 0, 0, 12);
        assertThat(print.density().getFirst()).isGreaterThan(print.density().get(4));
        assertThat(print.words()).contains("not the head");
    }

    @Test
    void shakingTheBottleAloneDoesNotFreeTheLine() {
        assertThat(after(4, 9, 0, 12).density().get(2))
                .isCloseTo(after(4, 0, 0, 12).density().get(2), within(1e-9));
        assertThat(after(4, 9, 0, 60).density().getLast())
                .isGreaterThan(after(4, 0, 0, 60).density().getLast());
        assertThat(after(4, 0, 9, 12).density().get(4))
                .isGreaterThan(after(4, 0, 0, 12).density().get(4));
    }

    @Test
    void noVesselGivesMorePigmentThanItHeld() {
        for (double days : new double[] {.5, 1, 3, 10, 60}) {
            assertThat(mean(after(days, 0, 0, 400))).as("%s days", days).isLessThanOrEqualTo(1);
        }
    }

    private static double mean(WhitePrint print) {
        return print.density().stream().mapToDouble(d -> d).average().orElseThrow();
    }
}
