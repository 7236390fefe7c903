package fairkettle.books;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.Currency;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class VoucherTest {

    private static Voucher of(String price, String from, String off, String rate, String in) {
        return new Voucher(
                new BigDecimal(price),
                Currency.getInstance(from),
                new BigDecimal(off),
                new BigDecimal(rate),
                Currency.getInstance(in));
    }

    @ParameterizedTest(name = "{0} {1} less {2} % at {3}: {5} or {6} {4}")
    @CsvSource({
        "24.99, USD, 15, 0.79, GBP, 16.78, 16.78",
        "9.99, USD, 33, 0.785, GBP, 5.25, 5.25",
        "0.99, EUR, 50, 0.85, GBP, 0.43, 0.42",
        "2500, JPY, 10, 0.0052, GBP, 11.70, 11.70",
        "24.99, USD, 15, 151.3, JPY, 3214, 3214",
        "10, GBP, 0, 0.39, KWD, 3.900, 3.900"
    })
    void bothOrdersAreExactToTheMinorUnit(
            String price, String from, String off, String rate, String in, String takenOff, String changed) {
        var voucher = of(price, from, off, rate, in);
        assertThat(voucher.takenOffFirst()).isEqualTo(takenOff);
        assertThat(voucher.changedFirst()).isEqualTo(changed);
        assertThat(voucher.differsBy()).isEqualTo(takenOff.equals(changed) ? 0 : 1);
    }

    @Test
    void whatMakesNoSenseIsRefused() {
        assertThatThrownBy(() -> of("1", "GBP", "101", "1", "GBP")).hasMessageContaining("0 to 100 %");
        assertThatThrownBy(() -> of("1", "GBP", "10", "0", "GBP")).hasMessageContaining("rate");
    }
}
