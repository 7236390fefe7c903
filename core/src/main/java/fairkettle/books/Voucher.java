package fairkettle.books;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Currency;

/**
 * A price with a share taken off, paid in another currency. Which is rounded first differs by the shop that takes the
 * money: both are told, each exact to the minor unit.
 */
public record Voucher(BigDecimal price, Currency of, BigDecimal percentOff, BigDecimal rate, Currency in) {

    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    /** @param rate units of {@code in} for one of {@code of} */
    public Voucher {
        if (price.signum() < 0 || rate.signum() <= 0) {
            throw new IllegalArgumentException("A price is not below nothing, and a rate is above it.");
        }
        if (percentOff.signum() < 0 || percentOff.compareTo(HUNDRED) > 0) {
            throw new IllegalArgumentException("A voucher takes off 0 to 100 %.");
        }
    }

    /** Taken off and rounded where it is sold, then changed. */
    public BigDecimal takenOffFirst() {
        return rounded(rounded(reduced(price), of).multiply(rate), in);
    }

    /** Changed and rounded first, then taken off. */
    public BigDecimal changedFirst() {
        return rounded(reduced(rounded(price.multiply(rate), in)), in);
    }

    /** Between the two, in minor units. */
    public long differsBy() {
        return takenOffFirst()
                .subtract(changedFirst())
                .abs()
                .movePointRight(in.getDefaultFractionDigits())
                .longValueExact();
    }

    private BigDecimal reduced(BigDecimal amount) {
        return amount.multiply(HUNDRED.subtract(percentOff)).movePointLeft(2);
    }

    private static BigDecimal rounded(BigDecimal amount, Currency currency) {
        return amount.setScale(Math.max(0, currency.getDefaultFractionDigits()), RoundingMode.HALF_UP);
    }
}
