package fairkettle.books;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;

class ForecastTest {

    private static double[] steady(int weeks, double perWeek) {
        var days = new double[7 * weeks];
        Arrays.fill(days, perWeek / 7);
        return days;
    }

    @Test
    void whoeverUsesSevenAWeekLastsAsLongAsTheStock() {
        var forecast = Forecast.learned(steady(40, 7));
        assertThat(forecast.mean()).isCloseTo(7, within(1e-9));
        var lasts = forecast.lasts(60);
        assertThat(lasts.expected()).isBetween(60, 61);
        assertThat(lasts.earliest()).isBetween(38, 60);
        assertThat(lasts.latest()).isBetween(62, 100);
        assertThat(forecast.orderIn(60, 5)).isLessThan(lasts.earliest() - 5);
    }

    @Test
    void whatIsNeverUsedNeverRunsOut() {
        var forecast = Forecast.learned(steady(20, 0));
        assertThat(forecast.lasts(1).earliest()).isGreaterThan(1000);
        assertThat(forecast.use(100).high()).isZero();
    }

    @Test
    void littleKnowledgeIsAWideRange() {
        var little = Forecast.learned(steady(1, 10)).use(28);
        var much = Forecast.learned(steady(40, 10)).use(28);
        assertThat(little.high() - little.low()).isGreaterThan(2 * (much.high() - much.low()));
        assertThat(Forecast.learned(new double[] {3, 0, 2}).mean()).isCloseTo(35.0 / 3, within(1e-9));
        assertThat(Forecast.learned(new double[0]).mean()).isZero();
    }

    @Test
    void theLateWeeksTellMore() {
        var rising = new double[7 * 30];
        for (int day = 0; day < rising.length; day++) {
            rising[day] = day < 7 * 15 ? 1 : 3;
        }
        assertThat(Forecast.learned(rising).mean()).isBetween(14.0 + 1, 21.0);
    }

    @Test
    void moreTimeUsesMoreAndMoreStockLastsLonger() {
        var random = new Random(5);
        for (int round = 0; round < 200; round++) {
            var days = random.doubles(random.nextInt(0, 300), 0, 4).toArray();
            var forecast = Forecast.learned(days);
            for (int d = 1; d < 200; d += 7) {
                var now = forecast.use(d);
                var later = forecast.use(d + 1);
                assertThat(later.low()).isGreaterThanOrEqualTo(now.low());
                assertThat(later.high()).isGreaterThanOrEqualTo(now.high());
                assertThat(now.low()).isLessThanOrEqualTo(now.expected() + 1e-9);
                assertThat(now.high()).isGreaterThanOrEqualTo(now.low());
            }
            int before = 0;
            for (double stock = 0; stock < 200; stock += 20) {
                var lasts = forecast.lasts(stock);
                assertThat(lasts.earliest()).isLessThanOrEqualTo(lasts.latest());
                assertThat(lasts.expected()).isGreaterThanOrEqualTo(before);
                before = lasts.expected();
            }
        }
    }

    /** Weeks of its own kind: what comes stands in the range in eight cases of ten. */
    @Test
    void theRangeHoldsEightOfTen() {
        var random = new Random(77);
        int held = 0;
        int all = 3000;
        for (int round = 0; round < all; round++) {
            double perDay = 0.5 + 4 * random.nextDouble();
            double busy = 0.2 + 0.6 * random.nextDouble();
            var days = new double[7 * 26 + 21];
            for (int day = 0; day < days.length; day++) {
                days[day] = day % 7 < 5 && random.nextDouble() < busy ? perDay * -Math.log(1 - random.nextDouble()) : 0;
            }
            var range = Forecast.learned(Arrays.copyOf(days, 7 * 26)).use(21);
            double came = Arrays.stream(days, 7 * 26, days.length).sum();
            held += came >= range.low() && came <= range.high() ? 1 : 0;
        }
        assertThat(held / (double) all).isBetween(0.75, 0.88);
    }

    @Test
    void whoBuysEnoughNeedNotOrderAtOnce() {
        var random = new Random(8);
        for (int round = 0; round < 200; round++) {
            var forecast = Forecast.learned(
                    random.doubles(7 * random.nextInt(1, 40), 0, 9).toArray());
            int lead = random.nextInt(1, 25);
            assertThat(forecast.orderIn(forecast.enough(lead, 28), lead)).isPositive();
            assertThat(forecast.enough(lead, 56)).isGreaterThan(forecast.enough(lead, 28));
        }
    }

    @Test
    void aUseBelowNothingIsNone() {
        assertThatThrownBy(() -> new Forecast(-1, 0, 1, 0)).hasMessageContaining("tells nothing");
        assertThat(Forecast.learned(steady(20, 7)).lasts(-1).expected()).isZero();
    }
}
