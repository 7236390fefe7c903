package fairkettle.machine;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.ChannelCode;
import fairkettle.machine.Attention.Facts;
import fairkettle.machine.Attention.Kind;
import fairkettle.machine.Attention.Level;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** One thing next, the most pressing first. */
class AttentionTest {

    @ParameterizedTest(name = "wait {0}, card {1}, level {2}, check {3} h ago, {4} gaps, pad {5}, owed {6}: {7}")
    @CsvSource({
        "rest, Pull, 0.1, 1, 0, 0.1, , TAKE_OFF_WAIT",
        ", Pull, 0.1, 1, 0, 0.9, , CARD",
        ", , 0.5, 1, 0, 0.8, , PAD",
        ", , 0.2, 30, 3, 0.1, , TOP_UP",
        ", , 0.5, 25, 0, 0.1, , CHECK",
        ", , 0.5, 1, 3, 0.1, , CHECK",
        ", , 0.5, 1, 0, 0.1, Align the head, OWED",
        ", , 0.5, 1, 3, 0.1, Align the head, CHECK",
        ", , 0.5, 1, 0, 0.1, , NOTHING"
    })
    void whatPressesMostComesFirst(
            String wait, String card, double level, int hours, int gaps, double pad, String owed, Kind next) {
        var facts = new Facts(
                wait,
                card,
                true,
                false,
                List.of(new Level(ChannelCode.of("C"), 0.9), new Level(ChannelCode.of("Y"), level)),
                0.28,
                Duration.ofHours(hours),
                gaps,
                pad,
                owed,
                null);
        assertThat(Attention.of(facts).kind()).isEqualTo(next);
    }

    @Test
    void anIllMachineIsForTheClinic() {
        var facts = new Facts(
                null,
                null,
                true,
                false,
                List.of(),
                0.28,
                Duration.ofHours(40),
                9,
                .1,
                "Align the head",
                "gaps in the check");
        assertThat(Attention.of(facts).kind()).isEqualTo(Kind.CASE);
        assertThat(Attention.of(facts).why()).contains("gaps in the check");
    }

    @Test
    void aNewMachineIsPlannedAndOneNeverLookedAtIsLookedAt() {
        assertThat(Attention.of(new Facts(null, null, false, false, List.of(), 0.28, null, 0, 0, null, null))
                        .kind())
                .isEqualTo(Kind.PLAN);
        assertThat(Attention.of(new Facts(null, null, true, false, List.of(), 0.28, null, 0, 0, null, null))
                        .why())
                .isEqualTo("Nobody has looked yet.");
    }

    @Test
    void aMachineAtRestIsLeftAlone() {
        assertThat(Attention.of(new Facts(
                                null,
                                null,
                                true,
                                true,
                                List.of(new Level(ChannelCode.of("C"), 0.1)),
                                0.28,
                                null,
                                0,
                                0.9,
                                null,
                                null))
                        .kind())
                .isEqualTo(Kind.PARKED);
    }

    @Test
    void theLowestTankIsNamed() {
        var facts = new Facts(
                null,
                null,
                true,
                false,
                List.of(new Level(ChannelCode.of("C"), 0.25), new Level(ChannelCode.of("Y"), 0.1)),
                0.28,
                Duration.ZERO,
                0,
                0,
                null,
                null);
        assertThat(Attention.of(facts).words()).isEqualTo("Top up Y");
    }

    @Test
    void whenATankIsLowIsTheShopsToSay() {
        var half = List.of(new Level(ChannelCode.of("C"), 0.5));
        assertThat(Attention.of(new Facts(null, null, true, false, half, 0.6, Duration.ZERO, 0, 0, null, null))
                        .kind())
                .isEqualTo(Kind.TOP_UP);
        assertThat(Attention.of(new Facts(null, null, true, false, half, 0.4, Duration.ZERO, 0, 0, null, null))
                        .kind())
                .isEqualTo(Kind.NOTHING);
    }
}
