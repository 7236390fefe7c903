package fairkettle.books;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.books.Payback.Outlay;
import fairkettle.books.Payback.Way;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PaybackTest {

    private static final Way CARTRIDGES = way("cartridges", 0, 80_000);

    private static Way way(String label, long once, long perSheet) {
        return new Way(label, List.of(new Outlay("all of it", once)), perSheet, 0, 0, 0, "");
    }

    @ParameterizedTest(name = "{0} at once, {1} a sheet, {2} sheets a month: {3} tenths of months, {4} sheets")
    @CsvSource({
        "6000, 20, 100, 10, 100", // saves 60.00 a month
        "6000, 20, 1000, 1, 100",
        "6001, 20, 100, 11, 101",
        "0, 20, 100, 0, 0",
        "6000, 80, 100, , ",
        "6000, 90, 100, , "
    })
    void itHasPaidForItselfWhenTheSavingReachesTheOutlay(
            long once, long perSheet, int sheets, Long tenths, Long until) {
        var bulk = way("bulk", once, perSheet * 1000);
        var line = Payback.of(List.of(CARTRIDGES, bulk), sheets, 0, CARTRIDGES).getLast();
        assertThat(line.tenths()).isEqualTo(tenths);
        assertThat(line.sheets()).isEqualTo(until);
    }

    @Test
    void handsAreMoneyToo() {
        var refilled = new Way("refilled", List.of(), 80_000, 0, 30, 0, "");
        var line = Payback.of(List.of(refilled), 10, 25_000, CARTRIDGES).getFirst();
        assertThat(line.perMonth()).isEqualTo(800 + 750);
        assertThat(line.tenths()).isNull();
    }

    @Test
    void nothingBeatsAWayAgainstItself() {
        var line = Payback.of(List.of(CARTRIDGES), 40, 0, CARTRIDGES).getFirst();
        assertThat(line.tenths()).isZero();
        assertThat(line.year()).isEqualTo(80 * 40 * 12);
        assertThat(line.threeYears()).isEqualTo(3 * line.year());
    }

    @Test
    void afterThatManyMonthsItHasCostNoMoreAndATenthEarlierIfWasDearer() {
        var random = new Random(7);
        for (int i = 0; i < 2000; i++) {
            var one = way("one", random.nextInt(100_000), random.nextInt(200_000));
            var other = way("other", random.nextInt(1000), random.nextInt(200_000));
            int sheets = 1 + random.nextInt(500);
            var line = Payback.of(List.of(one), sheets, 0, other).getFirst();
            if (line.ahead() != null) {
                assertThat(line.tenths()).isNull();
                assertThat(paid(one, sheets, line.ahead())).isLessThanOrEqualTo(paid(other, sheets, line.ahead()));
                assertThat(paid(one, sheets, line.ahead() + 1)).isGreaterThan(paid(other, sheets, line.ahead() + 1));
            }
            if (line.tenths() != null && line.tenths() > 0) {
                assertThat(paid(one, sheets, line.tenths())).isLessThanOrEqualTo(paid(other, sheets, line.tenths()));
                assertThat(paid(one, sheets, line.tenths() - 1)).isGreaterThan(paid(other, sheets, line.tenths() - 1));
            }
        }
    }

    /** Thousandths of minor units, times ten. */
    private static long paid(Way way, int sheets, long tenths) {
        return way.atOnce() * 10_000 + way.perSheet() * sheets * tenths;
    }

    @Test
    void noSheetsAreNoQuestion() {
        assertThatThrownBy(() -> Payback.of(List.of(CARTRIDGES), 0, 0, CARTRIDGES))
                .hasMessageContaining("one sheet");
    }
}
