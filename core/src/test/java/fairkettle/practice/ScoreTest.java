package fairkettle.practice;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.clinic.Situation.Prices;
import fairkettle.practice.Score.Ended;
import fairkettle.practice.Score.Spent;
import org.junit.jupiter.api.Test;

class ScoreTest {

    private static final Spent CAREFUL = new Spent(20, 30, 3);

    private static int score(Ended ended, Spent mine, int hints) {
        return Score.of(ended, mine, CAREFUL, hints, Prices.USUAL);
    }

    @Test
    void whoSpendsWhatACarefulHandSpendsHasAllOfIt() {
        assertThat(score(new Ended(true, true, false, false), CAREFUL, 0)).isEqualTo(100);
        assertThat(score(new Ended(true, true, false, false), CAREFUL, 2)).isEqualTo(90);
    }

    @Test
    void theMoreIsSpentTheLessItIsWorthButBeingRightIsWorthSomething() {
        int before = 101;
        for (int times = 2; times < 40; times *= 2) {
            int now = score(new Ended(true, true, false, false), new Spent(20 * times, 30 * times, 3 * times), 0);
            assertThat(now).isLessThanOrEqualTo(before).isGreaterThanOrEqualTo(25);
            before = now;
        }
    }

    @Test
    void aFalseCureIsWorseThanGivingUpTooSoonAndAPartedPlateIsWorst() {
        assertThat(score(new Ended(true, false, false, false), CAREFUL, 0)).isEqualTo(10);
        assertThat(score(new Ended(false, false, false, false), CAREFUL, 0)).isEqualTo(20);
        assertThat(score(new Ended(false, false, true, false), CAREFUL, 0)).isEqualTo(100);
        assertThat(score(new Ended(true, true, false, true), CAREFUL, 0)).isZero();
    }
}
