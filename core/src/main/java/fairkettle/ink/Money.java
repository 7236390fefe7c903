package fairkettle.ink;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Currency;
import java.util.List;
import java.util.stream.LongStream;

/**
 * An amount in the shop's currency, exact to its minor unit. Rounding happens only in {@link #rounded}.
 *
 * @param minor whole minor units, e.g. pence; may be negative
 */
public record Money(long minor, Currency currency) implements Comparable<Money> {

    public static Money zero(Currency currency) {
        return new Money(0, currency);
    }

    /** The nearest minor unit, halves away from zero, to an amount in major units. */
    public static Money rounded(double major, Currency currency) {
        return new Money(
                BigDecimal.valueOf(major)
                        .movePointRight(currency.getDefaultFractionDigits())
                        .setScale(0, RoundingMode.HALF_UP)
                        .longValueExact(),
                currency);
    }

    public static Money sum(List<Money> amounts, Currency currency) {
        return amounts.stream().reduce(zero(currency), Money::plus);
    }

    public Money plus(Money other) {
        return new Money(Math.addExact(minor, sameCurrency(other).minor), currency);
    }

    public Money minus(Money other) {
        return new Money(Math.subtractExact(minor, sameCurrency(other).minor), currency);
    }

    public Money times(int count) {
        return new Money(Math.multiplyExact(minor, (long) count), currency);
    }

    /** Parts in proportion to the weights that add up to this amount to the minor unit. Not for negative amounts. */
    public List<Money> shared(long... weights) {
        return LongStream.of(LargestRemainder.share(minor, weights))
                .mapToObj(part -> new Money(part, currency))
                .toList();
    }

    public double major() {
        return BigDecimal.valueOf(minor, currency.getDefaultFractionDigits()).doubleValue();
    }

    private Money sameCurrency(Money other) {
        if (!currency.equals(other.currency)) {
            throw new IllegalArgumentException(
                    "Amounts in (%s) and (%s) cannot be added.".formatted(currency, other.currency));
        }
        return other;
    }

    @Override
    public int compareTo(Money other) {
        return Long.compare(minor, sameCurrency(other).minor);
    }

    /** "GBP 12.34". */
    @Override
    public String toString() {
        return currency + " "
                + BigDecimal.valueOf(minor, currency.getDefaultFractionDigits()).toPlainString();
    }
}
