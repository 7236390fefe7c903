package fairkettle.clinic;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.clinic.SimpleThing.Books;
import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;

class SimpleThingTest {

    private static final Instant NOW = Instant.parse("2026-03-02T09:00:00Z");

    private static Instant ago(int hours) {
        return NOW.minus(Duration.ofHours(hours));
    }

    @Test
    void nothingIsKnownOfAMachineWithoutBooks() {
        assertThat(SimpleThing.known(new Books(null, .1, false, 0, null, null, null), NOW))
                .isEmpty();
    }

    @Test
    void whatTheBooksProveIsNotAskedAgain() {
        assertThat(SimpleThing.known(new Books(ago(30), .5, true, 12, ago(2), null, null), NOW)
                        .keySet())
                .containsExactlyInAnyOrder(SimpleThing.LEVEL, SimpleThing.SEATING, SimpleThing.INK, SimpleThing.PAD);
    }

    @Test
    void aLevelThatWasReadLongAgoOrIsLowIsAsked() {
        assertThat(SimpleThing.known(new Books(ago(24 * 8), .5, false, 0, null, null, null), NOW))
                .doesNotContainKey(SimpleThing.LEVEL);
        assertThat(SimpleThing.known(new Books(ago(2), .1, false, 0, null, null, null), NOW))
                .doesNotContainKey(SimpleThing.LEVEL);
    }

    @Test
    void aPageThatKeptItsWeightProvesVentAndValve() {
        assertThat(SimpleThing.known(new Books(null, .1, false, 0, null, ago(3), null), NOW)
                        .keySet())
                .containsExactlyInAnyOrder(SimpleThing.VENT, SimpleThing.VALVE);
        assertThat(SimpleThing.known(new Books(null, .1, false, 0, null, ago(30), null), NOW))
                .isEmpty();
    }

    @Test
    void wholeWithinADayOfALook() {
        assertThat(SimpleThing.known(new Books(null, .1, false, 0, null, null, ago(5)), NOW))
                .hasSize(SimpleThing.values().length);
    }
}
