package fairkettle.machine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fairkettle.machine.SecondHand.Decision;
import fairkettle.machine.SecondHand.Look;
import fairkettle.machine.TankHeight.Sign;
import fairkettle.machine.TankHeight.Tried;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** The small sums and judgements at the bench. */
class BenchSumsTest {

    @ParameterizedTest(name = "{0} mm bore, {1} cm: {2} mL")
    @CsvSource({"2, 100, 3.142", "2.5, 90, 4.418", "4, 60, 7.540"})
    void aTubeHoldsPiRSquaredL(double bore, double length, String mL) {
        assertThat(Plumbing.tubeVolume(bore, length)).hasToString(mL.replaceAll("0+$", ""));
    }

    @Test
    void aWellMixedVolumeWashesOutByE() {
        assertThat(Math.exp(-Plumbing.exchanges(0.01))).isCloseTo(0.01, within(1e-12));
        assertThatThrownBy(() -> Plumbing.exchanges(0)).hasMessageContaining("between 0 and 100");
    }

    @Test
    void anOpaqueBottleIsWeighed() {
        assertThat(Plumbing.byWeight(131, 26, 1.05)).hasToString("100");
        assertThatThrownBy(() -> Plumbing.byWeight(20, 26, 1.05)).hasMessageContaining("less than the empty bottle");
        assertThat(Plumbing.adapterLength(31)).isEqualTo(15.5);
    }

    @Test
    void aMachineFitsItsPlaceOrItIsSaidByHowMuchItDoesNot() {
        var wide = new Standing.Machine(68, 77, 42, 19, 150);
        var table = new Standing.Table(80, 80, 72, 60, 60, 100);
        assertThat(Standing.problems(wide, table)).isEmpty();
        assertThat(Standing.remarks(wide, table)).containsExactly("Lift it with two people.");
        assertThat(Standing.problems(wide, new Standing.Table(60, 80, 72, 44, 60, 170)))
                .containsExactly(
                        "The table is 8 cm too narrow.",
                        "The lid wants 3 cm more above it, with its prop and tubes in.",
                        "The cord is 20 cm too short. No extension under a wet bench.");
    }

    @Test
    void theNearestProfileIsShownWithWhatDiffers() {
        var near = Similarity.nearest(
                new Similarity.Seen(Architecture.TANK, 4, true, false, CarriageFreeing.CORD_IN_PRINT, null, "A3+"),
                Profiles.ALL);
        assertThat(near.getFirst().profile().id()).isEqualTo("wide-tank");
        assertThat(near.getFirst().differs()).singleElement().asString().startsWith("The carriage is freed");
        assertThat(near)
                .extracting(Similarity.Near::likeness)
                .isSortedAccordingTo(java.util.Comparator.reverseOrder())
                .allMatch(l -> l >= 0 && l <= 1);
    }

    @ParameterizedTest
    @EnumSource(Look.class)
    void oneNoIsNotedAndSomeEndIt(Look no) {
        var seen = new EnumMap<Look, Boolean>(Look.class);
        Arrays.stream(Look.values()).forEach(l -> seen.put(l, l != no));
        var verdict = SecondHand.of(seen);
        assertThat(verdict.notes()).hasSize(1);
        assertThat(verdict.decision())
                .isEqualTo(no.ordinal() <= Look.CARRIAGE.ordinal() ? Decision.NO_GO : Decision.GO_WITH_NOTES);
    }

    @Test
    void heightGoesUpInStepsThatDidNotDrip() {
        var tried = List.of(new Tried(20, true), new Tried(10, false));
        assertThat(TankHeight.lastSafe(tried)).isEqualTo(10);
        assertThat(TankHeight.hindrance(tried, 30, true)).contains("At most 10 mm at a time: 20 mm next.");
        assertThat(TankHeight.hindrance(tried, 10, true)).isEmpty();
        assertThat(TankHeight.hindrance(tried, -20, false))
                .as("down is always allowed")
                .isEmpty();
        assertThat(TankHeight.hindrance(tried, 10, false))
                .hasValueSatisfying(w -> assertThat(w).contains("hang level"));
        assertThat(TankHeight.hindrance(List.of(new Tried(10, null)), 20, true))
                .hasValueSatisfying(w -> assertThat(w).contains("not answered"));
        assertThat(TankHeight.advice(Sign.DRIPS, 20)).contains("10 mm or less");
        assertThat(TankHeight.advice(Sign.FADES, 0)).startsWith("Vents and valve first");
    }

    @ParameterizedTest
    @EnumSource(Panel.Act.class)
    void everyActHasAWayWithAndWithoutAScreen(Panel.Act act) {
        Profiles.ALL.forEach(
                p -> assertThat(p.handling().panel().how(act).say()).isNotBlank());
    }
}
