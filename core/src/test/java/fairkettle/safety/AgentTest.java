package fairkettle.safety;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.Family;
import fairkettle.safety.Agent.Part;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What may touch what. */
class AgentTest {

    @Test
    void everyPairHasAnAnswerWithItsReason() {
        for (var part : Part.values()) {
            for (var family : Family.values()) {
                for (var agent : Agent.values()) {
                    assertThat(agent.on(part, family).reason()).isNotBlank();
                }
            }
        }
    }

    @ParameterizedTest(name = "{0} on {1} with {2}: {3}")
    @CsvSource({
        "ALCOHOL, DAMPER, SUBLIMATION, false",
        "HOT_WATER, HEAD, MAKERS_DYE, false",
        "HOT_WATER, PUMP_LINE, FILM, true",
        "ALCOHOL, CAP_AND_WIPER, SUBLIMATION, true",
        "ALCOHOL, CAP_AND_WIPER, EDIBLE, false",
        "WATER, TANK_AND_LINE, FILM, false",
        "FAMILY_FLUID, HEAD, EDIBLE, true",
        "ALCOHOL, MOUNT, EDIBLE, true",
        "WATER, BOARD, FILM, false"
    })
    void badPairsAreRefused(Agent agent, Part part, Family family, boolean may) {
        assertThat(agent.on(part, family).may()).isEqualTo(may);
    }
}
