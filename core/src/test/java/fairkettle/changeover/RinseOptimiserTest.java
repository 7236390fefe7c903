package fairkettle.changeover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.ink.Millilitres;
import fairkettle.machine.Channel;
import fairkettle.machine.Profiles;
import fairkettle.machine.Vessel;
import fairkettle.machine.VesselKind;
import fairkettle.path.Dilution;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class RinseOptimiserTest {

    private static final Channel WORKED = Profiles.named("wide-tank").channels().getFirst();
    private static final List<VesselKind> ALL =
            List.of(VesselKind.TANK, VesselKind.TUBE, VesselKind.DAMPER, VesselKind.HEAD);

    @RepeatedTest(150)
    void exhaustiveSearchIsNeverCheaper(RepetitionInfo round) {
        var task = RandomTasks.task(new Random(round.getCurrentRepetition()));
        double best = RandomTasks.exhaustive(task);
        switch (RinseOptimiser.cheapest(task)) {
            case Rinses.Found found -> {
                assertThat(found.cost()).isCloseTo(best, within(1e-9 * (1 + best)));
                assertThat(found.residue()).isLessThanOrEqualTo(task.target() + 1e-12);
            }
            case Rinses.OutOfReach _ -> assertThat(best).isInfinite();
        }
    }

    @Test
    void cheapFluidMeansFewRinsesAndCheapHandsMeansMany() {
        assertThat(rinses(0.001, 1.0)).isLessThan(rinses(0.5, 0.001));
    }

    @Test
    void volumesLieOnTheSyringesMarksAndNeverMissTheTarget() {
        var found = (Rinses.Found) RinseOptimiser.cheapest(joined(0.002, 0.02, 0.05));
        var stage = found.stages().getFirst();
        assertThat(stage.volume().microlitres() % stage.syringe().graduation().microlitres())
                .isZero();
        double[] heels = WORKED.path().stream().mapToDouble(v -> v.heel().mL()).toArray();
        double residue = Dilution.residueAfter(
                heels, 98, new int[] {0, 1, 2, 3}, stage.count(), stage.volume().mL());
        assertThat(found.residue()).isEqualTo(residue).isLessThanOrEqualTo(0.002);
    }

    @Test
    void saysWhatIsInTheWayInsteadOfANumberThatLies() {
        var stage = new RinseStage(
                "tank and tube",
                List.of(VesselKind.TANK, VesselKind.TUBE),
                Millilitres.parse("3"),
                6,
                3,
                Millilitres.parse("500"),
                Millilitres.ZERO);
        var task = new RinseTask(WORKED, List.of(stage), 0.005, List.of(Syringe.of("60", "1")), 0.02, 0.1, 0.3, 60);
        assertThat(RinseOptimiser.cheapest(task)).isInstanceOfSatisfying(Rinses.OutOfReach.class, out -> {
            assertThat(out.inTheWay()).containsExactly(VesselKind.DAMPER, VesselKind.HEAD);
            assertThat(out.best()).isGreaterThan(1.3 / 98);
        });
    }

    @Test
    void theTimeLimitIsKept() {
        var task = RandomTasks.withMinutes(joined(0.002, 0.5, 0.001), 9);
        assertThat(((Rinses.Found) RinseOptimiser.cheapest(task)).minutes()).isLessThanOrEqualTo(9);
    }

    @RepeatedTest(30)
    void theChaserTakesTheFluidOut(RepetitionInfo round) {
        var random = new Random(round.getCurrentRepetition());
        double target = 0.005 + 0.02 * random.nextDouble();
        var task = joined(0.002, 0.02, 0.05);
        var chased = RinseOptimiser.chased(task, target).getFirst();
        double[] heels = WORKED.path().stream().mapToDouble(v -> v.heel().mL()).toArray();
        double[] fluid = new double[heels.length];
        Arrays.fill(fluid, 1);
        Dilution.rinse(heels, fluid, new int[] {0, 1, 2, 3}, chased.chaser().mL(), 0);
        assertThat(Dilution.residue(heels, fluid, 98)).isLessThanOrEqualTo(target);
    }

    private static int rinses(double liquid, double labour) {
        return ((Rinses.Found) RinseOptimiser.cheapest(joined(0.002, liquid, labour)))
                .stages()
                .getFirst()
                .count();
    }

    private static RinseTask joined(double target, double liquid, double labour) {
        var stage = new RinseStage(
                "joined path",
                WORKED.path().stream().map(Vessel::kind).toList(),
                Millilitres.parse("1"),
                6,
                3,
                Millilitres.parse("500"),
                Millilitres.ZERO);
        assertThat(stage.reach()).isEqualTo(ALL);
        return new RinseTask(
                WORKED,
                List.of(stage),
                target,
                List.of(Syringe.of("60", "1"), Syringe.of("10", "0.5")),
                liquid,
                0.1,
                labour,
                60);
    }
}
