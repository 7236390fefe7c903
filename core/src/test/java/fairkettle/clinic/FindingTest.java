package fairkettle.clinic;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.clinic.Finding.Cause;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FindingTest {

    /** Four filters lie in series on the way to a head, and any of them may starve it. */
    @ParameterizedTest
    @CsvSource({
        "ink filter, STARVED, true",
        "Bay filter, STARVED, true",
        "damper of the white, STARVED, true",
        "waste pad, STARVED, false",
        "wiper, WIPER, true",
        "cap and pump, CAP, true",
        "print head, DEAD, true",
        "capillary, CAP, false",
        "damper, AIR, false"
    })
    void aPartIsSuspectedOfWhatItCanCause(String part, Cause cause, boolean suspected) {
        assertThat(cause.comesWithAge(part)).isEqualTo(suspected);
    }
}
