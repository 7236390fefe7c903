package fairkettle.safety;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.machine.Chips;
import java.util.EnumSet;
import org.junit.jupiter.api.Test;
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

    @ParameterizedTest(name = "not recognised, with {0}: {1}")
    @CsvSource({
        "NONE, reads no chips",
        "MAKERS, contacts dry",
        "AUTO_RESET, Nothing is pressed",
        "BUTTON, hold its button",
        "IGNORED, Load it again"
    })
    void whatIsSafeFollowsTheMachinesChips(Chips chips, String says) {
        assertThat(MachineMessage.NOT_RECOGNISED.act(chips)).contains(says);
    }

    @Test
    void nobodyIsToldToPressAButtonThatTheirChipDoesNotHave() {
        for (var message : MachineMessage.values()) {
            for (var chips : EnumSet.complementOf(EnumSet.of(Chips.BUTTON))) {
                assertThat(message.act(chips)).as(message + " " + chips).doesNotContain("hold its button");
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"toast", "qqq"})
    void andNothingElse(String words) {
        assertThat(MachineMessage.matching(words)).isEmpty();
    }
}
