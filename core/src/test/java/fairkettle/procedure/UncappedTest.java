package fairkettle.procedure;

import static fairkettle.procedure.Step.step;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.Family;
import fairkettle.machine.CarriageFreeing;
import java.time.Duration;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class UncappedTest {

    private static final Step FREE = UsualSteps.free(CarriageFreeing.LOCK_GEAR).build();
    private static final Step DOCKED =
            step("on", "On").minutes(2).then(Facet.CARRIAGE, "docked").build();

    private static Step work(int minutes) {
        return step("work-" + minutes, "Work").minutes(minutes).build();
    }

    @Test
    void aHeadThatStaysOnItsDockIsNeverBare() {
        assertThat(of(work(60))).isEqualTo(new Uncapped(0, 0));
    }

    @Test
    void minutesInTheAirAreCountedUntilItDocks() {
        assertThat(of(FREE, work(12), DOCKED, work(90))).isEqualTo(new Uncapped(16, 0));
    }

    @Test
    void onAWetClothItIsNotBareAndTheLongestStretchDecides() {
        var laid = UsualSteps.wetCloth(Family.SUBLIMATION);
        var taken = UsualSteps.clothOut();
        assertThat(of(FREE, laid, work(70), taken, work(9), DOCKED)).isEqualTo(new Uncapped(10, 72));
    }

    @Test
    void aWaitInTheAirCountsToo() {
        var wait = step("wait", "Wait")
                .minutes(1)
                .waits(new Pause("soak", Duration.ofMinutes(10), null, false))
                .build();
        assertThat(of(FREE, wait, DOCKED).bare()).isEqualTo(15);
    }

    @ParameterizedTest
    @CsvSource({
        "20, SUBLIMATION, 1, 20",
        "20, FILM, 1, 15",
        "20, MAKERS_PIGMENT, 2, 7",
        "20, EDIBLE, 0.5, 40",
        "12, SUBLIMATION, 3, 4",
        "1, FILM, 3, 1"
    })
    void theLimitIsTheShopsInUsualAirAndShorterInDryAirAndWithResin(
            int shops, Family family, double drying, int minutes) {
        assertThat(Uncapped.limit(shops, Set.of(family), drying)).isEqualTo(minutes);
    }

    @Test
    void ofTwoInksTheOneThatSetsSoonerCounts() {
        assertThat(Uncapped.limit(20, Set.of(Family.SUBLIMATION, Family.FILM), 1))
                .isEqualTo(15);
        assertThat(Uncapped.limit(20, Set.of(), 1)).isEqualTo(20);
    }

    private static Uncapped of(Step... steps) {
        return Uncapped.of(MachineState.USUAL, List.of(steps));
    }
}
