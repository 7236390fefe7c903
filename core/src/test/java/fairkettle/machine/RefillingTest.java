package fairkettle.machine;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.Millilitres;
import fairkettle.machine.Refilling.Refill;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** When a tank wants ink again. */
class RefillingTest {

    private static final Instant NOW = Instant.parse("2026-11-25T09:00:00Z");
    private static final Millilitres SHEET = ml("0.7");

    @Test
    void threeRefillsGiveADateARangeAndPages() {
        var refills = List.of(refill(30, "10"), refill(20, "20"), refill(10, "40")); // 2 and 4 mL a day
        assertThat(Refilling.forecast(refills, ml("44"), ml("20"), SHEET, NOW)).hasValueSatisfying(f -> {
            assertThat(Duration.between(NOW, f.earliest())).isEqualTo(Duration.ofDays(6));
            assertThat(Duration.between(NOW, f.expected())).isEqualTo(Duration.ofDays(8));
            assertThat(Duration.between(NOW, f.latest())).isEqualTo(Duration.ofDays(12));
            assertThat(f.pages()).isEqualTo((int) (24 / (0.7 * 0.15)));
        });
    }

    @Test
    void twoRefillsSayNothing() {
        assertThat(Refilling.forecast(List.of(refill(20, "20"), refill(10, "40")), ml("44"), ml("20"), SHEET, NOW))
                .isEmpty();
    }

    @Test
    void belowItsTriggerItIsDueNow() {
        assertThat(Refilling.forecast(
                        List.of(refill(30, "10"), refill(20, "20"), refill(10, "40")), ml("12"), ml("20"), SHEET, NOW))
                .hasValueSatisfying(f -> assertThat(f.latest()).isEqualTo(NOW));
    }

    @RepeatedTest(50)
    void theRangeHoldsTheDateAndMoreInkNeverBringsItForward(RepetitionInfo run) {
        var random = new Random(run.getCurrentRepetition());
        int count = 3 + random.nextInt(6);
        var refills = IntStream.range(0, count)
                .mapToObj(i -> new Refill(
                        NOW.minus(Duration.ofDays((count - i) * 9L + random.nextInt(5))),
                        new Millilitres(1000 + random.nextInt(60_000))))
                .toList();
        var low = Refilling.forecast(refills, ml("40"), ml("20"), SHEET, NOW).orElseThrow();
        var high = Refilling.forecast(refills, ml("55"), ml("20"), SHEET, NOW).orElseThrow();
        assertThat(low.expected()).isBetween(low.earliest(), low.latest());
        assertThat(high.expected()).isAfterOrEqualTo(low.expected());
    }

    @Test
    void aChipsCountIsHeldAgainstWhatWasPoured() {
        var count = new Refilling.Count(4, ml("40"), ml("30"));
        assertThat(count.off()).isEqualTo(-0.25);
        assertThat(new Refilling.Count(0, Millilitres.ZERO, Millilitres.ZERO).off())
                .isZero();
    }

    @Test
    void theLastMarkAndAMachinesWordAreJudged() {
        assertThat(Refilling.atLastMark(ml("4.8"), ml("60"))).isTrue();
        assertThat(Refilling.atLastMark(ml("5"), ml("60"))).isFalse();
        assertThat(Refilling.apart(0.1, 0.7)).isTrue();
        assertThat(Refilling.apart(0.6, 0.7)).isFalse();
        assertThat(Refilling.cartridges(ml("60"))).isEqualTo(5);
    }

    @Test
    void everyArchitectureHasATrigger() {
        assertThat(Architecture.values())
                .allSatisfy(a -> assertThat(Refilling.usualTrigger(a)).isBetween(0.1, 0.5));
    }

    private static Refill refill(int daysAgo, String poured) {
        return new Refill(NOW.minus(Duration.ofDays(daysAgo)), ml(poured));
    }

    private static Millilitres ml(String text) {
        return Millilitres.parse(text);
    }
}
