package fairkettle.books;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.books.Watched.State;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WatchedTest {

    private static final Instant NOW = Instant.parse("2026-12-01T09:00:00Z");

    private static Watched watched(long id, String engine, State state, Long price, Long ceiling, boolean help) {
        return new Watched(id, "machine " + id, engine, "somewhere", state, price, ceiling, help, help, 1, null);
    }

    @ParameterizedTest(name = "{0} at {1}, at most {2}: buy {3}")
    @CsvSource({
        "THERE, 20000, 25000, true",
        "THERE, 25000, 25000, true",
        "THERE, 25001, 25000, false",
        "THERE, 25001, , true",
        "THERE, , 25000, false",
        "GONE, 20000, 25000, false"
    })
    void itIsBoughtWhereItIsThereForNoMoreThanItsCeiling(State state, Long price, Long ceiling, boolean buy) {
        assertThat(watched(1, "", state, price, ceiling, false).toBuy()).isEqualTo(buy);
    }

    @Test
    void somebodyLooksAgainWhenItsDaysAreOver() {
        var never = watched(1, "", State.NOT_LOOKED, null, null, false);
        assertThat(never.due(NOW)).isTrue();
        var looked =
                new Watched(1, "m", "", "s", State.GONE, null, null, false, false, 2, NOW.minus(Duration.ofDays(1)));
        assertThat(looked.due(NOW)).isFalse();
        assertThat(looked.due(NOW.plus(Duration.ofDays(1)))).isTrue();
    }

    @Test
    void twoOfOneEngineDifferInPriceAndSupportAlone() {
        var cheap = watched(1, "four-slot, wide", State.THERE, 20_000L, null, false);
        var helped = watched(2, "Four-slot, wide ", State.THERE, 26_000L, null, true);
        var other = watched(3, "six-slot", State.THERE, 21_000L, null, true);
        var all = List.of(cheap, helped, other);
        assertThat(cheap.besides(all)).containsExactly("Same engine as machine 2: cheaper, less support.");
        assertThat(helped.besides(all)).containsExactly("Same engine as machine 1: dearer, better support.");
        assertThat(other.besides(all)).isEmpty();
    }
}
