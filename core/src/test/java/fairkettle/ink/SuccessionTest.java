package fairkettle.ink;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.Holding.Inked;
import fairkettle.ink.Succession.Also;
import fairkettle.ink.Succession.Drain;
import fairkettle.ink.Succession.FirstFill;
import fairkettle.ink.Succession.Refused;
import fairkettle.ink.Succession.TopUp;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** The table "what may follow what", cell by cell. */
class SuccessionTest {

    @ParameterizedTest(name = "{0} after {1}: {2}")
    @CsvSource({
        // to, from, answer
        "MAKERS_DYE, MAKERS_DYE, TopUp",
        "MAKERS_PIGMENT, MAKERS_DYE, Drain",
        "SUBLIMATION, MAKERS_DYE, Drain",
        "FILM, MAKERS_DYE, Drain",
        "EDIBLE, MAKERS_DYE, Refused",
        "MAKERS_DYE, MAKERS_PIGMENT, Drain",
        "MAKERS_PIGMENT, MAKERS_PIGMENT, TopUp",
        "EDIBLE, MAKERS_PIGMENT, Refused",
        "MAKERS_DYE, SUBLIMATION, Drain",
        "SUBLIMATION, SUBLIMATION, TopUp",
        "EDIBLE, SUBLIMATION, Refused",
        "MAKERS_DYE, FILM, Drain",
        "FILM, FILM, TopUp",
        "EDIBLE, FILM, Refused",
        "MAKERS_DYE, EDIBLE, Drain",
        "SUBLIMATION, EDIBLE, Drain",
        "FILM, EDIBLE, Drain",
        "EDIBLE, EDIBLE, TopUp"
    })
    void theTable(Family to, Family from, String answer) {
        var held = new Inked(from, "own", from.food());
        assertThat(Succession.of(held, to, "own").getClass().getSimpleName()).isEqualTo(answer);
    }

    @ParameterizedTest
    @EnumSource(Family.class)
    void anythingMayGoIntoAMachineThatWasNeverInked(Family family) {
        assertThat(Succession.of(Holding.neverInked(), family, "own")).isInstanceOf(FirstFill.class);
    }

    @Test
    void newMachinesForFoodAskForAnAcknowledgement() {
        assertThat(Succession.of(Holding.neverInked(), Family.EDIBLE, "own"))
                .isEqualTo(new FirstFill(java.util.List.of(Succession.NEW_FOR_FOOD)));
    }

    @Test
    void nobodyCanVouchForASecondHandMachine() {
        assertThat(Succession.of(new Holding.Unknown(), Family.EDIBLE, "own")).isInstanceOf(Refused.class);
        assertThat(Succession.of(new Holding.Unknown(), Family.SUBLIMATION, "own"))
                .isInstanceOf(Drain.class);
    }

    @Test
    void anotherMakeOfSublimationIsDrainedNotToppedUp() {
        assertThat(Succession.of(new Inked(Family.SUBLIMATION, "theirs", false), Family.SUBLIMATION, "ours"))
                .isInstanceOf(Drain.class);
        assertThat(Succession.of(new Inked(Family.MAKERS_DYE, "theirs", false), Family.MAKERS_DYE, "ours"))
                .isInstanceOf(TopUp.class);
    }

    @Test
    void edibleInkInAMachineThatHeldOtherInkIsStillNotFood() {
        assertThat(Succession.of(new Inked(Family.EDIBLE, "own", false), Family.EDIBLE, "own"))
                .isInstanceOf(Refused.class);
    }

    @Test
    void filmNeedsARebuildAndLeavingFilmANewHead() {
        assertThat(Succession.of(new Inked(Family.MAKERS_DYE, "own", false), Family.FILM, "own"))
                .isInstanceOfSatisfying(
                        Drain.class, d -> assertThat(d.also()).isEqualTo(Set.of(Also.NEW_DAMPERS, Also.REBUILD)));
        assertThat(Succession.of(new Inked(Family.FILM, "own", false), Family.MAKERS_DYE, "own"))
                .isInstanceOfSatisfying(Drain.class, d -> assertThat(d.also()).containsExactly(Also.NEW_HEAD));
        assertThat(Succession.of(new Inked(Family.EDIBLE, "own", true), Family.SUBLIMATION, "own"))
                .isInstanceOfSatisfying(Drain.class, d -> assertThat(d.also()).containsExactly(Also.ONE_WAY));
    }
}
