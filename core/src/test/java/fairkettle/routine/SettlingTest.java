package fairkettle.routine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fairkettle.ink.ChannelCode;
import fairkettle.machine.Vessel;
import fairkettle.machine.VesselKind;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

/** White sinks by Stokes' law: lines need moving more often than bottles need shaking. */
class SettlingTest {

    private static final Settling USUAL = Settling.USUAL;
    private static final Instant NOW = Instant.parse("2026-11-25T09:00:00Z");

    @Test
    void theUsualWhiteSinksTwoMillimetresADay() {
        assertThat(USUAL.speed()).isCloseTo(2.12, within(.005));
    }

    @Test
    void aBottleLosesAFifthInTenDaysAndALineLiesOnItsFloorInADayAndAHalf() {
        assertThat(USUAL.share(110, Duration.ofDays(10))).isCloseTo(0.193, within(.002));
        assertThat(USUAL.share(3, Duration.ofHours(34))).isEqualTo(1);
        assertThat(USUAL.share(3, Duration.ofHours(33))).isLessThan(1);
    }

    @Test
    void theLimitOfABottleIsReachedInTwoAndAHalfDays() {
        assertThat(USUAL.until(Settling.LIMIT_IN_TANK, 110).toHours() / 24.0).isCloseTo(2.6, within(.05));
    }

    @Test
    void untilAndShareAgree() {
        for (double depth = 1; depth < 150; depth *= 1.7) {
            for (double share = .05; share < 1; share += .13) {
                assertThat(USUAL.share(depth, USUAL.until(share, depth))).isCloseTo(share, within(1e-4));
            }
        }
    }

    @Test
    void largerGrainsAndThinnerInkSinkFaster() {
        assertThat(new Settling(3000, .4, 6).speed()).isGreaterThan(USUAL.speed());
        assertThat(new Settling(3000, .3, 4).speed()).isGreaterThan(USUAL.speed());
        assertThat(new Settling(3000, .6, 6).speed()).isCloseTo(4 * USUAL.speed(), within(1e-9));
        assertThatThrownBy(() -> new Settling(0, .3, 6)).hasMessageContaining("above nothing");
    }

    @Test
    void aHalfEmptyBottleIsHalfAsDeepButALineIsAsDeepAsItsBore() {
        assertThat(Vessel.of(VesselKind.TANK, "110", "2").depthAt(.5)).isEqualTo(55);
        assertThat(Vessel.of(VesselKind.TUBE, "6", "0.8").depthAt(.5)).isEqualTo(3);
    }

    @Test
    void theGaugeKnowsEachVesselAndWhichIsFirst() {
        var gauge = WhiteGauge.of(
                "W1",
                USUAL,
                List.of(
                        new WhiteGauge.DepthOf(VesselKind.TANK, 60),
                        new WhiteGauge.DepthOf(VesselKind.TUBE, 3),
                        new WhiteGauge.DepthOf(VesselKind.DAMPER, 0)),
                NOW.minus(Duration.ofDays(1)),
                NOW.minus(Duration.ofHours(6)),
                NOW);
        assertThat(gauge.layers())
                .extracting(WhiteGauge.Layer::vessel)
                .as("nothing settles in an empty damper")
                .containsExactly(VesselKind.TANK, VesselKind.TUBE);
        assertThat(gauge.layers().getFirst().share()).isCloseTo(2.12 / 60, within(.001));
        assertThat(gauge.layers().getLast().share()).isCloseTo(2.12 / 4 / 3, within(.001));
        assertThat(gauge.tooMuch())
                .isEqualTo(gauge.layers().stream()
                        .map(WhiteGauge.Layer::at)
                        .min(Instant::compareTo)
                        .orElseThrow());
    }

    @Test
    void colourNeverGoesBackAndWhiteOnlyShakenAndNotForEver() {
        assertThat(WhiteDraw.refusal(ChannelCode.of("C"), WhiteDraw.To.BACK, true, 0, 6))
                .hasValueSatisfying(w -> assertThat(w).contains("Never back"));
        assertThat(WhiteDraw.refusal(ChannelCode.of("W1"), WhiteDraw.To.BACK, false, 0, 6))
                .hasValueSatisfying(w -> assertThat(w).contains("Shake it first"));
        assertThat(WhiteDraw.refusal(ChannelCode.of("W1"), WhiteDraw.To.BACK, true, 6, 6))
                .hasValueSatisfying(w -> assertThat(w).contains("6 times"));
        assertThat(WhiteDraw.refusal(ChannelCode.of("W1"), WhiteDraw.To.BACK, true, 5, 6))
                .isEmpty();
        assertThat(WhiteDraw.refusal(ChannelCode.of("C"), WhiteDraw.To.WASTE, false, 0, 6))
                .isEmpty();
    }
}
