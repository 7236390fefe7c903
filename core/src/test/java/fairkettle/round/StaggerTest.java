package fairkettle.round;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.round.Stagger.Away;
import fairkettle.round.Stagger.Printer;
import fairkettle.round.Stagger.Promised;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

class StaggerTest {

    private static final Instant NINE = Instant.parse("2026-03-02T09:00:00Z");
    private static final List<Printer> SHOP = List.of(
            new Printer(1, "Bramble", "sublimation"),
            new Printer(2, "Sorrel", "sublimation"),
            new Printer(3, "Teasel", "film"));

    private static Instant at(int hour) {
        return NINE.plus(Duration.ofHours(hour - 9));
    }

    private static Stagger.HoldAnswer rest(long machine, int from, int to, List<Away> away, List<Promised> promises) {
        return Stagger.of(new Away(machine, at(from), at(to), "this"), SHOP, away, promises, Duration.ofDays(2));
    }

    @Test
    void nothingStandsAgainstARestWhileAnotherMachineOfItsInkPrints() {
        assertThat(rest(1, 9, 21, List.of(), List.of()).clashes()).isEmpty();
    }

    @Test
    void twoRestsOfOneInkDoNotOverlap() {
        var answer = rest(1, 9, 11, List.of(new Away(2, at(8), at(10), "it rests")), List.of());
        assertThat(answer.clashes())
                .containsExactly("no other machine prints sublimation meanwhile: Sorrel (it rests)");
        assertThat(answer.better()).isEqualTo(at(10));
    }

    @Test
    void aMachineAloneInItsInkIsNoReason() {
        assertThat(rest(3, 9, 21, List.of(new Away(1, at(8), at(20), "its card")), List.of())
                        .clashes())
                .isEmpty();
    }

    @Test
    void noHoldLiesOverADueJob() {
        var sashes = new Promised(1, "sashes for the show", at(14), Duration.ofMinutes(90));
        var answer = rest(1, 9, 21, List.of(), List.of(sashes));
        assertThat(answer.clashes()).containsExactly("promised in that time: sashes for the show");
        assertThat(answer.better()).isEqualTo(at(15).plusSeconds(1800));
        assertThat(rest(2, 9, 21, List.of(), List.of(sashes)).clashes()).isEmpty();
    }
}
