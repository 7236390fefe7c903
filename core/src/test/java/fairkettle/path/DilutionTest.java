package fairkettle.path;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The worked chain – tank 90/2.4, tube 4.5/0.5, damper 3.0/1.1, head 0.5/0.2 – and the laws behind it. */
class DilutionTest {

    private static final double[] HEELS = {2.4, 0.5, 1.1, 0.2};
    private static final double[] VOLUMES = {90, 4.5, 3.0, 0.5};
    private static final double CAPACITY = 98;
    private static final int[] ALL = {0, 1, 2, 3};

    @ParameterizedTest(name = "{0} rinses of 10 mL leave {1}")
    @CsvSource({"0, 0.0428571", "1, 0.01003763", "2, 0.00212910", "3, 0.00043121"})
    void rinsesOfTen(int rinses, double residue) {
        assertThat(Dilution.residueAfter(HEELS, CAPACITY, ALL, rinses, 10))
                .isCloseTo(residue, within(5e-9 + 5e-8 * (rinses == 0 ? 1 : 0)));
    }

    @ParameterizedTest(name = "{0} rinses need {1} mL each for 0.2 %")
    @CsvSource({"1, 60.889", "2, 10.398", "3, 5.0025", "4, 3.208", "6, 1.837"})
    void volumeForTwoInAThousand(int rinses, double volume) {
        assertThat(Dilution.volumeForResidue(HEELS, CAPACITY, ALL, rinses, 0.002))
                .isCloseTo(volume, within(5.1e-4));
    }

    @Test
    void tubeTakenOffTheDamper() {
        double[] shares = {1, 1, 1, 1};
        for (int i = 0; i < 3; i++) {
            Dilution.rinse(HEELS, shares, new int[] {0, 1}, 10, 0);
        }
        assertThat(Dilution.residue(HEELS, shares, CAPACITY))
                .as("without the damper's own rinses")
                .isGreaterThan(0.013);
        for (int i = 0; i < 2; i++) {
            Dilution.rinse(HEELS, shares, new int[] {2}, 2, 0);
        }
        assertThat(Dilution.residue(HEELS, shares, CAPACITY)).isCloseTo(0.0036782, within(5e-8));
        double[] full = new double[4];
        for (int i = 0; i < 4; i++) {
            full[i] = shares[i] * HEELS[i] / VOLUMES[i];
        }
        assertThat(full[3]).as("the head's slot").isCloseTo(0.4, within(1e-12));
        assertThat(FlowThrough.untilOutletBelow(VOLUMES, full, 0.005)).isCloseTo(7.50, within(5e-3));
    }

    @RepeatedTest(100)
    void oneVesselAgreesWithItsClosedForm(RepetitionInfo round) {
        var random = new Random(round.getCurrentRepetition());
        double heel = 0.05 + 5 * random.nextDouble();
        double share = Math.pow(10, -4 * random.nextDouble());
        int rinses = 1 + random.nextInt(6);
        double volume = Dilution.volumeForOneVessel(heel, share, rinses);
        assertThat(Dilution.residueAfter(new double[] {heel}, heel, new int[] {0}, rinses, volume))
                .isCloseTo(share, within(share * 1e-12));
    }

    @RepeatedTest(100)
    void oldInkLeftAndWashedOutAreAllThereWas(RepetitionInfo round) {
        var random = new Random(round.getCurrentRepetition());
        double[] heels = random.doubles(1 + random.nextInt(5), 0, 3).toArray();
        double[] shares = new double[heels.length];
        Arrays.fill(shares, 1);
        int[] reach = java.util.stream.IntStream.range(0, heels.length).toArray();
        double all = Arrays.stream(heels).sum();
        double washed = 0;
        for (int i = 0; i < 8; i++) {
            double volume = random.nextDouble() * 20;
            Dilution.rinse(heels, shares, reach, volume, 0);
            washed += volume * shares[shares.length - 1];
            double left = Dilution.residue(heels, shares, 1);
            assertThat(left + washed).isCloseTo(all, within(1e-12 * (1 + all)));
        }
    }

    @RepeatedTest(100)
    void moreRinseIsNeverDirtier(RepetitionInfo round) {
        var random = new Random(round.getCurrentRepetition());
        double[] heels = random.doubles(4, 0.01, 3).toArray();
        double volume = random.nextDouble() * 30;
        int rinses = 1 + random.nextInt(5);
        double residue = Dilution.residueAfter(heels, 100, ALL, rinses, volume);
        assertThat(Dilution.residueAfter(heels, 100, ALL, rinses, volume + random.nextDouble()))
                .isLessThanOrEqualTo(residue);
        assertThat(Dilution.residueAfter(heels, 100, ALL, rinses + 1, volume)).isLessThanOrEqualTo(residue);
    }

    @Test
    void anyComponentFollowsTheSameLaw() {
        double[] old = {1, 1, 1, 1};
        double[] fluid = {0, 0, 0, 0};
        double[] ink = {0, 0, 0, 0};
        for (double[] rinse : new double[][] {{10, 0, 1, 0}, {6, 0, 1, 0}, {4, 0, 0, 1}}) {
            Dilution.rinse(HEELS, old, ALL, rinse[0], rinse[1]);
            Dilution.rinse(HEELS, fluid, ALL, rinse[0], rinse[2]);
            Dilution.rinse(HEELS, ink, ALL, rinse[0], rinse[3]);
        }
        for (int i = 0; i < 4; i++) {
            assertThat(old[i] + fluid[i] + ink[i]).isCloseTo(1, within(1e-14));
        }
    }

    @ParameterizedTest(name = "one vessel of {0} mL, {1} mL drawn")
    @CsvSource({"90, 10", "0.5, 7", "0.5, 300", "3, 0", "4.5, 0.001"})
    void flowThroughOneVesselIsExponential(double vessel, double drawn) {
        double exact = Math.exp(-drawn / vessel);
        assertThat(FlowThrough.after(new double[] {vessel}, new double[] {1}, drawn)[0])
                .isCloseTo(exact, within(exact * 1e-9));
    }

    @Test
    void flowThroughTwoEqualVesselsHasItsClosedForm() {
        double exact = Math.exp(-4.0) * (1 + 4.0); // c2 = e^(−u/V)·(1 + u/V), both at 1 in the beginning
        assertThat(FlowThrough.after(new double[] {2, 2}, new double[] {1, 1}, 8)[1])
                .isCloseTo(exact, within(exact * 1e-9));
    }

    @Test
    void theOutletMayRiseBeforeItFalls() {
        double[] dirtyTank = {0.3, 0, 0, 0};
        double needed = FlowThrough.untilOutletBelow(VOLUMES, dirtyTank, 0.01);
        assertThat(FlowThrough.after(VOLUMES, dirtyTank, needed * 0.999)[3]).isGreaterThan(0.01);
        assertThat(FlowThrough.after(VOLUMES, dirtyTank, needed * 1.001)[3]).isLessThan(0.01);
    }
}
