package fairkettle.ink;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.Currency;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Volumes never lose a microlitre, money never a minor unit. */
class ExactnessTest {

    private static final Currency GBP = Currency.getInstance("GBP");

    @ParameterizedTest
    @ValueSource(strings = {"0", "0.001", "5.5", "57", "1999.999"})
    void volumesAreWrittenAsTheyAreRead(String text) {
        assertThat(Millilitres.parse(text)).hasToString(text);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"0.0005", "-1", "", "5,5", "a lot", "NaN", "1e3", "1e400000000", "1E-400000000", "10000000"})
    void whatIsNoVolumeIsRefused(String text) {
        assertThatThrownBy(() -> Millilitres.parse(text)).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest(name = "{1} mL on marks of {0} is {2}")
    @CsvSource({"1, 5.001, 6", "1, 5, 5", "0.5, 5.1, 5.5", "0.2, 0.6, 0.6", "1, 0, 0"})
    void syringesAreRoundedUpToTheirMarks(String mark, double volume, String rounded) {
        assertThat(Millilitres.roundedUpTo(Millilitres.parse(mark), volume)).isEqualTo(Millilitres.parse(rounded));
    }

    @RepeatedTest(200)
    void sharesAddUpAndNeverTakeMoreThanThereIs(RepetitionInfo round) {
        var random = new Random(round.getCurrentRepetition());
        long[] weights = random.longs(1 + random.nextInt(6), 0, random.nextBoolean() ? 4 : 200_000)
                .toArray();
        weights[0]++;
        long sum = Arrays.stream(weights).sum();
        long total = random.nextLong(sum + 1);
        long[] shares = LargestRemainder.share(total, weights);
        assertThat(Arrays.stream(shares).sum()).isEqualTo(total);
        for (int i = 0; i < shares.length; i++) {
            assertThat(shares[i]).isBetween(0L, weights[i]);
        }
    }

    @Test
    void moneyIsSharedToTheLastPenny() {
        var shares = new Money(1000, GBP).shared(1, 1, 1);
        assertThat(shares).extracting(Money::minor).containsExactly(334L, 333L, 333L);
        assertThat(Money.sum(shares, GBP)).isEqualTo(new Money(1000, GBP));
    }

    @ParameterizedTest
    @CsvSource({"GBP, 12.345, 1235", "JPY, 12.5, 13", "BHD, 1.2345, 1235"})
    void moneyRoundsToItsOwnMinorUnit(String currency, double major, long minor) {
        assertThat(Money.rounded(major, Currency.getInstance(currency)).minor()).isEqualTo(minor);
    }

    @Test
    void currenciesAreNotMixed() {
        assertThatThrownBy(() -> new Money(1, GBP).plus(new Money(1, Currency.getInstance("EUR"))))
                .hasMessageContaining("GBP")
                .hasMessageContaining("EUR");
    }
}
