package fairkettle.routine;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class ChangeOrCleanTest {

    @Test
    void aYoungDearPartIsCleanedAndAnOldCheapOneIsChanged() {
        assertThat(ChangeOrClean.of(.4, 270, 6000, 30, 12, 20).exchange()).isFalse();
        assertThat(ChangeOrClean.of(1.6, 91, 320, 30, 12, 20).exchange()).isTrue();
    }

    @Test
    void beyondTwiceItsLifeNothingIsWonByCleaning() {
        var spent = ChangeOrClean.of(2.1, 91, 100_000, 30, 12, 20);
        assertThat(spent.exchange()).isTrue();
        assertThat(spent.clean()).isInfinite();
        assertThat(spent.words()).contains("all it can");
    }

    @Test
    void theOlderItIsTheDearerIsADayWonByCleaning() {
        double before = 0;
        for (double worn = 0; worn < 1.9; worn += .1) {
            double now = ChangeOrClean.of(worn, 270, 320, 30, 12, 20).clean();
            assertThat(now).isGreaterThan(before);
            before = now;
        }
    }
}
