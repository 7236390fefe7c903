package fairkettle.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.job.InkHistory.Laid;
import fairkettle.job.InkHistory.Moved;
import fairkettle.job.Separation.Tone;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

class InkHistoryTest {

    private static final Tone HALF = new Tone(.5, 1);

    private static Instant hour(int hour) {
        return Instant.parse("2026-11-03T00:00:00Z").plusSeconds(3600L * hour);
    }

    private static Laid job(int hour, double full, double mL) {
        return new Laid(hour(hour), full, HALF, mL);
    }

    private static Moved drew(int hour, double mL) {
        return new Moved(hour(hour), false, mL);
    }

    private static Moved corrected(int hour, double more) {
        return new Moved(hour(hour), true, more);
    }

    @Test
    void whatAReadingCorrectsWasLostByTheJobsBeforeIt() {
        var taught = InkHistory.measured(
                List.of(job(2, 20, 10), job(3, 10, 5)),
                List.of(corrected(1, 0), drew(2, 10), drew(3, 5), corrected(4, 3)));

        assertThat(taught).singleElement().satisfies(m -> {
            assertThat(m.full()).isEqualTo(30);
            assertThat(m.lost()).isEqualTo(18);
            assertThat(m.tone().mean()).isCloseTo(.5, within(1e-9));
        });
    }

    @Test
    void aCleaningMeanwhileBearsItsShare() {
        var taught = InkHistory.measured(
                List.of(job(2, 20, 10)), List.of(corrected(1, 0), drew(2, 10), drew(3, 5), corrected(4, 3)));

        assertThat(taught.getFirst().lost()).isEqualTo(12);
    }

    @Test
    void whereOthersDrewMoreItTeachesNothing() {
        assertThat(InkHistory.measured(
                        List.of(job(2, 20, 10)), List.of(corrected(1, 0), drew(2, 10), drew(3, 12), corrected(4, 3))))
                .isEmpty();
    }

    @Test
    void beforeTheFirstReadingNothingIsKnownAndARefillIsNoLoss() {
        assertThat(InkHistory.measured(List.of(job(1, 20, 10)), List.of(drew(1, 10), corrected(2, 3))))
                .isEmpty();
        assertThat(InkHistory.measured(
                                List.of(job(3, 20, 10)),
                                List.of(corrected(1, 0), drew(2, -40), drew(3, 10), corrected(4, -1)))
                        .getFirst()
                        .lost())
                .isEqualTo(9);
    }
}
