package fairkettle.books;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.books.Worth.Seen;
import fairkettle.books.Worth.Verdict;
import java.util.Currency;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WorthTest {

    private static final Currency POUNDS = Currency.getInstance("GBP");

    private static Seen seen(int known, int sheets, Long earns, long took, int cases, int ill, boolean parked) {
        return new Seen(90, known, sheets, 100, earns, took, 0, 0, cases, ill, 0, parked);
    }

    @ParameterizedTest(name = "{1} sheets, {2} a day, took {3}, {4} cases, {5} days ill: {7}")
    @CsvSource({
        "90, 60, , 5000, 0, 0, false, KEEP",
        "90, 60, , 5000, 3, 10, false, KEEP_AN_EYE",
        "90, 60, , 5000, 1, 40, false, KEEP_AN_EYE",
        "90, 20, , 5000, 0, 0, false, PRINT_MORE",
        "90, 0, , 5000, 0, 0, false, PARK",
        "90, 20, , 5000, 4, 10, false, GIVE_UP",
        "90, 0, , 20, 0, 0, true, KEEP",
        "20, 0, , 5000, 4, 10, false, TOO_NEW",
        "90, 0, 100, 5000, 0, 0, false, KEEP",
    })
    void whatItBroughtIsHeldAgainstWhatItTook(
            int known, int sheets, Long earns, long took, int cases, int ill, boolean parked, Verdict verdict) {
        assertThat(Worth.of(seen(known, sheets, earns, took, cases, ill, parked), POUNDS)
                        .verdict())
                .isEqualTo(verdict);
    }

    @Test
    void itSaysHowManySheetsWouldCarryIt() {
        var worth = Worth.of(seen(90, 20, null, 5050, 0, 0, false), POUNDS);
        assertThat(worth.reasons()).anySatisfy(r -> assertThat(r).contains("With 51 sheets"));
        assertThat(Worth.of(seen(90, 51, null, 5050, 0, 0, false), POUNDS).verdict())
                .isEqualTo(Verdict.KEEP);
        assertThat(Worth.of(seen(90, 50, null, 5050, 0, 0, false), POUNDS).verdict())
                .isEqualTo(Verdict.PRINT_MORE);
    }

    @Test
    void theMoreItTookTheLessItIsKept() {
        boolean kept = true;
        for (long took = 0; took < 20_000; took += 100) {
            boolean now =
                    Worth.of(seen(90, 60, null, took, 0, 0, false), POUNDS).verdict() == Verdict.KEEP;
            assertThat(kept || !now).isTrue();
            kept = now;
        }
        assertThat(kept).isFalse();
    }
}
