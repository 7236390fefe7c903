package fairkettle.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Whoever can be reached by others asks who they are; behind a proxy that is so wherever it listens. */
class ReachTest {

    @ParameterizedTest
    @CsvSource({
        "127.0.0.1, false, false",
        "::1,       false, false",
        "0.0.0.0,   false, true",
        "127.0.0.1, true,  true",
        "no such name at all, false, true"
    })
    void anAddressSaysFromWhere(String address, boolean behindProxy, boolean byOthers) {
        assertThat(new Reach(address, behindProxy, "").byOthers()).isEqualTo(byOthers);
    }
}
