package fairkettle.safety;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MachineMessageTest {

    @ParameterizedTest(name = "“{0}” finds {1}")
    @CsvSource({
        "not recognised, NOT_RECOGNISED",
        "Shutdown, IMPROPER_SHUTDOWN",
        "pad full, BOX_FULL",
        "fill tanks, ASKS_TO_FILL"
    })
    void searchFindsWhatTheMachineSays(String words, MachineMessage expected) {
        assertThat(MachineMessage.matching(words)).contains(expected);
    }

    @ParameterizedTest
    @CsvSource({"toast", "qqq"})
    void andNothingElse(String words) {
        assertThat(MachineMessage.matching(words)).isEmpty();
    }
}
