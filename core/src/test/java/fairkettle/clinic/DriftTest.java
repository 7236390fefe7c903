package fairkettle.clinic;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DriftTest {

    @ParameterizedTest
    @CsvSource({
        "0, 9, 3, ever more cleaning",
        "0, 4, 0, ever more cleaning",
        "3, 0, 0, cases in two months",
        "4, 9, 3, ever more cleaning"
    })
    void isSaid(int cases, int cleanings, int before, String words) {
        assertThat(Drift.of("Teasel", cases, cleanings, before).orElseThrow())
                .contains("Teasel")
                .contains(words);
    }

    @ParameterizedTest
    @CsvSource({"0, 3, 0", "2, 9, 6", "1, 0, 4"})
    void isNotSaidOfWhatMayBeChance(int cases, int cleanings, int before) {
        assertThat(Drift.of("Teasel", cases, cleanings, before)).isEmpty();
    }
}
