package fairkettle.safety;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.safety.Reuse.Destination;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class ReuseTest {

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "CLEAN_FILLING, OWN_BOTTLE",
        "OWN_WHITE, OWN_TANK",
        "MIXED_COLOUR, WASTE",
        "USED_FLUID, WASTE",
        "CONTAMINATED, WASTE",
        "CARTRIDGES, SEALED",
        "OTHER_MACHINE, WASTE",
        "FOOD_INK, WASTE"
    })
    void eachOriginGoesToOnePlace(Reuse origin, Destination place) {
        assertThat(origin.goes(true)).isEqualTo(place);
    }

    @Test
    void aShopThatGivesNothingBackFillsNoBottleWithDrawnInk() {
        assertThat(Arrays.stream(Reuse.values()).filter(r -> r.goes(false) == Destination.OWN_BOTTLE))
                .containsExactly(Reuse.WHOLE_FLUID);
        assertThat(Reuse.OWN_WHITE.goes(false))
                .as("it is moved within its line, and never was in a bottle")
                .isEqualTo(Destination.OWN_TANK);
    }

    @ParameterizedTest
    @EnumSource
    void whatGoesToWasteGoesThereWhateverTheSchool(Reuse origin) {
        if (origin.goes(true) == Destination.WASTE) {
            assertThat(origin.goes(false)).isEqualTo(Destination.WASTE);
        }
    }
}
