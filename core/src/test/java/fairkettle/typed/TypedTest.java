package fairkettle.typed;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What people write is read as they meant it, or not at all. */
class TypedTest {

    private static final ZoneId LONDON = ZoneId.of("Europe/London");

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"12|12", "12.5|12.5", "0,25|0.25", "17,50|17.50", "-3|-3", "−3|-3", "1.234|1.234", "0,125|0.125"})
    void aNumberHasAPointOrAComma(String typed, BigDecimal meant) {
        assertThat(TypedNumber.parse(typed)).isEqualByComparingTo(meant);
    }

    @ParameterizedTest
    @ValueSource(strings = {"1,234", "1,234.5", "1.234,5", "1 234", "1'234"})
    void whatCouldBeThousandsIsRefused(String typed) {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> TypedNumber.parse(typed))
                .withMessageContaining("could be two numbers");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "x", "1e400000000", "1..2", ".5", "NaN", "99999999999999", "٣"})
    void whatIsNoNumberIsRefused(String typed) {
        assertThatIllegalArgumentException().isThrownBy(() -> TypedNumber.parse(typed));
    }

    @ParameterizedTest
    @CsvSource({
        "2026-11-25, 2026-11-25",
        "25.11.2026, 2026-11-25",
        "1.2.2026, 2026-02-01",
        "25/11/2026, 2026-11-25",
        "11/25/2026, 2026-11-25",
        "4/4/2026, 2026-04-04"
    })
    void aDayIsReadWhereItCanBeOnlyOne(String typed, LocalDate meant) {
        assertThat(TypedTime.day(typed)).isEqualTo(meant);
    }

    @ParameterizedTest
    @ValueSource(strings = {"3/4/2026", "31.2.2026", "2026-13-01", "yesterday", "25/13/2026", ""})
    void aDayThatIsNoneOrTwoIsRefused(String typed) {
        assertThatIllegalArgumentException().isThrownBy(() -> TypedTime.day(typed));
    }

    @ParameterizedTest
    @CsvSource({
        "2026-11-25T09:00:00Z, 2026-11-25T09:00:00Z",
        "2026-07-01 09:00, 2026-07-01T08:00:00Z",
        "2026-07-01T09:00:30+02:00, 2026-07-01T07:00:30Z",
        "2026-07-01 09:00:30+02:00, 2026-07-01T07:00:30Z",
        "25.11.2026 9:05, 2026-11-25T09:05:00Z",
        "2026-11-25, 2026-11-25T00:00:00Z",
        "2026-10-25 01:30, 2026-10-25T00:30:00Z" // comes twice: the first
    })
    void aTimeWithoutAZoneIsTheShops(String typed, Instant meant) {
        assertThat(TypedTime.instant(typed, LONDON)).isEqualTo(meant);
    }

    @ParameterizedTest
    @ValueSource(strings = {"2026-03-29 01:30", "2026-11-25 25:00", "2026-11-25 9", "soon"})
    void aTimeThatNoClockShowedIsRefused(String typed) {
        assertThatIllegalArgumentException().isThrownBy(() -> TypedTime.instant(typed, LONDON));
    }
}
