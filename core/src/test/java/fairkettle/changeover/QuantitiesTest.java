package fairkettle.changeover;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.changeover.Bottles.Size;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class QuantitiesTest {

    private static final Currency GBP = Currency.getInstance("GBP");

    @ParameterizedTest(name = "{0} mL in a {1} mL syringe is {2}")
    @CsvSource({
        "150, 60, 2 × 60 + 30",
        "60, 60, 60",
        "57, 60, 57",
        "120, 60, 2 × 60",
        "0, 60, nothing",
        "61, 20, 3 × 20 + 1"
    })
    void pulls(String volume, String syringe, String label) {
        var pulls = Pulls.of(Millilitres.parse(volume), Syringe.of(syringe, "1"));
        assertThat(pulls.label()).isEqualTo(label);
        assertThat(ChannelPlan.sum(pulls.loads())).isEqualTo(Millilitres.parse(volume));
    }

    @Test
    void theWorkedCaseTakesAHundredAndAFifty() {
        // 93.8 charge + 6 initial charge + 4 chaser + 9 commissioning + 15 reserve
        var bottles =
                Bottles.cheapest(Millilitres.parse("127.8"), List.of(size(50, 700), size(100, 1200), size(250, 2900)));
        assertThat(bottles.bottles()).extracting(b -> b.volume().toString()).containsExactly("100", "50");
        assertThat(bottles.leftOver()).isEqualTo(Millilitres.parse("22.2"));
    }

    @RepeatedTest(100)
    void noOtherSetOfBottlesIsCheaper(RepetitionInfo round) {
        var random = new Random(round.getCurrentRepetition());
        var sold = List.of(
                size(30 + random.nextInt(50), 100 + random.nextInt(900)),
                size(90 + random.nextInt(50), 500 + random.nextInt(900)),
                size(200 + random.nextInt(99), 900 + random.nextInt(2000)));
        var need = Millilitres.rounded(random.nextDouble() * 400);
        var bottles = Bottles.cheapest(need, sold);
        long best = Long.MAX_VALUE;
        for (int a = 0; a <= 14; a++) {
            for (int b = 0; b <= 5; b++) {
                for (int c = 0; c <= 3; c++) {
                    var volume = sold.get(0)
                            .volume()
                            .times(a)
                            .plus(sold.get(1).volume().times(b))
                            .plus(sold.get(2).volume().times(c));
                    if (volume.compareTo(need) >= 0) {
                        best = Math.min(
                                best,
                                a * sold.get(0).price().minor()
                                        + b * sold.get(1).price().minor()
                                        + c * sold.get(2).price().minor());
                    }
                }
            }
        }
        assertThat(bottles.price(GBP).minor()).isEqualTo(best);
    }

    @ParameterizedTest(name = "{1} of work from {0} is done at {2}")
    @CsvSource({
        "2026-11-27T15:00:00Z, PT1H, 2026-11-27T16:00:00Z",
        "2026-11-27T16:30:00Z, PT1H, 2026-11-30T09:30:00Z",
        "2026-11-28T12:00:00Z, PT0S, 2026-11-30T09:00:00Z",
        "2026-12-24T16:00:00Z, PT2H, 2026-12-28T10:00:00Z"
    })
    void handsWorkInOpeningHours(Instant start, Duration work, Instant done) {
        var week = new java.util.EnumMap<DayOfWeek, OpeningHours.Span>(DayOfWeek.class);
        for (int day = 1; day <= 5; day++) {
            week.put(DayOfWeek.of(day), new OpeningHours.Span(LocalTime.of(9, 0), LocalTime.of(17, 0)));
        }
        var hours = new OpeningHours(ZoneId.of("Europe/London"), Map.copyOf(week), Set.of(LocalDate.of(2026, 12, 25)));
        assertThat(hours.afterWork(start, work)).isEqualTo(done);
    }

    private static Size size(int volume, int price) {
        return new Size(new Millilitres(volume * 1000L), new Money(price, GBP));
    }
}
