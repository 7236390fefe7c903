package fairkettle.typed;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;

class DaysTest {

    @Test
    void aDayIsReadAlikeWhereverOneLives() {
        assertThat(Days.said(LocalDate.of(2026, 7, 6))).isEqualTo("6 Jul 2026");
    }
}
