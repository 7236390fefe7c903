package fairkettle.procedure;

import static fairkettle.procedure.Step.step;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.Family;
import fairkettle.machine.CarriageFreeing;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;

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

    private static Uncapped of(Step... steps) {
        return Uncapped.of(MachineState.USUAL, List.of(steps));
    }
}
